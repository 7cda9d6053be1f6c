// Without a pointer: every control of every stage and page is reached by Tab, and a reel goes from its file to its
// delivery by keys alone.
#include <QAbstractItemView>
#include <QAbstractSpinBox>
#include <QButtonGroup>
#include <QComboBox>
#include <QFileDialog>
#include <QLineEdit>
#include <QScrollBar>
#include <QTabBar>
#include <QTimer>
#include <QToolButton>
#include <map>
#include <set>

#include "EveryPage.h"
#include "WindowFixture.h"
#include "app/intake/ConformDialog.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

bool control(const QWidget* w) {
    if (qobject_cast<const QScrollBar*>(w) || QString(w->metaObject()->className()) == "QHeaderView") return false;
    if (qobject_cast<const QComboBox*>(w->parentWidget()) || qobject_cast<const QAbstractSpinBox*>(w->parentWidget()))
        return false;  // a part of it
    if (const auto* tabs = qobject_cast<const QTabBar*>(w->parentWidget()); tabs) return false;
    return qobject_cast<const QAbstractButton*>(w) || qobject_cast<const QComboBox*>(w) ||
           qobject_cast<const QAbstractSlider*>(w) || qobject_cast<const QLineEdit*>(w) ||
           qobject_cast<const QAbstractSpinBox*>(w) || qobject_cast<const QAbstractItemView*>(w) ||
           qobject_cast<const QTabBar*>(w);
}

std::string nameOf(const QWidget* w) {
    const auto* button = qobject_cast<const QAbstractButton*>(w);
    return std::string(w->metaObject()->className()) + " " + w->objectName().toStdString() + " " +
           (button ? button->text().toStdString() : w->accessibleName().toStdString());
}

struct WithoutAPointer : Window {
    /// What Tab comes by, from the window on, until it begins again.
    std::set<const QWidget*> round() {
        std::set<const QWidget*> seen;
        window->setFocus();
        settle();
        for (int i = 0; i < 400; ++i) {
            QWidget* at = QApplication::focusWidget();
            QTest::keyClick(at ? at : static_cast<QWidget*>(window.get()), Qt::Key_Tab);
            at = QApplication::focusWidget();
            if (at && !seen.insert(at).second && i > 300) break;
        }
        return seen;
    }
    /// Of buttons of which one is down, Tab comes by that one; arrows go to the others.
    static bool amongOthers(const QWidget* w, const std::set<const QWidget*>& seen) {
        const auto* button = qobject_cast<const QAbstractButton*>(w);
        if (!button || !button->group() || !button->group()->exclusive()) return false;
        for (const auto* other : button->group()->buttons())
            if (seen.count(other)) return true;
        return false;
    }
    static void everythingIsReached(QWidget& top, const std::set<const QWidget*>& seen, const std::string& where) {
        for (const auto* w : top.findChildren<QWidget*>())
            if (control(w) && w->isVisible() && w->isEnabled() && w->window() == &top) {
                EXPECT_TRUE(seen.count(w) || amongOthers(w, seen)) << nameOf(w) << ", " << where;
            }
    }
    /// A dialogue that a button or an action opened: Tab comes by all of it, Escape ends it.
    void walkDialogue() {
        QDialog* dialog = nullptr;
        for (auto* each : window->findChildren<QDialog*>())
            if (each->isVisible()) dialog = each;
        ASSERT_NE(dialog, nullptr);
        dialog->activateWindow();
        ASSERT_TRUE(QTest::qWaitForWindowActive(dialog, 3000));
        std::set<const QWidget*> seen;
        for (int i = 0; i < 80; ++i) {
            QWidget* at = dialog->focusWidget();
            if (at) seen.insert(at);
            QTest::keyClick(at ? at : dialog, Qt::Key_Tab);
        }
        everythingIsReached(*dialog, seen, dialog->windowTitle().toStdString());
        QTest::keyClick(dialog, Qt::Key_Escape);
        settle();
        for (const auto* each : window->findChildren<QDialog*>())
            EXPECT_FALSE(each->isVisible()) << "Escape ends " << each->objectName().toStdString();
        window->activateWindow();
        (void)QTest::qWaitForWindowActive(window.get(), 3000);
    }
    /// A dialogue for files that a key opens: the path is typed, and Return.
    void typed(const QString& path, const std::function<void()>& opens) {
        QTimer waiting;
        QObject::connect(&waiting, &QTimer::timeout, [&] {
            auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
            if (!dialog) return;
            waiting.stop();
            auto* name = dialog->findChild<QLineEdit*>("fileNameEdit");
            name->setText(path);  // typed letter by letter it would open the list of what is there
            QTest::keyClick(name, Qt::Key_Return);
        });
        waiting.start(50);
        opens();
        settle();
        window->activateWindow();  // a window manager's work
        (void)QTest::qWaitForWindowActive(window.get(), 3000);
    }
};

}  // namespace

