// A lane that follows the picture, and what is heard of the mix in space, in the real window.
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QMenuBar>
#include <QPushButton>
#include <QSlider>
#include <QTabBar>
#include <QUdpSocket>
#include <cmath>

#include "WindowFixture.h"
#include "app/rebuild/SpaceMeters.h"
#include "app/rebuild/SphereView.h"
#include "core/space/HeadMessage.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Following : Window {
    RebuildTools& tools() { return window->desks().rebuild; }
    const Rebuild& rebuild() { return tools().desk.rebuild(); }
    const Lane& lane(size_t i) { return *rebuild().lanes[i]; }
    bool settled() { return !tools().busy() && !studio->busy(); }
    void toSpace(const char* format) {
        key(Qt::Key_4, Qt::AltModifier);
        ASSERT_TRUE(until([&] { return settled(); }));
        find<QTabBar>("rebuildtabs")->setCurrentIndex(7);
        auto* box = find<QComboBox>("mixformat");
        box->setCurrentIndex(box->findData(format));
        emit box->activated(box->currentIndex());
        settle();
    }
    void view(int i) {
        find<QTabBar>("spacetabs")->setCurrentIndex(i);
        settle();
    }
    /// The demo's ferry: where its hull's middle is, in shares of the picture's width.
    static double ferryAt(double t) { return (20 + 48 + 26 * t) / 480; }
    QWidget* picture() { return find<QWidget>("pictureView"); }
    /// A point of the picture in the widget.
    QPoint at(double x, double y) {
        const QSizeF all = picture()->size(), size = QSizeF(480, 270).scaled(all, Qt::KeepAspectRatio);
        return QPointF((all.width() - size.width()) / 2 + x * size.width(),
                       (all.height() - size.height()) / 2 + y * size.height())
            .toPoint();
    }
    void drag(const QPoint& from, const QPoint& to) {
        QTest::mousePress(picture(), Qt::LeftButton, {}, from);
        QTest::mouseMove(picture(), (from + to) / 2);
        QTest::mouseMove(picture(), to);
        QTest::mouseRelease(picture(), Qt::LeftButton, {}, to);
    }
    void openVideo() {
        add({demo + "deck-video.mp4"});
        toSpace("5.1");
        ASSERT_TRUE(until([&] { return window->pictureDock().shown().image.width() > 0; }));
        tools().desk.chooseLane(lane(0).id);
        view(3);
    }
};

}  // namespace

TEST_F(Following, AnEngineFollowsTheFerryThatCrossesThePicture) {
    openVideo();
    EXPECT_FALSE(tools().follow.marking());
    find<QPushButton>("followmark")->click();
    EXPECT_TRUE(tools().follow.marking());
    EXPECT_TRUE(find<QLabel>("followhint")->text().contains("Drag a box"));
    const double now = window->pictureDock().shown().from, x = ferryAt(now);
    drag(at(x - 0.11, 0.54), at(x + 0.11, 0.74));
    EXPECT_TRUE(tools().follow.busy());
    ASSERT_TRUE(until([&] { return settled(); }));
    EXPECT_TRUE(tools().follow.lost().empty());
    const DrawnCurve curve = lane(0).strip.automation.at("azimuth");
    for (double t = 0.2; t < 11.5; t += 0.5) {
        const double truth = -std::atan((2 * ferryAt(t) - 1) * std::tan(30 * kDegree)) / kDegree;
        EXPECT_NEAR(drawnAt(curve, t), truth, 2) << t;
    }
    EXPECT_FALSE(lane(0).strip.automation.count("elevation"));
    EXPECT_TRUE(find<QLabel>("followfound")->text().contains("Followed from"));
    // Another angle of view is another way, at once; so is up and down. Each is one step of undo.
    auto* angle = find<QSlider>("follow_view_angle");
    angle->setValue(angle->maximum());
    settle();
    EXPECT_GT(std::fabs(drawnAt(lane(0).strip.automation.at("azimuth"), 1)), 1.5 * std::fabs(drawnAt(curve, 1)));
    find<QCheckBox>("followup")->click();
    EXPECT_TRUE(lane(0).strip.automation.count("elevation"));
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_FALSE(lane(0).strip.automation.count("elevation"));
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(lane(0).strip.automation.at("azimuth"), curve);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_FALSE(lane(0).strip.automation.count("azimuth"));
}

