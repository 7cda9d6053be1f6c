// OwnershipView: areas of mends, marked and shown.
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/views/OwnershipView.h"

namespace rivlen {

void OwnershipView::setMending(RebuildDesk* desk, MendTool* tool) {
    m_rebuild = desk;
    m_tool = tool;
    connect(tool, &MendTool::changed, this, [this] {
        setCursor(mending() ? Qt::CrossCursor : Qt::ArrowCursor);
        update();
    });
    connect(&m_controller, &Controller::stemsChanged, this, [this] { soon(); });
}

bool OwnershipView::mending() const {
    const ReelState* state = m_controller.currentState();
    return m_tool && m_tool->active && m_controller.session().stage == "rebuild" && state && state->stems &&
           state->info;
}

double OwnershipView::frequencyAtY(double y) const {
    const ReelState* state = m_controller.currentState();
    return pictureFrequency(std::clamp(y / std::max(1, height()), 0.0, 1.0),
                            state && state->info ? state->info->sampleRate : 48000);
}

double OwnershipView::yAtFrequency(double hz) const {
    double low = 0, high = height();
    for (int i = 0; i < 30; ++i) (frequencyAtY((low + high) / 2) > hz ? low : high) = (low + high) / 2;
    return low;
}

void OwnershipView::mousePressEvent(QMouseEvent* e) {
    if (!mending() || e->button() != Qt::LeftButton) return ComputedPicture::mousePressEvent(e);
    m_marked = {{m_axis.secondAt(e->position().x(), width()), frequencyAtY(e->position().y())}};
}

void OwnershipView::mouseMoveEvent(QMouseEvent* e) {
    if (m_marked.empty()) return ComputedPicture::mouseMoveEvent(e);
    const std::pair<double, double> at{std::clamp(m_axis.secondAt(e->position().x(), width()), 0.0, m_axis.duration()),
                                       frequencyAtY(e->position().y())};
    if (m_tool->next.area.kind == Area::Kind::Rectangle) m_marked.resize(1);
    if (m_marked.size() < 5000) m_marked.push_back(at);
    update();
}

void OwnershipView::mouseReleaseEvent(QMouseEvent* e) {
    if (m_marked.empty()) return ComputedPicture::mouseReleaseEvent(e);
    Mend mend = m_tool->next;
    mend.area.points = std::move(m_marked);
    m_marked.clear();
    update();
    const bool brush = mend.area.kind == Area::Kind::Brush;
    const auto [from, to] = mend.area.span();
    if (!brush && (mend.area.points.size() < 2 || to - from < 0.005)) return;  // a click marks nothing
    if (mend.action == Mend::Action::Give && mend.to == mend.stem)
        return m_rebuild->tell("It has that already: choose another stem to give it to.");
    m_rebuild->addMend(std::move(mend));
}

void OwnershipView::paintAreas(QPainter& p) {
    if (!m_rebuild || m_controller.session().stage != "rebuild") return;
    p.setRenderHint(QPainter::Antialiasing);
    const auto at = [this](const std::pair<double, double>& q) {
        return QPointF(m_axis.xAt(q.first, width()), yAtFrequency(q.second));
    };
    const auto draw = [&](const Area& area, const QColor& colour, bool on) {
        if (area.points.empty()) return;
        p.setPen(QPen(colour, 1.3, on ? Qt::SolidLine : Qt::DotLine));
        p.setBrush(Qt::NoBrush);
        for (int h = 1; h <= area.harmonics; ++h) {
            if (area.kind == Area::Kind::Rectangle && area.points.size() > 1) {
                const auto [low, high] = std::minmax(area.points[0].second, area.points[1].second);
                const double centre = (low + high) / 2 * h, half = (high - low) / 2;
                p.drawRect(QRectF(at({area.points[0].first, centre + half}), at({area.points[1].first, centre - half}))
                               .normalized());
                continue;
            }
            QPainterPath path(at({area.points[0].first, area.points[0].second * h}));
            for (const auto& [t, f] : area.points) path.lineTo(at({t, f * h}));
            if (area.kind == Area::Kind::Lasso) path.closeSubpath();
            else {
                QColor wide = colour;
                wide.setAlpha(90);
                p.setPen(QPen(wide, std::max(3.0, 2 * area.brushSeconds / m_axis.span() * width()), Qt::SolidLine,
                              Qt::RoundCap, Qt::RoundJoin));
            }
            p.drawPath(path);
        }
    };
    for (const Mend& r : m_rebuild->rebuild().mends) draw(r.area, r.on ? theme::ink : theme::quietInk, r.on);
    if (!m_marked.empty()) {
        Area area = m_tool->next.area;
        area.points = m_marked;
        draw(area, theme::attention, true);
    }
}

}  // namespace rivlen