TEST_F(WithoutAPointer, EveryControlIsReachedByTab) {
    window->resize(1280, 800);
    addAndSplit();
    for (int stage = 0; stage < int(kStages.size()); ++stage) {
        key(Qt::Key(Qt::Key_1 + stage), Qt::AltModifier);
        settle();
        ASSERT_EQ(studio->document.session().stage, kStages[size_t(stage)].id);
        QTabBar* pages = nullptr;
        for (auto* bar : window->findChildren<QTabBar*>())
            if (bar->isVisible() && bar->count() > 1) pages = bar;
        const int count = pages ? pages->count() : 1;
        for (int page = 0; page < count; ++page) {
            if (pages) pages->setCurrentIndex(page);
            settle();
            everythingIsReached(*window, round(),
                                kStages[size_t(stage)].id + (pages ? ", " + pages->tabText(page).toStdString() : ""));
        }
    }
}

TEST_F(WithoutAPointer, AReelGoesFromItsFileToItsDelivery) {
    window->resize(1280, 800);
    fs::create_directories(folder / "out");
    QSettings().setValue("folders/dispatch", QString::fromStdString((folder / "out").string()));
    const QString file = QString::fromStdString(clip("reel.wav", 5).string());
    typed(file, [&] { key(Qt::Key_I, Qt::ControlModifier); });
    ASSERT_TRUE(
        until([&] { return studio->reels.current() && studio->reels.current()->inspection && !studio->busy(); }));
    key(Qt::Key_Return, Qt::ControlModifier);
    ASSERT_TRUE(until([&] { return studio->reels.current()->stems && studio->reels.current()->stems->finished(); }));
    // A strength: to the first slider of the stage by Tab, and up.
    key(Qt::Key_3, Qt::AltModifier);
    settle();
    const IsolationSettings before = studio->document.reel()->isolation();
    window->setFocus();
    for (int i = 0; i < 200 && !qobject_cast<QAbstractSlider*>(QApplication::focusWidget()); ++i) {
        QWidget* at = QApplication::focusWidget();
        QTest::keyClick(at ? at : static_cast<QWidget*>(window.get()), Qt::Key_Tab);
    }
    ASSERT_NE(qobject_cast<QAbstractSlider*>(QApplication::focusWidget()), nullptr);
    for (int i = 0; i < 3; ++i) QTest::keyClick(QApplication::focusWidget(), Qt::Key_Down);
    settle();
    EXPECT_NE(studio->document.reel()->isolation(), before);
    window->setFocus();
    key(Qt::Key_Z, Qt::ControlModifier);
    key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_NE(studio->document.reel()->isolation(), before) << "undone and done again";
    // Heard, and out.
    key(Qt::Key_2);
    key(Qt::Key_Space);
    EXPECT_TRUE(studio->hearing.player().playing());
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Result);
    key(Qt::Key_Space);
    key(Qt::Key_5, Qt::AltModifier);
    settle();
    ASSERT_TRUE(until([&] { return find<QPushButton>("nextstep")->text().contains("Deliver"); }))
        << find<QPushButton>("nextstep")->text().toStdString();
    window->setFocus();
    typed(QString::fromStdString((folder / "out").string()), [&] { key(Qt::Key_Return); });
    ASSERT_TRUE(until([&] { return !window->desks().dispatch.busy() && !window->desks().dispatch.reports().empty(); }));
    size_t files = 0;
    for (const auto& entry : fs::recursive_directory_iterator(folder / "out"))
        files += entry.path().extension() == ".wav";
    EXPECT_GT(files, 0u);
}

TEST_F(WithoutAPointer, EveryControlOfADialogueIsReachedAndEscapeEndsIt) {
    window->resize(1280, 800);
    addAndSplit(4);
    add({QString::fromStdString(clip("other.wav", 3).string())});
    studio->document.selectReel(studio->document.session().reels[0].id);
    settle();
    for (const DialogueButton& button : kDialogueButtons) {
        studio->document.setStage(button.stage);
        settle();
        if (button.tabs) find<QTabBar>(button.tabs)->setCurrentIndex(button.page);
        settle();
        auto* opener = find<QPushButton>(button.name);
        opener->setFocus();
        QTest::keyClick(opener, Qt::Key_Return);  // Space plays
        settle();
        walkDialogue();
    }
    for (auto* action : window->findChildren<QAction*>())
        if (action->text() == "Sound output…") action->trigger();
    settle();
    walkDialogue();
    openConformDialog(studio->document, studio->work, studio->document.reel()->id,
                      QString::fromStdString((folder / "other.wav").string()), window.get());
    ASSERT_TRUE(until([&] { return !studio->busy() && find<QPushButton>("conformLay")->isEnabled(); }));
    settle();
    walkDialogue();
}

