#include <gtest/gtest.h>

#include "../Support.h"
#include "core/rebuild/Automation.h"
#include "core/rebuild/ClipEdits.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct ClipEdits : testing::Test {
    Rebuild r = plainRebuild(20, false);
    const std::string lane = r.lanes[0]->id;
    const std::string clip = r.lanes[0]->clips[0].id;
    const Clip& get(const std::string& id) const { return *r.clip(id); }
    size_t count() const { return r.lane(lane)->clips.size(); }
};

}  // namespace

TEST_F(ClipEdits, SplittingKeepsTheMaterialInPlace) {
    const std::string right = cutClip(r, clip, 7.5);
    EXPECT_EQ(get(clip).end(), 7.5);
    EXPECT_EQ(get(right).at, 7.5);
    EXPECT_EQ(get(right).offset, 7.5);
    EXPECT_EQ(get(right).end(), 20);
    EXPECT_EQ(cutClip(r, clip, 9), "") << "not inside";
    EXPECT_EQ(cutClip(r, "nobody", 9), "");
}

TEST_F(ClipEdits, TrimmingMovingAndSlipping) {
    trimClip(r, clip, true, 3);
    EXPECT_EQ(get(clip).at, 3);
    EXPECT_EQ(get(clip).offset, 3);
    EXPECT_EQ(get(clip).end(), 20);
    trimClip(r, clip, true, -5);
    EXPECT_EQ(get(clip).offset, 0) << "no sound lies before its beginning";
    trimClip(r, clip, false, 12);
    EXPECT_EQ(get(clip).length, 12);
    moveClip(r, clip, 4);
    EXPECT_EQ(get(clip).at, 4);
    EXPECT_EQ(get(clip).offset, 0);
    slipClip(r, clip, -2);
    EXPECT_EQ(get(clip).at, 4);
    EXPECT_EQ(get(clip).offset, 2);
    moveClip(r, clip, 6, r.lanes[1]->id);
    EXPECT_EQ(r.laneOf(clip)->id, r.lanes[1]->id);
    EXPECT_EQ(r.lanes[1]->clips.size(), 2u);
    EXPECT_EQ(r.lanes[1]->clips[1].id, clip) << "in order of time";
}

TEST_F(ClipEdits, CrossFadesDrawBothOutOverTheBorder) {
    const std::string right = cutClip(r, clip, 10);
    ASSERT_TRUE(crossFade(r, clip, 0.4, FadeShape::Linear));
    EXPECT_NEAR(get(clip).end(), 10.2, 1e-9);
    EXPECT_NEAR(get(right).at, 9.8, 1e-9);
    EXPECT_NEAR(get(right).offset, 9.8, 1e-9);
    for (double t : {9.81, 9.9, 10.0, 10.1, 10.19}) EXPECT_NEAR(get(clip).fadeAt(t) + get(right).fadeAt(t), 1, 1e-9);
    EXPECT_FALSE(crossFade(r, right, 0.4, FadeShape::Linear)) << "nothing comes after it";
}

TEST_F(ClipEdits, FadesHaveTheirShapes) {
    for (double x : {0.0, 0.2, 0.5, 0.9, 1.0}) {
        EXPECT_NEAR(std::pow(fadeGain(FadeShape::EqualPower, x), 2) +
                        std::pow(fadeGain(FadeShape::EqualPower, 1 - x), 2),
                    1, 1e-12);
        EXPECT_NEAR(fadeGain(FadeShape::Linear, x) + fadeGain(FadeShape::Linear, 1 - x), 1, 1e-12);
        EXPECT_NEAR(fadeGain(FadeShape::Smooth, x) + fadeGain(FadeShape::Smooth, 1 - x), 1, 1e-12);
    }
    EXPECT_NEAR(20 * std::log10(fadeGain(FadeShape::EqualPower, 0.5)), -3.01, 0.01);
    fadeClip(r, clip, true, 15, FadeShape::Linear);
    fadeClip(r, clip, false, 15, FadeShape::Linear);
    EXPECT_EQ(get(clip).fadeOut, 5) << "fades do not overlap";
}

