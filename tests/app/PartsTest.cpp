// Stems taken further apart in the real window, with the small networks of tests/data/networks.
#include <gtest/gtest.h>

#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QSlider>
#include <QTabBar>

#include "Places.h"
#include "WindowFixture.h"
#include "app/rebuild/LanesView.h"
#include "core/rebuild/Automation.h"
#include "core/rebuild/PartLanes.h"
#include "core/session/SessionDelivery.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct PartsInTheWindow : Window {
    void SetUp() override {
        const fs::path tests = fs::path(test::kSourceFolder) / "tests/data/networks";
        fs::create_directories(folder / "networks");
        for (const char* name : {"fifths.ts", "fifths.json", "seconds.ts", "seconds.json"})
            fs::copy_file(tests / name, folder / "networks" / name);
        for (const char* name : {"main.ts", "main.json"})
            fs::copy_file(fs::path(test::kSourceFolder) / "networks" / name, folder / "networks" / name);
        qputenv("RIVLEN_NETWORKS", QByteArray::fromStdString((folder / "networks").string()));
        Window::SetUp();
    }
    void TearDown() override {
        Window::TearDown();
        qunsetenv("RIVLEN_NETWORKS");
    }
    bool made(const std::string& stem) {
        return until([&] { return studio->reels.current()->parts.count(stem) && studio->apart.busyWith().empty(); });
    }
    const Rebuild& lanes() { return window->desks().rebuild.desk.rebuild(); }
    const Lane& laneOf(const std::string& material) {
        static const Lane none;
        for (const auto& lane : lanes().lanes)
            if (!lane->clips.empty() && lane->clips[0].material == material) return *lane;
        ADD_FAILURE() << material;
        return none;
    }
};

}  // namespace

TEST_F(PartsInTheWindow, AStemIsTakenApartAtSplitAndFoundAgain) {
    key(Qt::Key_2, Qt::AltModifier);
    find<QTabBar>("splittabs")->setCurrentIndex(2);
    addAndSplit(4);
    auto* music = find<QCheckBox>("partsmusic");
    auto* state = find<QLabel>("partsofmusic");
    EXPECT_FALSE(find<QPushButton>("takeapart")->isVisible());
    music->click();
    ASSERT_TRUE(made("music"));
    settle();
    EXPECT_EQ(reel().parts, std::vector<std::string>{"music"});
    EXPECT_TRUE(state->text().contains("Drums") && state->text().contains("dBFS")) << state->text().toStdString();
    key(Qt::Key_Z, Qt::ControlModifier);
    settle();
    EXPECT_FALSE(music->isChecked());
    EXPECT_TRUE(state->text().isEmpty());
    key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    settle();
    EXPECT_TRUE(music->isChecked());
    ASSERT_TRUE(until([&] { return studio->reels.current()->parts.count("music"); })) << "it was made before";
}

TEST_F(PartsInTheWindow, WhatIsWantedBeforeTheSplitFollowsIt) {
    key(Qt::Key_2, Qt::AltModifier);
    find<QTabBar>("splittabs")->setCurrentIndex(2);
    add({QString::fromStdString(clip("clip.wav", 3).string())});
    studio->document.editReel("", [](Reel& r) { r.quality = "quick"; });
    find<QCheckBox>("partsmusic")->click();
    find<QCheckBox>("partsambience")->click();
    settle();
    EXPECT_TRUE(find<QLabel>("partsofmusic")->text().contains("once the reel is split"));
    key(Qt::Key_Return, Qt::ControlModifier);
    ASSERT_TRUE(made("music"));
    ASSERT_TRUE(made("ambience"));
    EXPECT_EQ(studio->reels.current()->parts.at("ambience")->shape().stems, partsOf("ambience"));
}

TEST_F(PartsInTheWindow, AnInstrumentalIsOneStep) {
    addAndSplit(4);
    key(Qt::Key_4, Qt::AltModifier);
    settle();
    const Rebuild before = lanes();
    key(Qt::Key_I, Qt::ShiftModifier);
    ASSERT_TRUE(made("music"));
    settle();
    EXPECT_TRUE(laneOf("vocals").strip.mute);
    EXPECT_FALSE(laneOf("drums").strip.mute);
    ASSERT_EQ(lanes().groups.size(), 1u);
    EXPECT_TRUE(lanes().groups[0].folded);
    auto* view = find<LanesView>("lanes");
    EXPECT_TRUE(view->lanesLayout().caption(laneOf("drums").id).isNull()) << "folded";
    // Unfolded by the triangle of its caption.
    const QRectF fold = view->lanesLayout().fold(lanes().groups[0].id);
    ASSERT_FALSE(fold.isNull());
    QTest::mouseClick(view, Qt::LeftButton, {}, fold.center().toPoint());
    settle();
    EXPECT_FALSE(lanes().groups[0].folded);
    EXPECT_FALSE(view->lanesLayout().caption(laneOf("drums").id).isNull());
    key(Qt::Key_I, Qt::ShiftModifier);
    settle();
    EXPECT_FALSE(laneOf("vocals").strip.mute) << "heard again";
    for (int i = 0; i < 4 && usesPartsOf(lanes(), "music"); ++i) key(Qt::Key_Z, Qt::ControlModifier), settle();
    EXPECT_EQ(lanes().lanes.size(), before.lanes.size());
}

