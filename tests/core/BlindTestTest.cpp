#include <gtest/gtest.h>

#include <set>

#include "core/isolation/BlindTest.h"

using namespace rivlen;

TEST(BlindTest, TheBinomialTailIsThatOfTheTables) {
    // By hand: P(K >= 9 | 10, 1/2) = 11 / 1024, P(K >= 8 | 10, 1/2) = 56 / 1024, P(K >= 3 | 4, 1/4) = (4 * 3 + 1) /
    // 256.
    EXPECT_NEAR(binomialTail(10, 9, 0.5), 11.0 / 1024, 1e-12);
    EXPECT_NEAR(binomialTail(10, 8, 0.5), 56.0 / 1024, 1e-12);
    EXPECT_NEAR(binomialTail(4, 3, 0.25), 13.0 / 256, 1e-12);
    EXPECT_NEAR(binomialTail(7, 0, 0.3), 1, 1e-12);
}

TEST(BlindTest, CountsWhatHidesBehindTheLabel) {
    BlindTest t({0, 2}, 5);
    EXPECT_EQ(t.labels(), 2);
    for (int round = 0; round < 9; ++round) t.prefer(t.candidate(0) == 2 ? 0 : 1);
    t.prefer(t.candidate(0) == 2 ? 1 : 0);
    EXPECT_EQ(t.rounds(), 10);
    EXPECT_EQ(t.timesPreferred(2), 9);
    EXPECT_EQ(t.favourite(), 2);
    EXPECT_NEAR(t.byChance(), 2 * 11.0 / 1024, 1e-12);
}

TEST(BlindTest, ShufflesFromRoundToRoundAndWithTheSeed) {
    BlindTest t({0, 1, 3}, 1);
    std::set<std::vector<int>> orders;
    for (int round = 0; round < 60; ++round) {
        orders.insert({t.candidate(0), t.candidate(1), t.candidate(2)});
        t.prefer(0);
    }
    EXPECT_EQ(orders.size(), 6u);
    EXPECT_EQ(BlindTest({0, 1}, 1).byChance(), 1);
}
