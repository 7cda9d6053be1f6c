// Spill and Damage on cells whose answer follows by hand from the definitions in Weighing.h and DamageParts.h.
#include <gtest/gtest.h>

#include "HandmadeCells.h"
#include "core/audio/Decibel.h"
#include "core/isolation/SpillModel.h"
#include "core/isolation/WorstPlaces.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(Weighing, WithoutIsolationNothingIsDamaged) {
    const Weighing w = weighed(cells(syllables), depth(0));
    EXPECT_NEAR(w.damage.total, 0, 0.1);
    for (int i = 0; i < Damage::kParts; ++i) EXPECT_NEAR(w.damage.part(i), 0, 0.1) << Damage::partName(i);
}

TEST(Weighing, AGainThatStandsStillIsNoArtifact) {
    // p = 0.8 everywhere: v = 0.8^1.5 / (0.8^1.5 + 0.2^1.5) = 8 / 9, so the bed is an eighth of the voice whatever the
    // gain.
    const SpanCells c = cells([](int, double) { return 0.8; });
    const Weighing w = weighed(c);
    EXPECT_NEAR(w.spillDb - spillCorrection(c), 10 * std::log10(1.0 / 8), 0.01);
    EXPECT_NEAR(w.damage.total, 0, 0.1);
    EXPECT_NEAR(w.damage.warble, 0, 0.1);
}

TEST(Weighing, SpillFollowsByHandForATwoPartSpan) {
    // Half the frames p = 0.9 (v = 27 / 28), half p = 0.1 (v = 1 / 28), gains equal to p: the mean gains of a band over
    // the span are gV = (0.9 * 27 + 0.1) / 28 and gB = (0.9 + 0.1 * 27) / 28, and V = B, so I / T = (gB / gV)^2.
    const SpanCells c = cells([](int t, double) { return t % 20 < 10 ? 0.9 : 0.1; });
    const double gV = (0.9 * 27 + 0.1) / 28, gB = (0.9 + 0.1 * 27) / 28;
    const Weighing w = weighed(c);
    EXPECT_NEAR(w.spillDb - spillCorrection(c), 20 * std::log10(gB / gV), 0.02);
    const double all = (0.81 + 0.01) / 2, moved = all - (gV * gV + gB * gB) / 2;
    const double sar = 10 * std::log10((gV * gV + gB * gB) / 2 / moved) - 2.4;
    EXPECT_NEAR(w.damage.total, 100 / (1 + std::pow(10, (sar - 6) / 10)), 0.1);
}

TEST(Weighing, MoreDepthMeansLessSpillAndMoreDamage) {
    const SpanCells c = cells(syllables);
    Weigher weigher(c);
    Weighing last = weigher.weigh(depth(0));
    for (double d : {3.0, 6.0, 12.0, 24.0, kFullDepth}) {
        const Weighing w = weigher.weigh(depth(d));
        EXPECT_LT(w.spillDb, last.spillDb) << d;
        EXPECT_GT(w.damage.total, last.damage.total) << d;
        last = w;
    }
}

TEST(Weighing, EveryPartAnswersToItsOwnFault) {
    // Flutter from frame to frame, at full strength.
    EXPECT_GT(weighed(cells([](int t, double) { return t % 2 ? 0.9 : 0.3; })).damage.warble, 80);
    // Treble that the network gives away: 20 log10(0.9 / 0.3) = 9.5 dB against the middle, 12 dB being 100.
    EXPECT_NEAR(weighed(cells([](int, double hz) { return hz > 3500 ? 0.3 : 0.9; })).damage.dulling,
                100 * 20 * std::log10(3) / 12, 1);
    EXPECT_NEAR(weighed(cells([](int, double hz) { return hz > 3500 ? 0.9 : 0.3; })).damage.dulling, 0, 0.01);
    // A bed that comes up with every word and is gone between them.
    const Weighing swelling = weighed(cells([](int t, double) { return (t + 240) % 60 < 30 ? 0.8 : 0.05; }));
    EXPECT_GT(swelling.damage.pumping, 40);
    EXPECT_LT(weighed(cells([](int t, double) { return (t + 240) % 60 < 30 ? 0.8 : 0.05; }), depth(3)).damage.pumping,
              20);
    // Gaps of two frames in a voice.
    EXPECT_GT(weighed(cells([](int t, double) { return (t + 240) % 20 < 2 ? 0.02 : 0.95; })).damage.holes, 15);
    EXPECT_NEAR(weighed(cells([](int t, double) { return t < 100 ? 0.95 : 0.02; })).damage.holes, 0, 0.01);
}

TEST(Weighing, LostConsonantsAreOnsetLossAndTheGuardBringsThemBack) {
    // A voice below 1.5 kHz; every 24 frames a burst above 3 kHz, 20 dB up, that the network mostly takes for noise.
    const auto burst = [](int t, double hz) { return hz > 3000 && (t + 240) % 24 < 3; };
    const SpanCells c = cells([&](int t, double hz) { return hz < 1500      ? 0.95
                                                             : burst(t, hz) ? 0.2
                                                                            : 0.3; },
                              [&](int t, double hz) { return hz < 1500      ? 1.0
                                                             : burst(t, hz) ? 1.0
                                                                            : 0.01; });
    const double lost = weighed(c).damage.onsetLoss;
    EXPECT_NEAR(lost, 96, 1);  // 1 - 0.2^2
    EXPECT_NEAR(weighed(c, depth(6)).damage.onsetLoss, 100 * (1 - std::pow(fromDb(-6) + (1 - fromDb(-6)) * 0.2, 2)), 1);
    IsolationSettings guarded;
    guarded.onsetGuard = 100;
    EXPECT_LT(weighed(c, guarded).damage.onsetLoss, 5);
}

TEST(Weighing, MomentsTellWhenItHappens) {
    // Flutter in the second half only.
    const Weighing w = weighed(cells([](int t, double) { return t < 100 ? 0.9 : t % 2 ? 0.9 : 0.3; }));
    ASSERT_GT(w.moments.size(), 18u);
    EXPECT_LT(w.moments[4].damage.warble, 1);
    EXPECT_GT(w.moments[16].damage.warble, 80);
    EXPECT_GT(w.moments[16].damage.total, w.moments[4].damage.total);
}

TEST(Weighing, SilenceHasNeitherSpillNorDamage) {
    const Weighing w = weighed(cells([](int, double) { return 0.5; }, [](int, double) { return 0.0; }));
    EXPECT_TRUE(std::isfinite(w.spillDb));
    EXPECT_TRUE(std::isfinite(w.damage.total));
    EXPECT_TRUE(worstPlaces(w).empty());
}