TEST_F(PartsInTheWindow, LanesOfPartsAreLaidByAButton) {
    addAndSplit(3);
    key(Qt::Key_4, Qt::AltModifier);
    settle();
    find<QPushButton>("layambience")->click();
    ASSERT_TRUE(made("ambience"));
    settle();
    EXPECT_EQ(laneOf("events").stem, 2);
    EXPECT_EQ(laneOf("bed").group, lanes().groups[0].id);
    EXPECT_FALSE(find<QPushButton>("layambience")->isEnabled()) << "they are laid already";
    EXPECT_TRUE(find<QPushButton>("laymusic")->isEnabled());
}

TEST_F(PartsInTheWindow, ABalanceIsLaidOverTheReelOrTheLoopKeptAndTakenAway) {
    addAndSplit(4);
    key(Qt::Key_4, Qt::AltModifier);
    settle();
    auto* balances = find<QComboBox>("balancesmusic");
    balances->setCurrentIndex(balances->findText("Under a voice"));
    EXPECT_TRUE(balances->toolTip().contains("vocals silent") && balances->toolTip().contains("drums -9 dB"));
    find<QPushButton>("usebalancemusic")->click();
    ASSERT_TRUE(made("music"));
    settle();
    EXPECT_DOUBLE_EQ(laneOf("drums").strip.level, -9);
    EXPECT_DOUBLE_EQ(laneOf("vocals").strip.level, kSilentLevel);
    studio->document.editReel("Set loop", [](Reel& r) { r.loop = std::pair(1.0, 2.0); });
    settle();
    balances->setCurrentIndex(balances->findText("Without drums"));
    find<QPushButton>("usebalancemusic")->click();
    settle();
    EXPECT_NEAR(drawnAt(laneOf("drums").strip.automation.at("level"), 1.5), kSilentLevel, 1e-9);
    EXPECT_NEAR(drawnAt(laneOf("drums").strip.automation.at("level"), 3.5), -9, 1e-9);
    // What lies at the playhead is kept under a name.
    auto* name = find<QLineEdit>("balancenamemusic");
    name->setText("Mine");
    find<QPushButton>("keepbalancemusic")->click();
    settle();
    ASSERT_GE(balances->findText("Mine"), 0);
    EXPECT_TRUE(name->text().isEmpty());
    balances->setCurrentIndex(balances->findText("Mine"));
    EXPECT_TRUE(balances->toolTip().contains("drums -9 dB")) << balances->toolTip().toStdString();
    find<QPushButton>("removebalancemusic")->click();
    settle();
    EXPECT_LT(balances->findText("Mine"), 0);
    EXPECT_FALSE(find<QPushButton>("removebalancemusic")->isEnabled()) << "what came with Rivlen stays";
}

TEST_F(PartsInTheWindow, AnotherReelTakesTheRemix) {
    addAndSplit(4);
    key(Qt::Key_4, Qt::AltModifier);
    settle();
    find<QPushButton>("instrumental")->click();
    ASSERT_TRUE(made("music"));
    const std::string first = reel().name;
    fs::copy_file(folder / "clip.wav", folder / "second.wav");
    add({QString::fromStdString((folder / "second.wav").string())});
    studio->document.selectReel(studio->document.session().reels.back().id);
    settle();
    ASSERT_TRUE(until([&] { return window->desks().rebuild.desk.ready(); }));
    auto* reels = find<QComboBox>("remixreelsmusic");
    ASSERT_EQ(reels->currentText().toStdString(), first);
    find<QPushButton>("takeremixmusic")->click();
    settle();
    EXPECT_TRUE(laneOf("vocals").strip.mute);
    EXPECT_EQ(reel().parts, std::vector<std::string>{"music"}) << "taken apart once it is split";
}

