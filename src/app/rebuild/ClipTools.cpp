#include "app/rebuild/ClipTools.h"

#include <algorithm>

#include "app/words/Say.h"

namespace rivlen {

namespace {
QString several(const QString& one, const QString& more, size_t count) { return count == 1 ? one : more; }
}  // namespace

void ClipTools::cutAtPlayhead() {
    const double at = m_desk.playhead();
    std::set<std::string> made;
    m_desk.edit(say("Cut clip"), [&](Rebuild& r) {
        if (m_desk.selected().empty()) return splitLane(r, m_desk.laneId(), at);
        for (const auto& id : m_desk.selected())
            if (const std::string right = cutClip(r, id, at); !right.empty()) made.insert(right);
    });
    if (!made.empty()) m_desk.select(made);
}

void ClipTools::removeSelected() {
    if (m_desk.selected().empty()) return;
    m_desk.edit(several(say("Remove clip"), say("Remove clips"), m_desk.selected().size()), [&](Rebuild& r) {
        for (const auto& id : m_desk.selected()) removeClip(r, id);
    });
}

void ClipTools::duplicateSelected() {
    std::set<std::string> made;
    m_desk.edit(several(say("Duplicate clip"), say("Duplicate clips"), m_desk.selected().size()), [&](Rebuild& r) {
        for (const auto& id : m_desk.selected())
            if (const Clip* c = std::as_const(r).clip(id)) made.insert(copyClip(r, id, c->end()));
    });
    if (!made.empty()) m_desk.select(made);
}

void ClipTools::edit(const QString& name, const std::function<void(Clip&)>& change, const std::string& gesture) {
    m_desk.edit(
        name,
        [&](Rebuild& r) {
            for (const auto& id : m_desk.selected())
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

void ClipTools::toggleMuted() {
    if (m_desk.selected().empty()) return;
    const Clip* first = m_desk.rebuild().clip(*m_desk.selected().begin());
    const bool mute = first && !first->muted;
    edit(mute ? say("Mute clip") : say("Unmute clip"), [mute](Clip& c) { c.muted = mute; });
}

void ClipTools::nudge(double seconds) {
    edit(
        say("Nudge"), [seconds](Clip& c) { c.at = std::max(0.0, c.at + seconds); }, "nudge");
}

void ClipTools::slip(double seconds) {
    m_desk.edit(
        say("Slip"),
        [&](Rebuild& r) {
            for (const auto& id : m_desk.selected()) slipClip(r, id, seconds);
        },
        "slip");
}

void ClipTools::trimToPlayhead(bool begin) {
    const double at = m_desk.playhead();
    m_desk.edit(say("Trim clip"), [&](Rebuild& r) {
        for (const auto& id : m_desk.selected())
            if (const Clip* c = std::as_const(r).clip(id); c && (begin ? at < c->end() : at > c->at))
                trimClip(r, id, begin, at);
    });
}

void ClipTools::crossFadeSelected() {
    bool any = false;
    m_desk.edit(say("Cross-fade"), [&](Rebuild& r) {
        for (const auto& id : m_desk.selected()) any = crossFade(r, id, 0.2, FadeShape::EqualPower) || any;
    });
    if (!any)
        m_desk.tell(say(
            "A cross-fade needs a selected clip that touches the next one on its lane, with sound left to draw out."));
}

void ClipTools::keepBefore() {
    m_desk.edit(say("Keep a before"), [&](Rebuild& r) {
        for (const auto& id : m_desk.selected()) rivlen::keepBefore(r, id);
    });
}

void ClipTools::swapBefore() {
    m_desk.edit(say("Hear the other one"), [&](Rebuild& r) {
        for (const auto& id : m_desk.selected()) swapPair(r, id);
    });
}

void ClipTools::copy() {
    m_copied.clear();
    for (const auto& id : m_desk.selected())
        if (const Clip* c = m_desk.rebuild().clip(id)) m_copied.push_back(*c);
    std::sort(m_copied.begin(), m_copied.end(), [](const Clip& a, const Clip& b) { return a.at < b.at; });
}

void ClipTools::paste() {
    if (m_copied.empty() || !m_desk.lane()) return;
    std::set<std::string> made;
    const double at = m_desk.playhead();
    m_desk.edit(say("Paste"), [&](Rebuild& r) {
        for (Clip c : m_copied) {
            c.at = at + c.at - m_copied.front().at;
            c.id = r.freeId("clip");
            c.mark = ClipMark::None;
            c.pair.clear();
            made.insert(c.id);
            r.lane(m_desk.laneId())->clips.push_back(c);
        }
        sortClips(*r.lane(m_desk.laneId()));
    });
    m_desk.select(made);
}

void ClipTools::stepSelection(int by) {
    const Lane* l = m_desk.lane();
    if (!l || l->clips.empty()) return;
    const auto here = std::find_if(l->clips.begin(), l->clips.end(),
                                   [this](const Clip& c) { return m_desk.selected().count(c.id) > 0; });
    long place = here - l->clips.begin();
    if (here == l->clips.end()) {  // none yet: the one at the playhead, or the first after it
        const double at = m_desk.playhead();
        place = std::find_if(l->clips.begin(), l->clips.end(), [at](const Clip& c) { return c.end() > at; }) -
                l->clips.begin();
    } else {
        place += by;
    }
    m_desk.select({l->clips[size_t(std::clamp<long>(place, 0, long(l->clips.size()) - 1))].id});
}

}  // namespace rivlen
