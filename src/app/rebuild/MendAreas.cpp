#include "app/rebuild/MendAreas.h"

#include <QPainterPath>
#include <algorithm>

#include "app/views/OwnershipView.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

MendAreas::MendAreas(const Document& document, const Reels& reels, RebuildDesk& desk, Mends& mends, MendTool& tool,
                     OwnershipView& view)
    : QObject(&view), m_document(document), m_reels(reels), m_desk(desk), m_mends(mends), m_tool(tool), m_view(view) {
    view.lay(this);
    connect(&tool, &MendTool::changed, this, [this] {
        m_view.setCursor(mending() ? Qt::CrossCursor : Qt::ArrowCursor);
        m_view.update();
    });
    connect(&reels, &Reels::stemsChanged, &view, &OwnershipView::soon);
}

bool MendAreas::mending() const {
    const ReelFacts* facts = m_reels.current();
    return m_tool.active && m_document.session().stage == stage::rebuild && facts && facts->stems && facts->info;
}

bool MendAreas::press(QMouseEvent& e, const OwnershipView& view) {
    if (!mending() || e.button() != Qt::LeftButton) return false;
    m_marked = {{view.axis().secondAt(e.position().x(), view.width()), view.frequencyAtY(e.position().y())}};
    return true;
}

bool MendAreas::move(QMouseEvent& e, const OwnershipView& view) {
    if (m_marked.empty()) return false;
    const TimeAxis& axis = view.axis();
    const std::pair<double, double> at{std::clamp(axis.secondAt(e.position().x(), view.width()), 0.0, axis.duration()),
                                       view.frequencyAtY(e.position().y())};
    if (m_tool.next.area.kind == Area::Kind::Rectangle) m_marked.resize(1);
    if (m_marked.size() < 5000) m_marked.push_back(at);
    m_view.update();
    return true;
}

bool MendAreas::release(QMouseEvent&) {
    if (m_marked.empty()) return false;
    Mend mend = m_tool.next;
    mend.area.points = std::move(m_marked);
    m_marked.clear();
    m_view.update();
    const bool brush = mend.area.kind == Area::Kind::Brush;
    const auto [from, to] = mend.area.span();
    if (!brush && (mend.area.points.size() < 2 || to - from < 0.005)) return true;  // a click marks nothing
    if (mend.action == Mend::Action::Give && mend.to == mend.stem)
        m_desk.tell(say("It has that already: choose another stem to give it to."));
    else m_mends.add(std::move(mend));
    return true;
}

void MendAreas::paint(QPainter& p, const OwnershipView& view) {
    if (m_document.session().stage != stage::rebuild) return;
    const TimeAxis& axis = view.axis();
    p.setRenderHint(QPainter::Antialiasing);
    const auto at = [&](const std::pair<double, double>& q) {
        return QPointF(axis.xAt(q.first, view.width()), view.yAtFrequency(q.second));
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
                p.setPen(QPen(wide, std::max(3.0, 2 * area.brushSeconds / axis.span() * view.width()), Qt::SolidLine,
                              Qt::RoundCap, Qt::RoundJoin));
            }
            p.drawPath(path);
        }
    };
    for (const Mend& r : m_desk.rebuild().mends) draw(r.area, r.on ? theme::ink : theme::quietInk, r.on);
    if (!m_marked.empty()) {
        Area area = m_tool.next.area;
        area.points = m_marked;
        draw(area, theme::attention, true);
    }
}

}  // namespace rivlen
