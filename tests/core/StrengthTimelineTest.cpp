// Strength over time: regions, drawn values, and what the isolator makes of them.
#include "core/isolation/StrengthTimeline.h"

#include <gtest/gtest.h>

#include <random>

#include "Support.h"
#include "core/base/Error.h"
#include "core/isolation/Isolator.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

IsolationSettings depth(double db) {
    IsolationSettings s;
    s.depth = db;
    return s;
}

StrengthRegion region(double from, double to, double db, double fade = 0.2) { return {"", from, to, fade, depth(db)}; }

double weightOf(const StrengthTimeline& timeline, double seconds, double db) {
    double sum = 0;
    for (const auto& [s, w] : timeline.at(seconds)) sum += s.depth == db ? w : 0;
    return sum;
}

}  // namespace

TEST(StrengthTimeline, ARegionFadesInAndOutAroundItsBorders) {
    StrengthTimeline timeline(depth(6));
    timeline.regions = {region(2, 4, 20)};
    EXPECT_DOUBLE_EQ(weightOf(timeline, 1.89, 20), 0);
    EXPECT_NEAR(weightOf(timeline, 2.0, 20), 0.5, 1e-9);
    EXPECT_NEAR(weightOf(timeline, 2.05, 20), 0.75, 1e-9);
    EXPECT_DOUBLE_EQ(weightOf(timeline, 3, 20), 1);
    EXPECT_NEAR(weightOf(timeline, 4.0, 6), 0.5, 1e-9);
    EXPECT_DOUBLE_EQ(weightOf(timeline, 4.11, 6), 1);
}

TEST(StrengthTimeline, BetweenTouchingRegionsNothingElseShinesThrough) {
    StrengthTimeline timeline(depth(6));
    timeline.regions = {region(2, 4, 20, 1.0), region(4, 5, 30, 0.2)};
    for (double t = 3.2; t < 4.6; t += 0.01)
        EXPECT_NEAR(weightOf(timeline, t, 20) + weightOf(timeline, t, 30), 1, 1e-9) << t;
    EXPECT_NEAR(weightOf(timeline, 4, 20), 0.5, 1e-9);
}

TEST(StrengthTimeline, WeightsAlwaysSumToOne) {
    std::mt19937 random(4);
    std::uniform_real_distribution<double> at(0, 10), fade(kShortestFade, kLongestFade);
    for (int round = 0; round < 50; ++round) {
        StrengthTimeline timeline(depth(6));
        for (int i = 0; i < 6; ++i) {
            const double from = at(random);
            placeRegion(timeline, region(from, from + 0.1 + at(random) / 4, 10 + i, fade(random)));
        }
        for (double t = -1; t < 14; t += 0.013) {
            double sum = 0;
            for (const auto& [s, w] : timeline.at(t)) {
                EXPECT_GE(w, 0);
                sum += w;
            }
            ASSERT_NEAR(sum, 1, 1e-9);
        }
    }
}

TEST(StrengthTimeline, DrawnValuesReplaceTheReelsOwnButNotARegions) {
    StrengthTimeline timeline(depth(6));
    timeline.drawn["depth_db"] = {{1, 10}, {3, 20}};
    timeline.regions = {region(5, 6, 30)};
    EXPECT_DOUBLE_EQ(timeline.at(0)[0].first.depth, 10);
    EXPECT_DOUBLE_EQ(timeline.at(1.5)[0].first.depth, 12.5);
    EXPECT_DOUBLE_EQ(timeline.at(4)[0].first.depth, 20);
    EXPECT_DOUBLE_EQ(timeline.at(5.5)[0].first.depth, 30);
    EXPECT_NEAR(timeline.levels(1.5).back, std::pow(10, -12.5 / 20), 1e-12);
}

TEST(StrengthTimeline, ANewRegionTakesItsPlaceFromOthers) {
    StrengthTimeline timeline;
    placeRegion(timeline, region(1, 5, 10));
    EXPECT_EQ(placeRegion(timeline, region(2, 3, 20)), 1);
    ASSERT_EQ(timeline.regions.size(), 3u);
    EXPECT_EQ(timeline.regions[0].to, 2);
    EXPECT_EQ(timeline.regions[2].from, 3);
    EXPECT_EQ(timeline.regions[2].settings.depth, 10);
    EXPECT_EQ(placeRegion(timeline, region(0.5, 5.02, 30)), 0);
    EXPECT_EQ(timeline.regions.size(), 1u) << "what is left of the others is too short to be heard";
    EXPECT_THROW(placeRegion(timeline, region(7, 7.01, 30)), Error);
}

