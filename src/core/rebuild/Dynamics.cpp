#include "core/rebuild/Dynamics.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

double coefficient(double seconds, int rate) { return seconds > 0 ? std::exp(-1.0 / (seconds * rate)) : 0.0; }

float loudest(const AudioBuffer& audio, size_t i) {
    float peak = 0;
    for (int c = 0; c < audio.channels(); ++c) peak = std::max(peak, std::fabs(audio.channel(c)[i]));
    return peak;
}

void scale(AudioBuffer& audio, size_t i, double db) {
    if (db == 0) return;
    const auto g = float(fromDb(db));
    for (int c = 0; c < audio.channels(); ++c) audio.channel(c)[i] *= g;
}

}  // namespace

double compressorCurve(const ChainSettings& c, double x) {
    const double over = x - c.threshold;
    if (2 * over < -c.knee) return x;
    if (2 * std::fabs(over) <= c.knee && c.knee > 0) {
        const double into = over + c.knee / 2;
        return x + (1 / c.ratio - 1) * into * into / (2 * c.knee);
    }
    return c.threshold + over / c.ratio;
}

double gateCurve(const ChainSettings& c, double x) {
    return x >= c.gateThreshold ? x : x - std::min(c.gateRange, (c.gateThreshold - x) * (c.gateRatio - 1));
}

void GainFollower::set(double down, double up, double hold, int rate) {
    m_down = coefficient(down, rate);
    m_up = coefficient(up, rate);
    m_hold = std::llround(hold * rate);
}

double GainFollower::next(double target) {
    if (target < m_gain) {
        m_gain = m_down * m_gain + (1 - m_down) * target;
        m_held = m_hold;
    } else if (m_held > 0) {
        --m_held;
    } else {
        m_gain = m_up * m_gain + (1 - m_up) * target;
        if (m_gain > -1e-4 && target == 0) m_gain = 0;  // a tail of denormals would cost more than it sounds
    }
    return m_gain;
}

void Compressor::set(const ChainSettings& chain) {
    m_chain = chain;
    m_gain.set(chain.attack / 1000, chain.release / 1000, 0, m_rate);
}

void Compressor::process(AudioBuffer& audio) {
    m_least = 0;
    for (size_t i = 0; i < size_t(audio.frames()); ++i) {
        const double x = toDb(loudest(audio, i)), gain = m_gain.next(compressorCurve(m_chain, x) - x);
        m_least = std::min(m_least, gain);
        scale(audio, i, gain + m_chain.makeUp);
    }
}

void Gate::set(const ChainSettings& chain) {
    m_chain = chain;
    // It opens with the attack and closes with the release: the gain's way down is the slow one.
    m_gain.set(chain.gateRelease / 1000, chain.gateAttack / 1000, 0, m_rate);
    // Its hold is the detector's: the level falls no sooner.
    m_decay = coefficient(std::max(0.005, chain.gateHold / 1000), m_rate);
}

void Gate::process(AudioBuffer& audio) {
    m_least = 0;
    for (size_t i = 0; i < size_t(audio.frames()); ++i) {
        m_level = std::max(double(loudest(audio, i)), m_decay * m_level);
        const double x = toDb(m_level), gain = m_gain.next(gateCurve(m_chain, x) - x);
        m_least = std::min(m_least, gain);
        scale(audio, i, gain);
    }
}

void DeEsser::set(const ChainSettings& chain) {
    m_chain = chain;
    const double from = std::min(chain.deEsserFrom, 0.4 * m_rate),
                 to = std::clamp(chain.deEsserTo, 1.1 * from, std::max(1.1 * from, 0.48 * m_rate));
    const double centre = std::sqrt(from * to);
    m_section = FilterSection::bandPass(centre, centre / (to - from), m_rate);
    m_gain.set(0.001, 0.030, 0, m_rate);
    m_smooth = coefficient(0.005, m_rate);
}

void DeEsser::process(AudioBuffer& audio) {
    m_least = 0;
    for (size_t i = 0; i < size_t(audio.frames()); ++i) {
        double whole = 0, band = 0;
        float bands[8] = {};
        const int channels = std::min(audio.channels(), 8);
        for (int c = 0; c < channels; ++c) {
            const float x = audio.channel(c)[i], b = bands[c] = float(m_bands[size_t(c)].next(m_section, x));
            whole += double(x) * x;
            band += double(b) * b;
        }
        m_whole = m_smooth * m_whole + (1 - m_smooth) * whole;
        m_band = m_smooth * m_band + (1 - m_smooth) * band;
        const double over = m_band > 1e-9 ? powerDb(m_band) - powerDb(m_whole) - m_chain.deEsserThreshold : -1;
        const double gain = m_gain.next(-std::clamp(over, 0.0, m_chain.deEsserRange));
        m_least = std::min(m_least, gain);
        if (gain == 0) continue;
        const auto g = float(fromDb(gain) - 1);
        for (int c = 0; c < channels; ++c) audio.channel(c)[i] += g * bands[c];
    }
}

}  // namespace rivlen
