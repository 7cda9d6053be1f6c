#include "app/rebuild/PlanView.h"

#include <QKeyEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {
constexpr double kNear = 1, kFar = 60;  // metres, of the ring of the loudspeakers and the edge
constexpr double kRing = 0.46;          // of the reach: where the loudspeakers stand
}  // namespace

PlanView::PlanView(RebuildDesk& desk, Hearing& hearing, QWidget* parent) : PlaceView(desk, hearing, parent) {
    setObjectName("planview");
    setAccessibleName(say("Lanes seen from above"));
    setToolTip(
        say("Drag a lane's dot, or: left and right turn it (Shift: finely), up and down move it away and near, Page "
            "up and down raise and lower it; Ctrl with up and down chooses another lane"));
}

double PlanView::reach() const { return std::min(width(), height()) / 2.0 - 12; }

double PlanView::radiusOf(double metres) const {
    const double share = metres <= kNear ? kRing * metres / kNear
                                         : kRing + (1 - kRing) * std::log(metres / kNear) / std::log(kFar / kNear);
    return share * reach();
}

QPointF PlanView::at(double azimuth, double metres) const {
    const double a = azimuth * std::numbers::pi / 180, r = radiusOf(metres);
    return {width() / 2.0 - r * std::sin(a), height() / 2.0 - r * std::cos(a)};
}

std::pair<double, double> PlanView::placeOf(const QPointF& point) const {
    const QPointF from(width() / 2.0, height() / 2.0), d = from - point;
    const double share = std::min(1.0, std::hypot(d.x(), d.y()) / reach());
    const double metres =
        share <= kRing ? kNear * share / kRing : kNear * std::pow(kFar / kNear, (share - kRing) / (1 - kRing));
    return {std::atan2(d.x(), d.y()) * 180 / std::numbers::pi, std::clamp(metres, 0.5, kFar)};
}

void PlanView::drag(Strip& strip, const QPointF& to) const {
    const auto [azimuth, distance] = placeOf(to);
    if (!strip.automation.count("azimuth")) strip.azimuth = wrapped(std::round(azimuth));
    if (!strip.automation.count("distance")) strip.distance = std::max(0.5, std::round(distance * 10) / 10);
}

bool PlanView::key(QKeyEvent* e) {
    if (e->key() != Qt::Key_Up && e->key() != Qt::Key_Down) return false;
    nudge(&Strip::distance, 0, e->key() == Qt::Key_Up ? 1.25 : 0.8, 0.5, kFar);
    return true;
}

void PlanView::paintRoom(QPainter& p) {
    const QPointF middle(width() / 2.0, height() / 2.0);
    p.setBrush(Qt::NoBrush);
    p.setFont(theme::font(10));
    for (double metres : {1.0, 4.0, 16.0, 60.0}) {
        p.setPen(QPen(theme::line, metres == 1 ? 1.4 : 1));
        p.drawEllipse(middle, radiusOf(metres), radiusOf(metres));
        p.setPen(theme::quietInk);
        p.drawText(QPointF(middle.x() + 3, middle.y() + radiusOf(metres) - 3), QString("%1 m").arg(metres));
    }
    // The listener looks up, or where the head is turned.
    p.save();
    p.translate(middle);
    p.rotate(-yaw());
    p.setPen(QPen(theme::quietInk, 1.4));
    p.setBrush(theme::raised);
    p.drawEllipse(QPointF(), 8, 8);
    p.drawLine(QPointF(-4, -7), QPointF(0, -13));
    p.drawLine(QPointF(4, -7), QPointF(0, -13));
    p.restore();
    for (const Speaker& s : speakersOf(m_desk.rebuild().format)) {
        if (s.lfe) continue;
        const QPointF where = at(s.at.azimuth, s.at.elevation > 0 ? 0.62 : kNear);
        p.setPen(theme::quietInk);
        p.setBrush(s.at.elevation > 0 ? Qt::NoBrush : QBrush(theme::line));
        p.drawRect(QRectF(where.x() - 4, where.y() - 4, 8, 8));
    }
}

void PlanView::paintAround(QPainter& p, const Lane& lane, const Placer::Where& where) const {
    if (where.place.spread <= 0) return;
    p.setPen(QPen(hueOf(lane), 2));
    p.setBrush(Qt::NoBrush);
    const double r = radiusOf(where.place.distance);
    p.drawArc(QRectF(width() / 2.0 - r, height() / 2.0 - r, 2 * r, 2 * r),
              int((90 + where.place.azimuth - where.place.spread / 2) * 16), int(where.place.spread * 16));
}

}  // namespace rivlen
