// De-plosive and de-wind: what lies below a frequency is split off without a shift in time (Derumble.cpp) and turned
// down while it is louder than the voice allows, by no more than the amount; 40 ms before and after, so that nothing is
// cut. At other times nothing changes at all. De-plosive looks at moments of 10 ms, de-wind at the median of 0.3 s, so
// that it leaves the voice's own lowest notes alone.
#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/diagnosis/GustLevels.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

namespace {

constexpr size_t kAhead = 20, kSpread = 4;  // steps of 10 ms

class Degust : public Treater {
public:
    struct Kind {
        double hz;      ///< below which is turned down
        double most;    ///< dB above the voice from which it is too loud
        double goal;    ///< dB above the voice to which it is turned down
        size_t median;  ///< steps over which the level is looked at
    };
    Degust(Kind kind, double amount, const TreatmentFacts& facts)
        : m_kind(kind),
          m_amount(amount),
          m_voice(facts.voice > 0 ? toDb(facts.voice) : -26.0),
          m_hop(std::max(1, int(std::lround(GustLevels::kStep * facts.sampleRate)))),
          m_levels(facts.channels, facts.sampleRate),
          m_high(makeDerumble(kind.hz, facts)),
          m_in(facts.channels),
          m_above(facts.channels) {}

    AudioBuffer process(const AudioBuffer& block) override {
        m_levels.add(block);
        m_in.append(block);
        m_above.append(m_high->process(block));
        return work(false);
    }
    AudioBuffer finish() override {
        m_above.append(m_high->finish());
        return work(true);
    }

private:
    /// How far the low band is to be turned down in a step, dB.
    double reduction(int64_t step) const {
        const auto& low = m_levels.low();
        if (low.empty()) return 0;
        double level;
        if (m_kind.median == 1) {
            level = low[size_t(std::clamp<int64_t>(step, 0, int64_t(low.size()) - 1))];
        } else {
            const int64_t half = int64_t(m_kind.median) / 2,
                          from = std::clamp<int64_t>(step - half, 0, int64_t(low.size()) - 1),
                          to = std::clamp<int64_t>(step + half + 1, from + 1, int64_t(low.size()));
            std::vector<float> near(low.begin() + from, low.begin() + to);
            std::nth_element(near.begin(), near.begin() + long(near.size() / 2), near.end());
            level = near[near.size() / 2];
        }
        const double over = level - m_voice;
        return over < m_kind.most ? 0 : std::min(m_amount, over - m_kind.goal);
    }

    double around(int64_t step) const {
        double most = 0;
        for (int64_t s = step - int64_t(kSpread); s <= step + int64_t(kSpread); ++s)
            most = std::max(most, reduction(s));
        return most;
    }

    AudioBuffer work(bool last) {
        const int64_t known =
            std::max<int64_t>(0, int64_t(m_levels.low().size()) - int64_t(kAhead + m_kind.median / 2)) * m_hop;
        const int64_t count =
            std::min({m_above.frames(), m_in.frames(), last ? INT64_MAX : std::max<int64_t>(0, known - m_done)});
        AudioBuffer x = m_in.take(count), above = m_above.take(count);
        for (int64_t i = 0; i < count; ++i, ++m_done) {
            const int64_t step = m_done / m_hop;
            if (step != m_step) {
                m_step = step;
                m_now = m_next;
                m_next = around(step + 1);
            }
            if (m_now == 0 && m_next == 0) continue;
            const double part = double(m_done % m_hop) / m_hop, gain = fromDb(-(m_now + (m_next - m_now) * part));
            for (int c = 0; c < x.channels(); ++c) {
                float& v = x.channel(c)[size_t(i)];
                const float high = above.channel(c)[size_t(i)];
                v = float(high + gain * (v - high));
            }
        }
        return x;
    }

    Kind m_kind;
    double m_amount, m_voice;
    int m_hop;
    GustLevels m_levels;
    std::unique_ptr<Treater> m_high;
    AudioQueue m_in, m_above;
    int64_t m_done = 0, m_step = -1;
    double m_now = 0, m_next = 0;
};

}  // namespace

std::unique_ptr<Treater> makeDeplosive(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Degust>(Degust::Kind{120, 0, -12, 1}, amount, facts);
}
std::unique_ptr<Treater> makeDewind(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Degust>(Degust::Kind{160, -16, -22, 31}, amount, facts);
}

}  // namespace rivlen
