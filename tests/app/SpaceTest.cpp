// The mix's format and the places of its lanes, in the real window.
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <QTabBar>
#include <fstream>

#include "WindowFixture.h"
#include "app/rebuild/LanesView.h"
#include "app/rebuild/PlanView.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Space : Window {
    PlanView* plan = nullptr;
    RebuildTools& tools() { return window->desks().rebuild; }
    const Rebuild& rebuild() { return tools().desk.rebuild(); }
    const Lane& lane(size_t i) { return *rebuild().lanes[i]; }
    bool settled() { return !tools().busy() && !studio->busy(); }
    void begin() {
        addAndSplit(4);
        key(Qt::Key_4, Qt::AltModifier);
        ASSERT_TRUE(until([&] { return settled(); }));
        find<QTabBar>("rebuildtabs")->setCurrentIndex(7);
        plan = find<PlanView>("planview");
        settle();
    }
    void choose(const char* format) {
        auto* box = find<QComboBox>("mixformat");
        box->setCurrentIndex(box->findData(format));
        emit box->activated(box->currentIndex());
        settle();
    }
    bool usable(const char* row) { return find<QSlider>(row)->isEnabled(); }
};

}  // namespace

TEST_F(Space, AFormatIsChosenAndLanesAreMovedAroundTheListener) {
    begin();
    ASSERT_TRUE(plan->isVisible());
    tools().desk.chooseLane(lane(2).id);
    EXPECT_FALSE(usable("place_azimuth")) << "as the reel: lanes are panned";
    EXPECT_TRUE(usable("lane_pan"));
    choose("5.1");
    EXPECT_EQ(rebuild().format, MixFormat::Surround51);
    EXPECT_TRUE(usable("place_azimuth"));
    EXPECT_FALSE(usable("lane_pan"));
    // By hand: the chosen lane's dot follows the pointer, and one undo takes it back.
    const QPoint from = plan->dotOf(lane(2)).toPoint(), to(plan->width() / 2 - 90, plan->height() / 2);
    const auto [azimuth, distance] = plan->placeOf(to);
    EXPECT_NEAR(azimuth, 90, 0.5);
    tools().lanes.moveLane(-2);  // what lies on top of each other: the first one is taken
    QTest::mousePress(plan, Qt::LeftButton, {}, from);
    QTest::mouseMove(plan, (from + to) / 2);
    QTest::mouseMove(plan, to);
    QTest::mouseRelease(plan, Qt::LeftButton, {}, to);
    EXPECT_NEAR(lane(0).strip.azimuth, azimuth, 1);
    EXPECT_NEAR(lane(0).strip.distance, distance, 0.1);
    EXPECT_EQ(lane(0).stem, 1);
    EXPECT_LT((plan->dotOf(lane(0)) - QPointF(to)).manhattanLength(), 4);
    EXPECT_TRUE(find<QLabel>("placehint")->text().contains("90° left"))
        << find<QLabel>("placehint")->text().toStdString();
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(lane(0).strip.azimuth, 0);
    // By keys.
    plan->setFocus();
    QTest::keyClick(plan, Qt::Key_Left);
    QTest::keyClick(plan, Qt::Key_Left);
    QTest::keyClick(plan, Qt::Key_Right, Qt::ShiftModifier);
    QTest::keyClick(plan, Qt::Key_Up);
    QTest::keyClick(plan, Qt::Key_PageUp);
    EXPECT_EQ(lane(0).strip.azimuth, 9);
    EXPECT_NEAR(lane(0).strip.distance, 1.3, 1e-9);
    EXPECT_EQ(lane(0).strip.elevation, 5);
    tools().desk.chooseLane(lane(1).id);
    for (int i = 0; i < 40; ++i) QTest::keyClick(plan, Qt::Key_Right);
    EXPECT_EQ(lane(1).strip.azimuth, 160) << "once round behind the listener";
    // The mix leaves with the format's channels, and is listened to in two.
    const fs::path file = folder / "mix.wav";
    tools().scene.render(QString::fromStdString(file.string()));
    ASSERT_TRUE(until([&] { return settled(); }));
    EXPECT_EQ(MediaReader(file).channels(), 6);
    choose("reel");
    EXPECT_FALSE(usable("place_azimuth"));
    EXPECT_EQ(lane(1).strip.azimuth, 160) << "places are kept for when they count again";
}

TEST_F(Space, AMovingPlaceIsDrawnLikeAnyCurve) {
    begin();
    choose("ambix-3");
    tools().desk.chooseLane(lane(2).id);
    auto* curves = find<QComboBox>("automation");
    curves->setCurrentIndex(curves->findData("azimuth"));
    EXPECT_EQ(tools().curves.shown(), "azimuth");
    tools().curves.set({{0, -60}, {4, 60}});
    settle();
    EXPECT_FALSE(usable("place_azimuth")) << "the curve leads";
    studio->hearing.player().locate(2 * 48000);
    const double middle = plan->dotOf(lane(2)).x();
    studio->hearing.player().locate(4 * 48000 - 100);
    EXPECT_NEAR(middle, plan->width() / 2.0, 1);
    EXPECT_LT(plan->dotOf(lane(2)).x(), middle - 20) << "to the left";
    plan->setFocus();
    QTest::keyClick(plan, Qt::Key_Left);
    EXPECT_EQ(lane(2).strip.azimuth, 0);
}

TEST_F(Space, TheMixIsHeardOnHeadphonesAndTheHeadTurns) {
    begin();
    choose("7.1");
    key(Qt::Key_H, Qt::ControlModifier);
    settle();
    EXPECT_TRUE(find<QPushButton>("headphones")->isChecked());
    for (int i = 0; i < 6; ++i) key(Qt::Key_Left, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(studio->hearing.headphones().yaw(), 90);
    key(Qt::Key_Up, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(studio->hearing.headphones().yaw(), 0);
    // What is no set of responses is told, and nothing changes.
    std::ofstream((folder / "no.sofa").string()) << "no set";
    Headphones& head = studio->hearing.headphones();
    head.choose(folder / "no.sofa");
    ASSERT_TRUE(until([&] { return find<QLabel>("notice")->text().contains("SOFA"); }));
    EXPECT_TRUE(head.on());
    EXPECT_TRUE(head.file().empty());
    const fs::path own = folder / "own.sofa";
    fs::copy_file(HeadResponses::shipped(), own);
    head.choose(own);
    ASSERT_TRUE(until([&] { return head.file() == own; }));
    head.choose({});
    ASSERT_TRUE(until([&] { return head.file().empty(); }));
    find<QPushButton>("headphones")->click();
    EXPECT_FALSE(studio->hearing.headphones().on());
    open();
    EXPECT_FALSE(studio->hearing.headphones().on()) << "and so it is next time";
}
