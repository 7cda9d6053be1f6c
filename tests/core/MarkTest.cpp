#include "core/session/Mark.h"

#include <gtest/gtest.h>

#include "Support.h"
#include "core/base/Error.h"
#include "core/session/Conform.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

/// Levels of stems that sound in turns, in seconds from - to with a gain, over a floor.
struct Turns {
    LevelTrack stems{3}, source{1};
    int64_t frames = 0;

    explicit Turns(const std::vector<std::array<double, 4>>& turns) {  // seconds, gain of each stem
        for (const auto& [seconds, a, b, c] : turns) {
            std::vector<AudioBuffer> parts;
            AudioBuffer sum(1, int64_t(seconds * kRate) / LevelTrack::kBlock * LevelTrack::kBlock);
            for (const double gain : {a, b, c}) {
                parts.push_back(noise(1, sum.frames(), float(gain), unsigned(parts.size() + 1)));
                for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += parts.back().samples()[i];
            }
            stems.add(parts);
            source.add(std::span(&sum, 1));
            frames += sum.frames();
        }
    }
    std::vector<Mark> proposed(const std::vector<Mark>& known = {}) {
        return proposedMarks(stems, source, kRate, frames, known);
    }
};

}  // namespace

TEST(Mark, IsSavedAndComesBackAndNonsenseIsRefused) {
    const std::vector<Mark> marks{{"ambience", 1, 2.5}, {"dialogue", 3, 4}};
    EXPECT_EQ(marksFromJson(toJson(marks)), marks);
    for (const char* bad :
         {R"([{"stem": "choir", "from": 1, "to": 2}])", R"([{"stem": "music", "from": 2, "to": 2.1}])",
          R"([{"stem": "music", "from": -1, "to": 2}])"})
        EXPECT_THROW(marksFromJson(nlohmann::json::parse(bad)), Error) << bad;
    Session s;
    const TempFolder folder;
    s.reels.push_back(makeReel(s, folder / "a.wav"));
    s.reels[0].marks = marks;
    saveSession(s, folder / "s.rivlen");
    EXPECT_EQ(loadSession(folder / "s.rivlen").reels[0].marks, marks);
    const std::string wrong = R"({"format": "rivlen-session", "version": 4, "reels": [{"id": "r", "name": "A",
        "source": "a.wav", "marks": [{"stem": "music", "from": 5, "to": 1}]}]})";
    try {
        parseSession(wrong, folder / "w.rivlen");
        FAIL();
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("w.rivlen"), std::string::npos) << e.what();
        EXPECT_NE(std::string(e.what()).find("a mark from 5 to 1 s"), std::string::npos) << e.what();
    }
}

TEST(Mark, TheSameStemsGrowTogetherAndOthersGiveWay) {
    std::vector<Mark> marks;
    placeMark(marks, {"ambience", 10, 20});
    placeMark(marks, {"ambience", 18, 25});
    EXPECT_EQ(marks, (std::vector<Mark>{{"ambience", 10, 25}}));
    placeMark(marks, {"music", 14, 16});
    EXPECT_EQ(marks, (std::vector<Mark>{{"ambience", 10, 14}, {"music", 14, 16}, {"ambience", 16, 25}}));
    placeMark(marks, {"dialogue", 9, 13.9});
    EXPECT_EQ(marks, (std::vector<Mark>{{"dialogue", 9, 13.9}, {"music", 14, 16}, {"ambience", 16, 25}}))
        << "a tenth of a second is no mark";
}

TEST(Mark, FollowsItsSoundIntoANewerVersion) {
    Reel reel;
    reel.marks = {{"ambience", 2, 6}, {"music", 8, 9}};
    // The newer version begins at second 4 of the older one and lacks what came after 8.5 s.
    const Conformed newer = conform(reel, {{0, 4.5, 4, true, 1}, {4.5, 6, 0, false, 0}});
    EXPECT_EQ(newer.reel.marks, (std::vector<Mark>{{"ambience", 0, 2}, {"music", 4, 4.5}}));
}

TEST(Mark, IsProposedWhereOneStemIsAlone) {
    Turns turns({{3, 0.1, 1e-4, 1e-4},
                 {3, 0.1, 0.05, 1e-4},
                 {1, 1e-4, 1e-4, 0.1},
                 {4, 1e-4, 1e-4, 0.05},
                 {3, 1e-6, 1e-6, 1e-5},
                 {2, 1e-5, 0.2, 1e-5}});
    const auto all = turns.proposed();
    ASSERT_EQ(all.size(), 3u);
    const auto of = [&](const char* stem) {
        return *std::find_if(all.begin(), all.end(), [&](const Mark& m) { return m.stem == stem; });
    };
    EXPECT_EQ(of("dialogue").from, 0);
    EXPECT_NEAR(of("dialogue").to, 3, 0.3);
    EXPECT_NEAR(of("ambience").from, 6, 0.3);
    EXPECT_NEAR(of("ambience").to, 11, 0.3);
    EXPECT_NEAR(of("music").from, 14, 0.3);
    EXPECT_EQ(all.front().stem, "music") << "the clearest first";
    EXPECT_EQ(turns.proposed({{"ambience", 7, 8}}).size(), 2u) << "where there is a mark nothing is proposed";
}

TEST(Mark, IsNotProposedOfWhatIsSharedSoftOrShort) {
    EXPECT_TRUE(Turns({{4, 0.1, 0.02, 1e-4}}).proposed().empty()) << "14 dB is not alone";
    EXPECT_TRUE(Turns({{4, 1e-4, 1e-7, 1e-7}}).proposed().empty()) << "-80 dBFS";
    EXPECT_TRUE(Turns({{1, 0.1, 1e-4, 1e-4}, {1, 0.1, 0.1, 0.1}}).proposed().empty()) << "a second";
    const auto long_ = Turns({{60, 1e-4, 1e-4, 0.1}}).proposed();
    EXPECT_EQ(long_.size(), 3u) << "three of a stem";
    for (const Mark& m : long_) EXPECT_LE(m.to - m.from, 12.01);
}

TEST(Mark, TellsWhatTheSplitLeftElsewhere) {
    const Turns turns({{2, 0.001, 1e-6, 0.1}, {2, 0.1, 0.1, 1e-6}, {2, 0, 0, 0}});
    EXPECT_NEAR(*leakDb(turns.stems, kRate, {"ambience", 0.2, 1.8}), -40, 0.5);
    EXPECT_NEAR(*leakDb(turns.stems, kRate, {"dialogue", 2.2, 3.8}), -3, 0.2);
    EXPECT_FALSE(leakDb(turns.stems, kRate, {"music", 4.5, 5.5})) << "silence says nothing";
}
