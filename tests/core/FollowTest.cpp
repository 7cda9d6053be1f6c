// Pan that follows the picture: an object on a known way, and the curve that is made of it.
#include <gtest/gtest.h>

#include <cmath>
#include <cstdlib>
#include <numbers>

#include "MovingClip.h"
#include "Support.h"
#include "core/base/Error.h"
#include "core/following/PanFromPath.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

PictureBox boxAt(const MovingClip& clip, double t) {
    const double r = MovingClip::radiusAt(t), high = r * clip.width / clip.height;
    return {MovingClip::xAt(t) - r, MovingClip::yAt(t) - high, 2 * r, 2 * high};
}

/// As a pinhole sees it.
double azimuthOf(double x, double viewAngle) {
    return -std::atan((2 * x - 1) * std::tan(viewAngle / 2 * kDegree)) / kDegree;
}

std::vector<FollowedFrame> straight(double seconds, const std::function<PictureBox(double)>& box) {
    std::vector<FollowedFrame> frames;
    for (double t = 0; t < seconds; t += 0.04) frames.push_back({t, box(t), true});
    return frames;
}

struct Follow : testing::Test {
    static std::filesystem::path video(int textures = 0) {
        static TempFolder folder;
        const auto file = folder / ("moving-" + std::to_string(textures) + ".mkv");
        if (!std::filesystem::exists(file)) {
            EXPECT_TRUE(MovingClip(640, 360, textures).write(file));
        }
        return file;
    }
    static const MovingClip& clip() {
        static const MovingClip one(640, 360);
        return one;
    }
};

}  // namespace

// Three things in three places.
struct FollowEach : Follow, testing::WithParamInterface<int> {};
INSTANTIATE_TEST_SUITE_P(Textures, FollowEach, testing::Values(0, 6, 7));

TEST_P(FollowEach, StaysWithinTwoDegreesOfAKnownWay) {
    const auto frames = followObject(video(GetParam()), {{0, boxAt(clip(), 0)}}, 10, {});
    ASSERT_NEAR(double(frames.size()), MovingClip::kFrames, 2);
    PanFromPath how;
    how.nearFar = how.upDown = true;
    const FollowedPan pan = panFromPath(frames, how);
    double sum = 0, worst = 0, worstAt = 0, high = 0;
    int count = 0;
    for (int i = 0; i < MovingClip::kFrames; ++i) {
        const double t = double(i) / MovingClip::kFps;
        if (clip().seenAt(t) < 0.5) continue;
        const double off = std::fabs(drawnAt(pan.azimuth, t) - azimuthOf(MovingClip::xAt(t), how.viewAngle));
        sum += off, ++count;
        if (off > worst) worst = off, worstAt = t;
        const double right = (2 * MovingClip::xAt(t) - 1) * std::tan(30 * kDegree),
                     up = (1 - 2 * MovingClip::yAt(t)) * std::tan(30 * kDegree) * 9 / 16;
        high = std::max(high, std::fabs(drawnAt(pan.elevation, t) - std::atan2(up, std::hypot(1.0, right)) / kDegree));
    }
    RecordProperty("mean", std::to_string(sum / count));
    RecordProperty("worst", std::to_string(worst));
    EXPECT_LT(sum / count, 2) << "degrees on average";
    EXPECT_LT(worst, 5) << "at " << worstAt << " s";
    EXPECT_LT(high, 5);
    EXPECT_LT(pan.azimuth.size(), size_t(60)) << "thinned: it is to be edited by hand";
    // What was not to be seen is told: the other shot.
    const auto lost = lostSpans(frames);
    ASSERT_FALSE(lost.empty());
    EXPECT_TRUE(std::any_of(lost.begin(), lost.end(), [](const auto& s) {
        return std::fabs(s.first - 5) < 0.1 && std::fabs(s.second - 6) < 0.4;
    }));
    // As it grows it comes nearer.
    EXPECT_LT(drawnAt(pan.distance, 2.2), 0.95 * drawnAt(pan.distance, 0));
}

TEST_F(Follow, ACorrectionIsTakenAsTheTruth) {
    // Begun on the wrong thing, and put right at 3 s.
    const PictureBox wrong{0.02, 0.02, 0.1, 0.15};
    const auto frames = followObject(video(), {{0, wrong}, {3, boxAt(clip(), 3)}}, 4.5, {});
    const auto at = [&](double t) {
        return *std::min_element(frames.begin(), frames.end(), [t](const auto& a, const auto& b) {
            return std::fabs(a.second - t) < std::fabs(b.second - t);
        });
    };
    EXPECT_GT(std::fabs(at(1.5).box.middleX() - MovingClip::xAt(1.5)), 0.05);
    for (double t : {3.0, 3.6, 4.4}) EXPECT_NEAR(at(t).box.middleX(), MovingClip::xAt(t), 0.03) << t;
}

