#include "core/effects/RunningEffect.h"

#include <cmath>

#include "core/base/Error.h"

namespace rivlen {

RunningEffect::RunningEffect(EffectSlot slot, int channels, int rate, int block)
    : m_slot(std::move(slot)), m_channels(channels), m_rate(rate), m_dry(channels), m_was(m_slot.on) {
    if (!m_slot.on) return;
    m_begun = true;
    try {
        m_process = takeEffect(m_slot.uri, m_slot.name);
        m_latency = m_process->begin({rate, channels, block, m_slot.values, m_slot.state, {}});
    } catch (const Error& e) {
        m_trouble = e.what();
        m_process.reset();
    }
    m_reported = m_latency;
    m_dry.append(AudioBuffer(channels, m_latency));
}

RunningEffect::~RunningEffect() {
    if (m_process) giveBackEffect(std::move(m_process));
}

void RunningEffect::set(const EffectSlot& slot, std::map<std::string, DrawnCurve> curves) {
    m_slot = slot;
    m_curves = std::move(curves);
}

double RunningEffect::valueOf(const std::string& symbol, double seconds) const {
    if (const auto curve = m_curves.find(symbol); curve != m_curves.end() && !curve->second.empty())
        return drawnAt(curve->second, seconds);
    if (const auto value = m_slot.values.find(symbol); value != m_slot.values.end()) return value->second;
    return m_process->usual(symbol);
}

void RunningEffect::run(AudioBuffer& audio, int64_t first) {
    std::vector<EffectChange> changes;
    for (const auto& [symbol, port] : m_process->ports()) {
        const auto value = float(valueOf(symbol, double(first) / m_rate));
        const auto [sent, added] = m_sent.try_emplace(port, value);
        if (!added && sent->second == value) continue;
        sent->second = value;
        changes.push_back({port, value});
    }
    try {
        m_reported = m_process->process(changes, audio);
    } catch (const Error& e) {
        m_trouble = e.what();
    }
    for (float v : audio.samples())
        if (!std::isfinite(v) && m_trouble.empty())
            m_trouble =
                "The effect \"" + m_slot.name +
                "\" gave samples that are no numbers: it is left out. Switch it off, or take it out of the chain.";
    if (!m_trouble.empty()) m_process.reset();
}

void RunningEffect::process(AudioBuffer& audio, int64_t first) {
    if (!m_begun) return;
    m_dry.append(audio);
    const AudioBuffer dry = m_dry.take(audio.frames());
    const bool is = m_slot.on && m_process;
    if (is || (m_was && m_process)) {
        run(audio, first);
        const bool failed = !m_process;  // what came back is worth nothing
        if (failed) audio = dry;
        for (int c = 0; c < m_channels && !failed && is != m_was; ++c)
            for (int64_t i = 0; i < audio.frames(); ++i) {
                const float along = float(i + 1) / float(audio.frames()), w = is ? along : 1 - along;
                float& wet = audio.channel(c)[size_t(i)];
                const float plain = dry.channel(c)[size_t(i)];
                wet = plain + w * (wet - plain);
            }
    } else {
        audio = dry;
    }
    m_was = is;
}

}  // namespace rivlen