TEST_F(Following, ACorrectionGoesOnFromWhereItWasMade) {
    openVideo();
    find<QPushButton>("followmark")->click();
    drag(at(0.77, 0.13), at(0.86, 0.29));  // the moon, which stays
    ASSERT_TRUE(until([&] { return settled(); }));
    const double moon = drawnAt(lane(0).strip.automation.at("azimuth"), 6);
    EXPECT_NEAR(moon, -std::atan((2 * 389.0 / 480 - 1) * std::tan(30 * kDegree)) / kDegree, 2);
    studio->hearing.player().locate(4 * 48000);
    ASSERT_TRUE(until([&] { return std::fabs(window->pictureDock().shown().from - 4) < 0.05; }));
    key(Qt::Key_F, Qt::ShiftModifier);
    EXPECT_TRUE(tools().follow.marking());
    const double x = ferryAt(4);
    drag(at(x - 0.11, 0.54), at(x + 0.11, 0.74));
    ASSERT_TRUE(until([&] { return settled(); }));
    const DrawnCurve& curve = lane(0).strip.automation.at("azimuth");
    EXPECT_NEAR(drawnAt(curve, 2), moon, 1) << "before it the way is the old one";
    EXPECT_NEAR(drawnAt(curve, 8), -std::atan((2 * ferryAt(8) - 1) * std::tan(30 * kDegree)) / kDegree, 2);
}

TEST_F(Following, ThePointerLeadsWhileItPlays) {
    openVideo();
    studio->hearing.player().locate(48000);
    find<QPushButton>("followhand")->click();
    EXPECT_TRUE(tools().follow.byHand());
    QTest::mouseMove(picture(), at(0.25, 0.5));
    key(Qt::Key_Space);
    ASSERT_TRUE(until([&] { return studio->hearing.player().position() > 2 * 48000; }));
    QTest::mouseMove(picture(), at(0.75, 0.5));
    ASSERT_TRUE(until([&] { return studio->hearing.player().position() > 3 * 48000; }));
    key(Qt::Key_Space);
    ASSERT_TRUE(until([&] { return lane(0).strip.automation.count("azimuth") > 0; }));
    const double edge = std::atan(0.5 * std::tan(30 * kDegree)) / kDegree;
    const DrawnCurve& curve = lane(0).strip.automation.at("azimuth");
    EXPECT_NEAR(drawnAt(curve, 1.6), edge, 1.5);
    EXPECT_NEAR(drawnAt(curve, 2.8), -edge, 1.5);
}

TEST_F(Following, SaysWhatIsMissing) {
    addAndSplit(3);
    toSpace("reel");
    view(3);
    EXPECT_FALSE(find<QPushButton>("followmark")->isEnabled());
    EXPECT_TRUE(find<QLabel>("followhint")->text().contains("Choose a format"));
    toSpace("5.1");
    tools().desk.chooseLane(lane(0).id);
    EXPECT_TRUE(find<QLabel>("followhint")->text().contains("no picture"));
    key(Qt::Key_F, Qt::ShiftModifier);
    EXPECT_FALSE(tools().follow.marking());
    EXPECT_TRUE(find<QLabel>("notice")->text().contains("has a picture"));
}

