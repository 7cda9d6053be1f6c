// The Split stage through the real window: marks.
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <QTabBar>
#include <QTableWidget>
#include <QTimer>

#include "WindowFixture.h"
#include "app/split/MarksLane.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct SplitStage : Window {
    MarkDesk& desk() { return window->desks().marks; }
    const std::vector<Mark>& marks() { return studio->document.reel()->marks; }
    void atSplit(double seconds = 6) {
        add({QString::fromStdString(clip("clip.wav", seconds).string())});
        key(Qt::Key_2, Qt::AltModifier);
        settle();
    }
    void loop(double from, double to) {
        studio->document.editReel("Set loop", [&](Reel& r) { r.loop = std::pair(from, to); });
    }
    QListWidget* list() { return find<QListWidget>("marks"); }
};

}  // namespace

TEST_F(SplitStage, MarksAreSetByKeyOnTheLoopUndoneAndKept) {
    atSplit();
    key(Qt::Key_A, Qt::ShiftModifier);
    EXPECT_TRUE(marks().empty());
    EXPECT_TRUE(window->workLine().noticeText().contains("Set a loop")) << "says what is missing";
    key(Qt::Key_Escape);
    EXPECT_FALSE(find<QPushButton>("onlyambience")->isEnabled());
    loop(1, 2.5);
    key(Qt::Key_A, Qt::ShiftModifier);
    ASSERT_EQ(marks(), (std::vector<Mark>{{"ambience", 1, 2.5}}));
    loop(3, 4);
    find<QPushButton>("onlydialogue")->click();
    ASSERT_EQ(marks().size(), 2u);
    EXPECT_TRUE(list()->isVisible());
    EXPECT_EQ(list()->count(), 2);
    EXPECT_TRUE(list()->item(0)->text().contains("only ambience"));
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(marks().size(), 1u);
    key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(marks().size(), 2u);
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    const auto before = marks();
    ASSERT_TRUE(studio->file.save(file));
    ASSERT_TRUE(studio->file.open(file));
    EXPECT_EQ(marks(), before);
    // Elsewhere the same keys mean something else.
    key(Qt::Key_3, Qt::AltModifier);
    key(Qt::Key_A, Qt::ShiftModifier);
    EXPECT_EQ(marks(), before);
}

TEST_F(SplitStage, MarksAreSetFromTheMenuOfTheCurrent) {
    atSplit();
    auto* current = find<CurrentView>("current");
    loop(0.5, 2);
    bool shown = false;
    QTimer::singleShot(0, window.get(), [&] {
        auto* menu = window->findChild<QMenu*>("markmenu");
        if (!menu) return;
        shown = true;
        menu->actions().at(1)->trigger();
        menu->close();
    });
    emit current->customContextMenuRequested({20, 20});
    EXPECT_TRUE(shown);
    EXPECT_EQ(marks(), (std::vector<Mark>{{"music", 0.5, 2}}));
}

TEST_F(SplitStage, MarksAreChosenHeardMovedAndRemovedInTheirLane) {
    atSplit();
    loop(1, 2.5);
    desk().add("ambience");
    loop(4, 5);
    desk().add("music");
    auto* lane = find<MarksLane>("markslane");
    ASSERT_TRUE(lane->isVisible());
    const auto at = [&](double second) {
        return QPoint(int(lane->axis().xAt(second, lane->width())), lane->height() - 12);
    };
    QTest::mouseClick(lane, Qt::LeftButton, {}, at(1.8));
    EXPECT_EQ(desk().chosen(), 0);
    EXPECT_TRUE(studio->hearing.player().playing());
    ASSERT_TRUE(studio->hearing.loop());
    EXPECT_NEAR(studio->hearing.loop()->first, 1, 1e-6);
    EXPECT_EQ(studio->document.reel()->loop->first, 4) << "hearing is not editing";
    studio->hearing.player().stop();
    QTest::mousePress(lane, Qt::LeftButton, {}, at(2.5));
    QTest::mouseMove(lane, at(3));
    QTest::mouseMove(lane, at(3.4));
    QTest::mouseRelease(lane, Qt::LeftButton, {}, at(3.4));
    EXPECT_NEAR(marks()[0].to, 3.4, 0.05);
    EXPECT_EQ(marks()[0].from, 1);
    studio->document.undo();
    EXPECT_EQ(marks()[0].to, 2.5) << "a drag is one step";
    QTest::mousePress(lane, Qt::LeftButton, {}, at(2.5));
    QTest::mouseMove(lane, at(5));
    QTest::mouseRelease(lane, Qt::LeftButton, {}, at(5));
    EXPECT_LE(marks()[0].to, 4) << "not over its neighbour";
    key(Qt::Key_N);
    EXPECT_EQ(desk().chosen(), 1);
    key(Qt::Key_K, Qt::ShiftModifier);
    ASSERT_EQ(marks().size(), 1u);
    EXPECT_EQ(marks()[0].stem, "ambience");
    studio->hearing.player().stop();
}

