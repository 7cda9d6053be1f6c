// LanesView: mouse and keyboard.
#include <QDropEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QWheelEvent>
#include <cmath>

#include "app/rebuild/LanesView.h"
#include "core/rebuild/Automation.h"

namespace rivlen {

namespace {
constexpr double kReach = 6;  // pixels
}

LanesView::Hit LanesView::hitAt(const QPointF& at) const {
    for (const Row& row : rows()) {
        if (!row.body || at.y() < row.top + kCaption || at.y() >= row.top + kCaption + bodyHeight()) continue;
        Hit hit{row.id, {}, Part::None};
        const Lane& lane = *shown().lane(row.id);
        for (auto c = lane.clips.rbegin(); c != lane.clips.rend(); ++c) {  // the later one lies above
            const double left = m_axis.xAt(c->at, width()), right = m_axis.xAt(c->end(), width());
            const QRectF r(left, row.top + kCaption, right - left, bodyHeight());
            if (at.x() < r.left() - 3 || at.x() > r.right() + 3) continue;
            hit.clip = c->id;
            const bool title = at.y() < r.top() + kTitle;
            const double fadeIn = r.left() + c->fadeIn / m_axis.span() * width(),
                         fadeOut = r.right() - c->fadeOut / m_axis.span() * width();
            const bool corner = at.y() < r.top() + kTitle + 9 && m_desk.selected().count(c->id);
            if (title && std::fabs(at.x() - r.left()) < kReach && r.width() > 3 * kReach) hit.part = Part::Begin;
            else if (title && std::fabs(at.x() - r.right()) < kReach) hit.part = Part::End;
            else if (title) hit.part = Part::Title;
            else if (corner && std::fabs(at.x() - fadeIn) < kReach) hit.part = Part::FadeIn;
            else if (corner && std::fabs(at.x() - fadeOut) < kReach) hit.part = Part::FadeOut;
            else hit.part = Part::Body;
            return hit;
        }
        return hit;
    }
    return {};
}

double LanesView::snapped(double second, const std::string& butClip, Qt::KeyboardModifiers keys) const {
    if (!m_snapping || keys & Qt::ControlModifier) return second;
    std::vector<double> points{m_desk.playhead(), 0};
    if (const auto loop = m_hearing.loop()) points.insert(points.end(), {loop->first, loop->second});
    const double reach = 8 * m_axis.span() / std::max(1, width());
    const ReelFacts* state = m_reels.current();
    if (state && state->info && state->info->picture && state->info->picture->fps > 0) {
        // The borders of picture frames, which lie before the sound by its start.
        const double fps = state->info->picture->fps, start = state->info->startOffset;
        points.push_back(std::round((second + start) * fps) / fps - start);
    }
    return rivlen::snapped(m_desk.rebuild(), second, reach, points, butClip);
}

bool LanesView::pressCaption(const QPointF& at) {
    for (const Row& row : rows()) {
        if (at.y() < row.top || at.y() >= row.top + kCaption) continue;
        m_desk.chooseLane(row.id);
        if (muteRect(row.id).contains(at)) m_desk.editStrip("Mute lane", [](Strip& s) { s.mute = !s.mute; });
        else if (row.id != "mix" && soloRect(row.id).contains(at))
            m_desk.editStrip("Solo lane", [](Strip& s) { s.solo = !s.solo; });
        return true;
    }
    return false;
}

bool LanesView::pressCurve(QMouseEvent* e) {
    const Hit hit = hitAt(e->position());
    if (m_tools.curves.shown().empty() || hit.lane.empty() || hit.lane != m_desk.laneId() || hit.part == Part::Title)
        return false;
    const Lane& lane = *m_desk.rebuild().lane(hit.lane);
    const DrawnCurve* curve = m_tools.curves.of(lane.strip);
    m_point = -1;
    for (size_t i = 0; curve && i < curve->size(); ++i)
        if (QLineF(curvePoint(hit.lane, (*curve)[i].first, (*curve)[i].second), e->position()).length() < kReach + 1)
            m_point = int(i);
    if (m_point >= 0) {
        m_drag = Drag{Part::None, {}, hit.lane, 0, 0, false, false, m_point, {}};
    } else if (e->modifiers() & Qt::ShiftModifier) {  // drawn by hand
        m_drag = Drag{
            Part::None, {}, hit.lane,
            0,          0,  false,
            true,       -1, {{m_axis.secondAt(e->position().x(), width()), curveValue(hit.lane, e->position().y())}}};
    } else {
        return false;
    }
    m_stale = m_all = true;
    update();
    return true;
}

void LanesView::mousePressEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton || shown().empty()) return;
    if (pressCaption(e->position()) || pressCurve(e)) return;
    const Hit hit = hitAt(e->position());
    if (!hit.lane.empty() && hit.lane != m_desk.laneId()) m_desk.chooseLane(hit.lane);
    if (hit.part == Part::None || hit.part == Part::Body) return TimeView::mousePressEvent(e);
    std::set<std::string> chosen = m_desk.selected();
    if (e->modifiers() & Qt::ShiftModifier) {
        if (!chosen.insert(hit.clip).second) chosen.erase(hit.clip);
    } else if (!chosen.count(hit.clip)) {
        chosen = {hit.clip};
    }
    m_desk.select(chosen);
    const Clip& c = *m_desk.rebuild().clip(hit.clip);
    m_drag = Drag{hit.part, hit.clip,
                  hit.lane, m_axis.secondAt(e->position().x(), width()),
                  c.at,     bool(e->modifiers() & Qt::AltModifier),
                  false,    -1,
                  {}};
}