TEST_F(ClipEdits, ABeforeIsKeptBesideAndHeardInTurn) {
    const std::string before = keepBefore(r, clip);
    ASSERT_FALSE(before.empty());
    EXPECT_EQ(r.lanes[1]->name, "Dialogue, before");
    EXPECT_TRUE(get(before).muted);
    EXPECT_EQ(get(before).mark, ClipMark::Before);
    EXPECT_EQ(get(clip).mark, ClipMark::After);
    EXPECT_EQ(keepBefore(r, clip), "") << "once";
    swapPair(r, clip);
    EXPECT_TRUE(get(clip).muted);
    EXPECT_FALSE(get(before).muted);
    removeClip(r, clip);
    EXPECT_EQ(get(before).mark, ClipMark::None);
    EXPECT_FALSE(get(before).muted);
}

TEST_F(ClipEdits, SpansAreTakenOutAndTimeIsClosed) {
    EXPECT_TRUE(clearSpan(r, lane, 5, 6, 0.02));
    ASSERT_EQ(count(), 2u);
    EXPECT_EQ(r.lane(lane)->clips[0].end(), 5);
    EXPECT_EQ(r.lane(lane)->clips[0].fadeOut, 0.02);
    EXPECT_EQ(r.lane(lane)->clips[1].at, 6);
    EXPECT_FALSE(clearSpan(r, lane, 5, 6, 0.02)) << "nothing is there";
    r.markers = {{2, "a"}, {5.5, "gone"}, {10, "b"}};
    r.lane(lane)->strip.automation["level"] = {{1, -3}, {5.5, -20}, {10, -6}};
    removeTime(r, 5, 6);
    EXPECT_EQ(r.end(), 19);
    EXPECT_EQ(r.lanes[1]->clips[1].at, 5);
    EXPECT_EQ(r.lanes[1]->clips[1].offset, 6);
    ASSERT_EQ(r.markers.size(), 2u);
    EXPECT_EQ(r.markers[1].at, 9);
    EXPECT_EQ(std::as_const(r).lane(lane)->strip.automation.at("level"), (DrawnCurve{{1, -3}, {9, -6}}));
}

TEST_F(ClipEdits, SnappingFindsTheNearestPoint) {
    cutClip(r, clip, 10);
    EXPECT_EQ(snapped(r, 10.03, 0.05, {}), 10);
    EXPECT_EQ(snapped(r, 10.2, 0.05, {}), 10.2);
    EXPECT_EQ(snapped(r, 10.03, 0.05, {10.04}), 10.04);
    r.markers = {{3, "m"}};
    EXPECT_EQ(snapped(r, 3.01, 0.05, {}), 3);
}

TEST_F(ClipEdits, LoopedClipsRepeatTheirMaterial) {
    Clip c = get(clip);
    c.loopFrom = 2, c.loopTo = 5, c.offset = 1, c.at = 10;
    EXPECT_EQ(c.materialAt(10), 1);
    EXPECT_NEAR(c.materialAt(13.9), 4.9, 1e-9);
    EXPECT_NEAR(c.materialAt(14), 2, 1e-9);
    EXPECT_NEAR(c.materialAt(18.5), 3.5, 1e-9);
}

TEST_F(ClipEdits, CopiesOfADocumentShareWhatIsNotChanged) {
    Rebuild copy = r;
    EXPECT_EQ(&*copy.lanes[1], &*r.lanes[1]);
    cutClip(copy, clip, 3);
    EXPECT_NE(&*copy.lanes[0], &*r.lanes[0]);
    EXPECT_EQ(&*copy.lanes[1], &*r.lanes[1]) << "only the changed lane is copied";
    EXPECT_EQ(count(), 1u);
    EXPECT_FALSE(copy == r);
}

