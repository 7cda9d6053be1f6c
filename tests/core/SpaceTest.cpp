// Placing in space against the published formulas: vector base amplitude panning (Pulkki 1997), spherical harmonics
// (AmbiX 2011), energy and velocity vectors (Gerzon 1992), absorption of air (ISO 9613).
#include <gtest/gtest.h>

#include <cmath>
#include <numbers>

#include "core/space/AmbisonicDecoder.h"
#include "core/space/Placement.h"
#include "core/space/SphericalHarmonics.h"
#include "core/space/Vbap.h"

using namespace rivlen;

namespace {

const std::vector<MixFormat> kLoudspeakers{MixFormat::Mono,       MixFormat::Stereo,     MixFormat::Lcr,
                                           MixFormat::Surround51, MixFormat::Surround71, MixFormat::Surround514,
                                           MixFormat::Surround714};

double angleBetween(const Vector3& a, const Vector3& b) {
    return std::acos(std::clamp(dot(a, b) / std::sqrt(dot(a, a) * dot(b, b)), -1.0, 1.0)) / kDegree;
}

/// Sum of g^power v over the loudspeakers, over the sum of g^power.
Vector3 gerzon(const std::vector<Speaker>& speakers, const std::vector<double>& gains, int power) {
    Vector3 sum{};
    double total = 0;
    for (size_t i = 0; i < speakers.size(); ++i) {
        const double g = std::pow(gains[i], power);
        const Vector3 v = unitVector(speakers[i].at);
        for (size_t k = 0; k < 3; ++k) sum[k] += g * v[k];
        total += g;
    }
    return scaled(sum, 1 / total);
}

/// Integrates over the sphere, the mean of f: exact for what the quadrature's degree covers.
template <typename F>
double meanOverSphere(F&& f) {
    constexpr int kRings = 16, kAround = 32;
    double sum = 0;
    for (int i = 0; i < kRings; ++i) {
        // Gauss-Legendre points by Newton's method (Abramowitz and Stegun 25.4.29).
        double x = std::cos(std::numbers::pi * (i + 0.75) / (kRings + 0.5)), slope = 1;
        for (int step = 0; step < 60; ++step) {
            double a = 1, b = x;
            for (int l = 2; l <= kRings; ++l) std::swap(a, b), b = ((2 * l - 1) * x * a - (l - 1) * b) / l;
            slope = kRings * (x * b - a) / (x * x - 1);
            x -= b / slope;
        }
        const double weight = 2 / ((1 - x * x) * slope * slope) / 2;
        for (int j = 0; j < kAround; ++j)
            sum += weight / kAround * f(Direction{360.0 * j / kAround, std::asin(x) / kDegree});
    }
    return sum;
}

}  // namespace

TEST(Vbap, ALoudspeakersDirectionGivesThatOneAlone) {
    for (MixFormat format : kLoudspeakers) {
        const auto& speakers = speakersOf(format);
        const Vbap vbap(speakers);
        for (size_t i = 0; i < speakers.size(); ++i) {
            if (speakers[i].lfe) continue;
            const auto gains = vbap.gains(speakers[i].at);
            for (size_t k = 0; k < gains.size(); ++k)
                EXPECT_NEAR(gains[k], k == i ? 1 : 0, 1e-6) << mixFormatFacts(format).id << " " << speakers[i].name;
        }
    }
}

TEST(Vbap, AllDirectionsHaveUnitPowerAndLeftIsLikeRight) {
    for (MixFormat format : kLoudspeakers) {
        const auto& speakers = speakersOf(format);
        const Vbap vbap(speakers);
        for (double spread : {0.0, 60.0, 180.0})
            for (double e = -90; e <= 90; e += 15)
                for (double a = -180; a <= 180; a += 7.5) {
                    const auto g = vbap.gains({a, e}, spread), mirrored = vbap.gains({-a, e}, spread);
                    double power = 0;
                    for (size_t i = 0; i < g.size(); ++i) {
                        power += g[i] * g[i];
                        EXPECT_GE(g[i], 0);
                        EXPECT_TRUE(!speakers[i].lfe || g[i] <= 0);
                        for (size_t k = 0; k < g.size(); ++k)
                            if (!speakers[i].lfe && !speakers[k].lfe &&
                                speakers[k].at.azimuth == -speakers[i].at.azimuth &&
                                speakers[k].at.elevation == speakers[i].at.elevation) {
                                EXPECT_NEAR(g[i], mirrored[k], 1e-6)
                                    << mixFormatFacts(format).id << " " << a << " " << e;
                            }
                    }
                    ASSERT_NEAR(power, 1, 1e-9);
                }
    }
}

