// The wanted stem's share of a cell, against figures derived by hand from the definition in CellShares.h.
#include "core/isolation/CellShares.h"

#include <gtest/gtest.h>

#include <cmath>
#include <numbers>

using namespace rivlen;

namespace {

constexpr double kBinHz = 23.4375;  // 2048 at 48 kHz
constexpr int kBins = 1025, kCount = 30, kFrames = kCount + 2 * kCellReach;

int bin(double hz) { return int(hz / kBinHz); }

Cells filled(float value, int frames = kFrames) { return Cells(size_t(frames), std::vector<float>(kBins, value)); }

IsolationSettings only(double IsolationSettings::*value, double amount) {
    IsolationSettings s;
    s.*value = amount;
    return s;
}

/// A voice at 500 Hz in frames from ... to that holds its cells, over a bed of power 1 in every cell that it does not
/// hold.
struct Speech {
    Cells share = filled(0.0f), power = filled(1.0f);
    Speech(int from, int to) {
        for (int i = from; i < to; ++i)
            for (int k = bin(400); k < bin(600); ++k) {
                share[size_t(i)][size_t(k)] = 1.0f;
                power[size_t(i)][size_t(k)] = 1000.0f;
            }
    }
    /// Multiplies the power above 1.5 kHz in one frame.
    void burst(int at, double db) {
        for (int k = bin(1500); k < kBins; ++k) power[size_t(at)][size_t(k)] *= float(std::pow(10, db / 10));
    }
    /// The share at 6 kHz in frame at of those given.
    double guarded(double amount, int at, double hz = 6000) const {
        return strengthened(only(&IsolationSettings::onsetGuard, amount), share, power, kCount,
                            kBinHz)[size_t(at - kCellReach)][size_t(bin(hz))];
    }
};

}  // namespace

TEST(CellShares, NeutralChangesNothing) {
    const Cells share = filled(0.37f, kCount);
    EXPECT_FALSE(movesCells(IsolationSettings{}));
    EXPECT_EQ(strengthened(IsolationSettings{}, share, {}, kCount, kBinHz), share);
}

TEST(CellShares, FirmnessSharpensByItsFormula) {
    for (double firmness : {-100.0, -40.0, 60.0, 100.0})
        for (float p : {0.0f, 0.2f, 0.5f, 0.9f, 1.0f}) {
            const double y = std::exp2(firmness / 50), a = std::pow(double(p), y), b = std::pow(1.0 - double(p), y);
            EXPECT_NEAR(
                double(strengthened(only(&IsolationSettings::firmness, firmness), filled(p, 1), {}, 1, kBinHz)[0][100]),
                a / (a + b), 1e-6);
        }
}

TEST(CellShares, SteadinessIsAHannAverageOverTime) {
    EXPECT_TRUE(looksAround(only(&IsolationSettings::steadiness, 1)));
    const auto half = only(&IsolationSettings::steadiness, 50);  // 6 frames to either side
    EXPECT_NEAR(double(strengthened(half, filled(0.3f), {}, kCount, kBinHz)[10][200]), 0.3, 1e-6);
    Cells pulse = filled(0.0f);
    pulse[kCellReach + 15][200] = 1.0f;
    const Cells out = strengthened(half, pulse, {}, kCount, kBinHz);
    double total = 0;
    for (int j = -6; j <= 6; ++j) total += 0.5 + 0.5 * std::cos(std::numbers::pi * j / 7);
    for (int j : {-6, -3, 0, 5})
        EXPECT_NEAR(double(out[size_t(15 + j)][200]), (0.5 + 0.5 * std::cos(std::numbers::pi * j / 7)) / total, 1e-6)
            << j;
    EXPECT_EQ(out[15 + 7][200], 0.0f);
    EXPECT_EQ(out[15][201], 0.0f) << "other frequencies stay apart";
}

TEST(CellShares, TheGuardFollowsTheRise) {
    const int at = kCellReach + 12;
    for (const auto& [rise, part] : {std::pair(5.0, 0.0), {9.0, 0.5}, {12.0, 1.0}, {20.0, 1.0}}) {
        Speech speech(at, at + 10);
        speech.burst(at, rise);
        EXPECT_NEAR(speech.guarded(100, at), part, 0.02) << rise;
        EXPECT_NEAR(speech.guarded(40, at), 0.4 * part, 0.02) << rise;
    }
}

TEST(CellShares, TheGuardLetsGoAndKeepsToTheTreble) {
    const int at = kCellReach + 12;
    Speech speech(at, at + 10);
    speech.burst(at, 20);
    for (int j = 0; j < 6; ++j) EXPECT_NEAR(speech.guarded(100, at + j), std::max(0.0, 1 - j / 5.0), 0.02) << j;
    EXPECT_NEAR(speech.guarded(100, at, 1000), 0.0, 1e-6);
}

TEST(CellShares, TheGuardNeedsAVoiceNearby) {
    const int at = kCellReach + 12;
    Speech far(at + 11, at + 20);
    far.burst(at, 20);
    EXPECT_NEAR(far.guarded(100, at), 0.0, 1e-6) << "11 frames on: another sound";
    Speech near(at + 10, at + 20);
    near.burst(at, 20);
    EXPECT_NEAR(near.guarded(100, at), 1.0, 0.02);
    Speech weak(at, at + 10);  // a voice that holds a quarter of the power below 1.5 kHz: half of the guard
    const double bed = double(bin(1500) - bin(120)), all = bed - (bin(600) - bin(400)) + 1000.0 * (bin(600) - bin(400));
    for (auto& row : weak.share)
        for (float& p : row) p *= float(std::sqrt(0.25 * all / (1000.0 * (bin(600) - bin(400)))));
    weak.burst(at + 3, 20);
    EXPECT_NEAR(weak.guarded(100, at + 3), 0.5, 0.05);
}