TEST_F(Following, TheSphereShowsLanesAndWhereTheEnergyComesFrom) {
    addAndSplit(4);
    toSpace("ambix-3");
    view(1);
    auto* sphere = find<SphereView>("sphereview");
    ASSERT_TRUE(sphere->isVisible());
    // There and back.
    for (const Direction& d : {Direction{0, 0}, {90, 20}, {-120, -40}, {30, 75}}) {
        Strip strip;
        strip.azimuth = d.azimuth, strip.elevation = d.elevation;
        Lane lane;
        lane.strip = strip;
        const Direction back = sphere->directionAt(sphere->dotOf(lane));
        EXPECT_NEAR(back.azimuth, d.azimuth, 0.01);
        EXPECT_NEAR(back.elevation, d.elevation, 0.01);
    }
    // By hand and by keys.
    for (size_t i : {size_t(0), size_t(2)}) {
        tools().desk.chooseLane(lane(i).id);
        tools().desk.editStrip("aside", [](Strip& s) { s.azimuth = -150; });
    }
    tools().desk.chooseLane(lane(1).id);
    settle();
    const QPoint from = sphere->dotOf(lane(1)).toPoint(), to(sphere->width() / 4, sphere->height() / 3);
    QTest::mousePress(sphere, Qt::LeftButton, {}, from);
    QTest::mouseMove(sphere, to);
    QTest::mouseRelease(sphere, Qt::LeftButton, {}, to);
    const Direction wanted = sphere->directionAt(to);
    EXPECT_NEAR(lane(1).strip.azimuth, wanted.azimuth, 0.6);
    EXPECT_NEAR(lane(1).strip.elevation, wanted.elevation, 0.6);
    sphere->setFocus();
    const double before = lane(1).strip.elevation;
    QTest::keyClick(sphere, Qt::Key_Up);
    EXPECT_EQ(lane(1).strip.elevation, before + 5);
    // One lane alone, as a point at the left above: there the energy is.
    tools().desk.edit("alone", [&](Rebuild& r) {
        r.lanes[0].edit().strip.mute = r.lanes[2].edit().strip.mute = true;
        Strip& s = r.lanes[1].edit().strip;
        s.azimuth = 80, s.elevation = 30, s.width = 0, s.level = 12;
    });
    studio->hearing.hear(Heard::Mix);
    key(Qt::Key_Space);
    EXPECT_TRUE(until([&] { return sphere->strengthAt({80, 30}) > 0.9; }));
    // What was heard before the edit fades from the picture.
    EXPECT_TRUE(until([&] { return sphere->strengthAt({-100, -30}) < 0.5 && sphere->strengthAt({80, 30}) > 0.9; }));
    view(2);
    EXPECT_TRUE(until([&] { return find<QLabel>("whence")->text().contains("left"); }))
        << find<QLabel>("whence")->text().toStdString();
    EXPECT_TRUE(find<QLabel>("whence")->text().contains("up"));
    EXPECT_EQ(find<QComboBox>("alikeone")->count(), 16);
    EXPECT_GT(tools().listening.highest()[0], -60);
    view(0);
    key(Qt::Key_Space);
}

TEST_F(Following, TheMonitorIsChosenApartFromTheMix) {
    addAndSplit(4);
    toSpace("7.1.4");
    auto* monitor = find<QComboBox>("monitor");
    monitor->setCurrentIndex(4);
    emit monitor->activated(4);
    EXPECT_EQ(studio->hearing.headphones().monitor(), ChannelLayout::Mono);
    EXPECT_EQ(rebuild().format, MixFormat::Surround714);
    // A lane at the left: in mono both sides hear the same.
    tools().desk.edit("left", [](Rebuild& r) { r.lanes[1].edit().strip.azimuth = 90; });
    studio->hearing.hear(Heard::Mix);
    studio->hearing.player().takeHeard();
    key(Qt::Key_Space);
    ASSERT_TRUE(until([&] { return studio->hearing.player().position() > 48000; }));
    key(Qt::Key_Space);
    EXPECT_TRUE(find<QComboBox>("monitor")->isVisible());
}

TEST_F(Following, AHeadTrackerTurnsTheHead) {
    addAndSplit(3);
    QAction* tracker = nullptr;
    for (QAction* menu : window->menuBar()->actions())
        for (QAction* a : menu->menu() ? menu->menu()->actions() : QList<QAction*>())
            if (a->text() == "Head tracker") tracker = a;
    ASSERT_TRUE(tracker);
    const Headphones& head = studio->hearing.headphones();
    ASSERT_TRUE(sendYaw(kHeadPort, 40));
    QTest::qWait(50);
    EXPECT_EQ(head.yaw(), 0) << "nobody listens before it is asked for";
    tracker->trigger();
    ASSERT_TRUE(tracker->isChecked());
    EXPECT_TRUE(until([&] {
        sendYaw(kHeadPort, -35);
        return std::fabs(head.yaw() + 35) < 1e-6;
    }));
    // What is no message of a tracker changes nothing.
    QUdpSocket socket;
    socket.writeDatagram("/head/yaw\0\0\0,s\0\0left\0\0\0\0", 24, QHostAddress::LocalHost, kHeadPort);
    socket.writeDatagram("nonsense", 8, QHostAddress::LocalHost, kHeadPort);
    QTest::qWait(50);
    EXPECT_NEAR(head.yaw(), -35, 1e-6);
    tracker->trigger();
    EXPECT_FALSE(tracker->isChecked());
}
