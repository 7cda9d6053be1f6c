#include <gtest/gtest.h>

#include <fstream>
#include <future>

#include "Support.h"
#include "core/base/Error.h"
#include "core/delivery/StemFiles.h"
#include "core/jobs/JobQueue.h"
#include "core/media/MediaReader.h"
#include "core/separation/StemStore.h"
#include "core/spectral/OwnershipPicture.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(JobQueue, RunsInOrderAndReportsHowItEnded) {
    JobQueue queue;
    std::vector<int> order;
    std::promise<void> all;
    std::vector<std::string> errors;
    const auto finished = [&](const JobQueue::Outcome& o) { errors.push_back(o.error); };
    queue.submit(
        "one",
        [&](Progress& p) {
            p.report(0.5);
            order.push_back(1);
        },
        finished);
    queue.submit(
        "two",
        [&](Progress&) {
            order.push_back(2);
            throw Error(Error::Kind::Other, "It broke.");
        },
        finished);
    queue.submit(
        "three", [&](Progress&) { order.push_back(3); },
        [&](const JobQueue::Outcome& o) {
            finished(o);
            all.set_value();
        });
    all.get_future().wait();
    EXPECT_EQ(order, (std::vector<int>{1, 2, 3}));
    EXPECT_EQ(errors, (std::vector<std::string>{"", "It broke.", ""}));
}

TEST(JobQueue, CancelsRunningAndWaitingJobs) {
    std::promise<void> running, ended;
    bool cancelledRunning = false, ranSecond = false, cancelledSecond = false;
    JobQueue queue;
    const int first = queue.submit(
        "first",
        [&](Progress& p) {
            running.set_value();
            while (true) p.throwIfCancelled();
        },
        [&](const JobQueue::Outcome& o) { cancelledRunning = o.cancelled; });
    const int second = queue.submit(
        "second", [&](Progress&) { ranSecond = true; },
        [&](const JobQueue::Outcome& o) {
            cancelledSecond = o.cancelled;
            ended.set_value();
        });
    running.get_future().wait();
    ASSERT_EQ(queue.status().size(), 2u);
    EXPECT_TRUE(queue.status()[0].running);
    queue.cancel(second);
    queue.cancel(first);
    ended.get_future().wait();
    EXPECT_TRUE(cancelledRunning);
    EXPECT_TRUE(cancelledSecond);
    EXPECT_FALSE(ranSecond);
}

TEST(StemStore, ReadersFollowTheWriterAndFindItAgain) {
    const TempFolder folder;
    const fs::path place = folder / "store";
    const std::vector<AudioBuffer> stems = {noise(2, 5000, 0.1f, 1), noise(2, 5000, 0.1f, 2), noise(2, 5000, 0.1f, 3)};
    auto store = StemStore::create(place, {{"dialogue", "music", "ambience"}, 48000, 2, 5000});
    auto reader = store->open(1);
    std::vector<AudioBuffer> half;
    for (const auto& s : stems) half.push_back(s.slice(0, 3000));
    store->append(half);
    EXPECT_EQ(store->available(), 3000);
    EXPECT_LE(differenceDb(reader->read(100, 2000), stems[1].slice(100, 2000)), kSilenceDb);
    EXPECT_LE(peakOf(reader->read(3000, 1000).samples()), 0.0f);
    EXPECT_EQ(StemStore::openFinished(place), nullptr) << "unfinished stores are not used";
    half.clear();
    for (const auto& s : stems) half.push_back(s.slice(3000, 2000));
    store->append(half);
    store->finish();
    const auto again = StemStore::openFinished(place);
    ASSERT_TRUE(again);
    EXPECT_EQ(again->stemIndex("ambience"), 2);
    EXPECT_EQ(again->stemIndex("drums"), -1);
    EXPECT_LE(differenceDb(again->open(2)->read(-10, 5020), stems[2].slice(-10, 5020)), kSilenceDb);
    EXPECT_EQ(again->levels().row(0), store->levels().row(0));
    fs::resize_file(place / "music.f32", 100);
    EXPECT_EQ(StemStore::openFinished(place), nullptr) << "a damaged store is made again";
}

TEST(StemStore, KeepsTheRoomBesideAndSkipsWhatIsNotThere) {
    const TempFolder folder;
    const std::vector<AudioBuffer> stems = {noise(1, 1000, 0.1f, 1), noise(1, 1000, 0.1f, 2)};
    const AudioBuffer room = noise(1, 1000, 0.01f, 3);
    {
        auto store = StemStore::create(folder / "store", {{"dialogue", "music"}, 48000, 1, 480000, true});
        store->skip(200000);
        store->append(StemBlock{{}, stems, room});
        EXPECT_EQ(store->available(), 201000);
        store->skip(480000 - store->available());
        store->finish();
    }
    const auto store = StemStore::openFinished(folder / "store");
    ASSERT_TRUE(store && store->shape().room);
    auto readers = store->openAll();
    ASSERT_TRUE(readers.room);
    BufferSource source(AudioBuffer(1, 480000), 48000);
    const StemBlock block = readers.read(source, 199500, 2000);
    EXPECT_LE(differenceDb(block.stems[1].slice(500, 1000), stems[1]), kSilenceDb);
    EXPECT_LE(differenceDb(block.room.slice(500, 1000), room), kSilenceDb);
    EXPECT_EQ(peakOf(block.stems[0].slice(0, 500).samples()), 0.0f);
    EXPECT_EQ(peakOf(block.room.slice(1500, 500).samples()), 0.0f);
    EXPECT_EQ(peakOf(readers.read(source, 400000, 80000).stems[0].samples()), 0.0f);
}

