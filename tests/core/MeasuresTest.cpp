// Measures of separation on cases whose value can be derived by hand.
#include "core/measures/SeparationMeasures.h"

#include <gtest/gtest.h>

#include "Support.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int64_t kLength = 48000 * 4;

AudioBuffer mixed(const AudioBuffer& a, float ga, const AudioBuffer& b, float gb) {
    AudioBuffer out = a;
    for (size_t i = 0; i < out.samples().size(); ++i) out.samples()[i] = ga * a.samples()[i] + gb * b.samples()[i];
    return out;
}

/// Bursts of noise, as syllables are: something that ESTOI can follow.
AudioBuffer syllables(unsigned seed) {
    AudioBuffer x = noise(1, kLength, 0.1f, seed);
    for (int64_t i = 0; i < kLength; ++i) {
        const double t = double(i) / 48000;
        x.samples()[size_t(i)] *=
            float(std::pow(0.5 + 0.5 * std::sin(2 * std::numbers::pi * 4 * t + std::sin(t * (1 + seed % 3))), 2));
    }
    return x;
}

}  // namespace

TEST(SiSdr, IgnoresLevelAndOffsetAndMeasuresTheRest) {
    // Two sines of whole periods are orthogonal: the ratio of their powers is the answer.
    const AudioBuffer target = sine(500, 0.5, 48000, 48000, 2), other = sine(1250, 0.05, 48000, 48000, 2);
    EXPECT_NEAR(siSdr(mixed(target, 1, other, 1), target), 20.0, 1e-3);
    EXPECT_NEAR(siSdr(mixed(target, -0.3f, other, 0.3f), target), 20.0, 1e-3);
    AudioBuffer lifted = mixed(target, 1, other, 1);
    for (float& v : lifted.samples()) v += 0.2f;
    EXPECT_NEAR(siSdr(lifted, target), 20.0, 1e-3);
    EXPECT_GT(siSdr(target, target), 100);
    EXPECT_LT(siSdr(other, target), -60);
}

TEST(BssEval, SeparatesInterferenceFromArtifacts) {
    const AudioBuffer a = noise(1, kLength, 0.1f, 1), b = noise(1, kLength, 0.1f, 2),
                      stranger = noise(1, kLength, 0.1f, 3);
    // 10 % of the other source in amplitude: 20 dB of interference, hardly any artifact, and the reverse.
    const auto spill = bssEval({mixed(a, 1, b, 0.1f), mixed(b, 1, stranger, 0.1f)}, {a, b});
    EXPECT_NEAR(spill[0].sir, 20.0, 0.3);
    EXPECT_GT(spill[0].sar, 60);
    EXPECT_NEAR(spill[0].sdr, 20.0, 0.3);
    EXPECT_NEAR(spill[1].sar, 20.0, 0.3);
    // The 512 taps can imitate 512 of the stranger's 192000 samples: about -26 dB of it, 46 dB below the source.
    EXPECT_GT(spill[1].sir, 40);
    EXPECT_NEAR(spill[1].sdr, 20.0, 0.3);
}

TEST(BssEval, ForgivesWhatAShortFilterCanDo) {
    const AudioBuffer a = noise(1, kLength, 0.1f, 1), b = noise(1, kLength, 0.1f, 2);
    AudioBuffer late(1, kLength);
    for (int64_t i = 100; i < kLength; ++i) late.samples()[size_t(i)] = 0.5f * a.samples()[size_t(i - 100)];
    const auto figures = bssEval({late, b}, {a, b});
    // All but the 100 samples that the delay pushes out at the end.
    EXPECT_NEAR(figures[0].sdr, 10 * std::log10(double(kLength) / 100), 0.3);
    EXPECT_TRUE(std::isnan(bssEval({a, b}, {a, AudioBuffer(1, kLength)})[1].sdr));
}

TEST(Estoi, FallsFromOneWithTheNoise) {
    const AudioBuffer speech = syllables(4), masker = noise(1, kLength, 0.1f, 9);
    EXPECT_NEAR(*estoi(speech, speech, 48000), 1.0, 1e-3);
    double before = 1;
    for (float gain : {0.1f, 0.4f, 1.5f, 6.0f}) {
        const double now = *estoi(mixed(speech, 1, masker, gain), speech, 48000);
        EXPECT_LT(now, before);
        before = now;
    }
    EXPECT_LT(before, 0.15);
    EXPECT_FALSE(estoi(speech.slice(0, 9000), speech.slice(0, 9000), 48000).has_value());
}