void LanesView::applyDrag(Rebuild& r, const QPointF& at, Qt::KeyboardModifiers keys) const {
    const Drag& d = *m_drag;
    const double second = m_axis.secondAt(at.x(), width());
    const Clip* c = std::as_const(r).clip(d.clip);
    if (!c) return;
    switch (d.part) {
        case Part::Title: {
            if (d.slip) return slipClip(r, d.clip, second - d.grabbed);
            double to = d.at + second - d.grabbed;
            const double length = c->length, begin = snapped(to, d.clip, keys),
                         end = snapped(to + length, d.clip, keys) - length;
            to = begin != to ? begin : end;  // either border may snap
            const double by = std::max(0.0, to) - c->at;
            std::string lane;
            for (const Row& row : rows())
                if (row.body && at.y() >= row.top && at.y() < row.top + kCaption + bodyHeight()) lane = row.id;
            if (m_desk.selected().size() < 2) return moveClip(r, d.clip, to, lane);
            for (const auto& id : m_desk.selected())
                if (const Clip* other = std::as_const(r).clip(id)) moveClip(r, id, other->at + by);
            return;
        }
        case Part::Begin: return trimClip(r, d.clip, true, snapped(second, d.clip, keys));
        case Part::End: return trimClip(r, d.clip, false, snapped(second, d.clip, keys));
        case Part::FadeIn: return fadeClip(r, d.clip, true, second - c->at, c->fadeInShape);
        case Part::FadeOut: return fadeClip(r, d.clip, false, c->end() - second, c->fadeOutShape);
        default: return;
    }
}

void LanesView::moveCurvePoint(const QPointF& at) {
    const DrawnCurve* now = m_tools.curves.of(m_desk.strip());
    if (!now || m_point < 0 || m_point >= int(now->size())) return;
    DrawnCurve curve = *now;
    const size_t i = size_t(m_point);
    const double low = i > 0 ? curve[i - 1].first + 0.001 : 0.0,
                 high = i + 1 < curve.size() ? curve[i + 1].first - 0.001 : m_axis.duration();
    curve[i] = {std::clamp(m_axis.secondAt(at.x(), width()), low, std::max(low, high)),
                curveValue(m_desk.laneId(), at.y())};
    m_tools.curves.set(std::move(curve), "curve");
}

void LanesView::dragTo(const QPointF& at, Qt::KeyboardModifiers keys) {
    Drag& d = *m_drag;
    if (!d.stroke.empty()) {
        d.stroke.emplace_back(m_axis.secondAt(at.x(), width()), curveValue(d.lane, at.y()));
        m_all = true;
    } else if (d.point >= 0) {
        moveCurvePoint(at);
    } else {
        if (!d.moved && std::fabs(m_axis.xAt(d.grabbed, width()) - at.x()) < 3 && d.part != Part::FadeIn &&
            d.part != Part::FadeOut && bodyRect(d.lane).contains(at))
            return;
        d.moved = true;
        Shared<Rebuild> preview = m_desk.rebuild();
        applyDrag(preview.edit(), at, keys);
        m_preview = preview;
    }
    m_stale = true;
    update();
}

void LanesView::mouseMoveEvent(QMouseEvent* e) {
    if (m_drag) return dragTo(e->position(), e->modifiers());
    const Part part = hitAt(e->position()).part;
    setCursor(part == Part::Begin || part == Part::End || part == Part::FadeIn || part == Part::FadeOut
                  ? Qt::SizeHorCursor
              : part == Part::Title ? Qt::OpenHandCursor
                                    : Qt::ArrowCursor);
    TimeView::mouseMoveEvent(e);
}

