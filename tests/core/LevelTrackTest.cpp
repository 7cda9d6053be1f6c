#include <gtest/gtest.h>

#include <random>

#include "Support.h"
#include "core/separation/StemStore.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(LevelTrack, GivesMeanSquaresOfSpans) {
    LevelTrack track(1);
    AudioBuffer x(1, 4096);
    for (int64_t i = 0; i < 4096; ++i) x.channel(0)[size_t(i)] = i < 2048 ? 0.5f : 0.0f;
    for (int64_t at = 0; at < 4096; at += 100) {
        const AudioBuffer part = x.slice(at, std::min<int64_t>(100, 4096 - at));
        track.add(std::span(&part, 1));
    }
    track.finish();
    EXPECT_EQ(track.blocks(), 4);
    EXPECT_FLOAT_EQ(track.meanSquare(0, 0, 2048), 0.25f);
    EXPECT_FLOAT_EQ(track.meanSquare(0, 0, 4096), 0.125f);
    EXPECT_FLOAT_EQ(track.loudest(0, 0, 4096), 0.25f);
    EXPECT_FLOAT_EQ(track.meanSquare(0, 9000, 9100), 0.0f);
}

TEST(LevelTrack, LooksOverHoursAsOverMinutes) {
    std::vector<float> levels(5000);
    std::mt19937 random(3);
    for (float& v : levels) v = std::uniform_real_distribution<float>(0, 1)(random);
    LevelTrack track(2);
    track.setRow(1, levels);
    EXPECT_EQ(track.row(1), levels);
    constexpr int64_t kBlock = LevelTrack::kBlock;
    for (const auto& [first, last] :
         {std::pair(0, 5000), {1, 4999}, {127, 129}, {128, 256}, {100, 3000}, {4990, 6000}}) {
        double sum = 0;
        float most = 0;
        const int end = std::min(last, 5000);
        for (int i = first; i < end; ++i) sum += double(levels[size_t(i)]), most = std::max(most, levels[size_t(i)]);
        EXPECT_NEAR(track.meanSquare(1, first * kBlock, last * kBlock), sum / (end - first), 1e-6) << first;
        EXPECT_EQ(track.loudest(1, first * kBlock, last * kBlock), most) << first;
    }
    EXPECT_LE(track.loudest(0, 0, 5000 * kBlock), 0.0f) << "the other row knows nothing";
}
