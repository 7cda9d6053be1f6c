// Strength of each stem, over time and over reels, through the real window.
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QSlider>
#include <QTabBar>

#include "WindowFixture.h"
#include "app/weigh/BandBiasCurve.h"
#include "app/weigh/GiveStrengthDialog.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Strength : Window {
    void weigh(double seconds = 4) {
        addAndSplit(seconds);
        key(Qt::Key_3, Qt::AltModifier);
    }
    const Reel& reel() { return *studio->document.reel(); }
    const StrengthTimeline& timeline() { return reel().timeline(); }
    void loop(double from, double to) {
        studio->document.editReel("Set loop", [&](Reel& r) { r.loop = std::pair(from, to); });
    }
    void page(int tab) { find<QTabBar>("weightabs")->setCurrentIndex(tab); }
    void press(const char* name) { QTest::mouseClick(find<QPushButton>(name), Qt::LeftButton); }
    bool settled() {
        return !window->desks().weigh.busy() && window->desks().weigh.result() && window->desks().weigh.result()->curve;
    }
};

}  // namespace

TEST_F(Strength, EachStemHasItsOwn) {
    weigh();
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 12; });
    press("strength_music");
    EXPECT_EQ(reel().stem, "music");
    EXPECT_EQ(find<QLineEdit>("depth_db_value")->text(), "full");
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 30; });
    key(Qt::Key_1, Qt::ControlModifier);
    EXPECT_EQ(reel().stem, "dialogue");
    EXPECT_EQ(find<QLineEdit>("depth_db_value")->text(), "12.0 dB");
    EXPECT_EQ(reel().strength[stemPlace("music")].base.depth, 30);
    EXPECT_TRUE(find<QSlider>("room_keep")->isEnabled()) << "the network keeps the room apart in both qualities";
    // The measures follow the stem.
    ASSERT_TRUE(until([&] { return settled() && window->desks().weigh.result()->settings.stem == "dialogue"; }));
    const double dialogue = window->desks().weigh.result()->now.spillDb;
    key(Qt::Key_2, Qt::ControlModifier);
    ASSERT_TRUE(until([&] { return settled() && window->desks().weigh.result()->settings.stem == "music"; }));
    EXPECT_NE(window->desks().weigh.result()->now.spillDb, dialogue);
    EXPECT_TRUE(find<QPushButton>("strength_music")->isChecked());
}

TEST_F(Strength, TheRoomIsTakenFromTheDialogueAndLandsInTheOthers) {
    addAndSplit(3, "fine");
    key(Qt::Key_3, Qt::AltModifier);
    ASSERT_TRUE(studio->reels.current()->stems->shape().room);
    auto* slider = find<QSlider>("room_keep");
    ASSERT_TRUE(slider->isEnabled());
    slider->setValue(0);
    EXPECT_EQ(reel().isolation().roomKeep, 0);
    ASSERT_TRUE(until([&] { return settled() && window->desks().weigh.result()->settings.roomKeep == 0; }));
    exportStems(studio->document, studio->reels, studio->work, QString::fromStdString((folder / "out").string()), {});
    ASSERT_TRUE(until([&] { return !studio->busy(); }));
    const auto read = [&](const fs::path& file) {
        MediaReader reader(file);
        return reader.read(0, reader.frames());
    };
    const AudioBuffer x = read(folder / "clip.wav"), d = read(folder / "out" / "clip.dialogue.wav"),
                      m = read(folder / "out" / "clip.music.wav"), a = read(folder / "out" / "clip.ambience.wav");
    const AudioBuffer plain = studio->reels.current()->stems->open(0)->read(0, x.frames());
    double sum = 0, change = 0;
    for (size_t i = 0; i < x.samples().size(); ++i) {
        sum = std::max(sum, std::fabs(double(d.samples()[i]) + m.samples()[i] + a.samples()[i] - x.samples()[i]));
        change = std::max(change, std::fabs(double(d.samples()[i]) - plain.samples()[i]));
    }
    EXPECT_LT(toDb(sum), -120);
    EXPECT_GT(toDb(change), -80) << "there is a room in this reel";
}

