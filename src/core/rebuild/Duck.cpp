#include "core/rebuild/Duck.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"

namespace rivlen {

const std::vector<Parameter<Duck>>& duckParameters() {
    static const std::vector<Parameter<Duck>> table = {
        {"depth", "Down by", "dB", 0, 40, 4.8, 0.1,
         "How far it is pulled down. Too much: it drops out under each word.", &Duck::depth},
        {"threshold", "Threshold", "dB", -80, 0, -45, 1,
         "How loud the key must be. Too low: breaths pull it down as well.", &Duck::threshold},
        {"look_ahead", "Look-ahead", "ms", 0, 200, 12, 1,
         "How long before the word it begins. Too short: first consonants drown, too long: it gives words away.",
         &Duck::lookAhead},
        {"fall", "Fall", "ms", 1, 1000, 10, 1, "How fast it goes down. Too fast is heard as a step.", &Duck::fall},
        {"hold", "Hold", "ms", 0, 3000, 150, 10,
         "How long it stays down after a word. Too short: it flutters between words.", &Duck::hold},
        {"return", "Return", "ms", 10, 10000, 750, 10, "How slowly it comes back. Too fast pumps.", &Duck::back},
    };
    return table;
}

VoiceActivity::VoiceActivity(int rate)
    : m_high(FilterSection::highPass(200, 0.7071, rate)),
      m_low(FilterSection::lowPass(std::min(4000.0, 0.4 * rate), 0.7071, rate)),
      m_smooth(std::exp(-1.0 / (0.010 * rate))),
      m_rise(std::pow(10.0, 0.6 / rate)) {}

bool VoiceActivity::next(double x, double thresholdDb) {
    const double y = m_lowState.next(m_low, m_highState.next(m_high, x));
    m_power = m_smooth * m_power + (1 - m_smooth) * y * y;
    m_floor = std::clamp(m_power, 1e-10, std::max(m_floor * m_rise, 1e-10));
    const double level = powerDb(m_power), over = level - powerDb(m_floor);
    // Six decibels less keep it active: vowels sway.
    m_active = level > thresholdDb - (m_active ? 6 : 0) && over > (m_active ? 3 : 9);
    return m_active;
}

void DuckGain::set(const Duck& duck) {
    m_duck = duck;
    m_gain.set(duck.fall / 1000, duck.back / 1000, duck.hold / 1000, m_rate);
    m_decay = std::exp(-1.0 / (0.010 * m_rate));
}

void DuckGain::process(const AudioBuffer& key, std::vector<float>& db) {
    db.resize(size_t(key.frames()));
    for (size_t i = 0; i < db.size(); ++i) {
        double x = 0, peak = 0;
        for (int c = 0; c < key.channels(); ++c) {
            const double v = key.channel(c)[i];
            x += v / key.channels();
            peak = std::max(peak, std::fabs(v));
        }
        m_level = std::max(peak, m_decay * m_level);
        const bool speaks = m_voice.next(x, m_duck.threshold);
        const bool down = m_duck.voice ? speaks : toDb(m_level) > m_duck.threshold;
        db[i] = float(m_gain.next(down ? -m_duck.depth : 0.0));
    }
}

}  // namespace rivlen
