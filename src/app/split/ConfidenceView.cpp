#include "app/split/ConfidenceView.h"

#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/separation/Confidence.h"

namespace rivlen {

namespace {

constexpr double kWindow = 0.5;    // seconds that one value looks at
constexpr double kDoubtful = 0.5;  // below this the line is drawn as a warning

}  // namespace

ConfidenceView::ConfidenceView(UnsureDesk& desk, Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis,
                               QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent), m_desk(desk) {
    connect(&desk, &UnsureDesk::changed, this, qOverload<>(&QWidget::update));
    setFixedHeight(58);
    setToolTip(say(
        "How clearly the network gave each sound to one stem, along time.\nWhere it is low, listen: the stems share "
        "sounds there."));
}

void ConfidenceView::paintPicture(QPainter& p) {
    p.fillRect(rect(), theme::raised);
    p.setPen(theme::line);
    p.drawLine(0, 0, width(), 0);
    const ReelFacts* state = m_reels.current();
    const bool known = state && state->stems && state->levels && state->info && m_axis.span() > 0;
    const QRectF lane(0, 20, width(), height() - 25);
    p.setFont(theme::font(12, QFont::DemiBold));
    p.setPen(theme::ink);
    p.drawText(QPointF(10, 15), say("Confidence"));
    const int x0 = 18 + p.fontMetrics().horizontalAdvance(say("Confidence"));
    p.setFont(theme::font(12));
    p.setPen(theme::quietInk);
    p.drawText(QPointF(x0, 15),
               !known ? say("comes with the split")
               : m_desk.moments().empty()
                   ? say("how clearly each sound went to one stem")
                   : (m_desk.moments().size() == 1
                          ? say("how clearly each sound went to one stem; J hears the %1 unsure moment")
                          : say("how clearly each sound went to one stem; J hears the next of %1 unsure moments"))
                         .arg(m_desk.moments().size()));
    for (double level : {0.0, 0.5, 1.0}) {
        const double y = lane.bottom() - level * lane.height();
        p.setPen(QPen(theme::line, 1, level == 0.5 ? Qt::DashLine : Qt::SolidLine));
        p.drawLine(QPointF(0, y), QPointF(width(), y));
    }
    if (!known) return;
    p.setFont(theme::font(11));
    p.setPen(theme::quietInk);
    const QRectF scale(width() - 60, 0, 54, height());
    p.drawText(QRectF(scale.x(), lane.top() - 16, scale.width(), 14), Qt::AlignRight | Qt::AlignVCenter, "100 %");
    p.drawText(QRectF(scale.x(), lane.bottom() - 14, scale.width(), 14), Qt::AlignRight | Qt::AlignVCenter, "0");
    p.setRenderHint(QPainter::Antialiasing);
    const double rate = state->info->sampleRate;
    const int64_t done = state->stems->available();
    QPointF last;
    bool drawing = false;
    for (int x = 0; x <= width(); x += 2) {
        const double at = m_axis.secondAt(x, width()), half = std::max(kWindow / 2, m_axis.span() / width());
        const int64_t from = std::max<int64_t>(0, int64_t((at - half) * rate)), to = int64_t((at + half) * rate);
        // Nothing is claimed where nothing is heard: 60 dB below full scale.
        if (int64_t(at * rate) > done || double(state->levels->meanSquare(0, from, to)) < 1e-6) {
            drawing = false;
            continue;
        }
        const double value = confidence(state->stems->levels(), *state->levels, from, std::min(to, done));
        const QPointF now(x, lane.bottom() - value * lane.height());
        p.setPen(QPen(value < kDoubtful ? theme::attention : theme::good, 2));
        if (drawing) p.drawLine(last, now);
        last = now;
        drawing = true;
    }
    paintMoments(p);
}

void ConfidenceView::paintMoments(QPainter& p) {
    for (int i = 0; i < int(m_desk.moments().size()); ++i) {
        const auto& m = m_desk.moments()[size_t(i)];
        const double a = m_axis.xAt(m.from, width()), b = m_axis.xAt(m.to, width());
        if (b < 0 || a > width()) continue;
        QColor shade = theme::attention;
        shade.setAlpha(i == m_desk.chosen() ? 90 : 45);
        p.fillRect(QRectF(a, 20, std::max(3.0, b - a), height() - 25), shade);
        p.fillRect(QRectF(a, height() - 5, std::max(3.0, b - a), 3), theme::attention);
    }
}

int ConfidenceView::momentAt(double x) const {
    for (int i = 0; i < int(m_desk.moments().size()); ++i) {
        const auto& m = m_desk.moments()[size_t(i)];
        if (x >= m_axis.xAt(m.from, width()) - 3 && x <= m_axis.xAt(m.to, width()) + 3) return i;
    }
    return -1;
}

void ConfidenceView::mousePressEvent(QMouseEvent* e) {
    const int moment = e->button() == Qt::LeftButton ? momentAt(e->position().x()) : -1;
    if (moment < 0) return TimeView::mousePressEvent(e);
    m_desk.hear(moment);
}

}  // namespace rivlen