TEST_F(Strength, ARegionIsMadeOfTheLoopNamedFadedCopiedAndRemoved) {
    weigh();
    key(Qt::Key_R);
    EXPECT_TRUE(timeline().regions.empty()) << "there is no loop";
    loop(1, 2);
    key(Qt::Key_R);
    ASSERT_EQ(timeline().regions.size(), 1u);
    EXPECT_EQ(reel().region, 0);
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 6; });
    EXPECT_EQ(timeline().regions[0].settings.depth, 6);
    EXPECT_EQ(timeline().base.depth, kFullDepth);
    page(1);
    auto* list = find<QListWidget>("regions");
    ASSERT_EQ(list->count(), 2);
    EXPECT_EQ(list->currentRow(), 1);
    list->item(1)->setText("the question");
    EXPECT_EQ(timeline().regions[0].name, "the question");
    find<QDoubleSpinBox>("fade")->setValue(0.5);
    EXPECT_EQ(timeline().regions[0].fade, 0.5);
    list->setCurrentRow(0);
    EXPECT_EQ(reel().region, -1);
    EXPECT_EQ(find<QLineEdit>("depth_db_value")->text(), "full");
    // What is in force follows the place, and fades: half way through the border it lies between the two.
    const auto depthAt = [&](double t) {
        double sum = 0;
        for (const auto& [s, w] : timeline().at(t)) sum += w * s.depth;
        return sum;
    };
    EXPECT_EQ(depthAt(1.5), 6);
    EXPECT_EQ(depthAt(0.5), kFullDepth);
    EXPECT_NEAR(depthAt(1.0), (6 + kFullDepth) / 2, 1);
    // Copy the whole reel's settings to the region, from the menu.
    auto* menu = find<QPushButton>("copyregion")->menu();
    emit menu->aboutToShow();
    ASSERT_EQ(menu->actions().size(), 1);
    EXPECT_EQ(menu->actions()[0]->text(), "the question");
    menu->actions()[0]->trigger();
    EXPECT_EQ(timeline().regions[0].settings.depth, kFullDepth);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(timeline().regions[0].settings.depth, 6);
    list->setCurrentRow(1);
    press("removeregion");
    EXPECT_TRUE(timeline().regions.empty());
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(timeline().regions.size(), 1u);
}

TEST_F(Strength, RegionsAndDrawnValuesAreSavedAndComeBack) {
    weigh(2);
    loop(0.5, 1);
    key(Qt::Key_R);
    studio->document.editReel("Draw", [](Reel& r) { r.timeline().drawn["depth_db"] = {{0.2, 10}, {1.5, 40}}; });
    const auto before = reel().strength;
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(studio->file.save(file));
    ASSERT_TRUE(studio->file.open(file));
    EXPECT_EQ(reel().strength, before);
}

TEST_F(Strength, BordersAreDraggedInTheLane) {
    weigh();
    loop(1, 2);
    key(Qt::Key_R);
    auto* lane = find<StrengthView>("strengthlane");
    ASSERT_TRUE(lane->isVisible());
    const auto at = [&](double seconds) {
        return QPoint(int(window->pictures().axis().xAt(seconds, lane->width())), StrengthView::kBarTop + 6);
    };
    QTest::mousePress(lane, Qt::LeftButton, {}, at(2));
    QTest::mouseMove(lane, at(2.4));
    QTest::mouseMove(lane, at(3));
    QTest::mouseRelease(lane, Qt::LeftButton, {}, at(3));
    EXPECT_NEAR(timeline().regions[0].to, 3, 0.02);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(timeline().regions[0].to, 2) << "one drag is one step";
    QTest::mouseClick(lane, Qt::LeftButton, {}, at(3.5));
    EXPECT_EQ(reel().region, -1) << "a click beside it works on the whole reel";
    QTest::mouseClick(lane, Qt::LeftButton, {}, at(1.5));
    EXPECT_EQ(reel().region, 0);
}

TEST_F(Strength, ASettingIsDrawnOverTimeByHandAndByKeyboard) {
    weigh();
    auto* lane = find<StrengthView>("strengthlane");
    find<QComboBox>("drawnsetting")->setCurrentIndex(0);
    QTest::mouseDClick(lane, Qt::LeftButton, {}, lane->pointAt(1, 20).toPoint());
    QTest::mouseDClick(lane, Qt::LeftButton, {}, lane->pointAt(3, 40).toPoint());
    ASSERT_TRUE(timeline().drawn.count("depth_db"));
    ASSERT_EQ(timeline().drawn.at("depth_db").size(), 2u);
    EXPECT_NEAR(timeline().drawn.at("depth_db")[0].first, 1, 0.02);
    EXPECT_NEAR(timeline().drawn.at("depth_db")[0].second, 20, 1.5);
    EXPECT_NEAR(timeline().at(2)[0].first.depth, 30, 2);
    // Move the second one.
    QTest::mousePress(lane, Qt::LeftButton, {}, lane->pointAt(3, timeline().drawn.at("depth_db")[1].second).toPoint());
    QTest::mouseMove(lane, lane->pointAt(2, 10).toPoint());
    QTest::mouseRelease(lane, Qt::LeftButton, {}, lane->pointAt(2, 10).toPoint());
    EXPECT_NEAR(timeline().drawn.at("depth_db")[1].first, 2, 0.02);
    EXPECT_NEAR(timeline().drawn.at("depth_db")[1].second, 10, 1.5);
    const double value = timeline().drawn.at("depth_db")[1].second;
    QTest::keyClick(lane, Qt::Key_Up);
    EXPECT_NEAR(timeline().drawn.at("depth_db")[1].second, value + 0.5, 0.3);
    QTest::keyClick(lane, Qt::Key_Delete);
    EXPECT_EQ(timeline().drawn.at("depth_db").size(), 1u);
    studio->hearing.player().locate(48000 * 3);
    QTest::keyClick(lane, Qt::Key_Insert);
    EXPECT_EQ(timeline().drawn.at("depth_db").size(), 2u);
    page(1);
    press("undraw");
    EXPECT_TRUE(timeline().drawn.empty());
}

