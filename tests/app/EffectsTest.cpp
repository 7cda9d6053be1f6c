// Installed effects in the chain, through the real window.
#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSlider>
#include <QTabBar>

#include "EffectFolder.h"
#include "WindowFixture.h"
#include "app/rebuild/EffectPicker.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct EffectsStage : Window {
    RebuildTools& tools() { return window->desks().rebuild; }
    RebuildDesk& desk() { return tools().desk; }
    const Strip& strip() { return desk().strip(); }
    const std::vector<EffectSlot>& effects() { return strip().chain.effects; }

    void begin() {
        testEffects();
        add({QString::fromStdString(clip("clip.wav", 4).string())});
        key(Qt::Key_4, Qt::AltModifier);
        ASSERT_TRUE(until([&] { return !tools().busy() && !studio->busy(); }));
        find<QTabBar>("rebuildtabs")->setCurrentIndex(1);
        desk().chooseLane(desk().rebuild().lanes[3]->id);  // the source, so that nothing has to be split
        desk().editStrip("Unmute", [](Strip& s) { s.mute = false; });
        settle();
    }
    EffectPicker* picker() { return window->findChild<EffectPicker*>("effectpicker"); }
    /// As a user does: the key, some letters, Enter.
    void put(const char* letters) {
        window->pictures().lanes().setFocus();  // letters are letters in a field
        key(Qt::Key_E, Qt::ShiftModifier);
        ASSERT_TRUE(until([&] { return picker() && !tools().effects.installed().empty(); }));
        auto* search = picker()->findChild<QLineEdit*>("effectsearch");
        QTest::keyClicks(search, letters);
        const size_t before = effects().size();
        QTest::keyClick(search, Qt::Key_Return);
        ASSERT_TRUE(until([&] { return effects().size() == before + 1; }));
        ASSERT_TRUE(until([&] { return tools().effects.facts(effects().back().uri) != nullptr && !picker(); }));
        window->activateWindow();  // the offscreen platform does not give a closed dialog's place back
        ASSERT_TRUE(QTest::qWaitForWindowActive(window.get(), 3000));
        settle();
    }
    void press(const char* name) { QTest::mouseClick(find<QPushButton>(name), Qt::LeftButton); }
};

}  // namespace

TEST_F(EffectsStage, ThePickerFindsByClassAndLettersAndSaysWhatCannotStandHere) {
    begin();
    press("addeffect");
    ASSERT_TRUE(until([&] { return picker() && tools().effects.installed().size() == 7; }));
    settle();
    auto* list = picker()->findChild<QListWidget*>("effectlist");
    auto* kinds = picker()->findChild<QListWidget*>("effectkinds");
    EXPECT_EQ(list->count(), 7);
    EXPECT_EQ(list->item(6)->text(), "Needs too much") << "what cannot be used comes last";
    list->setCurrentRow(6);
    EXPECT_FALSE(picker()->findChild<QPushButton*>("effectadd")->isEnabled());
    EXPECT_TRUE(picker()->findChild<QLabel*>("effectabout")->text().contains("needs what is not offered"));
    for (int i = 0; i < kinds->count(); ++i)
        if (kinds->item(i)->text().startsWith("Amplifier")) kinds->setCurrentRow(i);
    ASSERT_EQ(list->count(), 1);
    EXPECT_EQ(list->item(0)->text(), "Plain gain");
    kinds->setCurrentRow(0);
    QTest::keyClicks(picker()->findChild<QLineEdit*>("effectsearch"), "much late rivlen so");
    ASSERT_EQ(list->count(), 1);
    EXPECT_TRUE(picker()->findChild<QLabel*>("effectabout")->text().contains("2 channels"));
    QTest::keyClick(picker(), Qt::Key_Escape);
    EXPECT_TRUE(until([&] { return !picker(); }));
}

