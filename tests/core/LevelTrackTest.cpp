#include <gtest/gtest.h>

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
