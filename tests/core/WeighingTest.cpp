// Spill and Damage on cells whose answer follows by hand from the definitions in Weighing.h and DamageParts.h.
#include <gtest/gtest.h>

#include <functional>

#include "core/audio/Decibel.h"
#include "core/isolation/SpillModel.h"
#include "core/isolation/TradeOff.h"
#include "core/isolation/WorstPlaces.h"

using namespace rivlen;

namespace {

constexpr int kFrames = 200, kBins = 1025;  // 2.1 s at 48 kHz

/// Cells with the given share and power of frame and frequency.
SpanCells cells(
    const std::function<double(int, double)>& share,
    const std::function<double(int, double)>& power = [](int, double) { return 1.0; }) {
    SpanCells c;
    c.frames = kFrames, c.hop = 512, c.rate = 48000, c.binHz = 48000.0 / 2048;
    SpanCells::Group group;
    for (int t = -kCellReach; t < kFrames + kCellReach; ++t) {
        std::vector<float> p, P;
        for (int k = 0; k < kBins; ++k)
            p.push_back(float(share(t, k * c.binHz))), P.push_back(float(power(t, k * c.binHz)));
        group.share.push_back(p);
        group.power.push_back(P);
    }
    c.groups.push_back(group);
    return c;
}

Weighing weighed(const SpanCells& c, const IsolationSettings& s = {}) { return Weigher(c).weigh(s); }

IsolationSettings depth(double db) {
    IsolationSettings s;
    s.depth = db;
    return s;
}

/// A voice of syllables of 16 frames with rests of 8, over a steady bed; the network is 90 % sure of both.
double syllables(int t, double) { return (t + 240) % 24 < 16 ? 0.9 : 0.1; }

}  // namespace

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

TEST(TradeOff, CoversAllStrengthAndExplainsItsKnee) {
    const SpanCells c = cells(syllables);
    Weigher weigher(c);
    const TradeOff t = tradeOff({}, weigher, {});
    EXPECT_EQ(t.curve.front().depth, 0);
    EXPECT_EQ(t.curve.back().depth, kFullDepth);
    EXPECT_EQ(t.curve.back().firmness, 100);
    EXPECT_FALSE(t.reason.empty());
    for (const auto& p : t.curve) {
        if (p.firmness == 0) {
            EXPECT_LE(p.sdrDb, t.curve[size_t(t.knee)].sdrDb + 0.11);
        }
    }
}

TEST(TradeOff, WhereThereIsNothingToTakeAwayNothingIsSuggested) {
    // A voice alone: what isolation would take is the voice's own unsure cells.
    const SpanCells c = cells([](int t, double) { return t % 2 ? 0.999 : 0.9; });
    Weigher weigher(c);
    const TradeOff t = tradeOff({}, weigher, {});
    EXPECT_LT(t.curve[size_t(t.knee)].depth, 10);
}

TEST(TradeOff, CanBeCancelled) {
    const SpanCells c = cells(syllables);
    Weigher weigher(c);
    Progress progress;
    progress.cancel();
    EXPECT_THROW(tradeOff({}, weigher, progress), Error);
}

TEST(WorstPlaces, LieApartInOrderAndNameTheirFault) {
    Weighing w;
    w.moments.resize(100);
    for (auto& m : w.moments) m.voice = 1, m.spill = 1e-6;
    w.moments[10].damage = {60, 5, 5, 50, 5, 5};
    w.moments[12].damage = {55, 50, 5, 5, 5, 5};  // too near the one before
    w.moments[40].damage = {40, 5, 30, 5, 5, 5};
    w.moments[70].spill = 0.1;
    const auto places = worstPlaces(w);
    ASSERT_EQ(places.size(), 3u);
    EXPECT_NEAR(places[0].seconds, 1.05, 1e-9);
    EXPECT_EQ(places[0].what, "Warble");
    EXPECT_EQ(places[1].what, "Dulling");
    EXPECT_EQ(places[2].what, "Spill");
    EXPECT_NEAR(places[2].points, 75, 0.1);  // -10 dB of the 40 below the voice
}
