// A voice line recorded in the window. The microphone is the stand-in: what is heard comes back a thousand samples
// late, so that where a take lies is known to the sample.
#include <QComboBox>
#include <QDialog>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QTabBar>

#include "WindowFixture.h"
#include "app/rebuild/TakeControls.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Takes : Window {
    RebuildTools& tools() { return window->desks().rebuild; }
    TakeDesk& takes() { return tools().takes; }
    Player& player() { return studio->hearing.player(); }
    void begin(double seconds) {
        QSettings().setValue("takes/kind", int(VoiceInput::Kind::Itself));
        QSettings().setValue("takes/preRoll", 0.5);
        open();
        addAndSplit(seconds);
        key(Qt::Key_4, Qt::AltModifier);
        ASSERT_TRUE(until([&] { return !tools().busy() && !studio->busy(); }));
        find<QTabBar>("rebuildtabs")->setCurrentIndex(5);
    }
    bool laidIn() {
        return until([&] { return tools().desk.clip() && tools().desk.clip()->material.starts_with("sound"); });
    }
    std::vector<float> soundOf(const Clip& c) {
        MediaReader reader(tools().desk.rebuild().sound(c.material)->file);
        const AudioBuffer sound = reader.read(std::llround(c.offset * 48000), std::llround(c.length * 48000));
        return {sound.channel(0).begin(), sound.channel(0).end()};
    }
    /// The share of samples that are what the recording has there.
    double inPlace(const Clip& c) {
        const auto came = soundOf(c);
        MediaReader source(reel().source);
        const AudioBuffer played = source.read(std::llround(c.at * 48000), int64_t(came.size()));
        size_t same = 0;
        for (size_t i = 0; i < came.size(); ++i)
            same += std::fabs(came[i] - 0.5f * (played.channel(0)[i] + played.channel(1)[i])) < 1e-4f;
        return double(same) / double(came.size());
    }
};

}  // namespace

TEST_F(Takes, ALineIsRecordedIntoTheLoopAndLiesWhereItWasSpoken) {
    begin(5);
    studio->document.editReel("Set loop", [](Reel& r) { r.loop = {1.5, 2.5}; });
    studio->hearing.hear(Heard::Source);
    const size_t lanes = tools().desk.rebuild().lanes.size();
    QLabel* state = find<QLabel>("takestate");
    EXPECT_TRUE(find<QPushButton>("recordline")->toolTip().startsWith("Records into the loop"));
    key(Qt::Key_R, Qt::ShiftModifier);
    EXPECT_TRUE(takes().recording());
    EXPECT_TRUE(state->text().endsWith("s to go")) << state->text().toStdString();
    EXPECT_EQ(find<QPushButton>("recordline")->text(), "End the take");
    ASSERT_TRUE(until([&] { return state->text().endsWith(" of 1.0 s"); }));
    ASSERT_TRUE(laidIn()) << "it ends by itself";
    EXPECT_FALSE(takes().recording());
    EXPECT_FALSE(player().playing());
    EXPECT_EQ(player().position(), 72000) << "back at its beginning, to be heard";
    const Clip c = *tools().desk.clip();
    EXPECT_NEAR(c.at, 1.5, 1e-9);
    EXPECT_NEAR(c.length, 1, 0.001);
    EXPECT_NEAR(c.offset, 0.5, 0.001) << "the pre-roll can be drawn out";
    EXPECT_GT(inPlace(c), 0.5);
    ASSERT_EQ(tools().desk.rebuild().lanes.size(), lanes + 1);
    EXPECT_EQ(tools().desk.lane()->name, "Voice line");
    EXPECT_EQ(reel().loop, std::pair(1.5, 2.5)) << "the loop is there again";
    EXPECT_TRUE(reported.back().contains("take 1.wav")) << reported.back().toStdString();

    // Again: on the same lane, and the first one is muted there. While it is recorded the lane is not heard: in the mix
    // it would come back.
    studio->hearing.hear(Heard::Mix);
    studio->document.editReel("Solo", [&](Reel& r) {
        Rebuild changed = *r.rebuild;
        changed.lane(tools().desk.laneId())->strip.solo = true;
        r.rebuild = Shared<Rebuild>(changed);
    });
    key(Qt::Key_R, Qt::ShiftModifier);
    ASSERT_TRUE(until([&] { return tools().desk.clip() && tools().desk.clip()->id != c.id; }));
    EXPECT_EQ(tools().desk.rebuild().lanes.size(), lanes + 1);
    EXPECT_TRUE(tools().desk.rebuild().clip(c.id)->muted);
    EXPECT_FALSE(tools().desk.clip()->muted);
    for (const float v : soundOf(*tools().desk.clip()))
        ASSERT_LT(std::fabs(v), 1e-6f) << "nothing but the lane is soloed";
    EXPECT_FALSE(tools().desk.lane()->strip.mute) << "and it is heard again";
    for (int step = 0; step < 3; ++step) key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(tools().desk.rebuild().lanes.size(), lanes);
}

