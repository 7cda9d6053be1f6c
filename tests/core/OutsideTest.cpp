// A sound goes through a cleaner outside and comes back: found by its sound to the sample, weighed, laid in.
#include <gtest/gtest.h>

#include <fstream>
#include <thread>

#include "Places.h"
#include "StoredReel.h"
#include "core/base/Error.h"
#include "core/base/Resources.h"
#include "core/exchange/LayAnswer.h"
#include "core/isolation/ForeignResult.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/RenderGraph.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const fs::path kDeck = fs::path(test::kSourceFolder) / "demo/reel-1-deck.flac";
const std::string kCleaner = (programFolder() / "rivlen-cleaner").string();

std::string sentenceOf(const std::function<void()>& what) {
    try {
        what();
    } catch (const Error& e) {
        return e.what();
    }
    ADD_FAILURE() << "nothing was thrown";
    return "";
}

struct Outside : testing::Test {
    TempFolder folder;
    Outside() { setenv("XDG_CACHE_HOME", folder.path().c_str(), 1); }
    SentSound send(double handles = 1) {
        MediaReader reader(kDeck);
        return sendSound(reader, "Reel 1", 3, 10, handles, folder / "sent", 3600, {});
    }
    Answer answered(const SentSound& sent, const std::string& ways, const char* name = "answer.wav") {
        return findAnswer(sent.file, runCleaner(kCleaner + " {in} {out} " + ways, sent, folder / name, {}), {});
    }
    static AudioBuffer placed(const SentSound& sent, const Answer& answer, double gain = 0) {
        AnsweredSource source(std::make_shared<MediaReader>(kDeck), answer, sent.begin, gain);
        return source.read(3 * 48000, 7 * 48000);
    }
};

}  // namespace

TEST_F(Outside, WhatIsSentHasItsHandlesAndItsPlaceOnTheClock) {
    const SentSound sent = send();
    EXPECT_EQ(sent.begin, 2);
    MediaReader reader(sent.file), reel(kDeck);
    EXPECT_EQ(reader.frames(), 9 * 48000);
    EXPECT_NEAR(reader.info().timecodeSeconds.value_or(0), 3602, 1e-6);
    EXPECT_LT(differenceDb(reader.read(0, 48000), reel.read(2 * 48000, 48000)), -150);
    EXPECT_EQ(send(20).begin, 0) << "as far as there is any sound";
    EXPECT_EQ(sentName("a/b", "dialogue", 1, 2.5), "a-b dialogue 1.00-2.50");
}

TEST_F(Outside, AnswersAreFoundToTheSampleWhateverBecameOfThem) {
    const SentSound sent = send();
    const Answer plain = answered(sent, "");
    EXPECT_EQ(plain.late(), 0);
    const AudioBuffer expected = placed(sent, plain);
    struct Way {
        const char* words;
        int64_t late;  ///< frames
        double gain, close;
    };
    for (const Way& way :
         {Way{"--late 37.5", 1800, 0, -130}, Way{"--late -250", -12000, 0, -130},
          Way{"--late 12.5 --gain -9", 600, 9, -115}, Way{"--cut 0.5", -24000, 0, -130},
          Way{"--late 100 --rate 44100", 4800, 0, -45}, Way{"--late 100 --rate 96000", 4800, 0, -80}}) {
        const Answer answer = answered(sent, way.words);
        EXPECT_EQ(std::llround(answer.late() * 48000), way.late) << way.words;
        EXPECT_LT(differenceDb(placed(sent, answer, way.gain), expected), way.close) << way.words;
    }
    const Answer lossy = [&] {
        const fs::path file = folder / "answer.mp3";
        return findAnswer(sent.file, runCleaner(kCleaner + " {in} {out} --late 50 --mono", sent, file, {}), {});
    }();
    EXPECT_EQ(lossy.channels, 1);
    EXPECT_NEAR(lossy.late(), 0.05, 1.01 / 48000);
}

