// Candidates through the real window: kept, used while playing at equal loudness, compared blind, saved.
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>

#include "WindowFixture.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Candidates : Window {
    const IsolationSettings& isolation() { return studio->document.reel()->isolation(); }
    void depth(double db) {
        studio->document.editReel("Set Depth", [db](Reel& r) { r.isolation().depth = db; });
    }
    QPushButton* place(int i) { return find<QPushButton>(("candidate" + std::to_string(i)).c_str()); }
    bool matched(size_t settings) { return studio->hearing.match().timelines().size() == settings && !studio->busy(); }
    /// A is the plain answer, B lets 6 dB back in.
    void keepTwo() {
        addAndSplit(4);
        key(Qt::Key_3, Qt::AltModifier);
        key(Qt::Key_A, Qt::ShiftModifier);
        depth(6);
        key(Qt::Key_B, Qt::ShiftModifier);
        ASSERT_TRUE(until([&] { return matched(2); }));
    }
};

}  // namespace

TEST_F(Candidates, AreKeptAndUsedWithKeysAndButtons) {
    addAndSplit(2);
    studio->document.setStage("weigh");
    QTest::mouseClick(place(0), Qt::LeftButton);  // empty: keeps
    ASSERT_TRUE(studio->document.reel()->candidates[0]);
    depth(9);
    EXPECT_FALSE(place(0)->isChecked());
    key(Qt::Key_C, Qt::ShiftModifier);
    EXPECT_TRUE(place(2)->isChecked());
    key(Qt::Key_A);
    EXPECT_EQ(isolation().depth, kFullDepth);
    EXPECT_TRUE(place(0)->isChecked());
    key(Qt::Key_C);
    EXPECT_EQ(isolation().depth, 9);
    key(Qt::Key_B);  // empty: nothing
    EXPECT_EQ(isolation().depth, 9);
    key(Qt::Key_Z, Qt::ControlModifier);  // switching to and fro is one step
    EXPECT_EQ(isolation().depth, 9);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_FALSE(studio->document.reel()->candidates[2]);
    EXPECT_TRUE(studio->document.reel()->candidates[0]);
}

TEST_F(Candidates, SwitchingIsAtEqualLoudnessAtOnce) {
    keepTwo();
    const auto gain = [&] { return studio->hearing.player().matchGain(Heard::Result); };
    const float b = gain();
    key(Qt::Key_A);
    const float a = gain();  // without waiting for a measurement
    EXPECT_GT(a, b) << "the stronger setting is quieter and must be raised more";
    const auto& m = studio->hearing.match().timelines();
    const auto lufs = [&](double depth) {
        for (const auto& [timeline, loudness] : m)
            if (timeline.base.depth == depth) return loudness.first;
        return -200.0;
    };
    EXPECT_NEAR(lufs(kFullDepth) + toDb(a), lufs(6) + toDb(b), 0.2);
}

TEST_F(Candidates, BlindHidesEverythingAndReportsTheOutcome) {
    keepTwo();
    key(Qt::Key_O);  // no harm
    const IsolationSettings before = isolation();
    QTest::mouseClick(find<QPushButton>("blind"), Qt::LeftButton);
    EXPECT_TRUE(studio->hearing.blind());
    EXPECT_EQ(find<QLineEdit>("depth_db_value")->text(), "hidden");
    EXPECT_EQ(window->desks().weigh.result(), nullptr);
    EXPECT_TRUE(place(1)->isVisible());
    EXPECT_FALSE(place(2)->isVisible());
    for (int round = 0; round < 3; ++round) {
        key(Qt::Key_B);
        EXPECT_TRUE(place(1)->isChecked());
        key(Qt::Key_P);
    }
    EXPECT_EQ(isolation(), before) << "listening is not editing";
    QString said;
    QObject::connect(&studio->work, &Work::reported, window.get(), [&](const QString& sentence) { said = sentence; });
    QTest::mouseClick(find<QPushButton>("blind"), Qt::LeftButton);
    EXPECT_FALSE(studio->hearing.blind());
    EXPECT_TRUE(said.contains("of 3 rounds")) << said.toStdString();
    EXPECT_EQ(find<QLineEdit>("depth_db_value")->text(), "6.0 dB");
}

TEST_F(Candidates, AreSavedWithTheirNames) {
    keepTwo();
    studio->document.editReel("Name", [](Reel& r) { r.candidates[1]->name = "before the voice chain"; });
    const auto kept = studio->document.reel()->candidates;
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(studio->file.save(file));
    ASSERT_TRUE(studio->file.open(file));
    EXPECT_EQ(studio->document.reel()->candidates, kept);
    studio->document.setStage("weigh");
    EXPECT_TRUE(place(1)->text().contains("before the voice chain"));
}

TEST_F(Candidates, PresetsAreUsed) {
    addAndSplit(2);
    studio->document.setStage("weigh");
    auto* menu = window->findChild<QMenu*>("presetmenu");
    ASSERT_NE(menu, nullptr);
    const auto choose = [&](const char* text) {
        emit menu->aboutToShow();
        for (QAction* a : menu->actions())
            if (a->text() == text) return a->trigger(), true;
        return false;
    };
    ASSERT_TRUE(choose("Natural playback"));
    EXPECT_EQ(isolation().depth, 9);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(isolation(), IsolationSettings{});
}
