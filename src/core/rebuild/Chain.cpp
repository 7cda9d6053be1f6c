#include "core/rebuild/Chain.h"

#include <algorithm>
#include <tuple>

#include "core/audio/Decibel.h"

namespace rivlen {

AudioBuffer plainImpulse(const ChainSettings& chain, int channels, int rate) {
    return roomImpulse(RoomShape::plain(chain.roomDecay, chain.roomTone), channels, rate);
}

Chain::Chain(int channels, int rate, Impulses impulses, const std::vector<EffectSlot>& effects)
    : m_channels(channels),
      m_rate(rate),
      m_impulses(std::move(impulses)),
      m_gate(rate),
      m_deEsser(channels, rate),
      m_compressor(rate),
      m_limiter(channels, rate),
      m_filters(size_t(channels), std::vector<FilterState>(6)) {
    for (const auto& slot : effects) {
        m_effects.push_back(std::make_unique<RunningEffect>(slot, channels, rate, kBlock));
        m_effectLatency += m_effects.back()->latency();
    }
    ChainSettings nothing;
    nothing.effects = effects;
    set(nothing);
    m_was = m_now;
}

bool Chain::accepts(const ChainSettings& chain) const {
    return std::equal(m_effects.begin(), m_effects.end(), chain.effects.begin(), chain.effects.end(),
                      [](const auto& running, const auto& slot) { return running->accepts(slot); });
}

std::vector<std::pair<std::string, std::string>> Chain::troubles() const {
    std::vector<std::pair<std::string, std::string>> all;
    for (const auto& e : m_effects)
        if (!e->trouble().empty() && e->slot().on) all.emplace_back(e->slot().id, e->trouble());
    return all;
}

bool Chain::moved() const {
    return std::any_of(m_effects.begin(), m_effects.end(), [](const auto& e) { return e->moved(); });
}

void Chain::runEffects(const char* before, AudioBuffer& block, int64_t& first) {
    for (auto& e : m_effects)
        if (e->slot().before == before) {
            e->process(block, first);
            first -= e->latency();
        }
}

void Chain::set(const ChainSettings& chain, const std::map<std::string, DrawnCurve>& automation) {
    for (size_t i = 0; i < m_effects.size() && i < chain.effects.size(); ++i) {
        const std::string prefix = effectCurve(chain.effects[i].id, "");
        std::map<std::string, DrawnCurve> curves;
        for (const auto& [id, curve] : automation)
            if (id.starts_with(prefix)) curves[id.substr(prefix.size())] = curve;
        m_effects[i]->set(chain.effects[i], std::move(curves));
    }
    const auto roomOf = [](const ChainSettings& c) {
        return std::tuple(c.room, c.roomDecay, c.roomTone, c.roomImpulse);
    };
    const bool sameRoom = roomOf(chain) == roomOf(m_now);
    m_now = chain;
    m_gate.set(chain);
    m_deEsser.set(chain);
    m_compressor.set(chain);
    m_limiter.set(chain);
    m_limiter.setOn(chain.limiter);
    ChainSettings part = chain;
    part.equaliser = false;
    if (!filterSections(part, m_rate).empty()) m_high = filterSections(part, m_rate);
    part = chain;
    part.highPass = false;
    if (!filterSections(part, m_rate).empty()) m_eq = filterSections(part, m_rate);
    if (!sameRoom && chain.room) prepareRoom();
}

void Chain::prepareRoom() {
    const AudioBuffer impulse = m_impulses ? m_impulses(m_now) : AudioBuffer();
    m_room = std::make_unique<Convolver>(impulse.frames() > 0 ? impulse : plainImpulse(m_now, m_channels, m_rate),
                                         m_channels);
}

template <typename Work>
void Chain::run(bool was, bool is, AudioBuffer& block, Work work) {
    if (!was && !is) return;
    if (was == is) return work(block);
    AudioBuffer wet = block;
    work(wet);
    const auto n = float(block.frames());
    for (int c = 0; c < m_channels; ++c)
        for (int64_t i = 0; i < block.frames(); ++i) {
            const float w = is ? float(i + 1) / n : 1 - float(i + 1) / n;
            float& x = block.channel(c)[size_t(i)];
            x += w * (wet.channel(c)[size_t(i)] - x);
        }
}

void Chain::filter(AudioBuffer& block, const std::vector<FilterSection>& sections, size_t firstState) {
    for (int c = 0; c < m_channels; ++c)
        for (size_t s = 0; s < sections.size(); ++s) {
            FilterState state = m_filters[size_t(c)][firstState + s];
            for (float& x : block.channel(c)) x = float(state.next(sections[s], x));
            if (std::abs(state.z1) + std::abs(state.z2) < 1e-18) state = {};  // denormals cost more than they sound
            m_filters[size_t(c)][firstState + s] = state;
        }
}

void Chain::reverberate(AudioBuffer& block, std::span<const float> direct) {
    if (!m_room) prepareRoom();
    // The convolver answers a block late; the delay before the room makes up the rest.
    const int64_t wanted = std::max<int64_t>(0, int64_t(m_now.roomDelay * m_rate / 1000) - Convolver::kBlock);
    AudioBuffer late(m_channels, block.frames());
    m_delay.resize(size_t(m_channels));
    for (int c = 0; c < m_channels; ++c) {
        auto& line = m_delay[size_t(c)];
        line.insert(line.end(), block.channel(c).begin(), block.channel(c).end());
        const auto longest = size_t(m_rate / 8 + Convolver::kBlock);
        if (line.size() < longest) line.insert(line.begin(), longest - line.size(), 0.0f);
        line.erase(line.begin(), line.end() - long(longest));
        std::copy_n(line.end() - long(wanted) - long(block.frames()), block.frames(), late.channel(c).begin());
    }
    for (int c = 0; c < m_channels && !direct.empty(); ++c)
        for (size_t i = 0; i < direct.size(); ++i) block.channel(c)[i] *= direct[i];
    m_room->process(late, float(fromDb(m_now.roomLevel)), block);
}

void Chain::process(AudioBuffer& block, std::span<const float> direct, int64_t first) {
    runEffects("gate", block, first);
    run(m_was.gate, m_now.gate, block, [&](AudioBuffer& b) { m_gate.process(b); });
    runEffects("de-esser", block, first);
    run(m_was.deEsser, m_now.deEsser, block, [&](AudioBuffer& b) { m_deEsser.process(b); });
    runEffects("high-pass", block, first);
    run(m_was.highPass, m_now.highPass, block, [&](AudioBuffer& b) { filter(b, m_high, 0); });
    runEffects("equaliser", block, first);
    run(m_was.equaliser, m_now.equaliser, block, [&](AudioBuffer& b) { filter(b, m_eq, 2); });
    runEffects("compressor", block, first);
    run(m_was.compressor, m_now.compressor, block, [&](AudioBuffer& b) { m_compressor.process(b); });
    runEffects("room", block, first);
    run(m_was.room, m_now.room, block, [&](AudioBuffer& b) { reverberate(b, direct); });
    runEffects("limiter", block, first);
    m_limiter.process(block);
    first -= m_limiter.latency();
    runEffects("", block, first);
    m_reductions = {m_now.gate ? float(m_gate.reductionDb()) : 0, m_now.deEsser ? float(m_deEsser.reductionDb()) : 0,
                    m_now.compressor ? float(m_compressor.reductionDb()) : 0,
                    m_now.limiter ? float(m_limiter.reductionDb()) : 0};
    m_was = m_now;
}

}  // namespace rivlen