TEST_F(Follow, CanBeCancelledAndTellsWhatCannotBeRead) {
    EXPECT_THROW(followObject("/nowhere.mkv", {{0, {0.1, 0.1, 0.2, 0.2}}}, 1, {}), Error);
    EXPECT_TRUE(followObject(video(), {}, 1, {}).empty());
    Progress cancelled;
    cancelled.cancel();
    try {
        followObject(video(), {{0, {0.1, 0.1, 0.2, 0.2}}}, 10, cancelled);
        FAIL();
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::Cancelled);
    }
}

TEST(PanFromPath, APinholeSeesItThere) {
    PanFromPath how;
    how.viewAngle = 90;
    how.aspect = 2;
    how.upDown = how.nearFar = true;
    how.smoothing = 0;
    how.distance = 3;
    // At the edge of a view of 90 degrees it is 45 degrees aside; a quarter of the width up from the middle in the
    // middle: atan(1 / 2).
    const auto still = [](double x, double y, double size) {
        return straight(1, [=](double) { return PictureBox{x - size / 2, y - size / 2, size, size}; });
    };
    EXPECT_NEAR(panFromPath(still(1, 0.5, 0.1), how).azimuth[0].second, -45, 1e-6);
    EXPECT_NEAR(panFromPath(still(0, 0.5, 0.1), how).azimuth[0].second, 45, 1e-6);
    EXPECT_NEAR(panFromPath(still(0.5, 0, 0.1), how).elevation[0].second, std::atan(0.5) / kDegree, 1e-6);
    // Twice as large is half as far.
    const auto nearer = straight(2, [](double t) {
        const double s = 0.1 * (1 + t / 1.96);
        return PictureBox{0.5 - s / 2, 0.5 - s / 2, s, s};
    });
    const FollowedPan pan = panFromPath(nearer, how);
    EXPECT_NEAR(pan.distance.front().second, 3, 1e-9);
    EXPECT_NEAR(pan.distance.back().second, 1.5, 0.03);
    EXPECT_LT(pan.azimuth.size(), size_t(3)) << "it does not move aside";
    how.upDown = how.nearFar = false;
    EXPECT_TRUE(panFromPath(nearer, how).distance.empty());
}

TEST(PanFromPath, TremblingIsSmoothedAndAJumpIsNot) {
    const auto way = [](double t) {
        const double trembles = 0.01 * std::sin(1000 * t), x = t < 1 ? 0.2 : 0.8;
        return PictureBox{x + trembles - 0.05, 0.45, 0.1, 0.1};
    };
    PanFromPath how;
    const FollowedPan pan = panFromPath(straight(2, way), how);
    EXPECT_LT(pan.azimuth.size(), size_t(8));
    EXPECT_NEAR(drawnAt(pan.azimuth, 0.92), azimuthOf(0.2, 60), 1);
    EXPECT_NEAR(drawnAt(pan.azimuth, 1.08), azimuthOf(0.8, 60), 1) << "another shot: it is there at once";
}

TEST(PanFromPath, WhereItWasNotSeenItGoesStraight) {
    auto frames = straight(3, [](double t) { return PictureBox{0.2 + 0.2 * t - 0.05, 0.45, 0.1, 0.1}; });
    for (auto& f : frames)
        if (f.second > 1 && f.second < 2) f.seen = false, f.box = {0, 0, 0.1, 0.1};
    const auto pan = panFromPath(frames, {});
    EXPECT_NEAR(drawnAt(pan.azimuth, 1.5), azimuthOf(0.5, 60), 1);
    ASSERT_EQ(lostSpans(frames).size(), size_t(1));
    EXPECT_NEAR(lostSpans(frames)[0].first, 1.02, 0.03);
    EXPECT_NEAR(lostSpans(frames)[0].second, 2.0, 0.03);
}

TEST(PanFromPath, IsOrdinaryAutomation) {
    Strip strip;
    strip.automation["azimuth"] = {{0, 10}, {2, 20}, {9, 30}};
    FollowedPan pan;
    pan.azimuth = {{1, -5}, {3, -6}};
    writePan(strip, pan);
    EXPECT_EQ(strip.automation["azimuth"], (DrawnCurve{{0, 10}, {1, -5}, {3, -6}, {9, 30}}));
    EXPECT_FALSE(strip.automation.count("distance"));
}