TEST(StrengthTimeline, SurvivesItsFileFormat) {
    StrengthTimeline timeline(depth(9));
    timeline.base.balance = 6;
    timeline.drawn["firmness"] = {{0, -50}, {2.5, 80}};
    timeline.regions = {region(1, 2, kFullDepth, 0.3)};
    timeline.regions[0].name = "Cable car";
    EXPECT_EQ(timelineFromJson(toJson(timeline)), timeline);
    for (const char* bad :
         {R"({"drawn":{"firmness":[[0,900]]}})", R"({"drawn":{"wetness":[[0,1]]}})",
          R"({"drawn":{"firmness":[[2,1],[1,1]]}})", R"({"regions":[{"from":2,"to":1,"isolation":{}}]})",
          R"({"regions":[{"from":0,"to":2,"isolation":{}},{"from":1,"to":3,"isolation":{}}]})",
          R"({"regions":[{"from":0,"to":2,"fade":99,"isolation":{}}]})"})
        EXPECT_THROW(timelineFromJson(nlohmann::json::parse(bad)), Error) << bad;
}

// ---- what becomes of the sound ----

namespace {

constexpr int kRate = 48000;

/// A voice with its room, music and ambience, with a margin around `frames`.
struct Scene {
    int64_t frames = 3 * kRate;
    Isolator isolator{2, kRate};
    int64_t margin = isolator.margin();
    StemBlock block;

    Scene() {
        const int64_t all = frames + 2 * margin;
        block.stems = {sine(300, 0.3, kRate, all, 2), sine(1200, 0.1, kRate, all, 2), noise(2, all, 0.02f)};
        block.room = sine(620, 0.05, kRate, all, 2);
        block.source = AudioBuffer(2, all);
        for (size_t i = 0; i < block.source.samples().size(); ++i) {
            block.stems[0].samples()[i] += block.room.samples()[i];
            block.source.samples()[i] =
                block.stems[0].samples()[i] + block.stems[1].samples()[i] + block.stems[2].samples()[i];
        }
    }
    Isolator::Isolated apply(const StrengthTimeline& timeline, int wanted = 0) {
        return isolator.apply(timeline, wanted, 0, block);
    }
    /// Level of one frequency in [from, to) seconds.
    static double level(const AudioBuffer& x, double hz, double from, double to) {
        std::complex<double> sum = 0;
        const int64_t a = int64_t(from * kRate), b = int64_t(to * kRate);
        for (int64_t i = a; i < b; ++i)
            sum += double(x.channel(0)[size_t(i)]) * std::polar(1.0, -2 * std::numbers::pi * hz * double(i) / kRate);
        return toDb(2 * std::abs(sum) / double(b - a));
    }
    double residual(const std::vector<AudioBuffer>& stems) const {
        double worst = 0;
        for (int c = 0; c < 2; ++c)
            for (int64_t i = 0; i < frames; ++i) {
                double sum = 0;
                for (const auto& s : stems) sum += double(s.channel(c)[size_t(i)]);
                worst = std::max(worst, std::fabs(sum - double(block.source.channel(c)[size_t(i + margin)])));
            }
        return toDb(worst);
    }
};

}  // namespace

TEST(StrengthOverTime, StemsSumToTheSourceWhateverChanges) {
    Scene scene;
    std::mt19937 random(7);
    const auto any = [&](double low, double high) { return std::uniform_real_distribution<double>(low, high)(random); };
    const auto settings = [&] {
        IsolationSettings s;
        for (const auto& p : isolationParameters()) s.*p.value = std::round(any(p.minimum, p.maximum));
        s.bandBias = {{100, any(-100, 100)}, {4000, any(-100, 100)}};
        return s;
    };
    for (int round = 0; round < 4; ++round) {
        StrengthTimeline timeline(settings());
        for (const auto& p : isolationParameters())
            if (any(0, 1) < 0.5)
                timeline.drawn[p.id] = {{0.5, any(p.minimum, p.maximum)}, {2, any(p.minimum, p.maximum)}};
        placeRegion(timeline, {"", 0.4, 1.1, any(0.01, 0.5), settings()});
        placeRegion(timeline, {"", 1.1, 1.7, any(0.01, 0.5), settings()});
        for (int wanted : {0, 1}) EXPECT_LT(scene.residual(scene.apply(timeline, wanted).stems), -120) << round;
    }
}

