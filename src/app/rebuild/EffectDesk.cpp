#include "app/rebuild/EffectDesk.h"

#include <algorithm>
#include <cmath>

#include "app/words/Say.h"
#include "core/rebuild/ChainSettings.h"

namespace rivlen {

bool moveEffect(ChainSettings& chain, const std::string& id, int by) {
    // The whole order as one row: effects by their place in the list, modules as -1.
    struct Step {
        int effect;
        std::string module;
    };
    std::vector<Step> row;
    for (const auto& [module, placed] : chain.order()) {
        for (const EffectSlot* s : placed) row.push_back({int(s - chain.effects.data()), {}});
        if (!module.empty()) row.push_back({-1, module});
    }
    const auto at = std::find_if(row.begin(), row.end(), [&](const Step& s) {
        return s.effect >= 0 && chain.effects[size_t(s.effect)].id == id;
    });
    if (at == row.end()) return false;
    const auto to = at - row.begin() + by;
    if (to < 0 || to >= int64_t(row.size())) return false;
    std::swap(*at, row[size_t(to)]);
    std::vector<EffectSlot> effects;
    for (size_t i = 0; i < row.size(); ++i) {
        if (row[i].effect < 0) continue;
        EffectSlot slot = chain.effects[size_t(row[i].effect)];
        const auto next = std::find_if(row.begin() + long(i), row.end(), [](const Step& s) { return s.effect < 0; });
        slot.before = next == row.end() ? "" : next->module;
        effects.push_back(std::move(slot));
    }
    chain.effects = std::move(effects);
    return true;
}

EffectDesk::EffectDesk(RebuildDesk& desk, RebuildMix& mix, Hearing& hearing, Work& work, QObject* parent)
    : QObject(parent),
      m_desk(desk),
      m_mix(mix),
      m_hearing(hearing),
      m_own(work, this, OwnWork::Shown::InWorkLine),
      m_quiet(work, this) {
    connect(&desk, &RebuildDesk::reelChanged, this, [this] {
        m_own.begin();
        m_trying = false;
        m_troubles.clear();
    });
}

const std::vector<EffectFacts>& EffectDesk::installed() {
    if (!m_read && !m_reading) readAgain();
    return m_installed;
}

void EffectDesk::readAgain() {
    if (m_reading) return;
    m_reading = true;
    const auto read = std::make_shared<std::vector<EffectFacts>>();
    m_quiet.submit(
        say("Reading the installed effects"),
        [read, again = m_read](Progress& progress, const Work::Post&) { *read = installedEffects(again, progress); },
        [this, read](const JobQueue::Outcome& o) {
            m_reading = false;
            m_read = true;
            if (o.done) m_installed = std::move(*read);
            emit changed();
        });
}

const EffectFacts* EffectDesk::facts(const std::string& uri) {
    if (const auto found = m_facts.find(uri); found != m_facts.end()) return &found->second;
    if (!m_asked.insert(uri).second) return nullptr;
    const auto read = std::make_shared<EffectFacts>();
    m_quiet.submit(
        say("Reading an effect"),
        [read, uri](Progress& progress, const Work::Post&) {
            const auto process = takeEffect(uri, "");
            *read = process->describe(progress);
        },
        [this, read, uri](const JobQueue::Outcome& o) {
            if (o.done) m_facts[uri] = std::move(*read);
            emit changed();
        },
        OwnWork::Failure::Owners);
    return nullptr;
}

int EffectDesk::sampleRate() const { return m_mix.materials() ? m_mix.materials()->reel().sampleRate : 48000; }

int EffectDesk::channels() const {
    const int lane = m_mix.materials() ? laneChannels(m_mix.materials()->reel().channels, m_desk.rebuild()) : 2;
    const MixFormat format = m_desk.rebuild().format;
    return m_desk.lane() || format == MixFormat::Reel ? lane : mixFormatFacts(format).channels;
}

void EffectDesk::add(const EffectFacts& facts) {
    if (m_trying) return;
    m_trying = true;
    const auto trial = std::make_shared<EffectTrial>();
    m_own.submit(
        say("Trying ") + QString::fromStdString(facts.name),
        [trial, facts, rate = sampleRate(), channels = channels()](Progress& progress, const Work::Post&) {
            *trial = tryEffect(facts, rate, channels, progress);
        },
        [this, trial, facts, strip = m_desk.laneId()](const JobQueue::Outcome& o) {
            m_trying = false;
            if (o.done && trial->refused.empty()) put(facts, strip);
            else if (o.done) m_desk.tell(said(trial->refused));
            emit changed();
        });
    emit changed();
}

void EffectDesk::put(const EffectFacts& facts, const std::string& strip) {
    if (m_desk.laneId() != strip) m_desk.chooseLane(strip);  // it was tried for that one's channels
    std::string id;
    edit(say("Add ") + QString::fromStdString(facts.name), [&](Strip& s) {
        for (int n = 1; id.empty() || s.chain.effect(id); ++n) id = "effect-" + std::to_string(n);
        s.chain.effects.push_back({id, facts.uri, facts.name, "limiter", true, {}, {}});
    });
    emit added(QString::fromStdString(id));
}

void EffectDesk::edit(const QString& name, const std::function<void(Strip&)>& change, const std::string& gesture) {
    m_desk.editStrip(name, change, gesture);
}

namespace {

EffectSlot* slotIn(Strip& strip, const std::string& id) {
    for (auto& e : strip.chain.effects)
        if (e.id == id) return &e;
    return nullptr;
}

QString nameIn(const EffectSlot* slot) { return slot ? QString::fromStdString(slot->name) : QString(); }

}  // namespace

void EffectDesk::setOn(const std::string& id, bool on) {
    edit(nameIn(slot(id)) + (on ? say(" on") : say(" off")), [&](Strip& s) {
        if (auto* e = slotIn(s, id)) e->on = on;
    });
}

void EffectDesk::set(const std::string& id, const EffectControl& control, double value, bool dragging) {
    edit(
        nameIn(slot(id)) + ": " + QString::fromStdString(control.name),
        [&](Strip& s) {
            if (auto* e = slotIn(s, id))
                e->values[control.symbol] = std::clamp(value, control.minimum, control.maximum);
        },
        dragging ? effectCurve(id, control.symbol) : "");
}

double EffectDesk::value(const EffectSlot& slot, const EffectControl& control) const {
    const auto found = slot.values.find(control.symbol);
    return found == slot.values.end() ? control.usual : found->second;
}

void EffectDesk::move(const std::string& id, int by) {
    ChainSettings probe = m_desk.strip().chain;
    if (!moveEffect(probe, id, by)) return;
    edit(say("Move ") + nameIn(slot(id)), [&](Strip& s) { s.chain.effects = probe.effects; });
}

void EffectDesk::remove(const std::string& id) {
    edit(say("Take out ") + nameIn(slot(id)), [&](Strip& s) {
        std::erase_if(s.chain.effects, [&](const auto& e) { return e.id == id; });
        std::erase_if(s.automation, [&](const auto& c) { return c.first.starts_with(effectCurve(id, "")); });
    });
}

void EffectDesk::usePreset(const std::string& id, const EffectPreset& preset) {
    const EffectSlot* of = slot(id);
    const EffectFacts* known = of ? facts(of->uri) : nullptr;
    if (!known) return;
    const auto got = std::make_shared<EffectProcess::State>();
    m_own.submit(
        say("Reading a preset"),
        [got, preset, effect = *known, rate = sampleRate(), channels = channels()](Progress&, const Work::Post&) {
            *got = effectPreset(effect, preset.uri, rate, channels);
        },
        [this, got, id, uri = of->uri, name = preset.name](const JobQueue::Outcome& o) {
            const EffectSlot* now = slot(id);
            if (!o.done || !now || now->uri != uri) return;
            edit(nameIn(now) + ": " + QString::fromStdString(name), [&](Strip& s) {
                if (auto* e = slotIn(s, id)) e->values = got->values, e->state = got->state;
            });
        });
}

QString EffectDesk::trouble(const std::string& id) const {
    for (const auto& t : m_troubles)
        if (t.strip == m_desk.laneId() && t.slot == id) return said(t.sentence);
    return {};
}

void EffectDesk::lookForTroubles() {
    auto now = m_hearing.player().mixTroubles();
    if (now == m_troubles) return;
    for (const auto& t : now)
        if (std::find(m_troubles.begin(), m_troubles.end(), t) == m_troubles.end()) m_desk.tell(said(t.sentence));
    m_troubles = std::move(now);
    emit changed();
}

}  // namespace rivlen
