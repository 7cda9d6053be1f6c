#include "app/weigh/StrengthView.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {
constexpr double kReach = 7;  // pixels
}

StrengthView::StrengthView(StrengthDesk& desk, Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis,
                           QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent), m_desk(desk) {
    setFixedHeight(kHeight);
    setObjectName("strengthlane");
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(say("Strength over time"));
    setToolTip(say(
        "Regions with settings of their own, and one setting over time.\nDouble-click draws a point; drag it, arrow "
        "keys move it, Delete takes it away.\nDrag a region's border to move it."));
    m_choice = new QComboBox(this);
    m_choice->setObjectName("drawnsetting");
    m_choice->setAccessibleName(say("Setting shown over time"));
    for (const auto& p : isolationParameters()) m_choice->addItem(said(p.name));
    m_choice->setStyleSheet("QComboBox { padding: 1px 6px; font-size: 11px }");
    m_choice->move(6, kBarTop + kBarHeight + 6);
    connect(m_choice, &QComboBox::currentIndexChanged, &desk, [&desk](int i) { desk.showParameter(size_t(i)); });
    connect(&desk, &StrengthDesk::changed, this, [this] {
        const DrawnCurve* curve = m_desk.curve();
        if (!curve || m_point >= int(curve->size())) m_point = -1;
        setEnabled(!m_hearing.blind());
        update();
    });
}

QRectF StrengthView::lane() const {
    return QRectF(0, kBarTop + kBarHeight + 8, width(), height() - kBarTop - kBarHeight - 14);
}

QPointF StrengthView::pointAt(double seconds, double value) const {
    const auto& p = m_desk.parameter();
    const double share = (value - p.minimum) / (p.maximum - p.minimum);
    return {m_axis.xAt(seconds, width()), lane().bottom() - share * lane().height()};
}

double StrengthView::valueAt(double y) const {
    const auto& p = m_desk.parameter();
    const double value =
        p.minimum + std::clamp((lane().bottom() - y) / lane().height(), 0.0, 1.0) * (p.maximum - p.minimum);
    return std::round(value / p.step) * p.step;
}

int StrengthView::pointNear(const QPointF& at) const {
    const DrawnCurve* curve = m_desk.curve();
    for (size_t i = 0; curve && i < curve->size(); ++i)
        if (QLineF(pointAt((*curve)[i].first, (*curve)[i].second), at).length() < kReach) return int(i);
    return -1;
}

std::optional<std::pair<int, bool>> StrengthView::borderNear(const QPointF& at) const {
    if (!m_document.reel() || at.y() > kBarTop + kBarHeight + 2) return std::nullopt;
    const auto& regions = m_document.reel()->timeline().regions;
    for (size_t i = 0; i < regions.size(); ++i) {
        if (std::fabs(m_axis.xAt(regions[i].to, width()) - at.x()) < kReach - 2) return std::pair(int(i), false);
        if (std::fabs(m_axis.xAt(regions[i].from, width()) - at.x()) < kReach - 2) return std::pair(int(i), true);
    }
    return std::nullopt;
}

void StrengthView::mousePressEvent(QMouseEvent* e) {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (e->button() != Qt::LeftButton || !reel || !state || !state->info) return;
    const double at = m_axis.secondAt(e->position().x(), width());
    m_border = borderNear(e->position());
    if (m_border) return m_desk.workOn(m_border->first);
    if (e->position().y() < kBarTop + kBarHeight + 2) {
        int found = -1;
        const auto& regions = reel->timeline().regions;
        for (size_t i = 0; i < regions.size(); ++i)
            if (at >= regions[i].from && at < regions[i].to) found = int(i);
        return m_desk.workOn(found);
    }
    m_point = pointNear(e->position());
    m_moving = m_point >= 0;
    if (!m_moving) TimeView::mousePressEvent(e);
    update();
}

void StrengthView::mouseMoveEvent(QMouseEvent* e) {
    if (m_border)
        return m_desk.moveBorder(m_border->first, m_border->second, m_axis.secondAt(e->position().x(), width()));
    if (m_moving) return movePoint(e->position());
    setCursor(borderNear(e->position()) ? Qt::SizeHorCursor : Qt::ArrowCursor);
    TimeView::mouseMoveEvent(e);
}

