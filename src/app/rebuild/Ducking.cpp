#include "app/rebuild/Ducking.h"

#include <algorithm>

#include "app/words/Say.h"
#include "core/rebuild/Automation.h"
#include "core/rebuild/Duck.h"
#include "core/rebuild/RenderGraph.h"

namespace rivlen {

Ducking::Ducking(RebuildDesk& desk, RebuildMix& mix, LaneCurves& curves, QObject* parent)
    : QObject(parent), m_desk(desk), m_mix(mix), m_curves(curves) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(300);
    connect(&m_wait, &QTimer::timeout, this, &Ducking::follow);
    connect(&mix, &RebuildMix::followed, this, [this] { m_wait.start(); });
    connect(&mix, &RebuildMix::renewed, this, [this] {
        for (const auto& [id, duck] : m_ducks) m_mix.cancel(duck.job);
        m_ducks.clear();
    });
}

const DrawnCurve* Ducking::curve(const std::string& lane) const {
    const auto found = m_ducks.find(lane);
    return found == m_ducks.end() || found->second.curve.empty() ? nullptr : &found->second.curve;
}

void Ducking::follow() {
    if (!m_desk.ready() || !m_mix.materials()) return;
    for (const auto& l : m_desk.rebuild().lanes) {
        if (!l->duck.on) {
            m_ducks.erase(l->id);
            continue;
        }
        // It depends on the settings and on the lane that does it.
        Rebuild part;
        part.lanes = {l};
        part.lanes[0].edit().clips.clear();
        part.lanes[0].edit().strip = {};
        if (const Lane* key = m_desk.rebuild().lane(l->duck.key)) part.lanes.emplace_back(*key);
        part.sounds = m_desk.rebuild().sounds;
        const std::string of = toJson(part, {}).dump() + m_mix.materialsKey();
        if (m_ducks[l->id].of == of) continue;
        m_ducks[l->id].of = of;
        m_mix.cancel(m_ducks[l->id].job);  // of settings that are no more
        const auto curve = std::make_shared<DrawnCurve>();
        const int channels = m_mix.materials()->reel().channels;
        m_ducks[l->id].job = m_mix.run(
            say("Ducking ") + QString::fromStdString(l->name),
            [curve, whole = m_desk.shared(), id = l->id, materials = m_mix.materials(), channels](Progress& p) {
                *curve = rivlen::duckCurve(*whole, id, materials, std::clamp(channels, 1, 2), p);
            },
            [this, curve, of, id = l->id] {
                if (m_ducks[id].of == of) m_ducks[id].curve = std::move(*curve);
            });
    }
}

void Ducking::toAutomation() {
    const Lane* l = m_desk.lane();
    if (!l || !l->duck.on) return m_desk.tell(say("This lane is not ducked: switch ducking on first."));
    const DrawnCurve* duck = curve(l->id);
    if (!duck) return m_desk.tell(say("The ducking is still being computed; try again in a moment."));
    const DrawnCurve thin = thinned(*duck, 0.1);
    m_desk.edit(say("Ducking to automation"), [&](Rebuild& r) {
        Lane& mine = *r.lane(m_desk.laneId());
        const auto before = mine.strip.automation.find("level");
        DrawnCurve sum;
        for (const auto& [t, db] : thin)
            sum.emplace_back(
                t,
                std::max(kSilentLevel,
                         (before == mine.strip.automation.end() ? mine.strip.level : drawnAt(before->second, t)) + db));
        mine.strip.automation["level"] = sum;
        mine.duck.on = false;
    });
    m_curves.show("level");
}

}  // namespace rivlen
