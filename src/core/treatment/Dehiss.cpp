// De-hiss: a Wiener gain in each cell of a transform of some 43 ms, from the decision-directed estimate of how much
// stands over the noise (Ephraim and Malah 1984, alpha 0.98), never below the amount. The noise is learned from the
// quietest moments of the recording (NoiseProfile.h).
#include <algorithm>
#include <cmath>

#include "core/treatment/CellTreatment.h"
#include "core/treatment/NoiseProfile.h"

namespace rivlen {

namespace {

constexpr float kAlpha = 0.98f;

class Dehiss : public CellTreatment {
public:
    Dehiss(double amount, const TreatmentFacts& facts)
        : CellTreatment(facts.channels, noiseFrame(facts.sampleRate)),
          m_least(float(std::pow(10, -amount / 20))),
          m_noise(facts.noise),
          m_before(size_t(facts.channels), std::vector<float>(bins(), 0.0f)) {}

    AudioBuffer process(const AudioBuffer& block) override {
        return m_noise.empty() ? block : CellTreatment::process(block);
    }  // nothing was learned, nothing is done
    AudioBuffer finish() override { return m_noise.empty() ? AudioBuffer(channels(), 0) : CellTreatment::finish(); }

protected:
    void change(int channel, std::span<std::complex<float>> cells) override {
        auto& before = m_before[size_t(channel)];
        for (size_t k = 0; k < cells.size(); ++k) {
            const float noise = m_noise[k] + 1e-20f, post = std::norm(cells[k]) / noise;
            const float prior = kAlpha * before[k] + (1 - kAlpha) * std::max(post - 1, 0.0f),
                        gain = std::max(prior / (1 + prior), m_least);
            cells[k] *= gain;
            before[k] = gain * gain * post;
        }
    }

private:
    float m_least;
    std::vector<float> m_noise;
    std::vector<std::vector<float>> m_before;
};

}  // namespace

std::unique_ptr<Treater> makeDehiss(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Dehiss>(amount, facts);
}

}  // namespace rivlen
