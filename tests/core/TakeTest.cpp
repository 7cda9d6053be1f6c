// Voice lines: the file that a take grows in, its place in time, and how late a microphone is.
#include <gtest/gtest.h>
#include <sys/wait.h>

#include <csignal>
#include <fstream>

#include "../Support.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"
#include "core/media/TakeFile.h"
#include "core/rebuild/ClipEdits.h"
#include "core/spectral/Lateness.h"
#include "playback/Player.h"
#include "playback/TakeRecorder.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

float valueAt(int64_t frame) { return float(0.5 * std::sin(double(frame) * 0.01)); }

std::vector<float> mono(const fs::path& file) {
    MediaReader reader(file);
    const AudioBuffer sound = reader.read(0, reader.frames());
    return {sound.channel(0).begin(), sound.channel(0).end()};
}

std::vector<float> hiss(size_t count, unsigned of) {
    std::mt19937 random(of);
    std::normal_distribution<float> value(0, 0.1f);
    std::vector<float> x(count);
    for (auto& v : x) v = value(random);
    return x;
}

}  // namespace

TEST(TakeFile, EachSampleLiesAtItsFrameAndGapsAreSilent) {
    const TempFolder folder;
    TakeFile take(folder / "takes", "deck take", kRate, 1000, 3600 * int64_t(kRate));
    for (int64_t f = 900; f < 2000; ++f) take.put(f, valueAt(f));  // the first hundred lie before it
    for (int64_t f = 2100; f < 6000; ++f) take.put(f, valueAt(f));
    for (int64_t f = 3000; f < 3100; ++f) take.put(f, 1);  // written already
    EXPECT_FALSE(fs::exists(folder / "takes" / "deck take 1.wav")) << "it appears only complete";
    const fs::path file = take.finish();
    EXPECT_EQ(file, folder / "takes" / "deck take 1.wav");
    EXPECT_EQ(take.missing(), 100);
    const auto sound = mono(file);
    ASSERT_EQ(sound.size(), 5000u);
    for (size_t i = 0; i < sound.size(); ++i)
        ASSERT_EQ(sound[i], i >= 1000 && i < 1100 ? 0 : valueAt(1000 + int64_t(i))) << i;
    EXPECT_NEAR(*MediaReader(file).info().timecodeSeconds, 3600 + 1000.0 / kRate, 1e-9);

    TakeFile next(folder / "takes", "deck take", kRate, 0);
    next.put(0, 0.5f);
    EXPECT_EQ(next.finish(), folder / "takes" / "deck take 2.wav") << "nothing is replaced";
    TakeFile none(folder / "takes", "deck take", kRate, 0);
    none.discard();
    EXPECT_EQ(entries(folder / "takes").size(), 2u);
}

TEST(TakeFile, AKilledProgramLeavesWhatItHadKept) {
    const TempFolder folder;
    int ready[2];
    ASSERT_EQ(pipe(ready), 0);
    const pid_t child = fork();
    if (child == 0) {
        TakeFile take(folder.path(), "take", kRate, 0);
        for (int64_t f = 0; f < 30000; ++f) take.put(f, valueAt(f));
        take.keep();
        for (int64_t f = 30000; f < 40000; ++f) take.put(f, valueAt(f));
        if (write(ready[1], "x", 1) != 1) _exit(1);
        pause();
        _exit(0);
    }
    char one;
    ASSERT_EQ(read(ready[0], &one, 1), 1);
    EXPECT_TRUE(TakeFile::recover(folder.path()).empty()) << "it is being recorded";
    kill(child, SIGKILL);
    waitpid(child, nullptr, 0);
    close(ready[0]), close(ready[1]);
    EXPECT_EQ(TakeFile::recover(folder.path()), std::vector{folder / "take 1.wav"});
    const auto sound = mono(folder / "take 1.wav");
    ASSERT_GE(sound.size(), 30000u);
    for (size_t i = 0; i < 30000; ++i) ASSERT_EQ(sound[i], valueAt(int64_t(i))) << i;
    EXPECT_TRUE(TakeFile::recover(folder.path()).empty());
}

TEST(TakeFile, AFullDiskIsSaidAndWhatWasThereStays) {
    const TempFolder folder;
    std::ofstream(folder / "file") << "x";
    EXPECT_THROW(TakeFile(folder / "file", "take", kRate, 0), Error) << "a file stands where the folder should";
}

