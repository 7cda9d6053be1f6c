// The filters of a voice chain against analytic responses.
#include <gtest/gtest.h>

#include "ChainGain.h"
#include "core/rebuild/Filters.h"

using namespace rivlen;
using namespace rivlen::test;

// Source: R. Bristow-Johnson, audio EQ cookbook: the analogue prototypes' gains at the centre, at the shelf's middle
// and far away.
TEST(FilterSection, FiltersHaveTheGainsOfTheCookbooksPrototypes) {
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::bell(1000, 6, 1, kRate).response(1000, kRate))), 6, 1e-9);
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::bell(1000, 6, 1, kRate).response(10, kRate))), 0, 0.01);
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::lowShelf(200, -8, kRate).response(200, kRate))), -4, 1e-6)
        << "half the gain at the middle of a shelf";
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::lowShelf(200, -8, kRate).response(1, kRate))), -8, 0.01);
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::highShelf(4000, 5, kRate).response(4000, kRate))), 2.5, 1e-6);
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::highShelf(4000, 5, kRate).response(20000, kRate))), 5, 0.1);
}

TEST(FilterSection, TonesGoThroughAsTheResponseSays) {
    ChainSettings c;
    c.highPass = c.equaliser = true;
    c.highPassHz = 120, c.lowDb = 3, c.mudDb = -4, c.midDb = 5, c.highDb = -6;
    const auto sections = filterSections(c, kRate);
    for (double hz : {60.0, 120.0, 350.0, 1000.0, 2500.0, 8000.0, 15000.0})
        EXPECT_NEAR(gainAt(c, hz), filterDb(sections, hz, kRate), 0.05) << hz;
}

// Source: Butterworth's response |H|^2 = 1 / (1 + (fc / f)^2n): -3.01 dB at the corner, 12 or 24 dB an octave below.
TEST(FilterSection, TheHighPassIsAButterworth) {
    ChainSettings c;
    c.highPass = true;
    c.highPassHz = 100;
    for (double slope : {12.0, 24.0}) {
        c.highPassSlope = slope;
        const double n = slope / 6;
        for (double hz : {25.0, 50.0, 100.0, 200.0, 1000.0})
            EXPECT_NEAR(filterDb(filterSections(c, kRate), hz, kRate), -10 * std::log10(1 + std::pow(100 / hz, 2 * n)),
                        0.02)
                << slope << " " << hz;
        EXPECT_NEAR(filterDb(filterSections(c, kRate), 12.5, kRate) - filterDb(filterSections(c, kRate), 6.25, kRate),
                    slope, 0.1);
    }
}
