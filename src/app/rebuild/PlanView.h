#pragma once
#include "app/rebuild/PlaceView.h"

namespace rivlen {

/// The mix seen from above: the listener in the middle, the format's loudspeakers around, each lane where it stands. Up
/// and down move the chosen lane away and near.
class PlanView : public PlaceView {
    Q_OBJECT
public:
    PlanView(RebuildDesk& desk, Hearing& hearing, QWidget* parent = nullptr);
    /// Azimuth and distance of a point of the widget.
    std::pair<double, double> placeOf(const QPointF& point) const;

protected:
    QPointF pointOf(const Position& place) const override { return at(place.azimuth, place.distance); }
    void drag(Strip& strip, const QPointF& to) const override;
    void paintRoom(QPainter& p) override;
    void paintAround(QPainter& p, const Lane& lane, const Placer::Where& where) const override;
    bool key(QKeyEvent* e) override;

private:
    double reach() const;  ///< points from the listener to the edge
    double radiusOf(double metres) const;
    QPointF at(double azimuth, double metres) const;
};

}  // namespace rivlen
