#include "app/rebuild/RebuildDesk.h"

#include <algorithm>

namespace rivlen {

RebuildDesk::RebuildDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_hearing(hearing), m_work(work) {
    connect(&document, &Document::changed, this, &RebuildDesk::follow);
    connect(&reels, &Reels::read, this, &RebuildDesk::follow);
    connect(&reels, &Reels::stemsChanged, this, &RebuildDesk::follow);
    connect(&reels, &Reels::read, this, [this] {  // a reel that is opened here begins with its source
        if (m_stage != stage::rebuild || !ready() || m_heardReel == m_reel || !m_hearing.player().isOpen()) return;
        m_heardReel = m_reel;
        m_hearing.hear(Heard::Mix);
    });
}

double RebuildDesk::playhead() const {
    const Player& p = m_hearing.player();
    return p.isOpen() ? double(p.position()) / p.sampleRate() : 0;
}

void RebuildDesk::follow() {
    const Reel* reel = m_document.reel();
    const ReelFacts* facts = m_reels.current();
    const std::string id = reel ? reel->id : "";
    if (id != m_reel) {
        m_reel = id;
        m_selected.clear();
        m_lane.clear();
        m_heardReel.clear();
        emit reelChanged();
    }
    const bool known = facts && facts->info;
    if (!known) m_shown = {};
    else if (!reel->rebuild->empty()) m_shown = reel->rebuild;
    else if (const bool room = facts->stems && facts->stems->shape().room;
             m_shown->empty() || begun() || !(*m_shown == plainRebuild(facts->info->duration(), room)))
        m_shown = plainRebuild(facts->info->duration(), room);
    std::erase_if(m_selected, [this](const std::string& c) { return !m_shown->clip(c); });
    if (m_lane != "mix" && !m_shown->lane(m_lane) && !m_shown->group(m_lane))
        m_lane = ready() ? m_shown->lanes.front()->id : "";
    followStage();
    emit followed();
    emit changed();
}

void RebuildDesk::followStage() {
    const std::string now = m_document.session().stage;
    if (now == m_stage) return;
    // At Rebuild the mix is what is heard; elsewhere it is not.
    const bool here = now == stage::rebuild, was = m_stage == stage::rebuild;
    m_stage = now;
    const ReelFacts* facts = m_reels.current();
    if (here) m_hearing.hear(Heard::Mix);
    else if (was && m_hearing.player().heard() == Heard::Mix)
        m_hearing.hear(facts && facts->stems ? Heard::Result : Heard::Source);
    m_heardReel = here && m_hearing.player().isOpen() ? m_reel : "";
}

void RebuildDesk::edit(const QString& name, const std::function<void(Rebuild&)>& change, const std::string& gesture) {
    if (!ready()) return;
    const Shared<Rebuild> base = m_shown;  // the plain one, where it was not begun yet
    m_document.editReel(
        name,
        [&](Reel& r) {
            Shared<Rebuild> next = base;
            change(next.edit());
            if (!(next == base)) r.rebuild = next;
        },
        gesture);
}

void RebuildDesk::select(std::set<std::string> clips) {
    m_selected = std::move(clips);
    if (m_selected.size() == 1)
        if (const Lane* l = m_shown->laneOf(*m_selected.begin())) m_lane = l->id;
    emit changed();
}

const Clip* RebuildDesk::clip() const { return m_selected.size() == 1 ? m_shown->clip(*m_selected.begin()) : nullptr; }

void RebuildDesk::chooseLane(const std::string& id) {
    m_lane = id;
    emit changed();
}

const Strip& RebuildDesk::strip() const {
    if (const Lane* l = lane()) return l->strip;
    if (const Group* g = m_shown->group(m_lane)) return g->strip;
    return m_shown->mix;
}

void RebuildDesk::editStrip(const QString& name, const std::function<void(Strip&)>& change,
                            const std::string& gesture) {
    edit(
        name,
        [&](Rebuild& r) {
            if (m_lane == "mix") return change(r.mix);
            for (auto& g : r.groups)
                if (g.id == m_lane) change(g.strip);
            if (Lane* l = r.lane(m_lane)) change(l->strip);
        },
        gesture);
}

}  // namespace rivlen