TEST_F(ClipEdits, EverythingIsSavedAndComesBack) {
    const std::string right = cutClip(r, clip, 10);
    crossFade(r, clip, 0.3, FadeShape::Smooth);
    r.clip(right)->gain = -4.5;
    r.clip(right)->name = "answer";
    r.groups.push_back({"group-1", "Voices", {}});
    r.lane(lane)->group = "group-1";
    r.lane(lane)->strip.chain = voiceChain();
    r.lanes[1].edit().duck = {true, lane, false, -40, 6, 20, 15, 200, 900};
    r.lanes[1].edit().strip.automation["pan"] = {{0, -50}, {4, 50}};
    r.sounds.push_back({"sound-1", "cue", "/tmp/some/cue.flac"});
    r.tones.push_back({"tone-1", "river", "ambience", {{1, 2}, {4, 5}}, 7});
    r.rooms.push_back({"room-1", "saloon", RoomShape::plain(0.6, 10)});
    r.markers.push_back({3.5, "chain rises"});
    Mend t;
    t.area.kind = Area::Kind::Brush;
    t.area.points = {{1, 400}, {1.2, 500}};
    t.area.harmonics = 4;
    r.mends.push_back(t);
    keepBefore(r, right);
    const auto json = toJson(r, "/tmp/some");
    EXPECT_EQ(json.at("sounds")[0].at("file"), "cue.flac") << "relative, so that both can be moved";
    EXPECT_EQ(rebuildFromJson(json, "/tmp/some"), r);
    auto older = json;  // as sessions named it at first
    older["retouches"] = older["mends"];
    older["retouches"][0]["action"] = "attenuate";
    older.erase("mends");
    ASSERT_EQ(rebuildFromJson(older, "/tmp/some").mends.size(), 1u);
    EXPECT_EQ(rebuildFromJson(older, "/tmp/some").mends[0].action, Mend::Action::Lower);
    auto broken = json;
    broken["lanes"][1]["id"] = broken["lanes"][0]["id"];
    EXPECT_THROW(rebuildFromJson(broken, "/tmp"), Error);
    broken = json;
    broken["lanes"][0]["clips"][0]["length"] = -1;
    EXPECT_THROW(rebuildFromJson(broken, "/tmp"), Error);
}

TEST(Automation, IsDrawnTrimmedCopiedAndThinned) {
    const DrawnCurve curve{{0, 0}, {10, -10}};
    const DrawnCurve drawn = drawnInto(curve, {{6, -2}, {4, -20}});
    EXPECT_EQ(drawn, (DrawnCurve{{0, 0}, {4, -20}, {6, -2}, {10, -10}}));
    const DrawnCurve lower = trimmed(curve, 2, 4, -6, -72, 12, 0);
    EXPECT_NEAR(drawnAt(lower, 1.9), -1.9, 1e-9);
    EXPECT_NEAR(drawnAt(lower, 3), -9, 1e-9);
    EXPECT_NEAR(drawnAt(lower, 4.5), -4.5, 1e-9);
    EXPECT_NEAR(drawnAt(trimmed({}, 2, 4, -6, -72, 12, -3), 3), -9, 1e-9) << "from the plain value";
    EXPECT_NEAR(drawnAt(trimmed(curve, 2, 9, -100, -72, 12, 0), 5), -72, 1e-9) << "within bounds";
    const DrawnCurve copy = copiedTo(curve, 8, 10, 1, 0);
    EXPECT_NEAR(drawnAt(copy, 2), -9, 1e-9);
    EXPECT_NEAR(drawnAt(copy, 5), -5, 1e-9);
    DrawnCurve many;
    for (int i = 0; i <= 1000; ++i) many.emplace_back(i * 0.01, std::sin(i * 0.01));
    const DrawnCurve few = thinned(many, 0.02);
    EXPECT_LT(few.size(), 40u);
    for (const auto& [t, v] : many) EXPECT_NEAR(drawnAt(few, t), v, 0.0201);
}