TEST(Vbap, BetweenTwoLoudspeakersTheTangentLawHolds) {
    // Pulkki 1997, equation 13: tan(phi) / tan(phi0) = (g1 - g2) / (g1 + g2).
    const Vbap stereo(speakersOf(MixFormat::Stereo));
    for (double a = -29; a < 30; a += 4) {
        const auto g = stereo.gains({a, 0});
        EXPECT_NEAR((g[0] - g[1]) / (g[0] + g[1]), std::tan(a * kDegree) / std::tan(30 * kDegree), 1e-9);
    }
    // From behind it is the mirror in front, from beyond the edge the edge.
    EXPECT_EQ(stereo.gains({170, 0}), stereo.gains({10, 0}));
    EXPECT_NEAR(stereo.gains({75, 0})[0], 1, 1e-9);
}

TEST(Vbap, TheVelocityVectorPointsWhereItIsWanted) {
    for (MixFormat format :
         {MixFormat::Surround51, MixFormat::Surround71, MixFormat::Surround514, MixFormat::Surround714}) {
        const auto& speakers = speakersOf(format);
        const Vbap vbap(speakers);
        const bool heights = int(format) >= int(MixFormat::Surround514);
        for (double a = -180; a < 180; a += 5)
            for (double e : {0.0, 10.0, 25.0}) {
                if (e > 0 && !heights) continue;
                const Vector3 wanted = unitVector({a, e});
                EXPECT_LT(angleBetween(gerzon(speakers, vbap.gains({a, e}), 1), wanted), heights ? 4.0 : 1e-4)
                    << mixFormatFacts(format).id << " " << a << " " << e;
            }
    }
}

TEST(Vbap, SpreadFillsMoreLoudspeakersAroundTheSamePlace) {
    const auto& speakers = speakersOf(MixFormat::Surround714);
    const Vbap vbap(speakers);
    double before = 2;
    for (double spread : {0.0, 45.0, 90.0, 180.0}) {
        const Vector3 r = gerzon(speakers, vbap.gains({90, 0}, spread), 2);
        EXPECT_LT(std::sqrt(dot(r, r)), before + 1e-9);
        before = std::sqrt(dot(r, r));
        EXPECT_GT(r[1], 0.2) << "still at the left";
    }
    EXPECT_LT(before, 0.8);
}

TEST(SphericalHarmonics, AreTheClosedFormsOfAmbix) {
    for (const Direction& at : {Direction{33, 20}, {-140, -50}, {90, 0}, {0, 90}, {180, 5}}) {
        const auto y = sphericalHarmonics(3, at);
        const Vector3 v = unitVector(at);
        const double X = v[0], Y = v[1], Z = v[2], r3 = std::sqrt(3.0);
        const std::vector<double> expected{1,
                                           Y,
                                           Z,
                                           X,
                                           r3 * X * Y,
                                           r3 * Y * Z,
                                           (3 * Z * Z - 1) / 2,
                                           r3 * X * Z,
                                           r3 / 2 * (X * X - Y * Y),
                                           std::sqrt(5.0 / 8) * Y * (3 * X * X - Y * Y),
                                           std::sqrt(15.0) * X * Y * Z,
                                           std::sqrt(3.0 / 8) * Y * (5 * Z * Z - 1),
                                           Z * (5 * Z * Z - 3) / 2,
                                           std::sqrt(3.0 / 8) * X * (5 * Z * Z - 1),
                                           std::sqrt(15.0) / 2 * Z * (X * X - Y * Y),
                                           std::sqrt(5.0 / 8) * X * (X * X - 3 * Y * Y)};
        for (size_t n = 0; n < expected.size(); ++n) EXPECT_NEAR(y[n], expected[n], 1e-12) << "ACN " << n;
    }
}