TEST(LevelTrack, GivesMeanSquaresOfSpans) {
    LevelTrack track(1);
    AudioBuffer x(1, 4096);
    for (int64_t i = 0; i < 4096; ++i) x.channel(0)[size_t(i)] = i < 2048 ? 0.5f : 0.0f;
    for (int64_t at = 0; at < 4096; at += 100) {
        const AudioBuffer part = x.slice(at, std::min<int64_t>(100, 4096 - at));
        track.add(std::span(&part, 1));
    }
    track.finish();
    EXPECT_EQ(track.blocks(), 4);
    EXPECT_FLOAT_EQ(track.meanSquare(0, 0, 2048), 0.25f);
    EXPECT_FLOAT_EQ(track.meanSquare(0, 0, 4096), 0.125f);
    EXPECT_FLOAT_EQ(track.loudest(0, 0, 4096), 0.25f);
    EXPECT_FLOAT_EQ(track.meanSquare(0, 9000, 9100), 0.0f);
}

TEST(OwnershipPicture, ShowsWhoOwnsATone) {
    const int rate = 48000;
    BufferSource low(sine(300, 0.5, rate, rate), rate), high(sine(3000, 0.5, rate, rate), rate),
        none(AudioBuffer(1, rate), rate);
    AudioBuffer both = sine(300, 0.5, rate, rate);
    const AudioBuffer upper = high.read(0, rate);
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += upper.samples()[i];
    BufferSource source(both, rate);
    const int rows = 200;
    const auto picture = paintOwnership(source, {&low, &high, &none}, 0, rate, 10, rows, Progress());
    const auto rowOf = [&](double hz) {
        for (int r = 0; r < rows; ++r)
            if (pictureFrequency((r + 1.0) / rows, rate) <= hz) return r;
        return rows - 1;
    };
    EXPECT_GT(picture.shareAt(0, 5, rowOf(300)), 0.98f);
    EXPECT_GT(picture.shareAt(1, 5, rowOf(3000)), 0.98f);
    EXPECT_NEAR(picture.levelAt(5, rowOf(3000)), 20 * std::log10(0.5), 1.5) << "scalloping of a Hann window at most";
    for (int s = 0; s < 3; ++s) EXPECT_GE(picture.shareAt(s, 3, 100), 0.0f);
}

TEST(StemFiles, WriteNothingUntilFinished) {
    const TempFolder folder;
    const StemFiles::Target target{folder.path(), "scene", {}, false};
    {
        StemFiles files(target, {"dialogue", "music"}, 48000, 1, {});
        files.add(noise(1, 100000), {noise(1, 100000), AudioBuffer(1, 100000)});
    }
    EXPECT_TRUE(fs::is_empty(folder.path()));
    IsolationSettings s;
    s.stem = "drums";  // no such stem to be given what the others lose
    s.depth = 10;
    EXPECT_THROW(StemFiles(target, {"dialogue", "music"}, 48000, 1, s), Error);
}

TEST(StemFiles, WritesTheResultWithItsBalanceBesideStemsThatStillSum) {
    const TempFolder folder;
    const AudioBuffer voice = sine(1000, 0.25, 48000, 48000), rest = sine(200, 0.1, 48000, 48000),
                      x = sumOf({voice, rest});
    IsolationSettings s;
    s.depth = 20;
    s.balance = 6;
    StemFiles files({folder.path(), "scene", {}, false, true}, {"dialogue", "music"}, 48000, 1, s);
    files.add(x, {voice, rest});
    EXPECT_LT(files.finish().residualDbfs, -120);
    MediaReader result(folder / "scene.result.wav");
    AudioBuffer expected = voice;
    for (size_t i = 0; i < x.samples().size(); ++i)
        expected.samples()[i] = float(fromDb(3) * voice.samples()[i] + fromDb(-3) * fromDb(-20) * rest.samples()[i]);
    EXPECT_LT(differenceDb(result.read(0, 48000), expected), -90) << "24 bits";
}

TEST(StemFiles, ReportsWhatIsInTheFiles) {
    const TempFolder folder;
    const AudioBuffer voice = sine(1000, 0.5, 48000, 96000), rest = sine(200, 0.1, 48000, 96000);
    AudioBuffer x = voice;
    for (size_t i = 0; i < x.samples().size(); ++i) x.samples()[i] += rest.samples()[i];
    IsolationSettings s;
    s.depth = 12;
    StemFiles files({folder.path(), "scene", {}, false}, {"dialogue", "music"}, 48000, 1, s);
    for (int64_t at = 0; at < 96000; at += 7000) {
        const int64_t n = std::min<int64_t>(7000, 96000 - at);
        files.add(x.slice(at, n), {voice.slice(at, n), rest.slice(at, n)});
    }
    const StemReport report = files.finish();
    EXPECT_LT(report.residualDbfs, -120);
    EXPECT_NEAR(report.stems[0].peakDbfs, toDb(0.5 + 0.1 * fromDb(-12)), 0.2);
    MediaReader dialogue(folder / "scene.dialogue.wav"), music(folder / "scene.music.wav");
    AudioBuffer sum = dialogue.read(0, 96000);
    const AudioBuffer other = music.read(0, 96000);
    for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += other.samples()[i];
    EXPECT_EQ(dialogue.frames(), 96000);
    EXPECT_LT(differenceDb(sum, x), -120);
}
