#include "core/learning/LearnProcess.h"

#include <gtest/gtest.h>

#include <chrono>

#include "Places.h"
#include "Support.h"
#include "core/learning/MarkedSounds.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const fs::path kDeck = fs::path(test::kSourceFolder) / "demo" / "reel-1-deck.flac";

SceneSounds deck() { return sceneSounds({{kDeck, "ambience", 0, 3}}, 48000); }

LearnSettings two() {
    LearnSettings s;
    s.steps = 2;
    s.batch = 1;
    s.seconds = 1;
    return s;
}

}  // namespace

TEST(LearnProcess, LearnsApartAndTheSameAgain) {
    const NetworkCard card = findNetwork("");
    Progress progress;
    std::vector<double> seen;
    progress.onProgress = [&](double f) { seen.push_back(f); };
    const SceneOutcome a = learnApart(card, deck(), progress, two()), b = learnApart(card, deck(), {}, two());
    EXPECT_FALSE(a.reason.empty());
    EXPECT_EQ(a.kept, b.kept);
    EXPECT_EQ(a.gainDb, b.gainDb);
    EXPECT_EQ(a.changes, b.changes);
    EXPECT_TRUE(a.gainDb.contains("dialogue") && a.gainDb.contains("ambience"));
    EXPECT_TRUE(std::is_sorted(seen.begin(), seen.end()));
    EXPECT_GT(seen.size(), 10u);
}

TEST(LearnProcess, EndsWithinAFifthOfASecondWhenCancelled) {
    Progress progress;
    std::chrono::steady_clock::time_point asked;
    progress.onProgress = [&](double f) {
        if (f > 0.05 && !progress.cancelled()) {
            asked = std::chrono::steady_clock::now();
            progress.cancel();
        }
    };
    try {
        learnApart(findNetwork(""), deck(), progress);
        FAIL() << "was not cancelled";
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::Cancelled);
    }
    // Tests are not timed: a busy machine may take longer, but not as long as a step and the rest would.
    EXPECT_LT(std::chrono::steady_clock::now() - asked, std::chrono::seconds(5));
}

TEST(LearnProcess, ANetworkWithoutALessonCannotLearn) {
    NetworkCard card = NetworkCard::load(fs::path(test::kSourceFolder) / "tests" / "data" / "networks" / "halves.json");
    try {
        learnApart(card, deck(), {}, two());
        FAIL();
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("cannot learn from a scene"), std::string::npos) << e.what();
    }
}

TEST(MarkedSounds, AreCutBroughtToOneRateAndCountOfChannels) {
    const TempFolder folder;
    writeWav(folder / "mono.wav", noise(1, 44100 * 4), 44100);
    const SoundsByStem both = markedSounds(
        {{kDeck, "ambience", 1, 2.5}, {folder / "mono.wav", "dialogue", 0.5, 9}, {kDeck, "ambience", 4, 5}}, 48000);
    ASSERT_EQ(both[2].size(), 2u);
    ASSERT_EQ(both[0].size(), 1u);
    EXPECT_EQ(both[0][0].channels(), both[2][0].channels());
    EXPECT_NEAR(double(both[2][0].frames()), 1.5 * 48000, 4);
    EXPECT_NEAR(double(both[0][0].frames()), 3.5 * 48000, 4) << "it ends with the recording";
    EXPECT_TRUE(both[1].empty());
    EXPECT_THROW(markedSounds({{folder / "mono.wav", "dialogue", 5, 6}}, 48000), Error);
    EXPECT_THROW(markedSounds({{folder / "mono.wav", "dialogue", 2, 1}}, 48000), Error);
}

TEST(MarkedSounds, StretchesLieBesideTheSpans) {
    const TempFolder folder;
    AudioBuffer x(1, 48000 * 20);  // its level says where a stretch was
    for (int64_t i = 0; i < x.frames(); ++i) x.channel(0)[size_t(i)] = float(i) / float(48000 * 40);
    writeWav(folder / "ramp.wav", x, 48000);
    const auto stretches = stretchesBeside({{folder / "ramp.wav", "ambience", 4, 11}}, 48000, 2);
    ASSERT_GE(stretches.size(), 3u);
    for (const AudioBuffer& s : stretches) {
        EXPECT_EQ(s.channels(), 2);
        const double from = double(s.channel(0)[0]) * 40, to = double(s.channel(0).back()) * 40;
        EXPECT_TRUE(to <= 4.01 || from >= 10.99) << from << " to " << to;
    }
}

TEST(SceneLibrary, HasVoicesMusicAndPlaces) {
    const SoundsByStem library = sceneLibrary(48000, 1);
    EXPECT_EQ(library[0].size(), 32u);
    EXPECT_EQ(library[1].size(), 16u);
    EXPECT_EQ(library[2].size(), 16u);
    for (const auto& sounds : library)
        for (const AudioBuffer& sound : sounds) {
            EXPECT_NEAR(double(sound.frames()), 8 * 48000, 4800);
            EXPECT_GT(levelDb(sound), -40);
        }
}
