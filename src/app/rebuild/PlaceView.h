#pragma once
#include <QWidget>
#include <functional>
#include <map>

#include "app/rebuild/RebuildDesk.h"
#include "core/space/Placer.h"

namespace rivlen {

/// A picture of the room of the mix, in which each lane is a named dot with what is heard of it as a halo. Dots are
/// dragged, or the chosen lane's is moved by keys: left and right turn it by 5 degrees (1 with Shift), Page up and down
/// raise and lower it; what up and down do is the picture's.
class PlaceView : public QWidget {
    Q_OBJECT
public:
    PlaceView(RebuildDesk& desk, Hearing& hearing, QWidget* parent = nullptr);
    QPointF dotOf(const Lane& lane) const;  ///< where its dot is drawn now, in points of the widget
    void setYaw(double degrees);            ///< of the listener's head, to the left
    QSize sizeHint() const override { return {300, 240}; }

protected:
    virtual QPointF pointOf(const Position& place) const = 0;
    /// What a strip becomes when its dot is dragged to a point; curves lead, and are left alone.
    virtual void drag(Strip& strip, const QPointF& to) const = 0;
    virtual void paintRoom(QPainter& p) = 0;
    /// What belongs to a lane beside its dot.
    virtual void paintAround(QPainter&, const Lane&, const Placer::Where&) const {}
    virtual bool key(QKeyEvent*) { return false; }
    void nudge(double Strip::*value, double by, double factor, double low, double high);

    bool placed() const { return m_desk.rebuild().format != MixFormat::Reel; }
    double yaw() const { return m_yaw; }
    static QColor hueOf(const Lane& lane);
    /// Within -180 and 180 degrees.
    static double wrapped(double degrees);

    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

    RebuildDesk& m_desk;
    Hearing& m_hearing;

private:
    void tick();  ///< takes the levels and follows moving places
    void paintLane(QPainter& p, const Lane& lane) const;
    bool m_dragging = false;
    double m_yaw = 0;
    std::map<std::string, float> m_levels;  ///< 0 ... 1, falling slowly, by lane
};

/// Azimuth and distance as they are told: "12° left, 3.0 m, 20° up".
QString placeText(const Placer::Where& where);

}  // namespace rivlen
