// Silence: all channels below -80 dBFS for a second or longer.
// Dropout: one value repeated exactly on all channels for 1.5 ms to 0.5 s, with sound above -50 dBFS within 10 ms on
// both sides. Programme that pauses fades; only lost data stops and comes back like that.
#include <algorithm>
#include <cmath>

#include <optional>

#include "core/diagnosis/Detector.h"

namespace rivlen {

namespace {

constexpr float kSilent = 1e-4f;
constexpr double kLeastSilence = 1.0, kShortestHole = 0.0015, kLongestHole = 0.5, kBeside = 0.01,
                 kSound = 0.00316;  // seconds; amplitude

class SilenceDetector : public Detector {
public:
    SilenceDetector(int channels, int rate) : m_rate(rate), m_last(size_t(channels), 2.0f) {}

    void add(const AudioBuffer& block) override {
        for (int64_t i = 0; i < block.frames(); ++i, ++m_at) {
            bool same = true;
            float peak = 0;
            for (int c = 0; c < block.channels(); ++c) {
                const float v = block.channel(c)[size_t(i)];
                same &= v == m_last[size_t(c)];
                m_last[size_t(c)] = v;
                peak = std::max(peak, std::fabs(v));
            }
            if (peak >= kSilent) endSilence();
            else if (m_silentFrom < 0) m_silentFrom = m_at;
            if (!same) endHeld();
            else if (m_heldFrom < 0) m_heldFrom = m_at - 1, m_before = m_level;
            if (!same) m_level = std::max<double>(m_level * m_fall, peak);
            if (m_waiting && m_at - m_waiting->second > int64_t(kBeside * m_rate)) m_waiting.reset();
            if (m_waiting && !same && peak > kSound) {
                m_dropouts.push_back({Fault::Dropout,
                                      double(m_waiting->first) / m_rate,
                                      double(m_waiting->second) / m_rate,
                                      -1,
                                      1000.0 * double(m_waiting->second - m_waiting->first) / m_rate,
                                      0.95,
                                      0,
                                      0,
                                      0,
                                      {}});
                m_waiting.reset();
            }
        }
    }

    void finish(std::vector<Finding>& findings) override {
        endSilence();
        findings.insert(findings.end(), m_silences.begin(), m_silences.end());
        findings.insert(findings.end(), m_dropouts.begin(), m_dropouts.end());
    }

private:
    void endSilence() {
        if (m_silentFrom < 0) return;
        const double from = double(m_silentFrom) / m_rate, to = double(m_at) / m_rate;
        if (to - from >= kLeastSilence) m_silences.push_back({Fault::Silence, from, to, -1, to - from, 1, 0, 0, 0, {}});
        m_silentFrom = -1;
    }
    void endHeld() {
        if (m_heldFrom < 0) return;
        const double seconds = double(m_at - m_heldFrom) / m_rate;
        if (seconds >= kShortestHole && seconds <= kLongestHole && m_before > kSound)
            m_waiting = std::pair(m_heldFrom, m_at);
        m_heldFrom = -1;
    }

    int m_rate;
    std::vector<float> m_last;
    int64_t m_at = 0, m_silentFrom = -1, m_heldFrom = -1;
    double m_level = 0, m_before = 0;
    const double m_fall = std::pow(0.5, 1 / (kBeside / 2 * m_rate));  ///< the level falls by half in 5 ms
    std::optional<std::pair<int64_t, int64_t>> m_waiting;             ///< a gap that is a dropout if sound follows
    std::vector<Finding> m_silences, m_dropouts;
};

}  // namespace

std::unique_ptr<Detector> makeSilenceDetector(int channels, int rate) {
    return std::make_unique<SilenceDetector>(channels, rate);
}

}  // namespace rivlen