TEST_F(WithoutAPointer, ClipsAreEdited) {
    addAndSplit(6);
    key(Qt::Key_4, Qt::AltModifier);
    RebuildDesk& desk = window->desks().rebuild.desk;
    const auto ready = [&] { return !window->desks().rebuild.busy() && !studio->busy(); };
    ASSERT_TRUE(until(ready));
    const auto lane = [&]() -> const Lane& { return *desk.rebuild().lane(desk.laneId()); };
    const auto selected = [&]() -> const Clip& { return *desk.rebuild().clip(*desk.selected().begin()); };
    // To a lane, to a second of it, and cut.
    const std::string first = desk.laneId();
    key(Qt::Key_Down, Qt::ControlModifier);
    ASSERT_NE(desk.laneId(), first);
    ASSERT_EQ(lane().clips.size(), 1u);
    key(Qt::Key_Home);
    for (int i = 0; i < 3; ++i) key(Qt::Key_Period);
    key(Qt::Key_S);
    ASSERT_EQ(lane().clips.size(), 2u);
    EXPECT_NEAR(lane().clips[1].at, 3, 1e-3);
    // Past the first to the second, which is moved, slipped, trimmed, made louder and faded.
    desk.select({});
    key(Qt::Key_N);
    key(Qt::Key_N);
    ASSERT_EQ(desk.selected(), std::set<std::string>{lane().clips[1].id});
    key(Qt::Key_N, Qt::ShiftModifier);
    ASSERT_EQ(desk.selected(), std::set<std::string>{lane().clips[0].id});
    key(Qt::Key_N);
    for (int i = 0; i < 5; ++i) key(Qt::Key_Right, Qt::AltModifier);
    EXPECT_NEAR(selected().at, 3.05, 1e-3);
    const double offset = selected().offset;
    key(Qt::Key_Right, Qt::AltModifier | Qt::ShiftModifier);
    EXPECT_NEAR(std::fabs(selected().offset - offset), 0.01, 1e-3);
    key(Qt::Key_Period);
    key(Qt::Key_BracketLeft, Qt::ShiftModifier);
    EXPECT_NEAR(selected().at, 4, 1e-3) << "trimmed to the playhead";
    find<QTabBar>("rebuildtabs")->setCurrentIndex(3);
    settle();
    for (const auto& [row, value] :
         std::map<const char*, QString>{{"clip_gain_value", "-4.5"}, {"clip_in_value", "0.25"}}) {
        auto* number = find<QLineEdit>(row);
        number->setFocus();
        QTest::keyClick(number, Qt::Key_A, Qt::ControlModifier);
        QTest::keyClicks(number, value);
        QTest::keyClick(number, Qt::Key_Return);
    }
    EXPECT_DOUBLE_EQ(selected().gain, -4.5);
    EXPECT_DOUBLE_EQ(selected().fadeIn, 0.25);
    // Copied, pasted, muted, removed, and all of it taken back.
    window->setFocus();
    key(Qt::Key_C, Qt::ControlModifier);
    key(Qt::Key_Home);
    key(Qt::Key_V, Qt::ControlModifier);
    ASSERT_EQ(lane().clips.size(), 3u);
    key(Qt::Key_U);
    EXPECT_TRUE(selected().muted);
    window->pictures().lanes().setFocus();
    QTest::keyClick(&window->pictures().lanes(), Qt::Key_Delete);
    EXPECT_EQ(lane().clips.size(), 2u);
    for (int i = 0; i < 40 && lane().clips.size() != 1; ++i) key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(lane().clips.size(), 1u) << "undone to before the cut";
    // A level that changes: points at the playhead, moved by arrows.
    find<QTabBar>("rebuildtabs")->setCurrentIndex(0);
    QTest::keyClick(find<QComboBox>("automation"), Qt::Key_Down);
    QTest::keyClick(&window->pictures().lanes(), Qt::Key_Insert);
    ASSERT_TRUE(until(ready));
    EXPECT_EQ(lane().strip.automation.at("level").size(), 1u);
}
