#include "app/rebuild/LanesLayout.h"

#include <algorithm>
#include <cmath>

#include "core/rebuild/Automation.h"

namespace rivlen {

namespace {
constexpr double kEdge = 6;  // pixels
}

LanesLayout::LanesLayout(const TimeAxis& axis, const Rebuild& rebuild, QSize size, double scroll, bool note)
    : m_axis(axis),
      m_rebuild(rebuild),
      m_size(size),
      m_scroll(scroll),
      m_lanesHeight(size.height() - (rebuild.markers.empty() ? 0 : kMarkers) - (note ? kNote : 0)) {
    const auto lanes = double(std::count_if(rebuild.lanes.begin(), rebuild.lanes.end(),
                                            [this](const auto&l) { return !hidden(*l); })),
               others = double(rebuild.groups.size() + 1);
    m_bodyHeight =
        lanes == 0 ? kLeastBody
                   : std::clamp(std::floor((m_lanesHeight - 6 - others * (kCaption + kGap)) / lanes - kCaption - kGap),
                                double(kLeastBody), double(kMostBody));
    double y = 2 - scroll;
    for (const auto& l : rebuild.lanes) {
        if (hidden(*l)) continue;
        m_rows.push_back({l->id, y, true});
        y += kCaption + m_bodyHeight + kGap;
    }
    for (const auto& g : rebuild.groups) {
        m_rows.push_back({g.id, y, false});
        y += kCaption + kGap;
    }
    if (!rebuild.empty()) m_rows.push_back({"mix", y, false});
}

bool LanesLayout::hidden(const Lane& lane) const {
    const Group* group = m_rebuild.group(lane.group);
    return group && group->folded;
}

QRectF LanesLayout::fold(const std::string& group) const {
    return m_rebuild.group(group) ? QRectF(6, caption(group).top(), 18, kCaption) : QRectF();
}

double LanesLayout::contentHeight() const {
    const auto lanes = std::count_if(m_rows.begin(), m_rows.end(), [](const Row& r) { return r.body; });
    return double(lanes) * (kCaption + m_bodyHeight + kGap) + double(m_rebuild.groups.size() + 1) * (kCaption + kGap) +
           4;
}

double LanesLayout::scrollTo(const std::string& id) const {
    double scroll = std::clamp(m_scroll, 0.0, mostScroll());
    for (const Row& r : m_rows) {
        if (r.id != id) continue;
        const double top = r.top + m_scroll - scroll, bottom = top + kCaption + (r.body ? m_bodyHeight : 0);
        if (bottom > m_lanesHeight) scroll = std::min(mostScroll(), scroll + bottom - m_lanesHeight + 4);
        if (top < 0) scroll = std::max(0.0, scroll + top - 2);
    }
    return scroll;
}

QRectF LanesLayout::caption(const std::string& id) const {
    for (const Row& r : m_rows)
        if (r.id == id) return {0, r.top, double(width()), kCaption};
    return {};
}

QRectF LanesLayout::body(const std::string& lane) const {
    const QRectF above = caption(lane);
    return above.isNull() ? QRectF() : QRectF(0, above.bottom(), double(width()), m_bodyHeight);
}

QRectF LanesLayout::clip(const std::string& id) const {
    const Lane* lane = m_rebuild.laneOf(id);
    if (!lane || hidden(*lane)) return {};
    const Clip& c = *m_rebuild.clip(id);
    return {xAt(c.at), body(lane->id).top(), xAt(c.end()) - xAt(c.at), m_bodyHeight};
}

QRectF LanesLayout::mute(const std::string& id) const { return {176, caption(id).top() + 2, 20, kCaption - 4}; }

// Of a level what lies below -48 dB is silent to the eye as well.
QPointF LanesLayout::curvePoint(const std::string& lane, const CurveRange& p, double seconds, double value) const {
    const QRectF inside = body(lane).adjusted(0, kTitle + 4, 0, -4);
    const double share = p.id == "level" ? std::clamp((value + 48) / 60, 0.0, 1.0)
                                         : std::clamp((value - p.minimum) / (p.maximum - p.minimum), 0.0, 1.0);
    return {xAt(seconds), inside.bottom() - share * inside.height()};
}

double LanesLayout::curveValue(const std::string& lane, const CurveRange& p, double y) const {
    const QRectF inside = body(lane).adjusted(0, kTitle + 4, 0, -4);
    const double share = std::clamp((inside.bottom() - y) / inside.height(), 0.0, 1.0);
    if (p.id == "level" && share <= 0) return kSilentLevel;
    const double value = p.id == "level" ? share * 60 - 48 : p.minimum + share * (p.maximum - p.minimum);
    return std::round(value / p.step) * p.step;
}

std::string LanesLayout::laneAt(double y) const {
    for (const Row& row : m_rows)
        if (row.body && y >= row.top && y < row.top + kCaption + m_bodyHeight) return row.id;
    return {};
}

LanesLayout::Hit LanesLayout::hitAt(const QPointF& at, const std::set<std::string>& selected) const {
    for (const Row& row : m_rows) {
        const QRectF inside = body(row);
        if (!row.body || at.y() < inside.top() || at.y() >= inside.bottom()) continue;
        Hit hit{row.id, {}, Part::None};
        const Lane& lane = *m_rebuild.lane(row.id);
        for (auto c = lane.clips.rbegin(); c != lane.clips.rend(); ++c) {  // the later one lies above
            const QRectF r(xAt(c->at), inside.top(), xAt(c->end()) - xAt(c->at), inside.height());
            if (at.x() < r.left() - 3 || at.x() > r.right() + 3) continue;
            hit.clip = c->id;
            const bool title = at.y() < r.top() + kTitle;
            const bool corner = at.y() < r.top() + kTitle + 9 && selected.count(c->id);
            if (title && std::fabs(at.x() - r.left()) < kEdge && r.width() > 3 * kEdge) hit.part = Part::Begin;
            else if (title && std::fabs(at.x() - r.right()) < kEdge) hit.part = Part::End;
            else if (title) hit.part = Part::Title;
            else if (corner && std::fabs(at.x() - xAt(c->at + c->fadeIn)) < kEdge) hit.part = Part::FadeIn;
            else if (corner && std::fabs(at.x() - xAt(c->end() - c->fadeOut)) < kEdge) hit.part = Part::FadeOut;
            else hit.part = Part::Body;
            return hit;
        }
        return hit;
    }
    return {};
}

}  // namespace rivlen
