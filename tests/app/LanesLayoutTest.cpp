// Where lanes lie and what the pointer takes hold of: geometry alone, no widget.
#include <gtest/gtest.h>

#include "app/rebuild/LanesLayout.h"

using namespace rivlen;
using Part = LanesLayout::Part;

namespace {

struct Lanes : testing::Test {
    TimeAxis axis;
    Rebuild rebuild = plainRebuild(10, false);
    QSize size{1000, 600};
    void SetUp() override { axis.setDuration(10); }
    LanesLayout at(double scroll = 0, bool note = false) { return {axis, rebuild, size, scroll, note}; }
    const Clip& clip(size_t lane) { return rebuild.lanes[lane]->clips.front(); }
};

}  // namespace

TEST_F(Lanes, RowsFollowEachOtherWithoutOverlap) {
    rebuild.groups.push_back({"g", "Voices", {}});
    const LanesLayout layout = at();
    ASSERT_EQ(layout.rows().size(), rebuild.lanes.size() + 2) << "lanes, the group, the mix";
    EXPECT_EQ(layout.rows().back().id, "mix");
    double end = 0;
    for (const auto& row : layout.rows()) {
        EXPECT_GE(row.top, end);
        end = layout.body(row).top() + (row.body ? layout.body(row).height() : 0);
    }
    EXPECT_LE(end, layout.lanesHeight()) << "where there is room all of it is seen";
    EXPECT_EQ(layout.mostScroll(), 0);
}

TEST_F(Lanes, LinesAtTheFootTakeTheirHeightFromTheLanes) {
    const double before = at().lanesHeight();
    EXPECT_EQ(at(0, true).lanesHeight(), before - LanesLayout::kNote);
    rebuild.markers.push_back({1, "here"});
    EXPECT_EQ(at().lanesHeight(), before - LanesLayout::kMarkers);
}

TEST_F(Lanes, ScrollingBringsARowIntoViewAndNoFurther) {
    size.setHeight(150);
    EXPECT_GT(at().mostScroll(), 0);
    const std::string last = rebuild.lanes.back()->id, first = rebuild.lanes.front()->id;
    const double down = at().scrollTo(last);
    EXPECT_GT(down, 0);
    EXPECT_LE(at(down).body(last).bottom(), at().lanesHeight());
    EXPECT_EQ(at(down).scrollTo(last), down) << "what is seen whole stays where it is";
    const double up = at(down).scrollTo(first);
    EXPECT_LT(up, down);
    EXPECT_GE(at(up).caption(first).top(), 0);
    EXPECT_LE(at(1e6).scrollTo(first), at().mostScroll());
}

TEST_F(Lanes, AClipIsTakenByItsTitleAndItsBorders) {
    const Shared<Lane> lane = rebuild.lanes.front();
    rebuild.lanes.front().edit().clips.front().at = 2;
    rebuild.lanes.front().edit().clips.front().length = 4;
    const std::string id = clip(0).id;
    const LanesLayout layout = at();
    const QRectF r = layout.clip(id);
    EXPECT_NEAR(r.left(), 200, 1e-9);
    EXPECT_NEAR(r.width(), 400, 1e-9);
    const auto part = [&](double x, double y, bool selected = false) {
        return layout.hitAt({x, y}, selected ? std::set{id} : std::set<std::string>{}).part;
    };
    const double title = r.top() + 4, below = r.top() + LanesLayout::kTitle + 4;
    EXPECT_EQ(part(400, title), Part::Title);
    EXPECT_EQ(part(201, title), Part::Begin);
    EXPECT_EQ(part(599, title), Part::End);
    EXPECT_EQ(part(400, r.bottom() - 5), Part::Body);
    EXPECT_EQ(part(201, below), Part::Body) << "fades have handles only where the clip is selected";
    EXPECT_EQ(part(201, below, true), Part::FadeIn);
    EXPECT_EQ(part(599, below, true), Part::FadeOut);
    EXPECT_EQ(part(100, title), Part::None);
    EXPECT_EQ(layout.hitAt({100, title}, {}).lane, lane->id) << "beside the clip it is the lane still";
}

TEST_F(Lanes, OfClipsOverEachOtherTheLaterIsTaken) {
    Lane& lane = rebuild.lanes.front().edit();
    Clip other = lane.clips.front();
    other.id = "later";
    other.at = 3;
    lane.clips.push_back(other);
    const LanesLayout layout = at();
    EXPECT_EQ(layout.hitAt({500, layout.body(lane.id).center().y()}, {}).clip, "later");
}

TEST_F(Lanes, PointsOfCurvesAndTheirValuesAreEachOthersInverse) {
    const std::string id = rebuild.lanes.front()->id;
    const LanesLayout layout = at();
    for (const auto& [parameter, value] :
         std::vector<std::pair<std::string, double>>{{"level", -20}, {"level", 6}, {"pan", -40}, {"width", 150}}) {
        const CurveRange range = stripRange({}, parameter);
        const QPointF p = layout.curvePoint(id, range, 2.5, value);
        EXPECT_NEAR(p.x(), 250, 1e-9);
        EXPECT_NEAR(layout.curveValue(id, range, p.y()), value, 0.51) << parameter;
        EXPECT_TRUE(layout.body(id).contains(p)) << parameter;
    }
    EXPECT_EQ(layout.curveValue(id, stripRange({}, "level"), layout.body(id).bottom()), kSilentLevel);
}

TEST_F(Lanes, ALaneIsFoundByItsHeight) {
    const LanesLayout layout = at();
    const std::string id = rebuild.lanes[1]->id;
    EXPECT_EQ(layout.laneAt(layout.caption(id).top() + 1), id);
    EXPECT_EQ(layout.laneAt(layout.body(id).bottom() - 1), id);
    EXPECT_EQ(layout.laneAt(layout.caption("mix").top() + 1), "") << "the mix is no lane";
}