TEST(Take, ComesBackAtTheFramesThatWereHeard) {
    // The device hears itself 1000 frames late and says so: what is recorded must be what was played, in its place.
    const TempFolder folder;
    AudioBuffer source(1, kRate * 4);
    for (int64_t i = 0; i < source.frames(); ++i) source.channel(0)[size_t(i)] = valueAt(i);
    Player player(hearingItself(makeSilentClock()));
    player.open([&] { return std::make_unique<BufferSource>(source, kRate); });
    EXPECT_TRUE(player.listens());
    player.locate(20000);
    TakeRecorder recorder(std::make_unique<TakeFile>(folder.path(), "take", kRate, 20000), 0, 70000);
    player.keepVoice(recorder.ring());
    player.play();
    ASSERT_TRUE(waitFor([&] { return player.position() > 75000; }));
    player.stop();
    player.keepVoice(nullptr);
    EXPECT_GT(player.takeVoicePeak(), 0.4f);
    const auto kept = recorder.finish();
    EXPECT_EQ(kept.first, 20000);
    EXPECT_EQ(kept.frames, 50000);
    const auto sound = mono(kept.file);
    // A machine that was late leaves holes and fades, but nothing in a wrong place.
    size_t same = 0;
    for (size_t i = 0; i < sound.size(); ++i) same += std::fabs(sound[i] - valueAt(20000 + int64_t(i))) < 1e-6f;
    EXPECT_GT(same, sound.size() / 2);
}

TEST(Take, ACorrectionMovesItEarlier) {
    const TempFolder folder;
    TakeRecorder recorder(std::make_unique<TakeFile>(folder.path(), "take", kRate, 0), 48, 1000);
    for (int64_t f = 0; f < 2000; ++f) recorder.ring()->put(f, float(f));
    const auto sound = mono(recorder.finish().file);
    ASSERT_EQ(sound.size(), 1000u);
    EXPECT_EQ(sound[0], 48);
    EXPECT_EQ(sound[999], 1047);
}

TEST(Take, WhatNobodyTakesInTimeIsCounted) {
    VoiceRing ring;
    for (uint64_t i = 0; i < VoiceRing::kSamples + 10; ++i) ring.put(int64_t(i), 0);
    EXPECT_EQ(ring.lost(), 10u);
    EXPECT_EQ(ring.take().size(), VoiceRing::kSamples);
    EXPECT_TRUE(ring.take().empty());
}

TEST(Take, NothingRecordedLeavesNothing) {
    const TempFolder folder;
    TakeRecorder recorder(std::make_unique<TakeFile>(folder.path(), "take", kRate, 0), 0, 1000);
    EXPECT_THROW(recorder.finish(), Error);
    EXPECT_TRUE(entries(folder.path()).empty());
}

TEST(Lateness, IsFoundToTheSampleThroughARoomAndUnderNoise) {
    const auto sound = hiss(kRate * 2, 1);
    for (const int late : {-300, 0, 1, 777, 20000}) {
        // A direct sound, four echoes, a high-pass, another gain, and noise as loud as the sound.
        auto recorded = hiss(sound.size(), 2);
        const std::pair<int, float> paths[] = {{0, 0.5f}, {211, 0.3f}, {503, -0.2f}, {1201, 0.15f}, {2903, 0.1f}};
        for (const auto& [delay, gain] : paths)
            for (size_t i = 0; i < sound.size(); ++i)
                if (const int64_t from = int64_t(i) - late - delay; from > 0 && from < int64_t(sound.size()))
                    recorded[i] += gain * (sound[size_t(from)] - 0.5f * sound[size_t(from) - 1]);
        EXPECT_EQ(lateness(sound, recorded, 24000), late);
    }
}

TEST(Lateness, IsNotInventedWhereTheSoundIsNotThere) {
    const auto sound = hiss(kRate * 2, 1);
    EXPECT_EQ(lateness(sound, hiss(sound.size(), 3), 24000), std::nullopt);
    EXPECT_EQ(lateness(sound, std::vector<float>(sound.size()), 24000), std::nullopt);
    EXPECT_EQ(lateness({}, {}, 24000), std::nullopt);
}

TEST(LayTake, MutesWhatLiesThereAndKeepsItsPlace) {
    Rebuild r = plainRebuild(20, false);
    const std::string lane = addLane(r, "Voice line");
    const std::string first = layTake(r, lane, "sound-1", 2, 5, 9);
    const Clip one = *std::as_const(r).clip(first);
    EXPECT_EQ(std::tuple(one.at, one.length, one.offset, one.muted), std::tuple(5.0, 4.0, 3.0, false));
    const std::string second = layTake(r, lane, "sound-2", 4, 6, 8);
    const Lane& l = *std::as_const(r).lane(lane);
    ASSERT_EQ(l.clips.size(), 4u) << "the first one in three, and the second";
    double heard = 0;
    for (const Clip& c : l.clips) {
        EXPECT_EQ(c.muted, c.material == "sound-1" && c.at == 6) << c.at;
        if (c.material == "sound-1") {
            EXPECT_NEAR(c.at - c.offset, 2, 1e-9) << "it stays in its place";
        }
        heard += c.muted ? 0 : c.length;
    }
    EXPECT_NEAR(heard, 4, 1e-9);
    EXPECT_EQ(std::as_const(r).clip(second)->offset, 2);
    EXPECT_EQ(layTake(r, "nobody", "sound-3", 0, 1, 2), "");
    EXPECT_EQ(layTake(r, lane, "sound-3", 0, 1, 1), "") << "too short";
}
