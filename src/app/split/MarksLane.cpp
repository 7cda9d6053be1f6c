#include "app/split/MarksLane.h"

#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/isolation/StemNames.h"

namespace rivlen {

namespace {

constexpr double kTop = 20, kEdge = 5;  // pixels

}  // namespace

MarksLane::MarksLane(MarkDesk& desk, Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis,
                     QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent), m_desk(desk) {
    setFixedHeight(46);
    setMouseTracking(true);
    setToolTip(
        say("What alone is heard where. Set a loop and press Shift+D, Shift+M or Shift+A, or the right button on the "
            "Current.\nDrag the ends of a mark to move them."));
    connect(&desk, &MarkDesk::changed, this, qOverload<>(&QWidget::update));
}

QRectF MarksLane::box(const Mark& mark) const {
    const double a = m_axis.xAt(mark.from, width()), b = m_axis.xAt(mark.to, width());
    return {a, kTop, std::max(6.0, b - a), height() - kTop - 4};
}

int MarksLane::placeAt(const QPointF& at, int& edge) const {
    edge = 0;
    for (int i = int(m_desk.count()) - 1; i >= 0; --i) {
        const QRectF b = box(m_desk.at(i));
        if (!b.adjusted(-kEdge, 0, kEdge, 0).contains(at)) continue;
        if (!m_desk.proposed(i))
            edge = std::fabs(at.x() - b.left()) <= kEdge ? -1 : std::fabs(at.x() - b.right()) <= kEdge ? 1 : 0;
        if (edge != 0 || b.contains(at)) return i;
    }
    return -1;
}

void MarksLane::paintPicture(QPainter& p) {
    p.fillRect(rect(), theme::raised);
    p.setPen(theme::line);
    p.drawLine(0, 0, width(), 0);
    p.setFont(theme::font(12, QFont::DemiBold));
    p.setPen(theme::ink);
    p.drawText(QPointF(10, 15), say("Marks"));
    const int x = 18 + p.fontMetrics().horizontalAdvance(say("Marks"));
    p.setFont(theme::font(12));
    p.setPen(theme::quietInk);
    const auto chosen = m_desk.chosen();
    QString said = m_desk.count() == 0
                       ? say("loop a span in which only one thing is heard: Shift+D, Shift+M or Shift+A")
                       : say("what alone is heard where");
    if (chosen >= 0)
        said = (m_desk.proposed(chosen) ? say("proposed: only ") : say("only ")) +
               within(theme::stemName(int(stemPlace(m_desk.at(chosen).stem)))) +
               (m_desk.proposed(chosen) ? say(". K takes it, Shift+K dismisses it") : say(". Shift+K removes it"));
    p.drawText(QPointF(x, 15), said);
    if (m_axis.span() <= 0) return;
    p.setRenderHint(QPainter::Antialiasing);
    for (int i = 0; i < int(m_desk.count()); ++i) {
        const Mark& mark = m_desk.at(i);
        const int stem = int(stemPlace(mark.stem));
        const QRectF b = box(mark);
        if (b.right() < 0 || b.left() > width()) continue;
        QColor fill = theme::stemColor(stem);
        fill.setAlpha(m_desk.proposed(i) ? 40 : 150);
        p.setBrush(fill);
        p.setPen(QPen(i == chosen ? theme::ink : theme::stemColor(stem), i == chosen ? 2 : 1,
                      m_desk.proposed(i) ? Qt::DashLine : Qt::SolidLine));
        p.drawRoundedRect(b.adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
        if (b.width() < 14) continue;
        p.setPen(m_desk.proposed(i) ? theme::ink : theme::ground);
        p.setFont(theme::font(12, QFont::DemiBold));
        const QString name = b.width() > 110 ? say("only ") + within(theme::stemName(stem)) : theme::stemLetter(stem);
        p.drawText(b.intersected(QRectF(rect())), Qt::AlignCenter, name);
    }
}

void MarksLane::mousePressEvent(QMouseEvent* e) {
    const int place = e->button() == Qt::LeftButton ? placeAt(e->position(), m_edge) : -1;
    if (place < 0) return TimeView::mousePressEvent(e);
    m_desk.choose(place);
    m_dragged = place;
}

void MarksLane::mouseMoveEvent(QMouseEvent* e) {
    if (m_dragged < 0) {
        int edge = 0;
        const int place = placeAt(e->position(), edge);
        setCursor(edge != 0 ? Qt::SizeHorCursor : place >= 0 ? Qt::PointingHandCursor : Qt::ArrowCursor);
        return TimeView::mouseMoveEvent(e);
    }
    if (m_edge == 0) return;
    const double at = m_axis.secondAt(e->position().x(), width());
    const Mark mark = m_desk.at(m_dragged);
    if (m_edge < 0) m_desk.move(m_dragged, std::min(at, mark.to - kShortestMark), mark.to);
    else m_desk.move(m_dragged, mark.from, std::max(at, mark.from + kShortestMark));
}

void MarksLane::mouseReleaseEvent(QMouseEvent* e) {
    if (m_dragged < 0) return TimeView::mouseReleaseEvent(e);
    if (m_edge == 0) m_desk.hear();
    else m_desk.endMove();
    m_dragged = -1;
}

}  // namespace rivlen
