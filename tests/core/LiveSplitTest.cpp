#include "core/live/LiveSplit.h"

#include <gtest/gtest.h>

#include "Support.h"
#include "core/audio/Decibel.h"
#include "core/base/Error.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

/// Gives sound bit by bit and takes what comes, as who plays it does.
struct Playing {
    LiveSplit split;
    AudioBuffer sound;
    int64_t at = 0, heard = 0;
    AudioBuffer answer;
    Playing(const std::shared_ptr<Network>& network, AudioBuffer s, LookAhead lookAhead)
        : split(network, kRate, s.channels(), lookAhead), sound(std::move(s)), answer(sound.channels(), 0) {}

    void push(int64_t frames) {
        split.push(sound.slice(at, frames));
        at += frames;
    }
    /// All that comes up to a frame, waited for.
    void take(int64_t before) {
        EXPECT_TRUE(waitFor([&] {
            while (heard < before) {
                const auto piece = split.take(heard, before);
                if (piece.sound.frames() == 0) break;
                EXPECT_EQ(piece.first, heard);
                answer.append(piece.sound);
                heard += piece.sound.frames();
            }
            return heard >= before;
        }));
    }
};

/// The wanted stem of the whole, by the ways of files.
AudioBuffer whole(const std::shared_ptr<Network>& network, const AudioBuffer& sound,
                  const IsolationSettings& settings) {
    EngineOptions options;
    options.quality = EngineOptions::Quality::Quick;
    options.stems = kStemNames;
    Isolator isolator(sound.channels(), kRate);
    const int64_t margin = isolator.margin();
    StemBlock block{sound.slice(-margin, sound.frames() + 2 * margin), {}, {}};
    for (const auto& stem : separated(network, sound, kRate, options))
        block.stems.push_back(stem.slice(-margin, sound.frames() + 2 * margin));
    return isolator.apply(settings, int(stemPlace(settings.stem)), 0, block).result;
}

/// One that is slow, or fails.
class Troubled : public FakeNetwork {
public:
    std::atomic<bool> fails{false}, hangs{false};
    std::vector<AudioBuffer> separate(const AudioBuffer& mixture, int threads) override {
        if (fails) throw Error(Error::Kind::Other, "The network fails.");
        while (hangs) std::this_thread::sleep_for(std::chrono::milliseconds(5));
        return FakeNetwork::separate(mixture, threads);
    }
};

}  // namespace

TEST(LiveSplit, TheWholeLookAheadGivesWhatAFileGives) {
    const auto network = std::make_shared<FakeNetwork>();
    const AudioBuffer sound = programme(2, kRate, 8 * kRate);
    IsolationSettings settings = strength(12, 30, 20, 40);
    settings.stem = "music";
    settings.balance = 3;
    Playing playing(network, sound, LookAhead::Whole);
    playing.split.set(settings, false);
    const int64_t latency = LiveSplit::latency(network->card(), kRate, LookAhead::Whole);
    EXPECT_LT(latency, 4 * kRate) << "the fake one needs little of what follows";
    for (int64_t n : {1, 32, 999, 4096, 12345, 48000, 100000}) {
        playing.push(n);
        playing.take(std::max<int64_t>(0, playing.at - latency));
    }
    playing.push(sound.frames() - playing.at);
    playing.take(sound.frames() - latency);
    const AudioBuffer expected = whole(network, sound, settings).slice(0, playing.heard);
    EXPECT_GT(playing.heard, 4 * kRate);
    EXPECT_LT(differenceDb(playing.answer, expected), -100);
}

TEST(LiveSplit, WhatIsKeptAndWhatIsRemovedSumToTheSound) {
    const auto network = std::make_shared<FakeNetwork>();
    const AudioBuffer sound = programme(1, kRate, 4 * kRate);
    AudioBuffer sum(1, 2 * kRate);
    for (bool removed : {false, true}) {
        Playing playing(network, sound, LookAhead::Half);
        IsolationSettings settings = strength(20, 50);
        playing.split.set(settings, removed);
        playing.push(sound.frames());
        playing.take(2 * kRate);
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += playing.answer.samples()[i];
    }
    EXPECT_LT(differenceDb(sum, sound.slice(0, 2 * kRate)), -120);
}

TEST(LiveSplit, AStrengthThatChangesIsFadedAndHoldsFromThenOn) {
    const auto network = std::make_shared<FakeNetwork>();
    const AudioBuffer sound = programme(1, kRate, 4 * kRate);
    Playing playing(network, sound, LookAhead::Half);
    playing.split.set(strength(60), false);
    playing.push(sound.frames());
    playing.take(kRate);
    const int64_t changed = playing.heard;
    playing.split.set(strength(0), false);
    playing.take(2 * kRate);
    const AudioBuffer before = whole(network, sound, strength(60)), after = whole(network, sound, strength(0));
    EXPECT_LT(differenceDb(playing.answer.slice(0, kRate), before.slice(0, kRate)), -100);
    const int64_t settled = changed + LiveSplit::kPiece;
    EXPECT_LT(differenceDb(playing.answer.slice(settled, 40000), after.slice(settled, 40000)), -100);
    for (int64_t i = changed; i < settled; ++i) {
        const float a = before.channel(0)[size_t(i)], b = after.channel(0)[size_t(i)],
                    v = playing.answer.channel(0)[size_t(i)];
        ASSERT_GE(v, std::min(a, b) - 1e-5f) << i;
        ASSERT_LE(v, std::max(a, b) + 1e-5f) << i;
    }
}

TEST(LiveSplit, WhatItCannotKeepUpWithIsLeftOutAndItGoesOn) {
    const auto network = std::make_shared<Troubled>();
    network->hangs = true;
    Playing playing(network, programme(1, kRate, 40 * kRate), LookAhead::Half);
    playing.split.set(strength(60), false);
    for (int i = 0; i < 30; ++i) playing.push(kRate);
    EXPECT_EQ(playing.split.take(0, kRate).sound.frames(), 0) << "it hangs, and nobody waits for it";
    network->hangs = false;
    for (int i = 0; i < 10; ++i) playing.push(kRate);
    // What is wanted by now lies long after what was left out.
    LiveSplit::Piece piece;
    EXPECT_TRUE(waitFor([&] {
        piece = playing.split.take(37 * kRate, 38 * kRate);
        return piece.sound.frames() > 0;
    }));
    EXPECT_GE(piece.first, 37 * kRate);
    EXPECT_GT(peakOf(piece.sound.samples()), 0.001f);
    EXPECT_EQ(playing.split.trouble(), "");
}

TEST(LiveSplit, ANetworkThatFailsIsTold) {
    const auto network = std::make_shared<Troubled>();
    network->fails = true;
    Playing playing(network, programme(1, kRate, 4 * kRate), LookAhead::Half);
    playing.push(4 * kRate);
    EXPECT_TRUE(waitFor([&] { return !playing.split.trouble().empty(); }));
    EXPECT_EQ(playing.split.trouble(), "The network fails.");
    playing.push(0);
}
