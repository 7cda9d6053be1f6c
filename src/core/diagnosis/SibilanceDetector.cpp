// From the levels of 10 ms between 5 and 10 kHz and of the voice's body, while somebody speaks: what the high band
// exceeds in one of fifty moments, which are those of s, against the level of the vowels is how bad it is. Of a hundred
// voices none reaches +2 dB; 0 dB is already bright. There must be moments at which the high band is louder than the
// body.
#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/diagnosis/Detector.h"
#include "core/spectral/Biquad.h"

namespace rivlen {

namespace {

constexpr double kSharp = 3, kFaintest = -60;  // dB
constexpr size_t kFewMoments = 8;              // moments

class SibilanceDetector : public Detector {
public:
    SibilanceDetector(int channels, int rate) : m_hop(std::max(1, rate / 100)) {
        const double q = std::numbers::sqrt2 / 2, top = std::min(10000.0, 0.4 * rate);
        if (rate < 24000) return;  // there is no s to be heard
        for (int c = 0; c < channels; ++c)
            m_channels.push_back(
                {Biquad::highPass(4300, 0.9, rate), Biquad::lowPass(1.1 * top, q, rate), Biquad::highPass(200, q, rate),
                 Biquad::lowPass(3000, 0.54, rate),
                 Biquad::lowPass(3000, 1.31, rate)});  // of fourth order: a sharp s must not count as body
    }

    void add(const AudioBuffer& block) override {
        for (int64_t i = 0; i < block.frames() && !m_channels.empty(); ++i) {
            for (size_t c = 0; c < m_channels.size(); ++c) {
                auto& ch = m_channels[c];
                const double x = block.channel(int(c))[size_t(i)], high = ch.highLow.next(ch.highHigh.next(x)),
                             body = ch.bodyLower.next(ch.bodyLow.next(ch.bodyHigh.next(x)));
                m_highSum += high * high;
                m_bodySum += body * body;
            }
            if (++m_count < m_hop) continue;
            const double n = double(m_count) * double(m_channels.size());
            m_high.push_back(float(powerDb(m_highSum / n + 1e-12)));
            m_body.push_back(float(powerDb(m_bodySum / n + 1e-12)));
            m_highSum = m_bodySum = 0, m_count = 0;
        }
    }

    void finish(std::vector<Finding>& findings) override {
        if (m_high.size() < 200) return;
        const auto quantile = [](std::vector<float> v, double share) {
            const auto at = v.begin() + long(double(v.size() - 1) * share);
            std::nth_element(v.begin(), at, v.end());
            return double(*at);
        };
        const double loud = quantile(m_body, 0.95);
        std::vector<float> vowels, spoken;
        std::vector<size_t> places;
        for (size_t i = 0; i < m_high.size(); ++i) {
            if (m_body[i] > loud - 20) vowels.push_back(m_body[i]);
            if (m_body[i] > loud - 40) spoken.push_back(m_high[i]);
            if (m_high[i] > m_body[i] && m_high[i] > kFaintest) places.push_back(i);
        }
        if (places.size() < kFewMoments || vowels.empty()) return;
        const double vowel = quantile(vowels, 0.8), over = quantile(spoken, 0.98) - vowel;
        if (over < kSharp) return;
        Finding f{Fault::Sibilance,
                  0,
                  double(m_high.size()) / 100,
                  -1,
                  over,
                  std::clamp(0.6 + (over - kSharp) / 12, 0.6, 0.95),
                  std::clamp(std::round(over), 2.0, 12.0),
                  0,
                  0,
                  {}};
        for (size_t n = 0; n < places.size(); ++n)  // where s begins that is sharp
            if (m_high[places[n]] > vowel && (f.places.empty() || double(places[n]) / 100 > f.places.back() + 0.15))
                f.places.push_back(double(places[n]) / 100);
        findings.push_back(std::move(f));
    }

private:
    struct Channel {
        Biquad highHigh, highLow, bodyHigh, bodyLow, bodyLower;
    };
    int m_hop, m_count = 0;
    double m_highSum = 0, m_bodySum = 0;
    std::vector<Channel> m_channels;
    std::vector<float> m_high, m_body;
};

}  // namespace

std::unique_ptr<Detector> makeSibilanceDetector(int channels, int rate) {
    return std::make_unique<SibilanceDetector>(channels, rate);
}

}  // namespace rivlen
