#include "app/views/TimeView.h"

#include <QAccessibleWidget>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <array>
#include <cmath>
#include <mutex>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {

/// Pictures along time for a screen reader: graphics whose value is the place of the playhead.
class ReadPicture : public QAccessibleWidget {
public:
    explicit ReadPicture(TimeView* view) : QAccessibleWidget(view, QAccessible::Graphic), m_view(view) {}
    QString text(QAccessible::Text which) const override {
        return which == QAccessible::Value ? m_view->inWords() : QAccessibleWidget::text(which);
    }

private:
    TimeView* m_view;
};

QAccessibleInterface* readPicture(const QString&, QObject* object) {
    auto* view = qobject_cast<TimeView*>(object);
    return view ? new ReadPicture(view) : nullptr;
}

}  // namespace

TimeView::TimeView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_hearing(hearing), m_axis(axis) {
    static std::once_flag known;
    std::call_once(known, [] { QAccessible::installFactory(readPicture); });
    connect(&axis, &TimeAxis::changed, this, qOverload<>(&QWidget::update));
    connect(&document, &Document::changed, this, qOverload<>(&QWidget::update));
    connect(&hearing, &Hearing::changed, this, qOverload<>(&QWidget::update));
    for (const auto told : {&Reels::read, &Reels::stemsChanged})
        connect(&reels, told, this, qOverload<>(&QWidget::update));
    connect(&reels, &Reels::diagnosed, this, qOverload<>(&QWidget::update));
    setAttribute(Qt::WA_OpaquePaintEvent);
}

QString TimeView::inWords() const {
    if (m_axis.duration() <= 0) return say("empty");
    const auto time = [](double s) { return QString::fromStdString(formatTime(s)); };
    const Player& player = m_hearing.player();
    const double at = player.isOpen() ? double(player.position()) / player.sampleRate() : 0;
    return say("at %1, %2 to %3 in sight").arg(time(at), time(m_axis.from()), time(m_axis.to()));
}

void TimeView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme::ground);
    paintPicture(p);
    const Reel* reel = m_document.reel();
    if (!reel || m_axis.duration() <= 0) return;
    std::optional<std::pair<double, double>> loop = m_hearing.loop();
    if (m_pressed && m_dragged) loop = std::minmax(*m_pressed, *m_dragged);
    if (loop) {
        const double a = m_axis.xAt(loop->first, width()), b = m_axis.xAt(loop->second, width());
        QColor shade = theme::ink;
        shade.setAlpha(22);
        p.fillRect(QRectF(a, 0, b - a, height()), shade);
        p.setPen(QPen(theme::quietInk, 1, Qt::DashLine));
        p.drawLine(QPointF(a, 0), QPointF(a, height()));
        p.drawLine(QPointF(b, 0), QPointF(b, height()));
    }
    if (m_hearing.player().isOpen()) {
        const double x = m_axis.xAt(double(m_hearing.player().position()) / m_hearing.player().sampleRate(), width());
        p.setPen(QPen(theme::ink, 1.5));
        p.drawLine(QPointF(x, 0), QPointF(x, height()));
    }
}

void TimeView::mousePressEvent(QMouseEvent* e) {
    if (e->button() == Qt::LeftButton && m_axis.duration() > 0) m_pressed = m_axis.secondAt(e->position().x(), width());
}

void TimeView::mouseMoveEvent(QMouseEvent* e) {
    if (!m_pressed) return;
    const double at = std::clamp(m_axis.secondAt(e->position().x(), width()), 0.0, m_axis.duration());
    if (m_dragged || std::fabs(m_axis.xAt(at, width()) - m_axis.xAt(*m_pressed, width())) > 4) m_dragged = at;
    update();
}

void TimeView::mouseReleaseEvent(QMouseEvent* e) {
    if (!m_pressed) return;
    const double at = std::clamp(*m_pressed, 0.0, m_axis.duration());
    if (m_dragged) {
        const auto span = std::minmax(at, *m_dragged);
        m_document.editReel(say("Set loop"), [&](Reel& r) { r.loop = std::pair(span.first, span.second); });
        m_hearing.locate(std::llround(span.first * m_hearing.player().sampleRate()));
    } else if (e->button() == Qt::LeftButton) {
        m_hearing.locate(std::llround(at * m_hearing.player().sampleRate()));
    }
    m_pressed.reset();
    m_dragged.reset();
    update();
}

void TimeView::wheelEvent(QWheelEvent* e) {
    const double steps = (e->angleDelta().y() + e->angleDelta().x()) / 120.0;
    if (e->modifiers() & Qt::ShiftModifier || e->angleDelta().x() != 0) m_axis.scroll(-steps * m_axis.span() * 0.1);
    else m_axis.zoom(std::pow(0.8, steps), m_axis.secondAt(e->position().x(), width()));
    e->accept();
}

void TimeRuler::paintPicture(QPainter& p) {
    p.fillRect(rect(), theme::raised);
    if (m_axis.span() <= 0) return;
    static constexpr std::array<double, 22> steps = {0.0001, 0.0002, 0.0005, 0.001, 0.002, 0.005, 0.01, 0.02,
                                                     0.05,   0.1,    0.2,    0.5,   1,     2,     5,    10,
                                                     30,     60,     120,    300,   900,   3600};
    double step = steps.back();
    for (double s : steps)
        if (s / m_axis.span() * width() > 90) {
            step = s;
            break;
        }
    p.setFont(theme::font(11));
    for (double t = std::ceil(m_axis.from() / step) * step; t <= m_axis.to(); t += step) {
        const double x = m_axis.xAt(t, width());
        p.setPen(theme::line);
        p.drawLine(QPointF(x, 14), QPointF(x, height()));
        p.setPen(theme::quietInk);
        const QString text = step < 0.001 ? QString("%1 ms").arg(1000 * t, 0, 'f', 1)
                             : step < 1   ? QString::fromStdString(formatTime(t))
                                          : QString::fromStdString(formatDuration(t));
        p.drawText(QPointF(x + 4, 17), text);
    }
}

}  // namespace rivlen
