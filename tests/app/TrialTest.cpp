// Trying networks on a loop and seeing what differs between candidates, through the real window.
#include <QTabBar>
#include <QTableWidget>

#include "WindowFixture.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Trials : Window {
    void begin() {
        addAndSplit(6);
        studio->document.setStage("weigh");
        find<QTabBar>("weightabs")->setCurrentIndex(2);
    }
    TrialDesk& desk() { return window->desks().trials; }
    void keep(int place, double depth) {
        studio->document.editReel("Set Depth", [&](Reel& r) { r.isolation().depth = depth; });
        window->desks().candidates.keep(place);
    }
};

}  // namespace

TEST_F(Trials, EveryNetworkAndSettingIsRankedHeardAndUsed) {
    begin();
    EXPECT_FALSE(find<QPushButton>("try")->isEnabled()) << "there is no loop";
    studio->document.editReel("Set loop", [](Reel& r) { r.loop = std::pair(1.0, 3.0); });
    keep(0, 6);
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = kFullDepth; });
    const Session before = studio->document.session();
    key(Qt::Key_T);
    EXPECT_TRUE(desk().busy());
    ASSERT_TRUE(until([&] { return !desk().busy(); }));
    ASSERT_TRUE(until([&] { return desk().answers().size() == 2 * trialChoices().size(); }));
    EXPECT_EQ(studio->document.session(), before) << "trying is not editing";
    auto* table = find<QTableWidget>("trials");
    EXPECT_EQ(table->rowCount(), int(desk().answers().size()));
    EXPECT_TRUE(desk().reason().startsWith(table->item(0, 0)->text()));
    // The ranking's order is that of its score.
    const auto score = [&](size_t i) {
        return desk().answers()[i].row.weighing.sdrDb + desk().answers()[i].row.quality.value_or(0);
    };
    for (size_t i = 1; i < desk().answers().size(); ++i) EXPECT_GE(score(i - 1), score(i));

    QTest::mouseClick(table->viewport(), Qt::LeftButton, {}, table->visualItemRect(table->item(0, 0)).center());
    EXPECT_EQ(desk().heard(), 0);
    EXPECT_TRUE(studio->hearing.trying());
    EXPECT_TRUE(studio->hearing.player().playing());
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Result);
    studio->hearing.player().stop();
    QTest::mouseClick(find<QPushButton>("hearown"), Qt::LeftButton);
    EXPECT_EQ(desk().heard(), -1);
    EXPECT_FALSE(studio->hearing.trying());
    // An edit gives the controls back what they belong to.
    desk().hear(1);
    studio->document.editReel("Set Firmness", [](Reel& r) { r.isolation().firmness = 10; });
    EXPECT_FALSE(studio->hearing.trying());
    EXPECT_EQ(desk().heard(), -1);

    const auto answer = desk().answers()[0];
    table->selectRow(0);
    QTest::mouseClick(find<QPushButton>("usetrial"), Qt::LeftButton);
    EXPECT_EQ(studio->document.reel()->quality, answer.choice.quality);
    EXPECT_EQ(studio->document.reel()->timeline(), answer.timeline);
    ASSERT_TRUE(until([&] {
        return studio->reels.current()->stems && studio->reels.current()->stems->finished() &&
               !studio->reels.current()->splitting;
    }));
    desk().clear();
    EXPECT_EQ(table->rowCount(), 0);
}

TEST_F(Trials, AreCancelledAndLeaveNothing) {
    begin();
    studio->document.editReel("Set loop", [](Reel& r) { r.loop = std::pair(0.5, 5.5); });
    key(Qt::Key_T);
    QTest::mouseClick(find<QPushButton>("try"), Qt::LeftButton);
    ASSERT_TRUE(until([&] { return !desk().busy(); }));
    settle();
    EXPECT_TRUE(desk().answers().empty());
}

TEST_F(Trials, TheDifferenceOfTwoCandidatesIsAPicture) {
    begin();
    keep(0, 6);
    key(Qt::Key_X);
    EXPECT_EQ(window->pictures().shown(), MainWindow::Picture::Difference);
    const auto& view = window->pictures().difference();
    ASSERT_TRUE(until([&] { return !view.busy(); }));
    settle();
    const auto colours = [&] {  // how many points of the picture are coloured at all
        const QImage image =
            window->pictures().difference().grab(QRect(40, 40, view.width() - 80, view.height() - 80)).toImage();
        int count = 0;
        for (int y = 0; y < image.height(); y += 4)
            for (int x = 0; x < image.width(); x += 4) count += image.pixelColor(x, y).lightness() > 60;
        return count;
    };
    const int text = colours();  // "Keep two candidates first"
    keep(2, kFullDepth);
    EXPECT_EQ(window->desks().candidates.compared(), std::pair(0, 2));
    ASSERT_TRUE(until([&] { return !view.busy(); }));
    const int different = colours();
    EXPECT_GT(different, 4 * text + 200) << "6 dB of everything else is a difference";
    // Equal candidates do not differ.
    keep(2, 6);
    settle();
    ASSERT_TRUE(until([&] { return !view.busy(); }));
    EXPECT_LT(colours(), different / 20);
    // The picture belongs to this stage.
    studio->document.setStage("split");
    EXPECT_EQ(window->pictures().shown(), MainWindow::Picture::Ownership);
}

TEST_F(Trials, ACandidateIsCopiedToARegion) {
    begin();
    keep(1, 12);
    studio->document.editReel("Set loop", [](Reel& r) { r.loop = std::pair(1.0, 3.0); });
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 3; });
    key(Qt::Key_R);
    window->desks().candidates.copyTo(1, 0);
    EXPECT_EQ(studio->document.reel()->timeline().regions[0].settings.depth, 12);
    EXPECT_EQ(studio->document.reel()->timeline().base.depth, 3);
    window->desks().candidates.copyTo(1, -1);
    EXPECT_EQ(studio->document.reel()->timeline().base.depth, 12);
    EXPECT_EQ(studio->document.reel()->region, 0) << "work goes on where it was";
}
