// A clean voice in one press, in the real window.
#include <QComboBox>

#include "WindowFixture.h"
#include "core/session/CleanVoice.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct CleanVoiceInTheWindow : Window {
    void clean(const std::function<void()>& press) {
        press();
        ASSERT_TRUE(until(
            [&] { return !window->desks().clean.busy() && !window->desks().dispatch.busy() && studio->work.idle(); }));
        settle();
    }
    fs::path made(const char* name) { return reel().source.parent_path() / name; }
};

}  // namespace

TEST_F(CleanVoiceInTheWindow, OnePressDeliversItAndLeavesOrdinarySettings) {
    add({QString::fromStdString(clip("clip.wav", 6).string())});
    studio->document.editReel("", [](Reel& r) { r.quality = "quick", r.isolation().depth = 9; });
    const Reel before = reel();
    clean([&] { key(Qt::Key_Return, Qt::ControlModifier | Qt::ShiftModifier); });
    EXPECT_TRUE(fs::exists(made("clip.clean.wav")));
    EXPECT_NE(reel().timeline().base.depth, 9) << "no figure of the curve's";
    const CleanVoice same = cleanVoice(before, "", Progress{});
    EXPECT_EQ(reel().timeline(), same.reel.timeline()) << "the suggested strength, " << same.reel.timeline().base.depth;
    EXPECT_EQ(reel().treatments, same.reel.treatments);
    ASSERT_TRUE(studio->reels.current()->stems && studio->reels.current()->stems->finished()) << "its split is shown";
    const auto& session = studio->document.session();
    ASSERT_EQ(session.deliverables.size(), 1u);
    EXPECT_EQ(session.deliverables[0].holds, "dialogue");
    // Once more: the first one stays.
    clean([&] { find<QPushButton>("cleanvoice")->click(); });
    EXPECT_TRUE(fs::exists(made("clip.clean-2.wav")));
    EXPECT_EQ(studio->document.session().deliverables.size(), 1u);
    key(Qt::Key_Z, Qt::ControlModifier);
    settle();
    EXPECT_EQ(reel().timeline(), before.timeline());
    EXPECT_EQ(reel().treatments, before.treatments);
    EXPECT_TRUE(studio->document.session().deliverables.empty());
}

TEST_F(CleanVoiceInTheWindow, ItsPurposeGivesItsStrengthAndIsRemembered) {
    add({QString::fromStdString(clip("clip.wav", 4).string())});
    studio->document.editReel("", [](Reel& r) { r.quality = "quick"; });
    auto* purpose = find<QComboBox>("voicepurpose");
    purpose->setCurrentIndex(purpose->findData("keep-room"));
    emit purpose->activated(purpose->currentIndex());
    EXPECT_EQ(window->desks().clean.purpose(), "keep-room");
    clean([&] { find<QPushButton>("cleanvoice")->click(); });
    EXPECT_DOUBLE_EQ(reel().timeline().base.depth, 2.5);
    EXPECT_FALSE(reel().timeline().base.bandBias.empty());
    open();
    EXPECT_EQ(window->desks().clean.purpose(), "keep-room");
    window->desks().clean.setPurpose("");
}

TEST_F(CleanVoiceInTheWindow, CancelledNothingIsOtherwise) {
    add({QString::fromStdString(clip("clip.wav", 8).string())});
    const Reel before = reel();
    find<QPushButton>("cleanvoice")->click();
    EXPECT_FALSE(find<QPushButton>("cleanvoice")->isEnabled()) << "one at a time";
    studio->file.begin();  // the session goes meanwhile
    ASSERT_TRUE(until([&] { return studio->work.idle(); }));
    settle();
    EXPECT_TRUE(studio->document.session().reels.empty());
    EXPECT_FALSE(fs::exists(before.source.parent_path() / "clip.clean.wav"));
}