TEST_F(Outside, WhatWasNotSentIsRefusedAndMissingEndsStayAsTheyWere) {
    const SentSound sent = send(0);
    const fs::path other = fs::path(test::kSourceFolder) / "demo/reel-2-saloon.flac";
    EXPECT_NE(sentenceOf([&] { findAnswer(sent.file, other, {}); }).find("Nothing of what was sent"),
              std::string::npos);
    writeWav(folder / "six.wav", noise(6, 48000), 48000);
    EXPECT_NE(sentenceOf([&] { findAnswer(sent.file, folder / "six.wav", {}); }).find("6 channels where 2"),
              std::string::npos);
    MediaReader reel(kDeck);
    const AudioBuffer whole = reel.read(3 * 48000, 7 * 48000), came = placed(sent, answered(sent, "--cut 2"));
    EXPECT_LT(differenceDb(came.slice(0, 90000), whole.slice(0, 90000)), -150);
    EXPECT_GT(differenceDb(came.slice(100000, 90000), whole.slice(100000, 90000)), -60);
}

TEST_F(Outside, CommandsThatFailSayWhyAndCancelledOnesLeaveNobodyBehind) {
    const SentSound sent = send();
    const auto failing = [&](const std::string& command) {
        return sentenceOf([&] { runCleaner(command, sent, folder / "o.wav", {}); });
    };
    const std::string why = failing("echo first >&2; echo no licence today >&2; exit 7");
    EXPECT_NE(why.find("code 7"), std::string::npos);
    EXPECT_NE(why.find("no licence today"), std::string::npos);
    EXPECT_NE(failing("true").find("wrote no"), std::string::npos);
    EXPECT_TRUE(fs::exists(runCleaner("cp \"$RIVLEN_IN\" \"$RIVLEN_OUT\"", sent, folder / "it's here.wav", {})));
    Progress progress;
    std::thread later([&] {
        std::this_thread::sleep_for(std::chrono::milliseconds(300));
        progress.cancel();
    });
    const fs::path started = folder / "started";
    EXPECT_THROW(runCleaner("sleep 987 & echo $! > '" + started.string() + "'; sleep 987", sent, folder / "o.wav",
                            progress),
                 Error);
    later.join();
    int child = 0;
    std::ifstream(started) >> child;
    ASSERT_GT(child, 0);
    // What the command started goes with it: it is gone, or waits for its last parent to look at it.
    const auto lives = [child] {
        std::ifstream stat("/proc/" + std::to_string(child) + "/stat");
        std::string number, name, state;
        return stat >> number >> name >> state && state != "Z";
    };
    for (int i = 0; i < 40 && lives(); ++i) std::this_thread::sleep_for(std::chrono::milliseconds(50));
    EXPECT_FALSE(lives());
    EXPECT_EQ(entries(folder / "sent").size(), 1u);
}

TEST_F(Outside, AFolderIsWatchedForTheAnswerAlone) {
    const SentSound sent = send();
    writeWav(folder / "sent/Reel 1 earlier.wav", noise(1, 4800), 48000);
    AnswerWatch watch(folder / "sent", sent);
    const auto wait = [&](double seconds) {
        std::optional<fs::path> file;
        for (int i = 0; i < int(seconds * 20) && !file; ++i) {
            file = watch.look();
            std::this_thread::sleep_for(std::chrono::milliseconds(50));
        }
        return file;
    };
    writeWav(folder / "sent/another.wav", noise(1, 4800), 48000);
    EXPECT_FALSE(wait(1.5)) << "neither what was there nor what is called otherwise";
    std::ofstream growing(folder / "sent/Reel 1 cleaned.wav");
    for (int i = 0; i < 5; ++i) {
        growing << "more" << std::flush;
        EXPECT_FALSE(wait(0.4)) << "it grows";
    }
    const auto file = wait(5);
    ASSERT_TRUE(file);
    EXPECT_EQ(file->filename(), "Reel 1 cleaned.wav");
}

