#include <gtest/gtest.h>

#include "Support.h"
#include "core/spectral/Autoregression.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(Autoregression, FindsTheCoefficientsOfAKnownProcessAndFillsAGap) {
    // x[n] = 1.6 x[n-1] - 0.8 x[n-2] + noise
    std::vector<float> x(20000);
    std::mt19937 random(1);
    std::normal_distribution<float> normal(0, 0.1f);
    for (size_t n = 2; n < x.size(); ++n) x[n] = 1.6f * x[n - 1] - 0.8f * x[n - 2] + normal(random);
    const auto a = autoregression(x, 2);
    EXPECT_NEAR(a[0], 1.6, 0.02);
    EXPECT_NEAR(a[1], -0.8, 0.02);
    // A sum of sines is foretold exactly: a gap in it is filled.
    std::vector<float> tone(2000);
    for (size_t n = 0; n < tone.size(); ++n)
        tone[n] = float(0.4 * std::sin(0.05 * double(n)) + 0.3 * std::sin(0.21 * double(n)));
    std::vector<float> broken = tone;
    std::vector<int> unknown;
    for (int i = 1000; i < 1020; ++i) broken[size_t(i)] = 5, unknown.push_back(i);
    interpolate(broken, unknown, autoregression(tone, 24));
    for (int i : unknown) EXPECT_NEAR(broken[size_t(i)], tone[size_t(i)], 0.02);
}
