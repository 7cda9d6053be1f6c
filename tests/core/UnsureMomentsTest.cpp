// Where a split should be listened to, from levels whose shares are known.
#include <gtest/gtest.h>

#include "Support.h"
#include "core/separation/UnsureMoments.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

/// A tone that belongs to one stem but between the given seconds, where all have a third of it.
struct Split {
    LevelTrack source{1}, stems{3};
    int64_t frames;

    Split(double seconds, const std::vector<std::pair<double, double>>& shared, double soft = -1) {
        AudioBuffer x = sine(440, 0.5, kRate, int64_t(seconds * kRate), 1);
        frames = x.frames();
        if (soft >= 0)
            for (int64_t i = int64_t(soft * kRate); i < frames; ++i) x.channel(0)[size_t(i)] *= 0.01f;
        std::vector<AudioBuffer> parts(3, AudioBuffer(1, frames));
        for (int64_t i = 0; i < frames; ++i) {
            const double at = double(i) / kRate;
            const bool all = std::any_of(shared.begin(), shared.end(),
                                         [at](const auto& s) { return at >= s.first && at < s.second; });
            for (int s = 0; s < 3; ++s)
                parts[size_t(s)].channel(0)[size_t(i)] = all      ? x.channel(0)[size_t(i)] / 3
                                                         : s == 0 ? x.channel(0)[size_t(i)]
                                                                  : 0;
        }
        source.add(std::span(&x, 1));
        source.finish();
        stems.add(parts);
        stems.finish();
    }
    std::vector<UnsureMoment> moments(size_t most = 12) const {
        return unsureMoments(stems, source, kRate, frames, most);
    }
};

}  // namespace

TEST(UnsureMoments, AreFoundJoinedAndInOrderOfTime) {
    const auto found = Split(12, {{2, 3.5}, {8, 8.5}}).moments();
    ASSERT_EQ(found.size(), 2u);
    EXPECT_NEAR(found[0].from, 2, 0.51);
    EXPECT_NEAR(found[0].to, 3.5, 0.51);
    EXPECT_NEAR(found[1].from, 8, 0.51);
    EXPECT_LT(found[0].confidence, 0.1) << "shared equally";
    EXPECT_TRUE(Split(5, {}).moments().empty()) << "all is decided";
}

TEST(UnsureMoments, LongOnesComeInPiecesAndTheWorstAreKept) {
    const auto found = Split(30, {{0, 20}}).moments();
    ASSERT_GE(found.size(), 3u);
    for (const auto& m : found) EXPECT_LE(m.to - m.from, 6.01);
    EXPECT_NEAR(found.back().to, 20, 0.51);
    const auto few = Split(30, {{1, 2}, {5, 9}, {15, 16}, {20, 23}}).moments(2);
    ASSERT_EQ(few.size(), 2u);
    EXPECT_NEAR(few[0].from, 5, 0.51);
    EXPECT_NEAR(few[1].from, 20, 0.51);
}

TEST(UnsureMoments, WhatIsHardlyHeardDoesNotCount) {
    EXPECT_TRUE(Split(10, {{6, 9}}, 5).moments().empty()) << "40 dB below the rest";
    EXPECT_FALSE(Split(10, {{6, 9}}).moments().empty());
}