// What came back is measured as Rivlen's own settings are: the recording itself is the recording at Depth 0, and the
// stem itself the stem.
TEST_F(Outside, ResultsFromElsewhereAreWeighedByTheSameMeasures) {
    MediaReader reel(kDeck);
    const int64_t first = 3 * 48000, count = 5 * 48000;
    std::vector<AudioBuffer> stems{reel.read(0, reel.frames()), AudioBuffer(2, reel.frames()),
                                   noise(2, reel.frames(), 0.05f, 9)};
    AudioBuffer whole = sumOf(stems);
    Isolator isolator(2, 48000);
    const int64_t margin = isolator.margin();
    StemBlock block{whole, stems, {}};
    const SpanCells cells =
        isolator.cells(IsolationSettings(), 0, first, block.slice(first - margin, count + 2 * margin));
    Weigher weigher(cells);
    BufferSource itself(whole, 48000), voice(stems[0], 48000);
    const Weighing open = weigher.weigh(strength(0)), same = weigher.weighGains(gainsOf(itself, cells, first, count));
    EXPECT_NEAR(same.spillDb, open.spillDb, 0.01);
    EXPECT_NEAR(same.damage.total, open.damage.total, 0.1);
    EXPECT_NEAR(same.gain, 1, 1e-3);
    const Weighing plain = weigher.weigh(strength(kFullDepth)),
                   alone = weigher.weighGains(gainsOf(voice, cells, first, count));
    EXPECT_LT(alone.spillDb, same.spillDb - 3);
    EXPECT_NEAR(alone.spillDb, plain.spillDb, 3) << "shares are of amplitudes, gains of powers";
    // Half as loud is as clean.
    for (float& v : whole.samples()) v *= 0.5f;
    BufferSource half(whole, 48000);
    const Weighing softer = weigher.weighGains(gainsOf(half, cells, first, count));
    EXPECT_NEAR(softer.gain, 0.5, 1e-3);
    EXPECT_NEAR(softer.spillDb, same.spillDb, 0.01);
    EXPECT_NEAR(softer.damage.total, same.damage.total, 0.1);
}

TEST(LevelMatch, ComparesTheWantedSoundWhereThereIsAny) {
    Weighing own, its;
    own.gain = 0.5, its.gain = 1, own.wantedDb = -17;
    EXPECT_NEAR(levelMatchDb(own, its), -6.02, 0.01);
    its.gain = 1e-4;
    EXPECT_EQ(levelMatchDb(own, its), 24);
    own.wantedDb = -21.5;
    EXPECT_EQ(levelMatchDb(own, its), 0) << "music alone, where dialogue is wanted";
}

TEST(LayAnswer, TakesThePlaceOfTheStemToTheSample) {
    const StoredReel reel;
    const auto materials = std::make_shared<Materials>(reel.material(), true);
    Rebuild r = plainRebuild(double(StoredReel::kFrames) / StoredReel::kRate, false);
    // The answer is the stem itself, 777 frames late and half as loud: the mix must stay the recording.
    AudioBuffer late(2, StoredReel::kFrames + 777);
    const auto dialogue = materials->open("dialogue", r);
    const AudioBuffer own = dialogue->read(0, StoredReel::kFrames);
    for (int c = 0; c < late.channels(); ++c)
        for (int64_t i = 0; i < own.frames(); ++i)
            late.channel(c)[size_t(i + 777)] = 0.5f * own.channel(std::min(c, own.channels() - 1))[size_t(i)];
    Answer answer;
    answer.file = answer.sound = reel.folder / "late.wav";
    writeWav(answer.file, late, StoredReel::kRate);
    const double rate = StoredReel::kRate;
    answer.stretches = {{777 / rate, double(late.frames()) / rate, -777 / rate, true, 1}};
    const SentSound sent{"", 0.5, 2, 0};
    RenderGraph before(r, materials, {1, 2});
    before.seek(0, 0);
    const AudioBuffer was = before.next(StoredReel::kFrames);
    const std::string id = layAnswer(r, answer, sent, StoredReel::kRate, 0, 20 * std::log10(2.0));
    ASSERT_EQ(r.lane(id)->clips.size(), 1u);
    EXPECT_EQ(r.lane(id)->clips[0].at, 0.5);
    EXPECT_NEAR(r.lane(id)->clips[0].offset, 0.5 + 777 / rate, 1e-9);
    EXPECT_EQ(r.lane(id)->stem, 0);
    EXPECT_EQ(std::as_const(r).lanes[0]->clips.size(), 2u) << "the span is cut out of Rivlen's own";
    RenderGraph after(r, materials, {1, 2});
    after.seek(0, 0);
    EXPECT_LT(differenceDb(after.next(StoredReel::kFrames), was), -100);
    answer.stretches = {{0, 0.3, 0, true, 1}};
    EXPECT_THROW(layAnswer(r, answer, sent, StoredReel::kRate, 0, 0), Error);
}