TEST_F(Strength, ABandIsBypassedAndComesBack) {
    weigh(2);
    auto* curve = find<BandBiasCurve>("band_bias");
    curve->setFocus();
    for (int i = 0; i < 4; ++i) QTest::keyClick(curve, Qt::Key_Up);
    const int i = curve->selected();
    ASSERT_EQ(reel().isolation().bandBias[size_t(i)].second, 20);
    QTest::keyClick(curve, Qt::Key_Return);
    EXPECT_EQ(reel().isolation().bandBias[size_t(i)].second, 0);
    EXPECT_EQ(curve->bypassed(i), 20);
    const auto saved = isolationFromJson(toJson(reel().isolation()));
    EXPECT_EQ(saved, reel().isolation());
    QTest::mouseClick(curve, Qt::RightButton, {}, curve->pointAt(i).toPoint());
    EXPECT_EQ(reel().isolation().bandBias[size_t(i)].second, 20);
    EXPECT_FALSE(curve->bypassed(i));
    QTest::keyClick(curve, Qt::Key_Return);
    QTest::keyClick(curve, Qt::Key_Down);  // moved by hand: in force again
    EXPECT_FALSE(curve->bypassed(i));
    EXPECT_EQ(reel().isolation().bandBias[size_t(i)].second, -5);
}

TEST_F(Strength, IsGivenToSimilarReelsAfterTheirFiguresWereSeen) {
    addAndSplit(4);
    // The same sound once more, and one that is quite another.
    add({QString::fromStdString(clip("twin.wav", 5).string())});
    studio->document.editReel("", [](Reel& r) { r.quality = "quick"; });
    key(Qt::Key_Return, Qt::ControlModifier);
    ASSERT_TRUE(until([&] { return studio->reels.current()->stems && studio->reels.current()->stems->finished(); }));
    add({demo + "reel-1-deck.flac"});
    studio->document.selectReel(studio->document.session().reels[0].id);
    studio->document.setStage("weigh");
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 9; });
    page(1);
    press("givestrength");
    auto* dialog = window->findChild<GiveStrengthDialog*>();
    ASSERT_NE(dialog, nullptr);
    ASSERT_TRUE(until([&] { return !dialog->busy(); }));
    const auto& rows = dialog->rows();
    ASSERT_TRUE(until([&] { return rows.size() == 3 && rows[1].before && rows[1].after; }));
    auto* table = dialog->findChild<QTableWidget*>("reels");
    ASSERT_TRUE(rows[1].before && rows[1].after);
    EXPECT_LT(*rows[1].distance, kAlike);
    EXPECT_GT(rows[1].after->spillDb, rows[1].before->spillDb) << "9 dB leave more than full depth does";
    EXPECT_LT(rows[1].after->damage.total, rows[1].before->damage.total);
    EXPECT_EQ(table->item(1, 0)->checkState(), Qt::Checked);
    EXPECT_EQ(table->item(2, 0)->checkState(), Qt::Unchecked);
    EXPECT_EQ(rows[2].hindrance, "not split yet");
    QTest::mouseClick(dialog->findChild<QPushButton*>("give"), Qt::LeftButton);
    EXPECT_EQ(studio->document.session().reels[1].isolation().depth, 9);
    EXPECT_EQ(studio->document.session().reels[2].isolation().depth, kFullDepth);
    studio->document.undo();
    EXPECT_EQ(studio->document.session().reels[1].isolation().depth, kFullDepth);
    EXPECT_EQ(reel().isolation().depth, 9);
}
