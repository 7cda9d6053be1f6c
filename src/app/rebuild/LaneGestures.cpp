#include "app/rebuild/LaneGestures.h"

#include <cmath>

#include "app/rebuild/PartTools.h"
#include "app/words/Say.h"
#include "core/rebuild/Automation.h"

namespace rivlen {

namespace {
constexpr double kReach = 7;  // pixels, of a curve's point
}

const DrawnCurve* LaneGestures::stroke() const { return m_drag && !m_drag->stroke.empty() ? &m_drag->stroke : nullptr; }

void LaneGestures::forgetLostPoint() {
    if (!curve() || m_point >= int(curve()->size())) m_point = -1;
}

double LaneGestures::snapped(const LanesLayout& layout, double second, Qt::KeyboardModifiers keys) const {
    if (!m_snapping || keys & Qt::ControlModifier) return second;
    std::vector<double> points{m_desk.playhead(), 0};
    if (const auto loop = m_hearing.loop()) points.insert(points.end(), {loop->first, loop->second});
    const ReelFacts* state = m_reels.current();
    if (state && state->info && state->info->picture && state->info->picture->fps > 0) {
        // The borders of picture frames, which lie before the sound by its start.
        const double fps = state->info->picture->fps, start = state->info->startOffset;
        points.push_back(std::round((second + start) * fps) / fps - start);
    }
    const double reach = 8 * layout.axis().span() / std::max(1, layout.width());
    return rivlen::snapped(m_desk.rebuild(), second, reach, points, m_drag->clip);
}

bool LaneGestures::pressCaption(const LanesLayout& layout, const QPointF& at) {
    for (const auto& row : layout.rows()) {
        if (!layout.caption(row.id).contains(at)) continue;
        m_desk.chooseLane(row.id);
        if (layout.fold(row.id).contains(at)) foldGroup(m_desk, row.id);
        else if (layout.mute(row.id).contains(at))
            m_desk.editStrip(say("Mute lane"), [](Strip& s) { s.mute = !s.mute; });
        else if (row.id != "mix" && layout.solo(row.id).contains(at))
            m_desk.editStrip(say("Solo lane"), [](Strip& s) { s.solo = !s.solo; });
        return true;
    }
    return false;
}

bool LaneGestures::pressCurve(const LanesLayout& layout, const QMouseEvent& e) {
    const auto hit = layout.hitAt(e.position(), m_desk.selected());
    const std::string& shown = m_curves.shown();
    if (shown.empty() || hit.lane.empty() || hit.lane != m_desk.laneId() || hit.part == Part::Title) return false;
    const DrawnCurve* now = curve();
    const CurveRange range = m_curves.range(m_desk.strip());
    m_point = -1;
    for (size_t i = 0; now && i < now->size(); ++i)
        if (QLineF(layout.curvePoint(hit.lane, range, (*now)[i].first, (*now)[i].second), e.position()).length() <
            kReach)
            m_point = int(i);
    Drag drag;
    drag.lane = hit.lane;
    drag.point = m_point;
    if (m_point < 0) {
        if (!(e.modifiers() & Qt::ShiftModifier)) return false;
        drag.moved = true;
        drag.stroke = {
            {layout.secondAt(e.position().x()), layout.curveValue(hit.lane, range, e.position().y())}};  // by hand
    }
    m_drag = std::move(drag);
    return true;
}

bool LaneGestures::press(const LanesLayout& layout, const QMouseEvent& e) {
    if (pressCaption(layout, e.position()) || pressCurve(layout, e)) return true;
    const auto hit = layout.hitAt(e.position(), m_desk.selected());
    if (!hit.lane.empty() && hit.lane != m_desk.laneId()) m_desk.chooseLane(hit.lane);
    if (hit.part == Part::None || hit.part == Part::Body) return false;
    std::set<std::string> chosen = m_desk.selected();
    if (e.modifiers() & Qt::ShiftModifier) {
        if (!chosen.insert(hit.clip).second) chosen.erase(hit.clip);
    } else if (!chosen.count(hit.clip)) {
        chosen = {hit.clip};
    }
    m_desk.select(chosen);
    Drag drag;
    drag.part = hit.part;
    drag.clip = hit.clip;
    drag.lane = hit.lane;
    drag.grabbed = layout.secondAt(e.position().x());
    drag.at = m_desk.rebuild().clip(hit.clip)->at;
    drag.slip = bool(e.modifiers() & Qt::AltModifier);
    m_drag = std::move(drag);
    return true;
}

void LaneGestures::applyDrag(const LanesLayout& layout, Rebuild& r, const QPointF& at,
                             Qt::KeyboardModifiers keys) const {
    const Drag& d = *m_drag;
    const double second = layout.secondAt(at.x());
    const Clip* c = std::as_const(r).clip(d.clip);
    if (!c) return;
    switch (d.part) {
        case Part::Title: {
            if (d.slip) return slipClip(r, d.clip, second - d.grabbed);
            double to = d.at + second - d.grabbed;
            const double length = c->length, begin = snapped(layout, to, keys),
                         end = snapped(layout, to + length, keys) - length;
            to = begin != to ? begin : end;  // either border may snap
            const double by = std::max(0.0, to) - c->at;
            if (m_desk.selected().size() < 2) return moveClip(r, d.clip, to, layout.laneAt(at.y()));
            for (const auto& id : m_desk.selected())
                if (const Clip* other = std::as_const(r).clip(id)) moveClip(r, id, other->at + by);
            return;
        }
        case Part::Begin: return trimClip(r, d.clip, true, snapped(layout, second, keys));
        case Part::End: return trimClip(r, d.clip, false, snapped(layout, second, keys));
        case Part::FadeIn: return fadeClip(r, d.clip, true, second - c->at, c->fadeInShape);
        case Part::FadeOut: return fadeClip(r, d.clip, false, c->end() - second, c->fadeOutShape);
        default: return;
    }
}

void LaneGestures::movePoint(const LanesLayout& layout, const QPointF& at) {
    const DrawnCurve* now = curve();
    if (!now || m_point < 0 || m_point >= int(now->size())) return;
    DrawnCurve moved = *now;
    const size_t i = size_t(m_point);
    const double low = i > 0 ? moved[i - 1].first + 0.001 : 0.0,
                 high = i + 1 < moved.size() ? moved[i + 1].first - 0.001 : layout.axis().duration();
    moved[i] = {std::clamp(layout.secondAt(at.x()), low, std::max(low, high)),
                layout.curveValue(m_desk.laneId(), m_curves.range(m_desk.strip()), at.y())};
    m_curves.set(std::move(moved), "curve");
}

bool LaneGestures::drag(const LanesLayout& layout, const QMouseEvent& e) {
    Drag& d = *m_drag;
    const QPointF at = e.position();
    if (!d.stroke.empty()) {
        d.stroke.emplace_back(layout.secondAt(at.x()),
                              layout.curveValue(d.lane, m_curves.range(m_desk.strip()), at.y()));
        return true;
    }
    if (d.point >= 0) {
        movePoint(layout, at);
        return true;
    }
    const bool fade = d.part == Part::FadeIn || d.part == Part::FadeOut;
    if (!d.moved && !fade && std::fabs(layout.xAt(d.grabbed) - at.x()) < 3 && layout.body(d.lane).contains(at))
        return false;
    d.moved = true;
    Shared<Rebuild> preview = m_desk.rebuild();
    applyDrag(layout, preview.edit(), at, e.modifiers());
    m_preview = preview;
    return false;
}

void LaneGestures::release(const LanesLayout& layout, const QMouseEvent& e) {
    const Drag d = *m_drag;
    const std::string& shown = m_curves.shown();
    if (!d.stroke.empty()) {
        const DrawnCurve* now = curve();
        DrawnCurve stroke = d.stroke;
        std::stable_sort(stroke.begin(), stroke.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
        m_drag.reset();
        m_curves.set(drawnInto(now ? *now : DrawnCurve{{0.0, shown == "width" ? 100.0 : 0.0}},
                               thinned(drawnInto({}, stroke), shown == "level" ? 0.2 : 1.0)));
    } else if (d.point >= 0) {
        m_drag.reset();
        m_desk.endDrag();
    } else {
        if (d.moved) {
            const QString name = d.slip                                              ? say("Slip clip")
                                 : d.part == Part::Title                             ? say("Move clip")
                                 : d.part == Part::FadeIn || d.part == Part::FadeOut ? say("Fade clip")
                                                                                     : say("Trim clip");
            m_desk.edit(name, [&](Rebuild& r) { applyDrag(layout, r, e.position(), e.modifiers()); });
        }
        m_drag.reset();
    }
    m_preview.reset();
}

bool LaneGestures::doubleClick(const LanesLayout& layout, const QPointF& where) {
    const auto hit = layout.hitAt(where, m_desk.selected());
    if (hit.lane.empty() || m_curves.shown().empty() || hit.part == Part::Title) return false;
    if (hit.lane != m_desk.laneId()) m_desk.chooseLane(hit.lane);
    DrawnCurve drawn = curve() ? *curve() : DrawnCurve{};
    if (drawn.size() >= kMostDrawnPoints) {
        m_desk.tell(say("A curve holds at most 2000 points: thin it first."));
        return true;
    }
    const double at = std::clamp(layout.secondAt(where.x()), 0.0, layout.axis().duration());
    const auto next =
        std::upper_bound(drawn.begin(), drawn.end(), at, [](double t, const auto& p) { return t < p.first; });
    m_point = int(next - drawn.begin());
    drawn.insert(next, {at, layout.curveValue(hit.lane, m_curves.range(m_desk.strip()), where.y())});
    m_curves.set(std::move(drawn));
    return true;
}

void LaneGestures::stepPoint(const LanesLayout& layout, double x, double y) {
    const auto [t, v] = (*curve())[size_t(m_point)];
    movePoint(layout, layout.curvePoint(m_desk.laneId(), m_curves.range(m_desk.strip()),
                                        t + x * layout.axis().span() / 100, v) -
                          QPointF(0, y));
    m_desk.endDrag();
}

void LaneGestures::putPointAtPlayhead() {
    if (m_curves.shown().empty()) return;
    const DrawnCurve* now = curve();
    const double usual = m_curves.range(m_desk.strip()).standing, at = m_desk.playhead();
    m_curves.set(drawnInto(now ? *now : DrawnCurve{}, {{at, now ? drawnAt(*now, at) : usual}}));
    const DrawnCurve* made = curve();
    for (size_t i = 0; made && i < made->size(); ++i)
        if (std::fabs((*made)[i].first - at) < 1e-6) m_point = int(i);
}

bool LaneGestures::key(const LanesLayout& layout, const QKeyEvent& e) {
    const bool point = m_point >= 0 && curve();
    switch (e.key()) {
        case Qt::Key_Up: point ? stepPoint(layout, 0, 1) : m_lanes.step(-1); return true;
        case Qt::Key_Down: point ? stepPoint(layout, 0, -1) : m_lanes.step(1); return true;
        case Qt::Key_Left:
        case Qt::Key_Right:
            if (!point || e.modifiers() != Qt::NoModifier) return false;
            stepPoint(layout, e.key() == Qt::Key_Left ? -1 : 1, 0);
            return true;
        case Qt::Key_PageDown:
        case Qt::Key_PageUp:
            if (const DrawnCurve* now = curve())
                m_point = std::clamp(m_point + (e.key() == Qt::Key_PageDown ? 1 : -1), 0, int(now->size()) - 1);
            return true;
        case Qt::Key_Insert: putPointAtPlayhead(); return true;
        case Qt::Key_Delete:
        case Qt::Key_Backspace:
            if (point) {
                DrawnCurve left = *curve();
                left.erase(left.begin() + m_point);
                m_point = -1;
                m_curves.set(std::move(left));
            } else {
                m_clips.removeSelected();
            }
            return true;
        default: return false;
    }
}

Qt::CursorShape LaneGestures::cursorAt(const LanesLayout& layout, const QPointF& at) const {
    const Part part = layout.hitAt(at, m_desk.selected()).part;
    if (part == Part::Title) return Qt::OpenHandCursor;
    return part == Part::None || part == Part::Body ? Qt::ArrowCursor : Qt::SizeHorCursor;
}

}  // namespace rivlen