TEST(SphericalHarmonics, AreOrthogonalUpToTheFifthOrder) {
    for (int i = 0; i < 36; ++i)
        for (int j = i; j < 36; ++j) {
            const double product = meanOverSphere([&](const Direction& at) {
                const auto y = sphericalHarmonics(5, at);
                return y[size_t(i)] * y[size_t(j)];
            });
            EXPECT_NEAR(product, i == j ? 1 / (2 * std::floor(std::sqrt(i)) + 1) : 0, 1e-10) << i << " " << j;
        }
}

TEST(SphericalHarmonics, TurningChangesNothingInADegreesPower) {
    // The addition theorem: within a degree, the product of two directions is P_l of the angle between them.
    const Direction a{25, 40}, b{-70, -15};
    for (double turn : {0.0, 50.0, 190.0})
        for (double tilt : {0.0, 35.0}) {
            const auto there = [&](const Direction& d) { return directionOf(turned(unitVector(d), turn, tilt)); };
            const auto ya = sphericalHarmonics(5, there(a)), yb = sphericalHarmonics(5, there(b));
            const double x = dot(unitVector(a), unitVector(b));
            double p0 = 1, p1 = x;
            for (int l = 0; l <= 5; ++l) {
                double power = 0, product = 0;
                for (int n = l * l; n < (l + 1) * (l + 1); ++n)
                    power += ya[size_t(n)] * ya[size_t(n)], product += ya[size_t(n)] * yb[size_t(n)];
                EXPECT_NEAR(power, 1, 1e-12);
                EXPECT_NEAR(product, p0, 1e-12) << "degree " << l;
                std::swap(p0, p1);
                p1 = ((2 * l + 3) * x * p0 - (l + 1) * p1) / (l + 2);
            }
        }
}

TEST(SphericalHarmonics, ACapsWeightsAreTheMeanOverIt) {
    for (double across : {0.0, 40.0, 120.0, 180.0}) {
        const auto weights = capWeights(5, across);
        std::vector<double> sums(6, 0.0);
        double count = 0;
        const double edge = std::cos(across / 2 * kDegree);
        for (int i = 0; i < 20000; ++i) {  // equal areas: z is even
            const double z = edge + (1 - edge) * (i + 0.5) / 20000;
            double a = 1, b = z;
            for (int l = 0; l <= 5; ++l) {
                sums[size_t(l)] += a;
                std::swap(a, b), b = ((2 * l + 3) * z * a - (l + 1) * b) / (l + 2);
            }
            ++count;
        }
        for (int l = 0; l <= 5; ++l) EXPECT_NEAR(weights[size_t(l)], sums[size_t(l)] / count, 1e-6) << across;
    }
}

TEST(AmbisonicDecoder, APlaneWaveIsHeardWhereItComesFrom) {
    // Energy vectors (Gerzon 1992), on the ring of ears where the layout has loudspeakers all round.
    struct Row {
        MixFormat format;
        int order;
        double tolerance;
    };
    for (const Row& row :
         {Row{MixFormat::Surround714, 3, 15}, Row{MixFormat::Surround714, 5, 15}, Row{MixFormat::Surround71, 3, 15}}) {
        const auto& speakers = speakersOf(row.format);
        const auto decoder = ambisonicDecoder(row.order, speakers);
        const size_t channels = size_t(ambisonicChannels(row.order));
        for (double a = -180; a < 180; a += 10) {
            const auto y = sphericalHarmonics(row.order, {a, 0});
            std::vector<double> gains(speakers.size(), 0.0);
            for (size_t s = 0; s < speakers.size(); ++s)
                for (size_t n = 0; n < channels; ++n) gains[s] += decoder[s * channels + n] * y[n];
            Vector3 r = gerzon(speakers, gains, 2);
            r[2] = 0;
            EXPECT_LT(angleBetween(r, unitVector({a, 0})), row.tolerance) << row.order << " " << a;
            EXPECT_GT(std::sqrt(dot(r, r)), 0.45);
        }
    }
}

