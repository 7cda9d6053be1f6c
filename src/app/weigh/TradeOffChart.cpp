#include "app/weigh/TradeOffChart.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

TradeOffChart::TradeOffChart(WeighDesk& desk, QWidget* parent) : QWidget(parent), m_desk(desk) {
    setObjectName("tradeoff");
    setAccessibleName(say("Trade-off chart"));
    setFocusPolicy(Qt::StrongFocus);
    setToolTip(say(
        "Spill against damage, from no isolation (left) to the strongest (right).\nDrag the dot along the curve, or "
        "use the arrow keys; K takes the suggestion."));
    connect(&desk, &WeighDesk::changed, this, qOverload<>(&QWidget::update));
}

QRectF TradeOffChart::area() const { return QRectF(rect()).adjusted(40, 10, -14, -22); }

double TradeOffChart::most() const {
    double high = 20;
    for (const auto& p : m_desk.result()->curve->curve) high = std::max(high, p.damage.total);
    return std::ceil(high / 10) * 10;
}

QPointF TradeOffChart::pointAt(double position) const {
    const auto* found = m_desk.result();
    if (!found || !found->curve) return {};
    const auto& curve = found->curve->curve;
    const size_t i = std::min(size_t(std::max(0.0, position)), curve.size() - 2);
    const double f = position - double(i);
    double worst = -1e9, least = 1e9;
    for (const auto& p : curve) worst = std::max(worst, p.spillDb), least = std::min(least, p.spillDb);
    const double spill = curve[i].spillDb + f * (curve[i + 1].spillDb - curve[i].spillDb);
    const double damage = curve[i].damage.total + f * (curve[i + 1].damage.total - curve[i].damage.total);
    const QRectF a = area();
    return {a.left() + (worst - spill) / std::max(1.0, worst - least) * a.width(),
            a.bottom() - damage / most() * a.height()};
}

void TradeOffChart::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QRectF a = area();
    p.setFont(theme::font(11));
    p.setPen(QPen(theme::line, 1));
    p.drawLine(a.bottomLeft(), a.bottomRight());
    p.drawLine(a.topLeft(), a.bottomLeft());
    p.setPen(theme::quietInk);
    p.drawText(QRectF(a.left(), a.bottom() + 4, a.width(), 16), Qt::AlignHCenter, say("less spill →"));
    p.save();
    p.translate(12, a.center().y());
    p.rotate(-90);
    p.drawText(QRectF(-60, -8, 120, 16), Qt::AlignCenter, say("damage →"));
    p.restore();
    const auto* found = m_desk.result();
    if (!found || !found->curve) {
        p.drawText(a, Qt::AlignCenter | Qt::TextWordWrap,
                   m_desk.hidden() ? say("Hidden until the blind comparison ends.")
                   : m_desk.busy() ? say("Weighing…")
                   : !m_desk.hindrance().isEmpty()
                       ? m_desk.hindrance()
                       : say("The trade-off of spill and damage appears here once the reel is split."));
        return;
    }
    const auto& curve = found->curve->curve;
    const auto value = [](double db) { return QString("%1 dB").arg(db, 0, 'f', 0).replace('-', QChar(0x2212)); };
    p.drawText(QRectF(a.left(), a.bottom() + 4, 120, 16), Qt::AlignLeft, value(curve.front().spillDb));
    p.drawText(QRectF(a.left(), a.bottom() + 4, a.width(), 16), Qt::AlignRight, value(curve.back().spillDb));
    p.drawText(QRectF(14, a.top() - 7, a.left() - 19, 14), Qt::AlignRight | Qt::AlignVCenter, QString::number(most()));
    p.drawText(QRectF(14, a.bottom() - 12, a.left() - 19, 14), Qt::AlignRight | Qt::AlignVCenter, "0");
    QPainterPath path(pointAt(0));
    for (size_t i = 1; i < curve.size(); ++i) path.lineTo(pointAt(double(i)));
    p.setPen(QPen(theme::quietInk, 2));
    p.drawPath(path);
    const QPointF knee = pointAt(found->curve->knee), now = pointAt(m_desk.position());
    p.setPen(QPen(theme::good, 2));
    p.setBrush(theme::raised);
    p.drawPolygon(
        QPolygonF({knee + QPointF(0, -7), knee + QPointF(7, 0), knee + QPointF(0, 7), knee + QPointF(-7, 0)}));
    p.setPen(QPen(theme::ground, 1.5));
    p.setBrush(theme::dialogue);
    p.drawEllipse(now, 7, 7);
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(theme::ink, 1.5));
        p.drawEllipse(now, 10, 10);
    }
    p.setFont(theme::font(11, QFont::DemiBold));
    // Labels go to the free side: above the curve on its left, below on its right end.
    const auto label = [&](QPointF at, const QString& text, const QColor& colour, double dy) {
        const double w = p.fontMetrics().horizontalAdvance(text);
        p.setPen(colour);
        p.drawText(QPointF(std::clamp(at.x() - w / 2, a.left() + 4, a.right() - w),
                           std::clamp(at.y() + dy, a.top() + 8, a.bottom() - 4)),
                   text);
    };
    if (std::hypot(knee.x() - now.x(), knee.y() - now.y()) < 8) {
        label(now, say("now, as suggested"), theme::ink, now.y() - a.top() > 26 ? -14 : 24);
    } else {
        label(knee, say("suggested"), theme::good, 22);
        label(now, say("now"), theme::ink, now.y() - a.top() > 26 ? -12 : 22);
    }
}

void TradeOffChart::drag(QPointF to) {
    const auto* found = m_desk.result();
    if (!found || !found->curve) return;
    double best = 0, least = 1e18;
    for (double at = 0; at <= double(found->curve->curve.size() - 1); at += 0.05) {
        const QPointF d = pointAt(at) - to;
        if (const double far = d.x() * d.x() + d.y() * d.y(); far < least) least = far, best = at;
    }
    m_desk.moveTo(best, true);
}

void TradeOffChart::mousePressEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton) return;
    m_dragging = true;
    drag(e->position());
}

void TradeOffChart::mouseMoveEvent(QMouseEvent* e) {
    if (m_dragging) drag(e->position());
}

void TradeOffChart::mouseReleaseEvent(QMouseEvent*) {
    m_dragging = false;
    m_desk.endDrag();
}

void TradeOffChart::keyPressEvent(QKeyEvent* e) {
    const auto* found = m_desk.result();
    const bool more = e->key() == Qt::Key_Right || e->key() == Qt::Key_Up,
               less = e->key() == Qt::Key_Left || e->key() == Qt::Key_Down;
    if (!found || !found->curve || (!more && !less)) return QWidget::keyPressEvent(e);
    const double at = m_desk.position();
    m_desk.moveTo(more ? std::floor(at + 1 + 1e-6) : std::ceil(at - 1 - 1e-6), false);
}

}  // namespace rivlen
