#include "core/isolation/Weighable.h"

#include <gtest/gtest.h>

#include "Support.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {
std::string hindrance(AudioBuffer x, int64_t first, int64_t count) {
    BufferSource source(std::move(x), 48000);
    return hindranceToWeighing(source, first, count);
}
}  // namespace

TEST(Weighable, SoundIsWeighedAndSilenceIsNot) {
    const AudioBuffer tone = sine(300, 0.1, 48000, 96000, 2);
    EXPECT_EQ(hindrance(tone, 0, 96000), "");
    EXPECT_NE(hindrance(tone, 0, 12000).find("half a second"), std::string::npos);
    EXPECT_NE(hindrance(AudioBuffer(2, 96000), 0, 96000).find("silent"), std::string::npos);
    AudioBuffer still(1, 96000);
    for (float& v : still.samples()) v = 0.5f;
    EXPECT_NE(hindrance(still, 0, 96000).find("silent"), std::string::npos)
        << "an offset that stands still is no sound";
    EXPECT_NE(hindrance(sine(300, 1e-4, 48000, 96000, 2), 0, 96000).find("silent"), std::string::npos);
    EXPECT_EQ(hindrance(sine(300, 1e-3, 48000, 96000, 2), 0, 96000), "") << "a whisper can be weighed";
}

TEST(Weighable, OneChannelWithSoundIsEnough) {
    AudioBuffer x(2, 96000);
    const AudioBuffer tone = sine(300, 0.1, 48000, 96000);
    std::copy(tone.channel(0).begin(), tone.channel(0).end(), x.channel(1).begin());
    EXPECT_EQ(hindrance(x, 0, 96000), "");
}