TEST_F(EffectsStage, AnEffectIsAddedSetMovedSwitchedAndTakenOut) {
    begin();
    put("plain");
    EXPECT_EQ(effects()[0].before, "limiter");
    auto* gain = find<QSlider>("effect_gain");
    ASSERT_TRUE(gain->isVisible());
    auto* value = find<QLineEdit>("effect_gain_value");
    value->setFocus();
    value->selectAll();
    QTest::keyClicks(value, "-12 dB");
    QTest::keyClick(value, Qt::Key_Return);
    EXPECT_EQ(effects()[0].values.at("gain"), -12);
    value->selectAll();
    QTest::keyClicks(value, "400");
    QTest::keyClick(value, Qt::Key_Return);
    EXPECT_EQ(effects()[0].values.at("gain"), -12) << "out of its range";
    press("effectearlier");
    EXPECT_EQ(effects()[0].before, "room");
    for (int i = 0; i < 20; ++i)
        if (find<QPushButton>("effectlater")->isEnabled()) press("effectlater");
    EXPECT_EQ(effects()[0].before, "") << "behind the limiter";
    QTest::mouseClick(find<QCheckBox>("effect-1_on"), Qt::LeftButton, {}, {8, 10});
    EXPECT_FALSE(effects()[0].on);
    put("late");
    EXPECT_EQ(effects().size(), 2u);
    EXPECT_EQ(find<QPushButton>("effect-2_show")->isChecked(), true);
    press("effectremove");
    ASSERT_EQ(effects().size(), 1u);
    studio->document.undo();
    EXPECT_EQ(effects().size(), 2u);
}

TEST_F(EffectsStage, PresetsAndSessionsKeepValuesAndState) {
    begin();
    put("plain");
    auto* presets = find<QComboBox>("effectpresets");
    ASSERT_EQ(presets->count(), 2);
    presets->setCurrentIndex(1);
    emit presets->activated(1);
    ASSERT_TRUE(until([&] { return !effects()[0].state.empty(); }));
    EXPECT_EQ(effects()[0].values.at("gain"), 6);
    const auto was = effects();
    const QString file = QString::fromStdString((folder / "effects.rivlen").string());
    ASSERT_TRUE(studio->file.save(file));
    studio->file.begin();
    studio->file.open(file);
    ASSERT_TRUE(until([&] { return studio->document.reel() && studio->reels.current()->info; }));
    EXPECT_EQ(studio->document.reel()->rebuild->lanes[3]->strip.chain.effects, was);
}

TEST_F(EffectsStage, AControlIsDrawnOverTimeOnTheLane) {
    begin();
    put("plain");
    auto* moved = find<QComboBox>("effectmoved");
    moved->setCurrentIndex(1);
    emit moved->activated(1);
    ASSERT_EQ(tools().curves.shown(), "effect-1:gain");
    LanesView& lanes = window->pictures().lanes();
    const auto range = tools().curves.range(strip());
    EXPECT_EQ(range.minimum, -60);
    const std::string id = desk().laneId();
    QTest::mouseDClick(&lanes, Qt::LeftButton, {}, lanes.lanesLayout().curvePoint(id, range, 1, 0).toPoint());
    QTest::mouseDClick(&lanes, Qt::LeftButton, {}, lanes.lanesLayout().curvePoint(id, range, 2, -40).toPoint());
    ASSERT_TRUE(strip().automation.count("effect-1:gain"));
    ASSERT_EQ(strip().automation.at("effect-1:gain").size(), 2u);
    EXPECT_NEAR(strip().automation.at("effect-1:gain")[1].second, -40, 3);
    settle();
    EXPECT_FALSE(find<QSlider>("effect_gain")->isEnabled()) << "the curve holds";
    auto* curves = find<QComboBox>("automation");
    EXPECT_EQ(curves->currentData().toString(), "effect-1:gain");
    EXPECT_EQ(curves->currentText(), "Plain gain: Gain");
    press("effectremove");
    EXPECT_FALSE(strip().automation.count("effect-1:gain"));
}

TEST_F(EffectsStage, OneThatCrashesWhileItPlaysIsToldAndTheRestPlaysOn) {
    begin();
    put("crash");
    studio->hearing.hear(Heard::Mix);
    key(Qt::Key_Space);
    ASSERT_TRUE(until([&] { return studio->hearing.player().position() > 12000; }));
    EXPECT_TRUE(tools().effects.trouble("effect-1").isEmpty());
    auto* now = find<QCheckBox>("effect_now");
    ASSERT_TRUE(now->isVisible());
    now->click();
    ASSERT_TRUE(until([&] { return !tools().effects.trouble("effect-1").isEmpty(); }));
    EXPECT_TRUE(tools().effects.trouble("effect-1").contains("crashed"))
        << tools().effects.trouble("effect-1").toStdString();
    settle();
    EXPECT_TRUE(find<QLabel>("effectstate")->text().contains("left out"));
    const int64_t at = studio->hearing.player().position();
    EXPECT_TRUE(until([&] { return studio->hearing.player().position() > at + 12000; })) << "it plays on";
    key(Qt::Key_Space);
}