TEST_F(SplitStage, ProposalsComeWithTheSplitAndAreTakenOrDismissed) {
    add({demo + "reel-1-deck.flac"});  // the ferrywoman pauses over engine and wind
    key(Qt::Key_2, Qt::AltModifier);
    EXPECT_TRUE(desk().proposals().empty()) << "nothing is split";
    studio->splitting.split();
    ASSERT_TRUE(until([&] { return studio->reels.current()->stems && studio->reels.current()->stems->finished(); }));
    settle();
    const auto found = proposedMarks(studio->reels.current()->stems->levels(), *studio->reels.current()->levels, 48000,
                                     studio->reels.current()->info->frames, {});
    ASSERT_EQ(desk().proposals(), found);
    ASSERT_FALSE(found.empty());
    EXPECT_EQ(found[0].stem, "ambience");
    const size_t before = found.size();
    desk().choose(0);
    EXPECT_TRUE(desk().proposed(0));
    EXPECT_TRUE(list()->item(0)->text().contains("proposed"));
    key(Qt::Key_K, Qt::ShiftModifier);
    EXPECT_EQ(desk().proposals().size(), before - 1) << "dismissed";
    EXPECT_TRUE(marks().empty());
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(desk().proposals().size(), before);
    desk().choose(0);
    key(Qt::Key_K);
    ASSERT_EQ(marks().size(), 1u);
    EXPECT_EQ(marks()[0], found[0]);
    EXPECT_FALSE(desk().proposed(desk().chosen()));
    ASSERT_TRUE(desk().leak(0));
    EXPECT_LT(*desk().leak(0), -24) << "it was proposed because there is little";
    EXPECT_TRUE(list()->item(0)->text().contains("others")) << list()->item(0)->text().toStdString();
}

TEST_F(Window, AtSplitStemsStandAloneAndUnsureMomentsAreStepped) {
    key(Qt::Key_2, Qt::AltModifier);
    addAndSplit(22.9);
    ASSERT_TRUE(until([&] { return !studio->busy(); }));
    settle();
    EXPECT_TRUE(find<QWidget>("stemsview")->isVisible());
    auto& desk = window->desks().unsure;
    const auto expected = unsureMoments(studio->reels.current()->stems->levels(), *studio->reels.current()->levels,
                                        48000, studio->reels.current()->info->frames);
    ASSERT_EQ(desk.moments().size(), expected.size());
    key(Qt::Key_J);
    if (expected.empty()) {
        EXPECT_EQ(desk.chosen(), -1);
        EXPECT_FALSE(studio->hearing.player().playing());
    } else {
        for (size_t i = 0; i < expected.size(); ++i) {
            EXPECT_EQ(desk.chosen(), int(i));
            EXPECT_NEAR(studio->hearing.loop()->first, std::max(0.0, expected[i].from - 0.5), 1e-6);
            key(Qt::Key_J);
        }
        EXPECT_EQ(desk.chosen(), 0) << "round and round";
        key(Qt::Key_J, Qt::ShiftModifier);
        EXPECT_EQ(desk.chosen(), int(expected.size()) - 1);
    }
    studio->hearing.player().stop();
    // Other qualities on the loop, without leaving the stage.
    find<QTabBar>("splittabs")->setCurrentIndex(3);
    EXPECT_FALSE(find<QPushButton>("split_try")->isEnabled()) << "there is no loop";
    studio->document.editReel("", [](Reel& r) { r.loop = std::pair(1.0, 2.5); });
    settle();
    key(Qt::Key_T);
    ASSERT_TRUE(until([&] { return window->desks().trials.answers().size() >= 2 && !window->desks().trials.busy(); }));
    settle();
    auto* table = find<QTableWidget>("split_trials");
    ASSERT_GE(table->rowCount(), 2);
    QTest::mouseClick(table->viewport(), Qt::LeftButton, {}, table->visualItemRect(table->item(1, 0)).center());
    EXPECT_EQ(window->desks().trials.heard(), 1);
    EXPECT_EQ(studio->document.session().stage, "split");
    find<QPushButton>("split_hearown")->click();
    EXPECT_EQ(window->desks().trials.heard(), -1);
}
