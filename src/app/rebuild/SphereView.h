#pragma once
#include <QImage>

#include "app/rebuild/PlaceView.h"
#include "app/rebuild/SpaceListening.h"

namespace rivlen {

/// The whole sphere around the listener, unrolled into an oval of equal areas (Hammer 1892): the front in the middle,
/// the left at the left, above on top. Lanes are dots where they come from; behind them the energy of the mix, 30 dB
/// down to nothing. Up and down raise and lower the chosen lane.
class SphereView : public PlaceView {
    Q_OBJECT
public:
    SphereView(RebuildDesk& desk, Hearing& hearing, SpaceListening& listening, QWidget* parent = nullptr);
    /// The direction of a point of the widget; outside of the oval that of its edge.
    Direction directionAt(const QPointF& point) const;
    /// How strong a direction is shown, 0 ... 1.
    double strengthAt(const Direction& at) const;

protected:
    QPointF pointOf(const Position& place) const override { return at({place.azimuth, place.elevation}); }
    void drag(Strip& strip, const QPointF& to) const override;
    void paintRoom(QPainter& p) override;
    void paintAround(QPainter& p, const Lane& lane, const Placer::Where& where) const override;
    bool key(QKeyEvent* e) override;
    void showEvent(QShowEvent*) override { m_listening.look(this, MixFeed::Measured::Energy); }
    void hideEvent(QHideEvent*) override { m_listening.look(this, MixFeed::Measured::Nothing); }

private:
    void hear();
    void shade();
    double reach() const;  ///< points from the middle to the upper edge
    QPointF at(const Direction& direction) const;
    SpaceListening& m_listening;
    std::vector<float> m_strength;  ///< of the map's cells, 0 ... 1
    QImage m_shade;
};

}  // namespace rivlen