TEST(AmbisonicDecoder, FromEverywhereAlikeThePowerStays) {
    for (MixFormat format : {MixFormat::Surround51, MixFormat::Surround714}) {
        const auto& speakers = speakersOf(format);
        const auto decoder = ambisonicDecoder(4, speakers);
        const double power = meanOverSphere([&](const Direction& at) {
            const auto y = sphericalHarmonics(4, at);
            double sum = 0;
            for (size_t s = 0; s < speakers.size(); ++s) {
                double g = 0;
                for (size_t n = 0; n < 25; ++n) g += decoder[s * 25 + n] * y[n];
                sum += g * g;
            }
            return sum;
        });
        EXPECT_NEAR(power, 1, 1e-9);
    }
}

TEST(Placement, AirTakesTheTrebleAsIso9613Says) {
    // ISO 9613-2:1996, table 2, dB per km at 20 degrees and 70 %, and at 15 degrees and 20 % (values from memory).
    const std::vector<std::pair<double, double>> humid{{250, 1.1},  {500, 2.8},   {1000, 5.0},
                                                       {2000, 9.0}, {4000, 22.9}, {8000, 76.6}},
        dry{{500, 2.7}, {1000, 8.2}, {2000, 28.2}, {4000, 88.8}, {8000, 202}};
    for (const auto& [hz, db] : humid) EXPECT_NEAR(1000 * airAbsorption(hz, 20, 70), db, 0.03 * db + 0.05) << hz;
    for (const auto& [hz, db] : dry) EXPECT_NEAR(1000 * airAbsorption(hz, 15, 20), db, 0.03 * db + 0.05) << hz;
}

TEST(Placement, WhatIsNotMovedStaysWhereItWas) {
    for (const auto& [format, channels] :
         {std::pair(MixFormat::Stereo, 2), std::pair(MixFormat::Surround51, 2), std::pair(MixFormat::Surround51, 6),
          std::pair(MixFormat::Surround71, 8), std::pair(MixFormat::Surround714, 8), std::pair(MixFormat::Lcr, 1)}) {
        const Placement placement(format, channels);
        const auto gains = placement.gains({});
        const auto& own = speakersOfChannels(channels);
        const auto& speakers = speakersOf(format);
        for (size_t o = 0; o < speakers.size(); ++o)
            for (size_t c = 0; c < own.size(); ++c)
                EXPECT_NEAR(gains[o * own.size() + c], std::string(own[c].name) == speakers[o].name ? 1 : 0, 1e-6)
                    << mixFormatFacts(format).id << " " << own[c].name << " in " << speakers[o].name;
    }
}

TEST(Placement, TurnsTheWholePicture) {
    const Placement placement(MixFormat::Surround71, 2);
    // By a right angle to the left: the middle is at the left side, both channels 30 degrees around it.
    const auto gains = placement.gains({90, 0, 1, 0});
    const Vbap vbap(speakersOf(MixFormat::Surround71));
    const auto left = vbap.gains({120, 0}), right = vbap.gains({60, 0});
    for (size_t o = 0; o < 8; ++o) {
        EXPECT_NEAR(gains[2 * o], left[o], 1e-9);
        EXPECT_NEAR(gains[2 * o + 1], right[o], 1e-9);
    }
    // At width 0 it is one point.
    const auto point = placement.gains({90, 0, 1, 0}, 0);
    for (size_t o = 0; o < 8; ++o) EXPECT_NEAR(point[2 * o], point[2 * o + 1], 1e-12);
    // Tilted up by a right angle everything in front is overhead.
    const Placement sphere(MixFormat::Ambix3, 1);
    const auto up = sphere.gains({0, 90, 1, 0}), expected = sphericalHarmonics(3, {0, 90});
    for (size_t n = 0; n < 16; ++n) EXPECT_NEAR(up[n], expected[n], 1e-12);
}

TEST(Placement, DistanceSoftensBySixDecibelsADoubling) {
    EXPECT_NEAR(20 * std::log10(distanceGain(2)), -6.02, 0.01);
    EXPECT_NEAR(20 * std::log10(distanceGain(8)), -18.06, 0.01);
    EXPECT_NEAR(distanceGain(0.5), 1, 1e-12) << "near by it is as it is";
    const Placement placement(MixFormat::Surround51, 6);
    const auto near = placement.gains({}), far = placement.gains({0, 0, 4, 0});
    for (size_t i = 0; i < near.size(); ++i) EXPECT_NEAR(far[i], near[i] / 4, 1e-12) << "also the LFE";
}
