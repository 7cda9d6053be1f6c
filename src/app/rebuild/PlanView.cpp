#include "app/rebuild/PlanView.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QTimer>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/widgets/Plaque.h"
#include "core/rebuild/LanePlacer.h"
#include "core/rebuild/RenderGraph.h"

namespace rivlen {

namespace {

constexpr double kNear = 1, kFar = 60;   // metres, of the ring of the loudspeakers and the edge
constexpr double kRing = 0.46;           // of the reach: where the loudspeakers stand
constexpr double kDot = 7, kGrasp = 12;  // points
constexpr int kPicturesASecond = 20;
const QColor kNoHue{0xb9, 0xae, 0x9b};

QColor hueOf(const Lane& lane) { return lane.stem < 0 ? kNoHue : theme::stemColor(lane.stem); }

double wrapped(double degrees) {
    const double d = std::remainder(degrees, 360.0);
    return d <= -180 ? 180 : d;
}

}  // namespace

QString placeText(const Placer::Where& where) {
    const double a = std::round(where.place.azimuth), e = std::round(where.place.elevation);
    QString text = a == 0                ? QString("in front")
                   : std::fabs(a) == 180 ? QString("behind")
                                         : QString("%1° %2").arg(std::fabs(a)).arg(a > 0 ? "left" : "right");
    text += QString(", %1 m").arg(where.place.distance, 0, 'f', 1);
    if (e != 0) text += QString(", %1° %2").arg(std::fabs(e)).arg(e > 0 ? "up" : "down");
    return text;
}

PlanView::PlanView(RebuildDesk& desk, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_hearing(hearing) {
    setObjectName("planview");
    setAccessibleName("Lanes seen from above");
    setToolTip(
        "Drag a lane's dot, or: left and right turn it (Shift: finely), up and down move it away and near, Page "
        "up and down raise and lower it; Ctrl with up and down chooses another lane");
    setFocusPolicy(Qt::StrongFocus);
    setMinimumHeight(190);
    connect(&desk, &RebuildDesk::changed, this, qOverload<>(&QWidget::update));
    auto* timer = new QTimer(this);
    timer->setInterval(1000 / kPicturesASecond);
    connect(timer, &QTimer::timeout, this, &PlanView::tick);
    connect(&hearing, &Hearing::changed, this, [this, timer] {
        if (m_hearing.player().playing()) timer->start();
    });
    connect(timer, &QTimer::timeout, this, [this, timer] {
        if (!m_hearing.player().playing()) timer->stop();  // idle means idle
    });
}

void PlanView::setYaw(double degrees) {
    m_yaw = degrees;
    update();
}

double PlanView::reach() const { return std::min(width(), height()) / 2.0 - 12; }

double PlanView::radiusOf(double metres) const {
    const double share = metres <= kNear ? kRing * metres / kNear
                                         : kRing + (1 - kRing) * std::log(metres / kNear) / std::log(kFar / kNear);
    return share * reach();
}

QPointF PlanView::pointOf(double azimuth, double metres) const {
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

QPointF PlanView::dotOf(const Lane& lane) const {
    const auto where = placeAt(lane.strip, m_desk.playhead());
    return pointOf(where.place.azimuth, where.place.distance);
}

void PlanView::tick() {
    if (const auto meters = m_hearing.player().mixMeters())
        for (const auto& lane : m_desk.rebuild().lanes)
            if (auto* strip = meters->of(lane->id)) {
                const float peak = strip->loudest.exchange(0);
                const float now = std::clamp((20 * std::log10(peak + 1e-6f) + 54) / 54, 0.0f, 1.0f);
                float& shown = m_levels[lane->id];
                shown = std::max(now, shown - 0.06f);
            }
    if (isVisible()) update();
}

void PlanView::move(const std::string& name, const std::function<void(Strip&)>& change, bool dragging) {
    if (!m_desk.lane()) return;
    m_desk.editStrip(QString::fromStdString(name), change, dragging ? "place" : "");
}

void PlanView::mousePressEvent(QMouseEvent* e) {
    setFocus();
    if (e->button() != Qt::LeftButton || !placed()) return;
    const Lane* nearest = nullptr;
    double best = kGrasp;
    for (const auto& lane : m_desk.rebuild().lanes) {
        const QPointF d = dotOf(*lane) - e->position();
        if (const double away = std::hypot(d.x(), d.y()); away < best) nearest = &*lane, best = away;
    }
    if (!nearest) return;
    m_desk.chooseLane(nearest->id);
    m_dragging = true;
}

void PlanView::mouseMoveEvent(QMouseEvent* e) {
    if (!m_dragging) return;
    const auto [azimuth, distance] = placeOf(e->position());
    move(
        "Place lane",
        [a = std::round(azimuth), d = std::round(distance * 10) / 10](Strip& s) {
            if (!s.automation.count("azimuth")) s.azimuth = wrapped(a);
            if (!s.automation.count("distance")) s.distance = std::max(0.5, d);
        },
        true);
}

void PlanView::mouseReleaseEvent(QMouseEvent*) {
    if (m_dragging) m_desk.endDrag();
    m_dragging = false;
}

void PlanView::keyPressEvent(QKeyEvent* e) {
    const double turn = e->modifiers() & Qt::ShiftModifier ? 1 : 5;
    const auto nudge = [&](double Strip::*value, double by, double factor, double low, double high, const char* curve) {
        move(
            "Place lane",
            [=](Strip& s) {
                if (s.automation.count(curve)) return;
                double v = s.*value * factor + by;
                if (value == &Strip::azimuth) v = wrapped(v);
                s.*value = std::clamp(std::round(v * 10) / 10, low, high);
            },
            false);
    };
    if (!placed()) return QWidget::keyPressEvent(e);
    switch (e->key()) {
        case Qt::Key_Left: return nudge(&Strip::azimuth, turn, 1, -180, 180, "azimuth");
        case Qt::Key_Right: return nudge(&Strip::azimuth, -turn, 1, -180, 180, "azimuth");
        case Qt::Key_Up: return nudge(&Strip::distance, 0, 1.25, 0.5, kFar, "distance");
        case Qt::Key_Down: return nudge(&Strip::distance, 0, 0.8, 0.5, kFar, "distance");
        case Qt::Key_PageUp: return nudge(&Strip::elevation, turn, 1, -90, 90, "elevation");
        case Qt::Key_PageDown: return nudge(&Strip::elevation, -turn, 1, -90, 90, "elevation");
        default: QWidget::keyPressEvent(e);
    }
}

void PlanView::paintRoom(QPainter& p) const {
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
    p.rotate(-m_yaw);
    p.setPen(QPen(theme::quietInk, 1.4));
    p.setBrush(theme::raised);
    p.drawEllipse(QPointF(), 8, 8);
    p.drawLine(QPointF(-4, -7), QPointF(0, -13));
    p.drawLine(QPointF(4, -7), QPointF(0, -13));
    p.restore();
    for (const Speaker& s : speakersOf(m_desk.rebuild().format)) {
        if (s.lfe) continue;
        const QPointF at = pointOf(s.at.azimuth, s.at.elevation > 0 ? 0.62 : kNear);
        p.setPen(theme::quietInk);
        p.setBrush(s.at.elevation > 0 ? Qt::NoBrush : QBrush(theme::line));
        p.drawRect(QRectF(at.x() - 4, at.y() - 4, 8, 8));
    }
}

void PlanView::paintLane(QPainter& p, const Lane& lane) const {
    const auto where = placeAt(lane.strip, m_desk.playhead());
    const QPointF at = dotOf(lane);
    const bool chosen = lane.id == m_desk.laneId();
    QColor hue = hueOf(lane);
    const auto level = m_levels.find(lane.id);
    if (level != m_levels.end() && level->second > 0) {
        QColor halo = hue;
        halo.setAlpha(70);
        p.setPen(Qt::NoPen);
        p.setBrush(halo);
        p.drawEllipse(at, kDot + 16 * double(level->second), kDot + 16 * double(level->second));
    }
    if (where.place.spread > 0) {
        p.setPen(QPen(hue, 2));
        p.setBrush(Qt::NoBrush);
        const double r = radiusOf(where.place.distance);
        p.drawArc(QRectF(width() / 2.0 - r, height() / 2.0 - r, 2 * r, 2 * r),
                  int((90 + where.place.azimuth - where.place.spread / 2) * 16), int(where.place.spread * 16));
    }
    if (lane.strip.mute) hue = hue.darker(220);
    p.setPen(QPen(chosen ? theme::ink : theme::ground, chosen ? 2 : 1));
    p.setBrush(hue);
    p.drawEllipse(at, kDot, kDot);
    if (where.place.elevation != 0) {  // above or below the ears
        const double sign = where.place.elevation > 0 ? -1 : 1;
        p.setPen(QPen(theme::ground, 1.6));
        p.drawLine(at + QPointF(0, 4), at + QPointF(0, -4));
        p.drawLine(at + QPointF(-3, sign), at + QPointF(0, 4 * sign));
        p.drawLine(at + QPointF(3, sign), at + QPointF(0, 4 * sign));
    }
    p.setFont(theme::font(11, chosen ? QFont::DemiBold : QFont::Normal));
    const QString name = QString::fromStdString(lane.name);
    const double wide = p.fontMetrics().horizontalAdvance(name) + 6;
    const bool leftOf =
        at.x() + kDot + 4 + wide > width() || (at.x() < width() / 2.0 - kDot && at.x() - kDot - 4 > wide);
    const QRectF label(leftOf ? at.x() - kDot - 4 - wide : at.x() + kDot + 4, at.y() - 8, wide, 16);
    paintPlaque(p, label);
    p.setPen(chosen ? theme::ink : theme::quietInk);
    p.drawText(label, Qt::AlignCenter, name);
}

void PlanView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::ground);
    paintRoom(p);
    if (!placed()) {
        paintPlaque(p, QRectF(0, height() / 2.0 + 22, width(), 24));
        p.setPen(theme::quietInk);
        p.setFont(theme::font(12));
        p.drawText(QRectF(0, height() / 2.0 + 22, width(), 24), Qt::AlignCenter,
                   "Choose a format above to place the lanes.");
        return;
    }
    const Lane* chosen = m_desk.lane();
    // Dots that would cover each other: the chosen one on top.
    for (const auto& lane : m_desk.rebuild().lanes)
        if (&*lane != chosen) paintLane(p, *lane);
    if (chosen) paintLane(p, *chosen);
    if (hasFocus()) {
        p.setPen(QPen(theme::quietInk, 1, Qt::DotLine));
        p.setBrush(Qt::NoBrush);
        p.drawRect(rect().adjusted(0, 0, -1, -1));
    }
}

}  // namespace rivlen
