#include "app/rebuild/PlaceView.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QTimer>
#include <algorithm>
#include <cmath>

#include "app/widgets/Plaque.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/rebuild/LanePlacer.h"
#include "core/rebuild/RenderGraph.h"

namespace rivlen {

namespace {
constexpr double kDot = 7, kGrasp = 12;  // points
constexpr int kPicturesASecond = 20;
const QColor& kNoHue = theme::plain;
}  // namespace

QColor PlaceView::hueOf(const Lane& lane) { return lane.stem < 0 ? kNoHue : theme::stemColor(lane.stem); }

double PlaceView::wrapped(double degrees) {
    const double d = std::remainder(degrees, 360.0);
    return d <= -180 ? 180 : d;
}

QString placeText(const Placer::Where& where) {
    const double a = std::round(where.place.azimuth), e = std::round(where.place.elevation);
    QString text = a == 0                ? say("in front")
                   : std::fabs(a) == 180 ? say("behind")
                                         : QString("%1° %2").arg(std::fabs(a)).arg(a > 0 ? say("left") : say("right"));
    text += QString(", %1 m").arg(where.place.distance, 0, 'f', 1);
    if (e != 0) text += QString(", %1° %2").arg(std::fabs(e)).arg(e > 0 ? say("up") : say("down"));
    return text;
}

PlaceView::PlaceView(RebuildDesk& desk, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_hearing(hearing) {
    setFocusPolicy(Qt::StrongFocus);
    setMinimumHeight(150);
    connect(&desk, &RebuildDesk::changed, this, qOverload<>(&QWidget::update));
    auto* timer = new QTimer(this);
    timer->setInterval(1000 / kPicturesASecond);
    connect(timer, &QTimer::timeout, this, &PlaceView::tick);
    connect(&hearing, &Hearing::changed, this, [this, timer] {
        if (m_hearing.player().playing()) timer->start();
    });
    connect(timer, &QTimer::timeout, this, [this, timer] {
        if (!m_hearing.player().playing()) timer->stop();  // idle means idle
    });
}

void PlaceView::setYaw(double degrees) {
    m_yaw = degrees;
    update();
}

QPointF PlaceView::dotOf(const Lane& lane) const { return pointOf(placeAt(lane.strip, m_desk.playhead()).place); }

void PlaceView::tick() {
    if (!isVisible()) return;
    if (const auto meters = m_hearing.player().mixMeters())
        for (const auto& lane : m_desk.rebuild().lanes)
            if (auto* strip = meters->of(lane->id)) {
                const float peak = strip->loudest.exchange(0);
                const float now = std::clamp((20 * std::log10(peak + 1e-6f) + 54) / 54, 0.0f, 1.0f);
                float& shown = m_levels[lane->id];
                shown = std::max(now, shown - 0.06f);
            }
    update();
}

void PlaceView::mousePressEvent(QMouseEvent* e) {
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

void PlaceView::mouseMoveEvent(QMouseEvent* e) {
    if (!m_dragging || !m_desk.lane()) return;
    m_desk.editStrip(
        say("Place lane"), [this, to = e->position()](Strip& s) { drag(s, to); }, "place");
}

void PlaceView::mouseReleaseEvent(QMouseEvent*) {
    if (m_dragging) m_desk.endDrag();
    m_dragging = false;
}

void PlaceView::nudge(double Strip::*value, double by, double factor, double low, double high) {
    if (!m_desk.lane()) return;
    const auto& table = stripParameters();
    const auto row = std::find_if(table.begin(), table.end(), [&](const auto& p) { return p.value == value; });
    m_desk.editStrip(say("Place lane"), [=](Strip& s) {
        if (row != table.end() && s.automation.count(row->id)) return;
        double v = s.*value * factor + by;
        if (value == &Strip::azimuth) v = wrapped(v);
        s.*value = std::clamp(std::round(v * 10) / 10, low, high);
    });
}

void PlaceView::keyPressEvent(QKeyEvent* e) {
    const double turn = e->modifiers() & Qt::ShiftModifier ? 1 : 5;
    if (!placed()) return QWidget::keyPressEvent(e);
    switch (e->key()) {
        case Qt::Key_Left: return nudge(&Strip::azimuth, turn, 1, -180, 180);
        case Qt::Key_Right: return nudge(&Strip::azimuth, -turn, 1, -180, 180);
        case Qt::Key_PageUp: return nudge(&Strip::elevation, turn, 1, -90, 90);
        case Qt::Key_PageDown: return nudge(&Strip::elevation, -turn, 1, -90, 90);
        default:
            if (!key(e)) QWidget::keyPressEvent(e);
    }
}

void PlaceView::paintLane(QPainter& p, const Lane& lane) const {
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
    paintAround(p, lane, where);
    if (lane.strip.mute) hue = theme::sunk(hue, 220);
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

void PlaceView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::ground);
    paintRoom(p);
    if (!placed()) {
        paintPlaque(p, QRectF(0, height() / 2.0 + 22, width(), 24));
        p.setPen(theme::quietInk);
        p.setFont(theme::font(12));
        p.drawText(QRectF(0, height() / 2.0 + 22, width(), 24), Qt::AlignCenter,
                   say("Choose a format above to place the lanes."));
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
