// Band bias against figures that follow by hand from BandBias.h.
#include "core/isolation/BandBias.h"

#include <gtest/gtest.h>

#include <cmath>

#include "core/base/Error.h"
#include "core/isolation/CellShares.h"

using namespace rivlen;

TEST(BandBias, IsLinearOverTheLogarithmOfFrequencyAndLevelOutside) {
    const BandBias curve{{100, -40}, {1000, 20}, {10000, 100}};
    EXPECT_EQ(biasAt(curve, 20), -40);
    EXPECT_NEAR(biasAt(curve, std::sqrt(100.0 * 1000)), -10, 1e-9);
    EXPECT_NEAR(biasAt(curve, 1000), 20, 1e-9);
    EXPECT_NEAR(biasAt(curve, 1000 * std::pow(10, 0.25)), 40, 1e-9);
    EXPECT_EQ(biasAt(curve, 20000), 100);
    EXPECT_EQ(biasAt({}, 500), 0);
}

TEST(BandBias, StrengthensAndWeakensAsDefined) {
    EXPECT_FLOAT_EQ(biased(0.5f, 0), 0.5f);
    EXPECT_FLOAT_EQ(biased(0.5f, 50), 0.25f);
    EXPECT_FLOAT_EQ(biased(0.5f, 100), 0.125f);
    EXPECT_FLOAT_EQ(biased(0.5f, -50), 0.75f);
    EXPECT_FLOAT_EQ(biased(0.2f, -100), 1.0f) << "there is no isolation in that region";
    for (double b : {-100.0, -3.0, 40.0, 100.0}) {
        EXPECT_FLOAT_EQ(biased(1.0f, b), 1.0f);
        EXPECT_GE(biased(0.0f, b), 0.0f);
    }
}

TEST(BandBias, MovesTheSharesOfItsRegionOnly) {
    IsolationSettings s;
    s.bandBias = {{900, 0}, {1000, 100}, {2000, 100}, {2200, 0}};
    EXPECT_TRUE(movesCells(s));
    EXPECT_FALSE(looksAround(s));
    const Cells share(3, std::vector<float>(1025, 0.5f));
    const Cells out = strengthened(s, share, {}, 3, 23.4375);
    EXPECT_FLOAT_EQ(out[1][size_t(500 / 23.4375)], 0.5f);
    EXPECT_FLOAT_EQ(out[1][size_t(1500 / 23.4375)], 0.125f);
    EXPECT_FLOAT_EQ(out[1][size_t(8000 / 23.4375)], 0.5f);
    s.bandBias = {{100, 0}, {1000, 0}};
    EXPECT_FALSE(movesCells(s));
}

TEST(BandBias, TextAndJsonKeepIt) {
    EXPECT_EQ(parseBandBias("100:20,1000:-30.5"), (BandBias{{100, 20}, {1000, -30.5}}));
    EXPECT_TRUE(parseBandBias("").empty());
    IsolationSettings s;
    s.bandBias = {{80, -20}, {5000, 60}};
    EXPECT_EQ(isolationFromJson(toJson(s)), s);
    EXPECT_FALSE(toJson(IsolationSettings{}).contains("band_bias"));
    for (const char* wrong :
         {"100", "100:", "100:20,50:3", "10:3", "100:101", "100:x", "nonsense", "100:5,,200:5", "100:nan"})
        EXPECT_THROW(parseBandBias(wrong), Error) << wrong;
    EXPECT_THROW(bandBiasFromJson({{100, 20}, {100, 30}}), Error);
}
