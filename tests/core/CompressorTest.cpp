// Compressor, expander and de-esser against their curves.
#include <gtest/gtest.h>

#include "ChainGain.h"

using namespace rivlen;
using namespace rivlen::test;

// Source: Giannoulis, Massberg and Reiss 2012, eq. 4 (static curve with a soft knee).
TEST(Compressor, TheCompressorFollowsItsStaticCurve) {
    ChainSettings c;
    c.compressor = true;
    c.threshold = -24, c.ratio = 3, c.knee = 6;
    EXPECT_EQ(compressorCurve(c, -40), -40);
    EXPECT_NEAR(compressorCurve(c, -12), -24 + 12 / 3.0, 1e-12);
    EXPECT_NEAR(compressorCurve(c, -24), -24 + (1 / 3.0 - 1) * 9 / 12, 1e-12) << "the middle of the knee";
    EXPECT_NEAR(compressorCurve(c, -27), -27, 1e-9);
    EXPECT_NEAR(compressorCurve(c, -21), -23, 1e-9);
    // A square wave has a steady peak: what comes out lies on the curve.
    for (double db : {-40.0, -30.0, -24.0, -18.0, -6.0}) {
        Compressor comp(kRate);
        comp.set(c);
        AudioBuffer x(1, kRate / 2);
        for (int64_t i = 0; i < x.frames(); ++i) x.channel(0)[size_t(i)] = float((i / 50 % 2 ? -1 : 1) * fromDb(db));
        comp.process(x);
        EXPECT_NEAR(toDb(std::fabs(x.channel(0).back())), compressorCurve(c, db), 0.02) << db;
    }
}

// Source: as above, eq. 7: a time constant is the time to 1 - 1/e of a step.
TEST(Compressor, TimeConstantsReachOneMinusOneOverE) {
    GainFollower gain;
    gain.set(0.010, 0.200, 0.050, kRate);
    for (int i = 0; i < kRate / 100; ++i) gain.next(-10);
    EXPECT_NEAR(gain.gainDb(), -10 * (1 - std::exp(-1)), 0.01);
    for (int i = 0; i < kRate; ++i) gain.next(-10);
    for (int i = 0; i < kRate / 20; ++i) gain.next(0);
    EXPECT_NEAR(gain.gainDb(), -10, 1e-6) << "it holds for 50 ms";
    for (int i = 0; i < kRate / 5; ++i) gain.next(0);
    EXPECT_NEAR(gain.gainDb(), -10 * std::exp(-1), 0.01);
}

TEST(Compressor, TheExpanderTakesDownWhatIsBelowItsThresholdAndNoFurtherThanItsRange) {
    ChainSettings c;
    c.gate = true;
    c.gateThreshold = -40, c.gateRatio = 2, c.gateRange = 12;
    EXPECT_EQ(gateCurve(c, -30), -30);
    EXPECT_EQ(gateCurve(c, -46), -52);
    EXPECT_EQ(gateCurve(c, -80), -92);
    EXPECT_NEAR(gainAt(c, 1000, -20), 0, 0.01);
    EXPECT_NEAR(gainAt(c, 1000, -70), -12, 0.3);
}

TEST(Compressor, TheDeEsserLowersSharpBandsByItsRangeAndNothingElse) {
    ChainSettings c;
    c.deEsser = true;
    c.deEsserRange = 6, c.deEsserThreshold = -9;
    EXPECT_NEAR(gainAt(c, 7700, -20), -6, 0.5) << "nothing but an s";
    EXPECT_NEAR(gainAt(c, 500, -20), 0, 0.01) << "a vowel";
    c.deEsserThreshold = -3;
    Chain chain(1, kRate, {});
    chain.set(c);
    AudioBuffer both = sine(500, 0.3, kRate, 51200), s = sine(7700, 0.1, kRate, 51200);
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += s.samples()[i];
    const AudioBuffer before = both;
    for (int64_t at = 0; at + Chain::kBlock <= both.frames(); at += Chain::kBlock) {
        AudioBuffer block = both.slice(at, Chain::kBlock);
        chain.process(block);
        std::copy(block.channel(0).begin(), block.channel(0).end(), both.channel(0).begin() + at);
    }
    EXPECT_NEAR(levelDb(both.slice(20000, 20000)), levelDb(before.slice(20000, 20000)), 0.05)
        << "a soft s over a vowel stays";
}