TEST_F(PartsInTheWindow, WhatDistractsAndThePlaceAreTwoSlidersAtWeigh) {
    addAndSplit(4);
    key(Qt::Key_3, Qt::AltModifier);
    settle();
    auto* slider = find<QSlider>("place_db");
    ASSERT_TRUE(slider->isVisible());
    const auto result = [&] {
        ReelMaterial material;
        material.source = [file = reel().source] { return std::make_unique<MediaReader>(file); };
        material.stems = studio->reels.current()->stems;
        material.timeline = reel().timeline();
        material.frames = 4 * 48000;
        return std::make_shared<Materials>(material, false)->open("result", Rebuild{})->read(48000, 48000);
    };
    const AudioBuffer before = result();
    EXPECT_TRUE(reel().parts.empty() && studio->reels.current()->parts.empty()) << "the ambience is whole";
    slider->setValue(slider->maximum());
    ASSERT_TRUE(made("ambience")) << "it is taken apart for that";
    settle();
    EXPECT_EQ(reel().isolation().place, 0);
    EXPECT_EQ(find<QSlider>("distractions_db")->value(), find<QSlider>("distractions_db")->minimum());
    const auto& stems = *studio->reels.current()->stems;
    const AudioBuffer after = result(), events = stems.parts("ambience")->open(0)->read(48000, 48000),
                      ambience = stems.open(2)->read(48000, 48000);
    double kept = 0;
    for (size_t i = 0; i < after.samples().size(); ++i) {
        const float bed = ambience.samples()[i] - events.samples()[i];
        ASSERT_NEAR(after.samples()[i], before.samples()[i] + bed, 1e-6);
        kept += double(bed) * bed;
    }
    EXPECT_GT(kept, 0);
    // It is delivered so, by whoever prepares the reel anew: the recipe asks for the parts.
    EXPECT_EQ(recipeOf(reel()).parts, std::vector<std::string>{"ambience"});
    find<QPushButton>("strength_ambience")->click();
    settle();
    EXPECT_FALSE(slider->isEnabled()) << "where the ambience is wanted nothing of it goes";
}

TEST_F(PartsInTheWindow, APartIsWeighedLikeAStem) {
    addAndSplit(4);
    key(Qt::Key_3, Qt::AltModifier);
    settle();
    auto* part = find<QComboBox>("weighpart");
    EXPECT_FALSE(part->isVisible()) << "the dialogue has none";
    key(Qt::Key_P, Qt::ShiftModifier);
    EXPECT_EQ(reel().stem, "dialogue");
    key(Qt::Key_2, Qt::ControlModifier);
    settle();
    ASSERT_TRUE(part->isVisible());
    EXPECT_EQ(part->count(), 6);
    EXPECT_EQ(part->currentText(), "All of the music");
    EXPECT_TRUE(studio->reels.current()->parts.empty()) << "it is whole until a part is asked for";
    key(Qt::Key_P, Qt::ShiftModifier);
    key(Qt::Key_P, Qt::ShiftModifier);
    settle();
    EXPECT_EQ(reel().stem, "drums");
    EXPECT_TRUE(part->currentText().startsWith("Dr  Drums")) << "and what it waits for, while that is made";
    ASSERT_TRUE(made("music"));
    settle();
    EXPECT_EQ(part->currentText(), "Dr  Drums");
    EXPECT_TRUE(find<QPushButton>("strength_music")->isChecked());
    WeighDesk& weigh = window->desks().weigh;
    ASSERT_TRUE(
        until([&] { return weigh.result() && weigh.result()->settings.stem == "drums" && weigh.result()->curve; }));
    const double spill = weigh.result()->now.spillDb;
    find<QSlider>("depth_db")->setValue(find<QSlider>("depth_db")->minimum() + 60);
    ASSERT_TRUE(until([&] { return weigh.result() && weigh.result()->now.spillDb > spill + 1; })) << "more comes back";
    EXPECT_EQ(reel().strength[wantedPlace("music")], Reel::neutralStrength()[wantedPlace("music")]);
    // Its strength is its own, and undone like any.
    key(Qt::Key_1, Qt::ControlModifier);
    settle();
    EXPECT_FALSE(part->isVisible());
    EXPECT_EQ(reel().isolation(), IsolationSettings{});
    key(Qt::Key_3, Qt::ControlModifier);
    settle();
    EXPECT_EQ(part->count(), 3);
    part->setCurrentIndex(2);
    emit part->activated(2);
    EXPECT_EQ(reel().stem, "bed");
    ASSERT_TRUE(made("ambience"));
    settle();
    EXPECT_FALSE(find<QSlider>("place_db")->isEnabled());
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(reel().stem, "ambience");
}

TEST_F(PartsInTheWindow, APartIsHeardAlone) {
    key(Qt::Key_2, Qt::AltModifier);
    find<QTabBar>("splittabs")->setCurrentIndex(2);
    addAndSplit(4);
    find<QCheckBox>("partsmusic")->click();
    ASSERT_TRUE(made("music"));
    settle();
    auto *drums = find<QPushButton>("heardrums"), *bass = find<QPushButton>("hearbass");
    ASSERT_TRUE(drums->isVisible());
    drums->click();
    EXPECT_TRUE(drums->isChecked());
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Source);
    bass->click();
    EXPECT_FALSE(drums->isChecked()) << "one at a time";
    bass->click();
    EXPECT_FALSE(bass->isChecked());
    drums->click();
    studio->document.editReel("Name", [](Reel& r) { r.note = "x"; });
    settle();
    EXPECT_FALSE(drums->isChecked()) << "an edit plays the reel again";
}
