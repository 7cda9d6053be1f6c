#include "app/rebuild/RebuildDesk.h"

#include <algorithm>

#include "core/isolation/StrengthCourse.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/Automation.h"

namespace rivlen {

RebuildDesk::RebuildDesk(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
                         QObject* parent)
    : QObject(parent),
      m_document(document),
      m_reels(reels),
      m_splitting(splitting),
      m_hearing(hearing),
      m_work(work),
      m_own(work, this, OwnWork::Shown::InWorkLine) {
    m_follow.setSingleShot(true);
    m_follow.setInterval(300);  // ducking and mends follow once a slider rests
    connect(&m_follow, &QTimer::timeout, this, [this] {
        followDucks();
        followMends();
    });
    connect(&document, &Document::changed, this, &RebuildDesk::follow);
    connect(&reels, &Reels::read, this, &RebuildDesk::follow);
    connect(&reels, &Reels::stemsChanged, this, &RebuildDesk::follow);
    connect(&reels, &Reels::read, this, [this] {  // a reel that is opened here begins with its source
        if (m_stage != "rebuild" || !ready() || m_heardReel == m_reel || !m_hearing.player().isOpen()) return;
        m_heardReel = m_reel;
        m_hearing.hear(Heard::Mix);
    });
    follow();
}

double RebuildDesk::playhead() const {
    const Player& p = m_hearing.player();
    return p.isOpen() ? double(p.position()) / p.sampleRate() : 0;
}

std::pair<double, double> RebuildDesk::loopOr(double from, double to) const {
    const Reel* reel = m_document.reel();
    return reel && reel->loop ? *reel->loop : std::pair(from, to);
}

void RebuildDesk::follow() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    const std::string id = reel ? reel->id : "";
    if (id != m_reel) {
        m_reel = id;
        m_own.begin();
        m_selected.clear();
        m_copied.clear();
        m_silences.clear();
        m_lane.clear();
        m_heardReel.clear();
        m_ducks.clear();
        m_materials.reset();
        m_materialsOf.clear();
    }
    const bool known = state && state->info;
    if (!known) m_shown = {};
    else if (!reel->rebuild->empty()) m_shown = reel->rebuild;
    else if (const bool room = state->stems && state->stems->shape().room;
             m_shown->empty() || begun() || !(*m_shown == plainRebuild(state->info->duration(), room)))
        m_shown = plainRebuild(state->info->duration(), room);
    std::erase_if(m_selected, [this](const std::string& c) { return !m_shown->clip(c); });
    if (m_lane != "mix" && !m_shown->lane(m_lane) && !m_shown->group(m_lane))
        m_lane = ready() ? m_shown->lanes.front()->id : "";
    // At Rebuild the mix is what is heard; elsewhere it is not.
    const std::string stage = m_document.session().stage;
    if (stage != m_stage) {
        const bool here = stage == stage::rebuild, was = m_stage == "rebuild";
        m_stage = stage;
        if (here) m_hearing.hear(Heard::Mix);
        else if (was && m_hearing.player().heard() == Heard::Mix)
            m_hearing.hear(state && state->stems ? Heard::Result : Heard::Source);
        m_heardReel = here && m_hearing.player().isOpen() ? id : "";
    }
    readSounds();
    makePlan();
    m_follow.start();
    emit changed();
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

void RebuildDesk::makePlan() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    Player& player = m_hearing.player();
    if (!ready() || !state || !state->info) return player.setMix(nullptr);
    // What the materials are made of: while it stays, the graph that plays goes on with what it has read.
    char key[200];
    std::snprintf(
        key, sizeof key, "%p %p %d %lld ", static_cast<void*>(state->stems.get()),
        state->stems ? static_cast<const void*>(state->stems->patches().get()) : nullptr, state->info->sampleRate,
        static_cast<long long>(
            state->stems ? (state->stems->finished() ? -1 : state->stems->available() / (10 * state->info->sampleRate))
                         : 0));
    const std::string of = key + m_reels.workFile(*reel).string() + toJson(reel->course()).dump();
    if (!m_materials || of != m_materialsOf) {
        m_materialsOf = of;
        ReelMaterial material;
        material.source = [file = m_reels.workFile(*reel)] { return std::make_unique<MediaReader>(file); };
        material.stems = state->stems;
        material.course = reel->course();
        material.sampleRate = state->info->sampleRate;
        material.channels = state->info->channels;
        material.frames = state->info->frames;
        m_materials = std::make_shared<Materials>(std::move(material), false);
        for (const auto& [id, duck] : m_ducks) m_own.cancel(duck.job);
        m_ducks.clear();
    }
    auto plan = std::make_shared<MixPlan>();
    plan->rebuild = m_shown;
    plan->materials = m_materials;
    plan->channels = mixChannels(state->info->channels, *m_shown);
    player.setMix(std::move(plan));
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

void RebuildDesk::stepLane(int by) {
    std::vector<std::string> ids;
    for (const auto& l : m_shown->lanes) ids.push_back(l->id);
    for (const auto& g : m_shown->groups) ids.push_back(g.id);
    ids.push_back("mix");
    const auto here = std::find(ids.begin(), ids.end(), m_lane) - ids.begin();
    chooseLane(ids[size_t(std::clamp<long>(here + by, 0, long(ids.size()) - 1))]);
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

QString RebuildDesk::laneName(const std::string& id) const {
    if (id == "mix") return "Mix";
    if (const Group* g = m_shown->group(id)) return QString::fromStdString(g->name);
    const Lane* l = m_shown->lane(id);
    return l ? QString::fromStdString(l->name) : QString();
}

QString RebuildDesk::clipName(const Clip& c) const {
    if (!c.name.empty()) return QString::fromStdString(c.name);
    if (const Sound* s = m_shown->sound(c.material)) return QString::fromStdString(s->name);
    if (const Tone* t = m_shown->tone(c.material)) return QString::fromStdString(t->name);
    QString plain = QString::fromStdString(c.material);
    if (!plain.isEmpty()) plain[0] = plain[0].toUpper();
    return plain;
}

// ---- automation ----

void RebuildDesk::showAutomation(const std::string& id) {
    m_automated = id;
    emit changed();
}

const DrawnCurve* RebuildDesk::curve(const Strip& strip) const {
    const auto found = strip.automation.find(m_automated);
    return found == strip.automation.end() || found->second.empty() ? nullptr : &found->second;
}

void RebuildDesk::setCurve(DrawnCurve curve, const std::string& gesture) {
    if (m_automated.empty()) return;
    editStrip(
        "Draw " + QString::fromStdString(m_automated),
        [&](Strip& s) {
            if (curve.empty()) s.automation.erase(m_automated);
            else s.automation[m_automated] = curve;
        },
        gesture);
}

void RebuildDesk::trimCurve(double by) {
    const Reel* reel = m_document.reel();
    if (m_automated.empty() || !reel) return;
    const auto* p = &stripParameter(m_automated);
    if (!reel->loop) return tell("Set a loop over what is to be raised or lowered: drag over the picture.");
    const DrawnCurve* now = curve(strip());
    setCurve(trimmed(now ? *now : DrawnCurve{}, reel->loop->first, reel->loop->second,
                     by * (p->maximum - p->minimum > 100 ? 5 : 1), p->minimum, p->maximum, strip().*p->value));
}

void RebuildDesk::copyCurve() {
    const Reel* reel = m_document.reel();
    if (!reel || !reel->loop || !curve(strip()))
        return tell("Set a loop over a part of a curve first; then it can be copied.");
    m_copiedCurve = *curve(strip());
    // Kept with its span in front, so that the document may change meanwhile.
    m_copiedCurve->insert(m_copiedCurve->begin(), {reel->loop->first, reel->loop->second});
}

void RebuildDesk::pasteCurve() {
    if (m_automated.empty() || !m_copiedCurve) return;
    const auto* p = &stripParameter(m_automated);
    const auto [from, to] = m_copiedCurve->front();
    const DrawnCurve source(m_copiedCurve->begin() + 1, m_copiedCurve->end());
    const double at = playhead(), usual = strip().*p->value;
    DrawnCurve moved = copiedTo(source, from, to, at, usual);
    DrawnCurve span;
    for (const auto& point : moved)
        if (point.first >= at && point.first <= at + to - from) span.push_back(point);
    const DrawnCurve* now = curve(strip());
    if (!span.empty()) {
        span.front().second = now ? drawnAt(*now, at) : usual;
        span.back().second = now ? drawnAt(*now, at + to - from) : usual;
    }
    setCurve(drawnInto(now ? *now : DrawnCurve{{0.0, usual}}, span));
}

void RebuildDesk::thinCurve() {
    const DrawnCurve* now = curve(strip());
    if (!now) return;
    const size_t before = now->size();
    const DrawnCurve few = thinned(*now, m_automated == "level" ? 0.25 : 1.5);
    setCurve(few);
    m_work.report(QString("The curve keeps %1 of %2 points.").arg(few.size()).arg(before));
}

}  // namespace rivlen
