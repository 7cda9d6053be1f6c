// Learning a scene in the real window, on the demo's deck reel.
#include <gtest/gtest.h>

#include <QComboBox>
#include <QProgressBar>

#include "WindowFixture.h"
#include "app/split/SceneDesk.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Scenes : Window {
    SceneDesk& desk() { return window->desks().scenes; }
    const Reel& reel() { return *studio->document.reel(); }
    void deck() {
        add({demo + "reel-1-deck.flac"});
        key(Qt::Key_2, Qt::AltModifier);
        settle();
        desk().settings.steps = 2;
        desk().settings.batch = 1;
        desk().settings.seconds = 1;
    }
    void mark(double from, double to) {
        studio->document.editReel("Set loop", [&](Reel& r) { r.loop = std::pair(from, to); });
        key(Qt::Key_A, Qt::ShiftModifier);
    }
    QString said() { return find<QLabel>("scenesaid")->text(); }
    /// A scene that changes nothing, as if it had been learned.
    fs::path scene(const std::string& name) {
        const NetworkCard card = findNetwork("");
        Scene made{name, card.id, card.sha256, "2026-11-27", {}, {{"dialogue", 1.5}}, {}};
        made.changes["net.first.linear.change_bias"] = std::vector<float>(72, 0.0f);
        made.save(folder / (name + ".scene"));
        return folder / (name + ".scene");
    }
};

}  // namespace

TEST_F(Scenes, ALearningRunsBesideWhatIsDoneAndSaysWhatCameOfIt) {
    deck();
    key(Qt::Key_L, Qt::ShiftModifier);
    EXPECT_FALSE(desk().learning());
    EXPECT_TRUE(window->workLine().noticeText().contains("Mark a span first"));
    key(Qt::Key_Escape);
    mark(0, 0.4);
    EXPECT_TRUE(desk().hindrance().contains("a second at least"));
    EXPECT_FALSE(find<QPushButton>("learnscene")->isEnabled());
    mark(0, 3);
    EXPECT_TRUE(find<QPushButton>("learnscene")->isEnabled());
    key(Qt::Key_L, Qt::ShiftModifier);
    ASSERT_TRUE(desk().learning());
    EXPECT_EQ(find<QPushButton>("learnscene")->text(), "Stop");
    EXPECT_TRUE(find<QProgressBar>("learnalong")->isVisible());
    EXPECT_TRUE(said().contains("Learning"));
    ASSERT_TRUE(until([&] { return !desk().learning(); }));
    // Two steps may bring something or nothing: either way it is told, and what is told is what was done.
    EXPECT_TRUE(said().contains("Learned:") || said().contains("Nothing was kept:")) << said().toStdString();
    EXPECT_EQ(said().contains("Learned:"), !reel().scene.empty());
    if (!reel().scene.empty()) {
        EXPECT_TRUE(fs::exists(reel().scene));
    }
}

TEST_F(Scenes, ALearningIsStopped) {
    deck();
    mark(0, 3);
    desk().settings = {};
    find<QPushButton>("learnscene")->click();
    ASSERT_TRUE(desk().learning());
    find<QPushButton>("learnscene")->click();
    ASSERT_TRUE(until([&] { return !desk().learning(); }));
    EXPECT_TRUE(reel().scene.empty());
    EXPECT_EQ(find<QPushButton>("learnscene")->text(), "Learn it");
}

TEST_F(Scenes, AreChosenLikeANetworkLeftAndUndone) {
    deck();
    desk().use(scene("The deck"));
    EXPECT_TRUE(said().contains("+1.5 dB")) << said().toStdString();
    auto* networks = find<QComboBox>("network");
    EXPECT_TRUE(networks->currentText().contains("learned: The deck")) << networks->currentText().toStdString();
    EXPECT_FALSE(find<QPushButton>("withoutscene")->isHidden());
    find<QPushButton>("withoutscene")->click();
    EXPECT_TRUE(reel().scene.empty());
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(reel().scene.filename(), "The deck.scene");
    networks->setCurrentIndex(0);
    emit networks->activated(0);
    EXPECT_TRUE(reel().scene.empty());
}

TEST_F(Scenes, ServeAGroupAndComeBackWithTheSession) {
    deck();
    add({demo + "reel-2-saloon.flac"});
    std::vector<std::string> ids;
    for (const Reel& r : studio->document.session().reels) ids.push_back(r.id);
    studio->document.editReels("Group", ids, [](Reel& r) { r.group = "ferry"; });
    const fs::path file = scene("The deck");
    desk().use(file);
    EXPECT_EQ(desk().othersInGroup(), 1);
    desk().useInGroup();
    for (const Reel& r : studio->document.session().reels) EXPECT_EQ(r.scene, file);
    EXPECT_EQ(desk().scenes().size(), 1u);
    const QString session = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(studio->file.save(session));
    ASSERT_TRUE(studio->file.open(session));
    EXPECT_EQ(studio->document.reel()->scene, file);
}

TEST_F(Scenes, OneThatIsGoneIsToldAndTheReelCanGoOnWithoutIt) {
    deck();
    desk().use(scene("The deck"));
    fs::remove(reel().scene);
    studio->document.announce();
    EXPECT_TRUE(said().contains("cannot be read")) << said().toStdString();
    find<QPushButton>("withoutscene")->click();
    EXPECT_TRUE(reel().scene.empty());
}