void LanesView::mouseReleaseEvent(QMouseEvent* e) {
    if (!m_drag) return TimeView::mouseReleaseEvent(e);
    const Drag d = *m_drag;
    if (!d.stroke.empty()) {
        const DrawnCurve* now = m_tools.curves.of(m_desk.strip());
        DrawnCurve stroke = d.stroke;
        std::stable_sort(stroke.begin(), stroke.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
        const double usual = 0;
        m_drag.reset();
        m_tools.curves.set(drawnInto(now ? *now : DrawnCurve{{0.0, m_tools.curves.shown() == "width" ? 100.0 : usual}},
                                     thinned(drawnInto({}, stroke), m_tools.curves.shown() == "level" ? 0.2 : 1.0)));
    } else if (d.point >= 0) {
        m_drag.reset();
        m_desk.endDrag();
    } else {
        if (d.moved) {
            static constexpr const char* names[] = {"",          "Move clip", "Trim clip", "Trim clip",
                                                    "Fade clip", "Fade clip", ""};
            m_desk.edit(d.slip ? "Slip clip" : names[int(d.part)],
                        [&](Rebuild& r) { applyDrag(r, e->position(), e->modifiers()); });
        }
        m_drag.reset();
    }
    m_preview.reset();
    m_stale = m_all = true;
    update();
}

void LanesView::mouseDoubleClickEvent(QMouseEvent* e) {
    const Hit hit = hitAt(e->position());
    if (hit.lane.empty() || m_tools.curves.shown().empty() || hit.part == Part::Title)
        return TimeView::mouseDoubleClickEvent(e);
    if (hit.lane != m_desk.laneId()) m_desk.chooseLane(hit.lane);
    const DrawnCurve* now = m_tools.curves.of(m_desk.strip());
    DrawnCurve curve = now ? *now : DrawnCurve{};
    if (curve.size() >= kMostDrawnPoints) return m_desk.tell("A curve holds at most 2000 points: thin it first.");
    const double at = std::clamp(m_axis.secondAt(e->position().x(), width()), 0.0, m_axis.duration());
    const auto next =
        std::upper_bound(curve.begin(), curve.end(), at, [](double t, const auto& p) { return t < p.first; });
    m_point = int(next - curve.begin());
    curve.insert(next, {at, curveValue(hit.lane, e->position().y())});
    m_tools.curves.set(std::move(curve));
}

void LanesView::wheelEvent(QWheelEvent* e) {
    if (!(e->modifiers() & Qt::ControlModifier)) return TimeView::wheelEvent(e);
    m_scroll =
        std::clamp(m_scroll - e->angleDelta().y() / 120.0 * 40, 0.0, std::max(0.0, contentHeight() - lanesHeight()));
    m_stale = m_all = true;
    update();
    e->accept();
}

void LanesView::keyPressEvent(QKeyEvent* e) {
    const bool point = m_point >= 0 && m_tools.curves.of(m_desk.strip());
    const auto move = [&](double x, double y) {
        const auto [t, v] = (*m_tools.curves.of(m_desk.strip()))[size_t(m_point)];
        moveCurvePoint(curvePoint(m_desk.laneId(), t + x * m_axis.span() / 100, v) - QPointF(0, y));
        m_desk.endDrag();
    };
    switch (e->key()) {
        case Qt::Key_Up: return point ? move(0, 1) : m_desk.stepLane(-1);
        case Qt::Key_Down: return point ? move(0, -1) : m_desk.stepLane(1);
        case Qt::Key_Left:
        case Qt::Key_Right:
            if (point && e->modifiers() == Qt::NoModifier) return move(e->key() == Qt::Key_Left ? -1 : 1, 0);
            return TimeView::keyPressEvent(e);
        case Qt::Key_PageDown:
        case Qt::Key_PageUp:
            if (const DrawnCurve* curve = m_tools.curves.of(m_desk.strip()))
                m_point = std::clamp(m_point + (e->key() == Qt::Key_PageDown ? 1 : -1), 0, int(curve->size()) - 1);
            m_stale = m_all = true;
            return update();
        case Qt::Key_Insert: {  // a point at the playhead, at the value that holds there
            if (m_tools.curves.shown().empty()) return;
            const DrawnCurve* now = m_tools.curves.of(m_desk.strip());
            double usual = 0;
            for (const auto& p : stripParameters())
                if (m_tools.curves.shown() == p.id) usual = m_desk.strip().*p.value;
            const double at = m_desk.playhead();
            m_tools.curves.set(drawnInto(now ? *now : DrawnCurve{}, {{at, now ? drawnAt(*now, at) : usual}}));
            const DrawnCurve* made = m_tools.curves.of(m_desk.strip());
            for (size_t i = 0; made && i < made->size(); ++i)
                if (std::fabs((*made)[i].first - at) < 1e-6) m_point = int(i);
            return;
        }
        case Qt::Key_Delete:
        case Qt::Key_Backspace:
            if (point) {
                DrawnCurve curve = *m_tools.curves.of(m_desk.strip());
                curve.erase(curve.begin() + m_point);
                m_point = -1;
                return m_tools.curves.set(std::move(curve));
            }
            return m_tools.clips.removeSelected();
        default: TimeView::keyPressEvent(e);
    }
}

void LanesView::dragEnterEvent(QDragEnterEvent* e) {
    if (e->mimeData()->hasUrls()) e->acceptProposedAction();
}

void LanesView::dropEvent(QDropEvent* e) {
    QStringList files;
    for (const QUrl& url : e->mimeData()->urls())
        if (url.isLocalFile()) files << url.toLocalFile();
    e->acceptProposedAction();
    m_tools.mix.importSounds(files);
}

}  // namespace rivlen
