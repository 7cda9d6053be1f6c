#include <gtest/gtest.h>

#include "core/audio/SpeakerLayout.h"

using namespace rivlen;

// AmbiX (ACN, SN3D): W = 1, Y = sin(az) cos(el), Z = sin(el), X = cos(az) cos(el). ITU-R BS.775: loudspeakers at 30 and
// 110 degrees, down-mix with 0.7071.
TEST(SpeakerLayout, GainsAreThoseOfTheStandards) {
    AudioBuffer five(6, 1);
    const auto only = [&](int channel) {
        std::fill(five.samples().begin(), five.samples().end(), 0.0f);
        five.channel(channel)[0] = 1;
    };
    only(0);
    AudioBuffer b = toLayout(five, ChannelLayout::AmbiX);
    ASSERT_EQ(b.channels(), 4);
    EXPECT_NEAR(b.channel(0)[0], 1, 1e-6);
    EXPECT_NEAR(b.channel(1)[0], 0.5, 1e-6);
    EXPECT_NEAR(b.channel(2)[0], 0, 1e-6);
    EXPECT_NEAR(b.channel(3)[0], 0.8660, 1e-4);
    only(5);
    b = toLayout(five, ChannelLayout::AmbiX);
    EXPECT_NEAR(b.channel(1)[0], -0.9397, 1e-4);
    EXPECT_NEAR(b.channel(3)[0], -0.3420, 1e-4);
    only(3);
    EXPECT_EQ(toLayout(five, ChannelLayout::AmbiX).channel(0)[0], 0) << "the LFE has no direction";
    only(2);
    EXPECT_NEAR(toLayout(five, ChannelLayout::Stereo).channel(1)[0], 0.7071, 1e-4);
    only(4);
    EXPECT_NEAR(toLayout(five, ChannelLayout::Stereo).channel(0)[0], 0.7071, 1e-4);
    EXPECT_EQ(toLayout(five, ChannelLayout::Stereo).channel(1)[0], 0);
    const AudioBuffer seven = toLayout(five, ChannelLayout::Surround71);
    EXPECT_NEAR(std::pow(seven.channel(4)[0], 2) + std::pow(seven.channel(6)[0], 2), 1, 1e-6) << "the power stays";
    EXPECT_NEAR(toLayout(seven, ChannelLayout::Surround51).channel(4)[0], 1, 1e-6);
}
