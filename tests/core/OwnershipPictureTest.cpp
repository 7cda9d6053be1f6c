#include <gtest/gtest.h>

#include "Support.h"
#include "core/spectral/OwnershipPicture.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(OwnershipPicture, ShowsWhoOwnsATone) {
    const int rate = 48000;
    BufferSource low(sine(300, 0.5, rate, rate), rate), high(sine(3000, 0.5, rate, rate), rate),
        none(AudioBuffer(1, rate), rate);
    AudioBuffer both = sine(300, 0.5, rate, rate);
    const AudioBuffer upper = high.read(0, rate);
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += upper.samples()[i];
    BufferSource source(both, rate);
    const int rows = 200;
    const auto picture = paintOwnership(source, {&low, &high, &none}, 0, rate, 10, rows, Progress());
    const auto rowOf = [&](double hz) {
        for (int r = 0; r < rows; ++r)
            if (pictureFrequency((r + 1.0) / rows, rate) <= hz) return r;
        return rows - 1;
    };
    EXPECT_GT(picture.shareAt(0, 5, rowOf(300)), 0.98f);
    EXPECT_GT(picture.shareAt(1, 5, rowOf(3000)), 0.98f);
    EXPECT_NEAR(picture.levelAt(5, rowOf(3000)), 20 * std::log10(0.5), 1.5) << "scalloping of a Hann window at most";
    for (int s = 0; s < 3; ++s) EXPECT_GE(picture.shareAt(s, 3, 100), 0.0f);
}
