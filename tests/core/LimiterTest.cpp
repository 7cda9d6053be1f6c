#include <gtest/gtest.h>

#include <random>

#include "Support.h"
#include "core/loudness/Loudness.h"
#include "core/rebuild/Limiter.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

}  // namespace

// The ceiling of common practice, -0.5 dBFS as true peak, fourfold oversampled (ITU-R BS.1770-4, annex 2; libebur128
// measures it independently).
TEST(Limiter, TenThousandBurstsNeverPassTheCeiling) {
    ChainSettings c;
    c.limiter = true;
    std::mt19937 random(5);
    std::uniform_real_distribution<double> uniform(0, 1);
    std::normal_distribution<float> normal;
    Limiter limiter(2, kRate);
    limiter.set(c);
    limiter.setOn(true);
    double worst = -200;
    int bursts = 0;
    for (int round = 0; round < 100; ++round) {
        LoudnessMeter meter(2, kRate);
        AudioBuffer x(2, 100 * 900);
        for (int b = 0; b < 100; ++b, ++bursts) {
            const int64_t at = b * 900 + int64_t(uniform(random) * 300), length = 4 + int64_t(uniform(random) * 500);
            const double level = fromDb(-12 + 36 * uniform(random)), kind = uniform(random),
                         hz = 50 * std::pow(450, uniform(random)), phase = 6.28 * uniform(random);
            for (int64_t i = 0; i < length; ++i)
                for (int ch = 0; ch < 2; ++ch) {
                    const double v = kind < 0.4   ? normal(random) * 0.3
                                     : kind < 0.8 ? std::sin(phase + 2 * std::numbers::pi * hz * double(i) / kRate + ch)
                                                  : (i % 2 ? -1 : 1) * (uniform(random) < 0.5);
                    x.channel(ch)[size_t(at + i)] = float(level * v);
                }
        }
        limiter.process(x);
        meter.add(x);
        worst = std::max(worst, meter.truePeak());
    }
    EXPECT_EQ(bursts, 10000);
    EXPECT_LE(worst, -0.5);
    EXPECT_GT(worst, -1.0) << "it should not give away loudness";
}

TEST(Limiter, TheLimiterIsAPureDelayBelowTheCeiling) {
    Limiter limiter(1, kRate);
    ChainSettings c;
    limiter.set(c);
    limiter.setOn(true);
    const AudioBuffer x = noise(1, 20000, 0.1f);
    AudioBuffer y = x;
    limiter.process(y);
    const int64_t late = limiter.latency();
    for (int64_t i = 0; i + late < x.frames(); ++i) ASSERT_EQ(x.channel(0)[size_t(i)], y.channel(0)[size_t(i + late)]);
}
