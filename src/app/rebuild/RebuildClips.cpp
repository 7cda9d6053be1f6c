// RebuildDesk: what is done to clips and lanes.
#include <algorithm>

#include "app/rebuild/RebuildDesk.h"

namespace rivlen {

namespace {
QString several(const char* what, size_t count) {
    return count == 1 ? QString("%1 clip").arg(what) : QString("%1 clips").arg(what);
}
}  // namespace

void RebuildDesk::splitAtPlayhead() {
    const double at = playhead();
    std::set<std::string> made;
    edit("Split clip", [&](Rebuild& r) {
        if (m_selected.empty()) return splitLane(r, m_lane, at);
        for (const auto& id : m_selected)
            if (const std::string right = splitClip(r, id, at); !right.empty()) made.insert(right);
    });
    if (!made.empty()) select(made);
}

void RebuildDesk::removeSelected() {
    if (m_selected.empty()) return;
    edit(several("Remove", m_selected.size()), [&](Rebuild& r) {
        for (const auto& id : m_selected) removeClip(r, id);
    });
}

void RebuildDesk::duplicateSelected() {
    std::set<std::string> made;
    edit(several("Duplicate", m_selected.size()), [&](Rebuild& r) {
        for (const auto& id : m_selected)
            if (const Clip* c = std::as_const(r).clip(id)) made.insert(copyClip(r, id, c->end()));
    });
    if (!made.empty()) select(made);
}

void RebuildDesk::editClips(const QString& name, const std::function<void(Clip&)>& change, const std::string& gesture) {
    edit(
        name,
        [&](Rebuild& r) {
            for (const auto& id : m_selected)
                if (Clip* c = r.clip(id)) {
                    change(*c);
                    c->fadeIn = std::clamp(c->fadeIn, 0.0, c->length);
                    c->fadeOut = std::clamp(c->fadeOut, 0.0, c->length - c->fadeIn);
                }
            for (auto& lane : r.lanes)
                if (!std::is_sorted(lane->clips.begin(), lane->clips.end(),
                                    [](const Clip& a, const Clip& b) { return a.at < b.at; }))
                    sortClips(lane.edit());
        },
        gesture);
}

void RebuildDesk::toggleMuted() {
    if (m_selected.empty()) return;
    const Clip* first = m_shown->clip(*m_selected.begin());
    const bool mute = first && !first->muted;
    editClips(mute ? "Mute clip" : "Unmute clip", [mute](Clip& c) { c.muted = mute; });
}

void RebuildDesk::nudge(double seconds) {
    editClips(
        "Nudge", [seconds](Clip& c) { c.at = std::max(0.0, c.at + seconds); }, "nudge");
}

void RebuildDesk::slip(double seconds) {
    edit(
        "Slip",
        [&](Rebuild& r) {
            for (const auto& id : m_selected) slipClip(r, id, seconds);
        },
        "slip");
}

void RebuildDesk::trimToPlayhead(bool begin) {
    const double at = playhead();
    edit("Trim clip", [&](Rebuild& r) {
        for (const auto& id : m_selected)
            if (const Clip* c = std::as_const(r).clip(id); c && (begin ? at < c->end() : at > c->at))
                trimClip(r, id, begin, at);
    });
}

void RebuildDesk::crossFadeSelected() {
    bool any = false;
    edit("Cross-fade", [&](Rebuild& r) {
        for (const auto& id : m_selected) any = crossFade(r, id, 0.2, FadeShape::EqualPower) || any;
    });
    if (!any)
        tell("A cross-fade needs a selected clip that touches the next one on its lane, with sound left to draw out.");
}

void RebuildDesk::keepBefore() {
    edit("Keep a before", [&](Rebuild& r) {
        for (const auto& id : m_selected) rivlen::keepBefore(r, id);
    });
}

void RebuildDesk::swapBefore() {
    edit("Hear the other one", [&](Rebuild& r) {
        for (const auto& id : m_selected) swapPair(r, id);
    });
}

void RebuildDesk::copy() {
    m_copied.clear();
    for (const auto& id : m_selected)
        if (const Clip* c = m_shown->clip(id)) m_copied.push_back(*c);
    std::sort(m_copied.begin(), m_copied.end(), [](const Clip& a, const Clip& b) { return a.at < b.at; });
}

void RebuildDesk::paste() {
    if (m_copied.empty() || !lane()) return;
    std::set<std::string> made;
    const double at = playhead();
    edit("Paste", [&](Rebuild& r) {
        for (Clip c : m_copied) {
            c.at = at + c.at - m_copied.front().at;
            c.id = r.freeId("clip");
            c.mark = ClipMark::None;
            c.pair.clear();
            made.insert(c.id);
            r.lane(m_lane)->clips.push_back(c);
        }
        sortClips(*r.lane(m_lane));
    });
    select(made);
}

void RebuildDesk::stepSelection(int by) {
    const Lane* l = lane();
    if (!l || l->clips.empty()) return;
    const auto here =
        std::find_if(l->clips.begin(), l->clips.end(), [this](const Clip& c) { return m_selected.count(c.id) > 0; });
    long place = here - l->clips.begin();
    if (here == l->clips.end()) {  // none yet: the one at the playhead, or the first after it
        const double at = playhead();
        place = std::find_if(l->clips.begin(), l->clips.end(), [at](const Clip& c) { return c.end() > at; }) -
                l->clips.begin();
    } else {
        place += by;
    }
    select({l->clips[size_t(std::clamp<long>(place, 0, long(l->clips.size()) - 1))].id});
}

void RebuildDesk::addLane() {
    std::string id;
    edit("Add lane",
         [&](Rebuild& r) { id = rivlen::addLane(r, "Lane " + std::to_string(r.lanes.size() + 1), m_lane); });
    chooseLane(id);
}

void RebuildDesk::removeLane() {
    if (!lane()) return;
    edit("Remove lane", [&](Rebuild& r) {
        if (r.lanes.size() < 2) return;
        std::erase_if(r.lanes, [&](const auto& l) { return l->id == m_lane; });
        for (auto& l : r.lanes)
            if (l->duck.key == m_lane) l.edit().duck.on = false;
    });
}

void RebuildDesk::moveLane(int by) {
    edit("Move lane", [&](Rebuild& r) {
        for (size_t i = 0; i < r.lanes.size(); ++i)
            if (r.lanes[i]->id == m_lane) {
                const long to = std::clamp<long>(long(i) + by, 0, long(r.lanes.size()) - 1);
                std::swap(r.lanes[i], r.lanes[size_t(to)]);
                return;
            }
    });
}

void RebuildDesk::setGroup(const QString& name) {
    if (!lane()) return;
    edit("Group", [&](Rebuild& r) {
        Lane& l = *r.lane(m_lane);
        const std::string wanted = name.trimmed().toStdString();
        l.group.clear();
        for (const auto& g : r.groups)
            if (g.name == wanted) l.group = g.id;
        if (!wanted.empty() && l.group.empty()) {
            r.groups.push_back({r.freeId("group"), wanted, {}});
            r.lane(m_lane)->group = r.groups.back().id;
        }
        std::erase_if(r.groups, [&](const Group& g) {
            return std::none_of(r.lanes.begin(), r.lanes.end(), [&](const auto& x) { return x->group == g.id; });
        });
    });
}

void RebuildDesk::addMarker() {
    const double at = playhead();
    edit("Marker", [&](Rebuild& r) {
        const auto near = std::find_if(r.markers.begin(), r.markers.end(),
                                       [at](const Marker& m) { return std::abs(m.at - at) < 0.02; });
        if (near != r.markers.end()) {
            r.markers.erase(near);
            return;
        }
        r.markers.push_back({at, "Marker " + std::to_string(r.markers.size() + 1)});
        std::sort(r.markers.begin(), r.markers.end(), [](const Marker& a, const Marker& b) { return a.at < b.at; });
    });
}

}  // namespace rivlen
