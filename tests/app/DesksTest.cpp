// What the stages work with, without the window.
#include "DamagedFile.h"
#include "StudioFixture.h"
#include "app/rebuild/LaneNames.h"
#include "app/widgets/KeySheet.h"
#include "app/window/Desks.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct DesksAlone : WithoutWindow {
    std::unique_ptr<Desks> desks;
    void open(double seconds = 3) {
        desks = std::make_unique<Desks>(*studio);
        add(clip("clip.wav", seconds));
        split();
    }
    void TearDown() override {
        desks.reset();
        WithoutWindow::TearDown();
    }
};

}  // namespace

TEST_F(DesksAlone, HearingFollowsTheReelAndItsLoop) {
    open();
    Hearing& hearing = studio->hearing;
    EXPECT_TRUE(hearing.player().isOpen());
    EXPECT_EQ(hearing.player().frames(), 3 * 48000);
    hearing.audition(1, 2);
    EXPECT_EQ(hearing.loop(), std::pair(1.0, 2.0));
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 6; });
    EXPECT_EQ(hearing.loop(), std::pair(1.0, 2.0)) << "an edit of something else leaves what is auditioned";
    studio->document.editReel("Set loop", [](Reel& r) { r.loop = std::pair(0.5, 1.5); });
    EXPECT_EQ(hearing.loop(), std::pair(0.5, 1.5));
    hearing.removeLoop();
    EXPECT_FALSE(reel().loop.has_value());
    hearing.player().stop();
    ASSERT_TRUE(until([&] { return hearing.match().loudness().size() == size_t(kHeardCount); }));
    studio->document.removeReels({reel().id});
    EXPECT_FALSE(hearing.player().isOpen());
    EXPECT_TRUE(hearing.match().loudness().empty());
}

TEST_F(DesksAlone, TheWeighDeskMeasuresWhileItsStageIsShown) {
    open();
    EXPECT_EQ(desks->weigh.result(), nullptr);
    studio->document.setStage(stage::weigh);
    ASSERT_TRUE(until([&] { return desks->weigh.result() && desks->weigh.result()->curve && !desks->weigh.busy(); }));
    desks->weigh.useSuggestion();
    EXPECT_EQ(studio->document.history().undoName(), "Set strength");
    studio->hearing.setBlind(true);
    EXPECT_EQ(desks->weigh.result(), nullptr) << "in a blind comparison nothing is told";
}

TEST_F(DesksAlone, ClipsAndLanesAreEditedInSingleSteps) {
    open();
    RebuildTools& tools = desks->rebuild;
    ASSERT_TRUE(tools.desk.ready());
    const size_t lanes = tools.desk.rebuild().lanes.size();
    tools.lanes.addLane();
    ASSERT_EQ(tools.desk.rebuild().lanes.size(), lanes + 1);
    EXPECT_EQ(laneName(tools.desk.rebuild(), tools.desk.laneId()).toStdString(), "Lane " + std::to_string(lanes + 1));
    tools.desk.chooseLane(tools.desk.rebuild().lanes.front()->id);
    tools.clips.stepSelection(1);
    ASSERT_NE(tools.desk.clip(), nullptr);
    studio->hearing.player().locate(48000);
    ASSERT_TRUE(until([&] { return tools.desk.playhead() > 0.9; }));
    tools.clips.cutAtPlayhead();
    EXPECT_EQ(tools.desk.lane()->clips.size(), 2u);
    tools.clips.toggleMuted();
    EXPECT_TRUE(tools.desk.lane()->clips[1].muted);
    EXPECT_FALSE(tools.desk.lane()->clips[0].muted);
    studio->document.undo();
    studio->document.undo();
    EXPECT_EQ(tools.desk.lane()->clips.size(), 1u);
    tools.curves.show("level");
    tools.curves.set({{0.0, 0.0}, {2.0, -6.0}});
    ASSERT_NE(tools.curves.of(tools.desk.strip()), nullptr);
    EXPECT_EQ(tools.curves.of(tools.desk.strip())->size(), 2u);
    ASSERT_TRUE(until([&] { return !tools.busy(); }));
}

TEST_F(DesksAlone, AMendIsHeardInTheStemsAndGoesWithUndo) {
    open();
    studio->document.setStage(stage::rebuild);
    const auto stems = [this] { return studio->reels.current()->stems; };
    const uint64_t before = stems()->version();
    Mend mend;
    mend.area.kind = Area::Kind::Rectangle;
    mend.area.points = {{0.5, 3000}, {1.0, 300}};
    desks->rebuild.mends.add(mend);
    ASSERT_TRUE(until([&] { return stems()->patches() != nullptr; }));
    EXPECT_NE(stems()->version(), before);
    studio->document.undo();
    ASSERT_TRUE(until([&] { return !desks->rebuild.busy(); }));
    EXPECT_EQ(stems()->patches(), nullptr);
    studio->document.redo();
    EXPECT_TRUE(until([&] { return stems()->patches() != nullptr; }));
}

TEST(KeySheet, OneKeyMeansWhatItsTimeSays) {
    QWidget window;
    KeySheet sheet(&window);
    bool rebuilding = false;
    std::vector<std::string> did;
    sheet.add("at Weigh: this", {{"K", [&] { did.push_back("weigh"); }}}, [&] { return !rebuilding; });
    sheet.add("at Rebuild: <that>", {{"K", [&] { did.push_back("rebuild"); }}, {"T", [&] { did.push_back("tone"); }}},
              [&] { return rebuilding; });
    sheet.tell("O, held", "hear the source");
    window.show();
    window.activateWindow();
    ASSERT_TRUE(QTest::qWaitForWindowActive(&window, kPatienceMs));
    QTest::keyClick(&window, Qt::Key_K);
    QTest::keyClick(&window, Qt::Key_T);
    rebuilding = true;
    QTest::keyClick(&window, Qt::Key_K);
    QTest::keyClick(&window, Qt::Key_T);
    EXPECT_EQ(did, (std::vector<std::string>{"weigh", "rebuild", "tone"}));
    const QString html = sheet.html();
    EXPECT_TRUE(html.contains("<b style='font-weight:600'>K, T</b>"));
    EXPECT_TRUE(html.contains("&lt;that&gt;"));
    EXPECT_EQ(html.count("<tr>"), 3);
}

TEST_F(DesksAlone, ADamagedReelIsSplitOnlyAfterOneSaysSo) {
    desks = std::make_unique<Desks>(*studio);
    add(damagedFlac(folder.path(), 4));
    ASSERT_TRUE(until([&] { return studio->reels.current()->diagnosis.has_value(); }));
    EXPECT_TRUE(studio->reels.current()->damaged());
    studio->splitting.split();
    EXPECT_FALSE(studio->reels.current()->splitting);
    ASSERT_FALSE(warned.empty());
    EXPECT_TRUE(warned.back().contains("is damaged")) << warned.back().toStdString();
    studio->document.editReel("Go on where it is damaged", [](Reel& r) { r.tolerateDamage = true; });
    split();
    EXPECT_EQ(studio->reels.current()->stems->available(), 48000 * 4) << "nothing has moved";
}
