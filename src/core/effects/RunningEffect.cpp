#include "core/effects/RunningEffect.h"

#include <cmath>

#include "core/base/Error.h"

namespace rivlen {

RunningEffect::RunningEffect(EffectSlot slot, int channels, int rate, int block)
    : m_slot(std::move(slot)),
      m_channels(channels),
      m_rate(rate),
      m_block(block),
      m_dry(channels),
      m_toSend(channels),
      m_wet(channels) {
    if (!m_slot.on) return;
    m_begun = true;
    try {
        m_process = takeEffect(m_slot.uri, m_slot.name);
        m_latency = m_process->begin({rate, channels, block, m_slot.values, m_slot.state, {}});
        m_state = State::In;
    } catch (const Error& e) {
        m_trouble = e.what();
        m_process.reset();
    }
    m_latency += gathered();
    m_reported = m_latency;
    m_dry.append(AudioBuffer(channels, m_latency));
    fill();
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

void RunningEffect::fill() {
    try {
        if (m_process && m_process->owes()) {
            AudioBuffer late(m_channels, kAtOnce * m_block);
            m_process->receive(late);
        }
    } catch (const Error& e) {
        m_trouble = e.what();
        m_process.reset();
    }
    m_toSend.drop(m_toSend.frames());
    m_changes.clear();
    m_sent.clear();  // some may not have been sent
    m_wet.drop(m_wet.frames());
    m_wet.append(AudioBuffer(m_channels, gathered()));
}

void RunningEffect::collect() {
    AudioBuffer answer(m_channels, kAtOnce * m_block);
    m_reported = m_process->receive(answer) + gathered();
    for (float v : answer.samples())
        if (!std::isfinite(v))
            throw Error(Error::Kind::Other, "The effect \"" + m_slot.name +
                                                "\" gave samples that are no numbers: it is left out. Switch it off, "
                                                "or take it out of the chain.");
    m_wet.append(answer);
}

void RunningEffect::feed(const AudioBuffer& audio, int64_t first) {
    for (const auto& [symbol, port] : m_process->ports()) {
        const auto value = float(valueOf(symbol, double(first) / m_rate));
        const auto [sent, added] = m_sent.try_emplace(port, value);
        if (!added && sent->second == value) continue;
        sent->second = value;
        m_changes.push_back({port, value, int32_t(m_toSend.frames())});
    }
    m_toSend.append(audio);
    if (m_toSend.frames() < kAtOnce * m_block) return;
    try {
        if (m_process->owes()) collect();
        m_process->send(m_changes, m_toSend.take(m_toSend.frames()));
        m_changes.clear();
    } catch (const Error& e) {
        m_trouble = e.what();
        m_process.reset();
    }
}

void RunningEffect::process(AudioBuffer& audio, int64_t first) {
    if (!m_begun) return;
    m_dry.append(audio);
    AudioBuffer dry = m_dry.take(audio.frames());
    const bool wanted = m_slot.on && m_process;
    if (m_state == State::Out && wanted) {
        m_state = State::Filling;
        m_heard = 0;
    }
    if (m_state != State::Out && m_process) feed(audio, first);
    if (m_state == State::Out || !m_process) {  // what came back from one that failed is worth nothing
        m_state = State::Out;
        audio = std::move(dry);
        return;
    }
    AudioBuffer wet = m_wet.take(audio.frames());
    const bool arrived = m_state == State::In || m_heard >= m_latency;
    m_heard += audio.frames();
    const auto fade = [&](bool in) {
        for (int c = 0; c < m_channels; ++c)
            for (int64_t i = 0; i < audio.frames(); ++i) {
                const float along = float(i + 1) / float(audio.frames()), w = in ? along : 1 - along;
                const float plain = dry.channel(c)[size_t(i)];
                audio.channel(c)[size_t(i)] = plain + w * (wet.channel(c)[size_t(i)] - plain);
            }
    };
    if (m_state == State::In && wanted) audio = std::move(wet);
    else if (m_state == State::In) fade(false);
    else if (wanted && arrived) fade(true);
    else audio = std::move(dry);
    if (wanted && arrived) m_state = State::In;
    if (wanted) return;
    m_state = State::Out;
    fill();
}

}  // namespace rivlen