TEST_F(Takes, WithoutALoopItGoesFromThePlayheadUntilItIsEnded) {
    begin(5);
    studio->hearing.hear(Heard::Source);
    studio->hearing.locate(48000);
    QTest::mouseClick(find<QPushButton>("recordline"), Qt::LeftButton);
    ASSERT_TRUE(until([&] { return player().position() > 48000 * 2; }));
    EXPECT_TRUE(takes().state().startsWith("1.")) << takes().state().toStdString();
    EXPECT_GT(takes().peak(), 0.001f);
    EXPECT_GT(find<QProgressBar>("voicelevel")->value(), -60);
    key(Qt::Key_Space);  // ending it by stopping is as good
    ASSERT_TRUE(laidIn());
    const Clip c = *tools().desk.clip();
    EXPECT_NEAR(c.at, 1, 1e-9);
    EXPECT_GT(c.length, 0.9);
    EXPECT_GT(inPlace(c), 0.5);
    EXPECT_TRUE(takes().listening()) << "until it is said otherwise";
    QTest::mouseClick(find<QCheckBox>("listen"), Qt::LeftButton);
    EXPECT_FALSE(takes().listening());
}

TEST_F(Takes, AMicrophoneThatIsNotThereIsSaidAndNothingBegins) {
    begin(3);
    TakeWays ways = takes().ways();
    ways.input = {VoiceInput::Kind::Card, "ALSA: a box on another desk", 3};
    takes().setWays(ways);
    key(Qt::Key_R, Qt::ShiftModifier);
    EXPECT_FALSE(takes().recording());
    ASSERT_FALSE(warned.empty());
    EXPECT_TRUE(warned.back().contains("cannot be opened")) << warned.back().toStdString();
    player().play();
    const int64_t here = player().position();
    EXPECT_TRUE(until([&] { return player().position() > here; })) << "playing goes on without";
}

TEST_F(Takes, HowLateItIsCanBeMeasuredAndIsTakenOff) {
    begin(6);
    QTest::mouseClick(find<QPushButton>("microphone"), Qt::LeftButton);
    auto* dialog = find<QDialog>("microphoneDialog");
    QDoubleSpinBox* late = dialog->findChild<QDoubleSpinBox*>("voiceLate");
    late->setValue(12.5);
    EXPECT_EQ(takes().ways().correction, 12.5);
    studio->hearing.hear(Heard::Mix);
    QTest::mouseClick(dialog->findChild<QPushButton*>("measureLate"), Qt::LeftButton);
    ASSERT_TRUE(until([&] { return takes().measured().startsWith("It comes back"); }));
    EXPECT_EQ(takes().ways().correction, 0)
        << "the stand-in says how late it is, and is right: " << takes().measured().toStdString();
    EXPECT_EQ(player().heard(), Heard::Mix) << "as before";
    EXPECT_EQ(late->value(), 0);
    QComboBox* from = dialog->findChild<QComboBox*>("voiceFrom");
    EXPECT_EQ(from->currentText(), "nowhere: what is heard comes back (to try it)");
    from->setCurrentIndex(0);
    emit from->activated(0);
    EXPECT_EQ(takes().ways().input.kind, VoiceInput::Kind::Default);
    EXPECT_EQ(QSettings().value("takes/kind").toInt(), int(VoiceInput::Kind::Default));
    dialog->close();
}

TEST_F(Takes, AnotherReelEndsTheTakeAndItsSoundIsKept) {
    begin(5);
    add({QString::fromStdString(clip("other.wav", 3).string())});
    studio->document.selectReel(studio->document.session().reels[0].id);
    ASSERT_TRUE(until([&] { return !tools().busy() && !studio->busy(); }));
    studio->hearing.hear(Heard::Source);
    key(Qt::Key_R, Qt::ShiftModifier);
    ASSERT_TRUE(until([&] { return player().position() > 30000; }));
    studio->document.selectReel(studio->document.session().reels[1].id);
    ASSERT_TRUE(until([&] { return !reported.empty() && reported.back().startsWith("The take is kept as"); }));
    EXPECT_FALSE(takes().recording());
    EXPECT_TRUE(fs::exists(folder / "data" / "rivlen" / "takes" / "clip take 1.wav"));
}
