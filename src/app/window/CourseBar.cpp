#include "app/window/CourseBar.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

CourseBar::CourseBar(Document& document, Reels& reels, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels) {
    connect(&document, &Document::changed, this, qOverload<>(&QWidget::update));
    connect(&reels, &Reels::read, this, qOverload<>(&QWidget::update));
    connect(&reels, &Reels::stemsChanged, this, qOverload<>(&QWidget::update));
    setAccessibleName(say("Course: the five stages"));
}

CourseBar::State CourseBar::stationState(int station) const {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!reel || !state) return State::Empty;
    const bool split = state->stems && state->stems->finished();
    switch (station) {
        case 0:
            return state->missing      ? State::Attention
                   : state->reading    ? State::InWork
                   : state->inspection ? State::Done
                                       : State::Empty;
        case 1: return state->splitting ? State::InWork : split ? State::Done : State::Empty;
        case 2: return !split ? State::Empty : reel->strength == Reel::neutralStrength() ? State::InWork : State::Done;
        case 3: return reel->rebuild->empty() ? State::Empty : State::InWork;
        default: return m_dispatch ? m_dispatch() : State::Empty;
    }
}

QRectF CourseBar::stationRect(int station) const {
    const double w = std::min(130.0, (width() - 20.0) / kStations);
    return {10 + station * w, 0, w, double(height())};
}

int CourseBar::stationAt(const QPointF& p) const {
    for (int i = 0; i < kStations; ++i)
        if (stationRect(i).contains(p)) return i;
    return -1;
}

void CourseBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const double y = 17;
    p.setPen(QPen(theme::line, 2));
    p.drawLine(QPointF(stationRect(0).center().x(), y), QPointF(stationRect(kStations - 1).center().x(), y));
    for (int i = 0; i < kStations; ++i) {
        const QPointF centre(stationRect(i).center().x(), y);
        const bool here = m_document.session().stage == kStages[size_t(i)].id;
        const State state = stationState(i);
        const QColor colour = state == State::Done        ? theme::good
                              : state == State::Attention ? theme::attention
                              : state == State::InWork    ? theme::ink
                                                          : theme::quietInk;
        p.setBrush(state == State::Done || state == State::Attention ? QBrush(colour) : QBrush(theme::ground));
        p.setPen(QPen(colour, 2));
        p.drawEllipse(centre, 7, 7);
        if (state == State::InWork) {  // half filled
            p.setBrush(colour);
            p.drawPie(QRectF(centre.x() - 7, y - 7, 14, 14), 90 * 16, 180 * 16);
        }
        p.setPen(QPen(theme::ground, 1.8));
        if (state == State::Done) {
            p.drawPolyline(QPolygonF{QPointF(centre.x() - 3.5, y), QPointF(centre.x() - 0.8, y + 3),
                                     QPointF(centre.x() + 3.8, y - 3)});
        } else if (state == State::Attention) {
            p.drawLine(QPointF(centre.x(), y - 4), QPointF(centre.x(), y + 1));
            p.drawPoint(QPointF(centre.x(), y + 4));
        }
        p.setFont(theme::font(13, here ? QFont::DemiBold : QFont::Normal));
        p.setPen(here ? theme::ink : theme::quietInk);
        p.drawText(QRectF(stationRect(i).left(), 28, stationRect(i).width(), 20), Qt::AlignCenter,
                   say(kStages[size_t(i)].name));
        if (here) p.fillRect(QRectF(centre.x() - 26, height() - 3, 52, 2), theme::ink);
    }
}

void CourseBar::mousePressEvent(QMouseEvent* e) {
    if (const int i = stationAt(e->position()); i >= 0) m_document.setStage(kStages[size_t(i)].id);
}

bool CourseBar::event(QEvent* e) {
    if (e->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(e);
        if (const int i = stationAt(help->pos()); i >= 0)
            QToolTip::showText(help->globalPos(), say("%1 (Alt+%2)").arg(say(kStages[size_t(i)].question)).arg(i + 1),
                               this);
        return true;
    }
    return QWidget::event(e);
}

}  // namespace rivlen