void StrengthView::mouseReleaseEvent(QMouseEvent* e) {
    if (m_border || m_moving) m_desk.endDrag();
    else TimeView::mouseReleaseEvent(e);
    m_border.reset();
    m_moving = false;
}

void StrengthView::mouseDoubleClickEvent(QMouseEvent* e) {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->info || !state->stems || e->position().y() < kBarTop + kBarHeight + 2) return;
    if (pointNear(e->position()) >= 0) {
        m_point = pointNear(e->position());
        return removePoint();
    }
    DrawnCurve curve = m_desk.curve() ? *m_desk.curve() : DrawnCurve{};
    if (curve.size() >= kMostDrawnPoints) return;
    const double at = std::clamp(m_axis.secondAt(e->position().x(), width()), 0.0, m_axis.duration());
    const auto next =
        std::upper_bound(curve.begin(), curve.end(), at, [](double t, const auto& p) { return t < p.first; });
    if (next != curve.begin() && at - std::prev(next)->first < 0.01) return;
    m_point = int(next - curve.begin());
    curve.insert(next, {at, valueAt(e->position().y())});
    m_desk.setCurve(std::move(curve), false);
}

void StrengthView::movePoint(const QPointF& to) {
    DrawnCurve curve = *m_desk.curve();
    const size_t i = size_t(m_point);
    const double low = i > 0 ? curve[i - 1].first + 0.01 : 0.0,
                 high = i + 1 < curve.size() ? curve[i + 1].first - 0.01 : m_axis.duration();
    curve[i] = {std::clamp(m_axis.secondAt(to.x(), width()), low, std::max(low, high)), valueAt(to.y())};
    m_desk.setCurve(std::move(curve), true);
}

void StrengthView::removePoint() {
    if (!m_desk.curve() || m_point < 0) return;
    DrawnCurve curve = *m_desk.curve();
    curve.erase(curve.begin() + m_point);
    m_point = -1;
    m_desk.setCurve(std::move(curve), false);
}

void StrengthView::keyPressEvent(QKeyEvent* e) {
    const DrawnCurve* curve = m_desk.curve();
    const auto moved = [&](double x, double y) {
        if (m_point < 0) return;
        const auto& p = m_desk.parameter();
        const auto [t, v] = (*curve)[size_t(m_point)];
        movePoint(
            pointAt(t + x * m_axis.span() / 100,
                    std::clamp(v + y * p.step * (e->modifiers() & Qt::ShiftModifier ? 10 : 1), p.minimum, p.maximum)));
    };
    switch (e->key()) {
        case Qt::Key_Delete:
        case Qt::Key_Backspace: return removePoint();
        case Qt::Key_Left: return moved(-1, 0);
        case Qt::Key_Right: return moved(1, 0);
        case Qt::Key_Up: return moved(0, 1);
        case Qt::Key_Down: return moved(0, -1);
        case Qt::Key_PageDown:
        case Qt::Key_PageUp:
            if (curve)
                m_point = std::clamp(m_point + (e->key() == Qt::Key_PageDown ? 1 : -1), 0, int(curve->size()) - 1);
            return update();
        case Qt::Key_Insert: {  // a point at the playhead, at the value that holds there
            const double at = double(m_hearing.player().position()) / m_hearing.player().sampleRate();
            const double value =
                m_document.reel() ? m_document.reel()->timeline().at(at)[0].first.*m_desk.parameter().value : 0;
            QMouseEvent click(QEvent::MouseButtonDblClick, pointAt(at, value), mapToGlobal(pointAt(at, value)),
                              Qt::LeftButton, Qt::LeftButton, {});
            return mouseDoubleClickEvent(&click);
        }
        default: TimeView::keyPressEvent(e);
    }
}

