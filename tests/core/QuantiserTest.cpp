#include <gtest/gtest.h>

#include "Support.h"
#include "core/media/Quantiser.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(Quantiser, DitherIsNoiseOfConstantPowerAndShapingMovesItUp) {
    // A sine below the last bit: rounded it vanishes, dithered it is there in the mean.
    constexpr int64_t frames = 48000 * 4;
    const AudioBuffer x = sine(1000, 0.4 / 32768, 48000, frames);
    const auto stored = [&](Dither dither) {
        std::vector<int32_t> out;
        Quantiser(16, 1, dither).add(x, out);
        return out;
    };
    const auto likeness = [&](const std::vector<int32_t>& y, double hz) {
        double re = 0, im = 0;
        for (size_t i = 0; i < y.size(); ++i) {
            const double phase = 2 * std::numbers::pi * hz * double(i) / 48000;
            re += (y[i] >> 16) * std::sin(phase), im += (y[i] >> 16) * std::cos(phase);
        }
        return 2 * std::hypot(re, im) / double(y.size());  // steps
    };
    EXPECT_EQ(likeness(stored(Dither::None), 1000), 0);
    EXPECT_NEAR(likeness(stored(Dither::Triangular), 1000), 0.4, 0.03);
    EXPECT_NEAR(likeness(stored(Dither::Shaped), 1000), 0.4, 0.03);
    // Power of the error in the band where hearing is keenest.
    const auto noise = [&](Dither dither) {
        const auto y = stored(dither);
        double power = 0;
        for (double hz = 2500; hz < 4500; hz += 20) power += std::pow(likeness(y, hz), 2);
        return 10 * std::log10(power);
    };
    EXPECT_LT(noise(Dither::Shaped), noise(Dither::Triangular) - 8);
    // Silence stays silence, full scale is clipped.
    std::vector<int32_t> out;
    AudioBuffer ends(1, 3);
    ends.channel(0)[1] = 2, ends.channel(0)[2] = -2;
    Quantiser(24, 1, Dither::Triangular).add(ends, out);
    EXPECT_EQ(out, (std::vector<int32_t>{0, 0x7fffff00, int32_t(0x80000000)}));
}
