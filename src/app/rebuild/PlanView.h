#pragma once
#include <QWidget>
#include <map>

#include "app/rebuild/RebuildDesk.h"
#include "core/space/Placer.h"

namespace rivlen {

/// The mix seen from above: the listener in the middle, the format's loudspeakers around, each lane a dot where it
/// stands, with what is heard of it as a halo. Dots are dragged, or moved by keys: left and right turn by 5 degrees (1
/// with Shift), up and down move away and near, Page up and Page down raise and lower.
class PlanView : public QWidget {
    Q_OBJECT
public:
    PlanView(RebuildDesk& desk, Hearing& hearing, QWidget* parent = nullptr);

    QPointF dotOf(const Lane& lane) const;  ///< where its dot is drawn now, in points of the widget
    /// Azimuth and distance of a point of the widget.
    std::pair<double, double> placeOf(const QPointF& point) const;
    void setYaw(double degrees);  ///< of the listener's head, to the left
    QSize sizeHint() const override { return {300, 240}; }

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

private:
    void tick();  ///< takes the levels and follows moving places
    bool placed() const { return m_desk.rebuild().format != MixFormat::Reel; }
    double reach() const;  ///< points from the listener to the edge
    double radiusOf(double metres) const;
    QPointF pointOf(double azimuth, double metres) const;
    void move(const std::string& name, const std::function<void(Strip&)>& change, bool dragging);
    void paintRoom(QPainter& p) const;
    void paintLane(QPainter& p, const Lane& lane) const;

    RebuildDesk& m_desk;
    Hearing& m_hearing;
    bool m_dragging = false;
    double m_yaw = 0;
    std::map<std::string, float> m_levels;  ///< 0 ... 1, falling slowly, by lane
};

/// Azimuth and distance as they are told: "12° left, 3.0 m, 20° up".
QString placeText(const Placer::Where& where);

}  // namespace rivlen
