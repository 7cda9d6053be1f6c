#include <gtest/gtest.h>

#include "Support.h"
#include "core/rebuild/Duck.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

}  // namespace

// Common practice: 4.8 dB, 10 ms down, 150 ms hold, 750 ms back.
TEST(Duck, DuckingGoesDownHoldsAndComesBack) {
    Duck duck;
    duck.on = true;
    duck.voice = false;
    DuckGain gain(kRate);
    gain.set(duck);
    AudioBuffer key(1, 3 * kRate);
    for (int64_t i = kRate / 2; i < kRate; ++i) key.channel(0)[size_t(i)] = float(0.3 * std::sin(0.1 * double(i)));
    std::vector<float> db;
    gain.process(key, db);
    EXPECT_EQ(db[size_t(kRate / 2 - 10)], 0);
    EXPECT_NEAR(db[size_t(kRate / 2 + kRate / 20)], -4.8, 0.1);
    EXPECT_NEAR(db[size_t(kRate + kRate / 10)], -4.8, 0.1) << "held";
    EXPECT_NEAR(db[size_t(kRate + 0.17 * kRate + 0.75 * kRate)], -4.8 * std::exp(-1), 0.5);
    EXPECT_GT(db.back(), -1);
}

TEST(Duck, VoiceActivityTellsWordsFromASteadyBed) {
    VoiceActivity voice(kRate);
    const AudioBuffer bed = noise(1, 4 * kRate, 0.003f);
    int active = 0, spoken = 0;
    for (int64_t i = 0; i < bed.frames(); ++i) {
        const bool speaks = i > 2 * kRate && i < 3 * kRate;
        const double t = double(i) / kRate;
        const double word = speaks ? 0.1 * std::sin(2 * std::numbers::pi * 700 * t) *
                                         (0.6 + 0.4 * std::sin(2 * std::numbers::pi * 4 * t))
                                   : 0;
        const bool on = voice.next(bed.channel(0)[size_t(i)] + word, -45);
        if (i > kRate && !speaks && i < 2 * kRate) active += on;
        if (i > 2 * kRate + kRate / 20 && speaks) spoken += on;
    }
    EXPECT_LT(active, kRate / 50);
    EXPECT_GT(spoken, kRate * 9 / 10);
}