void StrengthView::paintRegions(QPainter& p) {
    const Reel* reel = m_document.reel();
    const auto& regions = reel->timeline().regions;
    p.setFont(theme::font(11, QFont::Medium));
    for (size_t i = 0; i < regions.size(); ++i) {
        const double a = m_axis.xAt(regions[i].from, width()), b = m_axis.xAt(regions[i].to, width());
        const bool worked = reel->region == int(i);
        const double fade = std::max(
            1.0,
            m_axis.xAt(regions[i].from + std::min(regions[i].fade, regions[i].to - regions[i].from) / 2, width()) - a);
        QPainterPath shape;  // slanted as its strength comes and goes
        shape.moveTo(a - fade, kBarTop + kBarHeight);
        shape.lineTo(a + fade, kBarTop);
        shape.lineTo(b - fade, kBarTop);
        shape.lineTo(b + fade, kBarTop + kBarHeight);
        shape.closeSubpath();
        QColor fill = theme::stemColor(int(stemPlace(reel->stem)));
        fill.setAlpha(worked ? 255 : 90);
        p.setPen(Qt::NoPen);
        p.setBrush(fill);
        p.drawPath(shape);
        p.setPen(worked ? theme::ground : theme::ink);
        const QRectF text(std::max(a, 0.0) + 6, kBarTop, std::min(b, double(width())) - std::max(a, 0.0) - 12,
                          kBarHeight);
        if (text.width() > 20)
            p.drawText(text, Qt::AlignVCenter,
                       p.fontMetrics().elidedText(m_desk.regionName(int(i)), Qt::ElideRight, int(text.width())));
    }
    if (regions.empty()) {
        p.setPen(theme::quietInk);
        p.drawText(QRectF(8, kBarTop, width() - 16, kBarHeight), Qt::AlignVCenter,
                   say("No regions: one strength for the whole reel. R gives the loop a strength of its own."));
    }
}

void StrengthView::paintPicture(QPainter& p) {
    p.fillRect(rect(), theme::raised);
    p.setPen(theme::line);
    p.drawLine(0, 0, width(), 0);
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!reel || !state || !state->info || m_axis.span() <= 0 || m_hearing.blind()) return;
    p.setRenderHint(QPainter::Antialiasing);
    paintRegions(p);
    const auto& parameter = m_desk.parameter();
    const DrawnCurve* curve = m_desk.curve();
    for (double v : {parameter.minimum, parameter.maximum}) {
        p.setPen(theme::line);
        p.drawLine(QPointF(0, pointAt(0, v).y()), QPointF(width(), pointAt(0, v).y()));
    }
    QPainterPath path;
    for (int x = 0; x <= width(); x += 2) {
        double value = 0;
        for (const auto& [settings, w] : reel->timeline().at(m_axis.secondAt(x, width())))
            value += w * settings.*parameter.value;
        const QPointF at(x, pointAt(0, value).y());
        if (x == 0) path.moveTo(at);
        else path.lineTo(at);
    }
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme::ink, 1.6));
    p.drawPath(path);
    p.setFont(theme::font(10));
    for (double v : {parameter.minimum, parameter.maximum}) {
        const QString text = said(describeValue(parameter, v));
        const double w = p.fontMetrics().horizontalAdvance(text) + 8;
        const QRectF label(width() - w, v > parameter.minimum ? lane().top() + 1 : lane().bottom() - 14, w, 13);
        p.fillRect(label, theme::raised);
        p.setPen(theme::quietInk);
        p.drawText(label, Qt::AlignCenter, text);
    }
    for (size_t i = 0; curve && i < curve->size(); ++i) {
        p.setPen(QPen(theme::ground, 1));
        p.setBrush(int(i) == m_point ? theme::attention : theme::ink);
        p.drawEllipse(pointAt((*curve)[i].first, (*curve)[i].second), 4.5, 4.5);
    }
    if (curve && m_point >= 0) {
        const auto [t, v] = (*curve)[size_t(m_point)];
        const QPointF at = pointAt(t, v);
        p.setFont(theme::font(11, QFont::Medium));
        p.setPen(theme::ink);
        p.drawText(QRectF(at.x() + (at.x() > width() - 80 ? -76 : 8),
                          std::clamp(at.y() - 8, lane().top(), lane().bottom() - 16), 68, 16),
                   (at.x() > width() - 80 ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter,
                   said(describeValue(parameter, v)));
    }
}

}  // namespace rivlen