TEST(StrengthOverTime, ARegionHasItsOwnDepthWithoutAStep) {
    Scene scene;
    StrengthTimeline timeline(depth(kFullDepth));
    timeline.regions = {region(1, 2, 0, 0.1)};
    const auto out = scene.apply(timeline);
    EXPECT_LT(Scene::level(out.stems[0], 1200, 0.2, 0.8), -100);
    EXPECT_NEAR(Scene::level(out.stems[0], 1200, 1.2, 1.8), -20, 0.05);
    double steepest = 0;
    for (size_t i = 1; i < size_t(scene.frames); ++i) {
        const auto noiseless = [&](size_t n) {
            return double(out.stems[0].channel(0)[n]) - double(scene.block.source.channel(0)[n + size_t(scene.margin)]);
        };
        steepest = std::max(steepest, std::fabs(noiseless(i) - noiseless(i - 1)));
    }
    // What is taken away is at most 0.1 at 1200 Hz and noise of 0.02 (some 0.08 at its peaks): its slope, and the
    // fade's over 0.1 s.
    EXPECT_LT(steepest, 0.1 * 2 * std::numbers::pi * 1200 / kRate + 2 * 0.1 + 0.2 / (0.1 * kRate));
}

TEST(StrengthOverTime, TheAnswerDoesNotDependOnTheBlocks) {
    Scene scene;
    StrengthTimeline timeline;
    timeline.base.firmness = 40;
    timeline.base.roomKeep = 30;
    timeline.drawn["depth_db"] = {{0.2, 3}, {2.6, 40}};
    timeline.regions = {region(0.9, 1.4, 12, 0.3)};
    timeline.regions[0].settings.steadiness = 60;
    const auto whole = scene.apply(timeline).result;
    Isolator walking(2, kRate);
    walking.keepFrames();
    for (int64_t at = 0; at + 4000 <= scene.frames; at += 4000) {
        const auto part = walking.apply(timeline, 0, at, scene.block.slice(at, 4000 + 2 * scene.margin)).result;
        EXPECT_LT(differenceDb(part, whole.slice(at, 4000)), -110) << at;
    }
}

TEST(StrengthOverTime, RoomKeepGivesTheRoomToTheAmbience) {
    Scene scene;
    IsolationSettings s;
    s.roomKeep = 50;
    auto half = scene.apply(s);
    EXPECT_NEAR(Scene::level(half.stems[0], 620, 0.5, 2.5), toDb(0.025), 0.1);
    EXPECT_NEAR(Scene::level(half.stems[2], 620, 0.5, 2.5), toDb(0.025), 0.3);
    s.roomKeep = 0;
    EXPECT_LT(Scene::level(scene.apply(s).stems[0], 620, 0.5, 2.5), -80);
    EXPECT_NEAR(Scene::level(scene.apply(s, 1).stems[0], 620, 0.5, 2.5), toDb(0.05), 0.1)
        << "it is the voice's room: the music's strength leaves it alone";
    scene.block.room = {};
    EXPECT_NEAR(Scene::level(scene.apply(s).stems[0], 620, 0.5, 2.5), toDb(0.05), 0.1) << "not known: left as it is";
}

TEST(StrengthOverTime, BalanceMovesTheResultAlone) {
    Scene scene;
    IsolationSettings s = depth(6);
    const auto plain = scene.apply(s);
    s.balance = 12;
    const auto balanced = scene.apply(s);
    for (size_t i = 0; i < 3; ++i) EXPECT_LT(differenceDb(plain.stems[i], balanced.stems[i]), -120);
    EXPECT_NEAR(Scene::level(balanced.result, 300, 0.5, 2.5) - Scene::level(plain.result, 300, 0.5, 2.5), 6, 0.01);
    EXPECT_NEAR(Scene::level(balanced.result, 1200, 0.5, 2.5) - Scene::level(plain.result, 1200, 0.5, 2.5), -6, 0.01);
}
