// A newer version of a recording is found in the older one, and settings follow it. Truth is known: the versions are
// cut here.
#include "core/spectral/Alignment.h"

#include <gtest/gtest.h>

#include "Support.h"
#include "core/session/Conform.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 16000;

/// Syllables of noise and tones at irregular times: no two seconds are alike.
AudioBuffer chatter(double seconds, unsigned seed) {
    AudioBuffer x = noise(1, int64_t(seconds * kRate), 0.002f, seed);
    std::mt19937 random(seed);
    std::uniform_real_distribution<double> u(0, 1);
    for (double t = 0; t < seconds - 0.4; t += 0.08 + 0.3 * u(random)) {
        const double hz = 120 * std::pow(20, u(random)), level = 0.05 + 0.3 * u(random),
                     length = 0.05 + 0.25 * u(random), breath = u(random);
        for (int64_t i = 0; i < int64_t(length * kRate); ++i) {
            const double shape = std::sin(std::numbers::pi * double(i) / (length * kRate));
            x.channel(0)[size_t(int64_t(t * kRate) + i)] +=
                float(level * shape *
                      ((1 - breath) * std::sin(2 * std::numbers::pi * hz * double(i) / kRate) +
                       0.5 * breath * (u(random) - 0.5)));
        }
    }
    return x;
}

AudioBuffer joined(const std::vector<AudioBuffer>& parts) {
    AudioBuffer x(1, 0);
    for (const auto& p : parts) x.append(p);
    return x;
}

AudioBuffer cut(const AudioBuffer& x, double from, double to) {
    return x.slice(int64_t(from * kRate), int64_t((to - from) * kRate));
}

std::vector<AlignedStretch> aligned(const AudioBuffer& older, const AudioBuffer& newer) {
    BufferSource a(older, kRate), b(newer, kRate);
    return align(a, b, {});
}

std::vector<AlignedStretch> found(const std::vector<AlignedStretch>& all) {
    std::vector<AlignedStretch> some;
    std::copy_if(all.begin(), all.end(), std::back_inserter(some), [](const AlignedStretch& s) { return s.found; });
    return some;
}

}  // namespace

TEST(Alignment, FindsAShiftAndATrimToTheSample) {
    const AudioBuffer older = chatter(60, 1);
    const auto later = aligned(older, joined({chatter(7, 2), older}));
    ASSERT_EQ(found(later).size(), 1u);
    EXPECT_EQ(std::llround(found(later)[0].shift * kRate), -7 * kRate);
    EXPECT_NEAR(found(later)[0].from, 7, 0.25);
    EXPECT_FALSE(later.front().found) << "what came in front is new";
    const auto trimmed = aligned(older, cut(older, 12.3457, 51));
    ASSERT_EQ(trimmed.size(), 1u);
    EXPECT_EQ(std::llround(trimmed[0].shift * kRate), std::llround(std::floor(12.3457 * kRate)));
}

TEST(Alignment, FindsARecutVersionWithAnotherSound) {
    const AudioBuffer older = chatter(80, 3);
    // 0 to 20 stays, 20 to 32 is taken out, then 32 to 70, with 8 s of something new at 50; 6 dB less, and noise.
    AudioBuffer newer = joined({cut(older, 0, 20), cut(older, 32, 50), chatter(8, 4), cut(older, 50, 70)});
    const AudioBuffer hiss = noise(1, newer.frames(), 0.004f, 5);
    for (int64_t i = 0; i < newer.frames(); ++i)
        newer.channel(0)[size_t(i)] = 0.5f * newer.channel(0)[size_t(i)] + hiss.channel(0)[size_t(i)];
    const auto all = aligned(older, newer);
    const auto parts = found(all);
    ASSERT_EQ(parts.size(), 3u);
    EXPECT_NEAR(parts[0].shift, 0, 1e-3);
    EXPECT_NEAR(parts[1].shift, 12, 1e-3);
    EXPECT_NEAR(parts[2].shift, 4, 1e-3);
    EXPECT_NEAR(parts[0].to, 20, 0.25);
    EXPECT_NEAR(parts[1].to, 38, 0.25);
    EXPECT_NEAR(parts[2].from, 46, 0.25);
    EXPECT_NEAR(all.front().from, 0, 1e-9);
    EXPECT_NEAR(all.back().to, 66, 1e-9);
    for (size_t i = 1; i < all.size(); ++i) EXPECT_DOUBLE_EQ(all[i].from, all[i - 1].to);
}

TEST(Alignment, AnotherRecordingIsNotFound) {
    EXPECT_TRUE(found(aligned(chatter(40, 6), chatter(40, 7))).empty());
    const auto none = aligned(AudioBuffer(1, kRate * 20), AudioBuffer(1, kRate * 20));
    EXPECT_TRUE(found(none).empty()) << "silence is like nothing";
}

TEST(Alignment, TimecodeSaysTheSame) {
    const auto all = alignedByTimecode(36000, 60, 36010, 80);  // begins 10 s later, ends 30 s after the older one
    ASSERT_EQ(all.size(), 2u);
    EXPECT_EQ(all[0], (AlignedStretch{0, 50, 10, true, 1}));
    EXPECT_FALSE(all[1].found);
    EXPECT_FALSE(alignedByTimecode(0, 60, 7200, 60)[0].found);
}

TEST(Conform, RegionsValuesAndLoopFollowTheirSound) {
    Reel reel;
    IsolationSettings deep;
    deep.depth = 12;
    placeRegion(reel.timeline(), {"kept", 2, 6, 0.1, deep});
    placeRegion(reel.timeline(), {"lost", 22, 24, 0.1, deep});
    placeRegion(reel.timeline(), {"halved", 30, 40, 0.1, deep});
    reel.timeline().drawn["firmness"] = {{0, 0}, {40, 80}};
    reel.loop = {34, 36};
    reel.dismissed = {"hum@0.0", "click@35.0", "click@23.0"};
    // 20 to 32 was taken out; 5 s of something else stand in front.
    const std::vector<AlignedStretch> stretches{{0, 5, 0, false, 0}, {5, 25, -5, true, 1}, {25, 53, 7, true, 1}};
    const Conformed out = conform(reel, stretches);
    EXPECT_EQ(out.regionsKept, 2);
    EXPECT_EQ(out.regionsLost, 1);
    const auto& regions = out.reel.timeline().regions;
    ASSERT_EQ(regions.size(), 2u);
    EXPECT_DOUBLE_EQ(regions[0].from, 7);
    EXPECT_DOUBLE_EQ(regions[0].to, 11);
    EXPECT_DOUBLE_EQ(regions[1].from, 25);
    EXPECT_DOUBLE_EQ(regions[1].to, 33);
    EXPECT_EQ(regions[1].settings.depth, 12);
    EXPECT_NEAR(drawnAt(out.reel.timeline().drawn.at("firmness"), 15), 20, 0.1) << "10 s before";
    EXPECT_NEAR(drawnAt(out.reel.timeline().drawn.at("firmness"), 33), 80, 0.1) << "40 s before";
    ASSERT_TRUE(out.reel.loop);
    EXPECT_DOUBLE_EQ(out.reel.loop->first, 27);
    EXPECT_EQ(out.reel.dismissed, (std::vector<std::string>{"hum@0.0", "click@28.0"}));
}
