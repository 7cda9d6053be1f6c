// The Dispatch stage through the real window.
#include <QComboBox>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

#include <fstream>

#include "WindowFixture.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct DispatchStage : Window {
    DispatchDesk& desk() { return window->desks().dispatch; }
    const std::vector<Deliverable>& all() { return desk().deliverables(); }
    void type(const char* name, const QString& text) {
        auto* box = find<QLineEdit>(name);
        box->setFocus();
        box->selectAll();
        QTest::keyClicks(box, text);
        QTest::keyClick(box, Qt::Key_Return);
    }
    void pick(const char* name, int index) {
        find<QComboBox>(name)->setCurrentIndex(index);
        emit find<QComboBox>(name)->activated(index);
    }
};

}  // namespace

TEST_F(DispatchStage, DeliverablesAreChosenEditedSavedAndMade) {
    addAndSplit(3);
    key(Qt::Key_5, Qt::AltModifier);
    EXPECT_EQ(all().size(), 5u) << "the usual ones";
    EXPECT_TRUE(controller->session().deliverables.empty());
    desk().useSet(0);
    ASSERT_EQ(all()[0].loudness, -23.0);
    type("loudness", "-20");
    EXPECT_EQ(all()[0].loudness, -20.0);
    type("loudness", "loud");
    EXPECT_EQ(all()[0].loudness, -20.0) << "nonsense changes nothing";
    EXPECT_FALSE(find<QLabel>("notice")->isHidden());
    type("deliveryname", "for the lake");
    EXPECT_EQ(all()[0].name, "for the lake");
    type("filename", "{name} {loudness}");
    EXPECT_EQ(find<QLabel>("filepreview")->text(), "for the lake -20 LUFS.wav");
    type("filename", "{nothing}");
    EXPECT_TRUE(find<QLabel>("filepreview")->text().contains("does not stand for anything"));
    controller->undo();
    pick("holds", 1);
    EXPECT_EQ(all()[0].holds, "music-and-effects");
    controller->undo();
    auto* list = find<QListWidget>("deliverables");
    ASSERT_EQ(list->count(), 5);
    for (int i = 1; i < 4; ++i) list->item(i)->setCheckState(Qt::Unchecked);
    EXPECT_FALSE(all()[1].on);
    const auto before = all();
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(controller->saveSession(file));
    ASSERT_TRUE(controller->openSession(file));
    ASSERT_TRUE(until([&] { return !controller->busy() && controller->currentState()->stems; }));
    EXPECT_EQ(all(), before);
    const QString out = QString::fromStdString((folder / "out").string());
    desk().dispatch(out, false);
    EXPECT_EQ(find<QPushButton>("dispatch")->text(), "Cancel");
    ASSERT_TRUE(until([&] { return !desk().busy() && desk().reports().size() == 2; }));
    QTest::qWait(50);
    EXPECT_TRUE(fs::exists(folder / "out" / "for the lake -20 LUFS.wav")) << toJson(desk().reports()[0]).dump(1);
    EXPECT_TRUE(fs::exists(folder / "out" / "clip.ambience.wav"));
    EXPECT_NEAR(*desk().reports()[0].integrated, -20, 0.2);
    EXPECT_EQ(find<QListWidget>("results")->count(), 2);
    for (const char* report : {"delivery.json", "delivery.csv", "delivery.html", "delivery.sha256"}) EXPECT_TRUE(fs::exists(folder / "out" / report)) << report;
    EXPECT_EQ(run("cd '" + (folder / "out").string() + "' && sha256sum -c --quiet delivery.sha256").code, 0);
    // Once more into the same folder: nothing is replaced, one line says so.
    desk().dispatch(out, false);
    EXPECT_FALSE(desk().busy());
    EXPECT_TRUE(find<QLabel>("notice")->text().contains("already there"));
}

TEST_F(DispatchStage, IsCancelledWithNothingLeftBehind) {
    addAndSplit(5);
    key(Qt::Key_5, Qt::AltModifier);
    desk().dispatch(QString::fromStdString((folder / "out").string()), false);
    ASSERT_TRUE(until([&] { return !desk().reports().empty(); }));
    QTest::mouseClick(find<QPushButton>("dispatch"), Qt::LeftButton);
    ASSERT_TRUE(until([&] { return !desk().busy(); }));
    for (const auto& entry : fs::directory_iterator(folder / "out")) EXPECT_NE(entry.path().filename().string()[0], '.') << entry.path();
}
