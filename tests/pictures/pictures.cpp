// The pictures of the guide and the README, made from the demo in the real window: ./rivlen pictures.
#include <QComboBox>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTabBar>
#include <QTableView>
#include <QTableWidget>

#include "../EffectFolder.h"
#include "../app/WindowFixture.h"
#include "app/rebuild/EffectPicker.h"
#include "app/rebuild/LanesView.h"
#include "app/rebuild/TakeDesk.h"
#include "app/split/NetworksDialog.h"
#include "core/base/Resources.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

/// Takes and what comes back from outside are written beside a session: not among the demo's own files. Always in the
/// same place and of the same age, or what is known of its recordings would not count.
QString copyOfTheDemo() {
    const fs::path from = fs::path(kSourceFolder) / "demo";
    const fs::path folder = fs::path(qEnvironmentVariable("RIVLEN_PICTURES").toStdString()) / ".demo";
    fs::remove_all(folder);
    fs::copy(from, folder);
    for (const auto& file : fs::directory_iterator(from))
        fs::last_write_time(folder / file.path().filename(), file.last_write_time());
    return QString::fromStdString(folder.string()) + "/";
}

/// Each test is a picture; what it expects is only that the view is there to be drawn.
struct Views : Window {
    QString demo;
    void SetUp() override {
        Window::SetUp();
        // Splits of the demo serve all of them.
        qputenv("XDG_CACHE_HOME", qgetenv("RIVLEN_PICTURES") + "/.cache");
        demo = copyOfTheDemo();
        window->resize(1280, 800);
    }
    bool ready() {
        return !studio->busy() && !window->desks().rebuild.busy() && !window->desks().weigh.busy() &&
               studio->work.idle(Work::Queue::Long);
    }
    void wait() {
        ASSERT_TRUE(until([&] { return ready(); }));
        QTest::qWait(1500);  // pictures that are painted in steps
        ASSERT_TRUE(until([&] { return ready(); }));
        settle();
    }
    void open(const char* session, int reel, bool split) {
        ASSERT_TRUE(studio->file.open(demo + session));
        ASSERT_TRUE(until([&] { return ready() && studio->reels.current(); }));
        studio->document.selectReel(studio->document.session().reels[size_t(reel - 1)].id);
        wait();
        if (!split || (studio->reels.current()->stems && studio->reels.current()->stems->finished())) return;
        studio->splitting.split();
        ASSERT_TRUE(
            until([&] { return studio->reels.current()->stems && studio->reels.current()->stems->finished(); }));
        wait();
    }
    void stage(const char* name, const char* tabs = nullptr, int page = 0) {
        studio->document.setStage(name);
        settle();
        if (tabs) find<QTabBar>(tabs)->setCurrentIndex(page);
        wait();
    }
    void loop(double from, double to) {
        studio->document.editReel("Set loop", [&](Reel& r) { r.loop = std::pair(from, to); });
    }
    void save(const char* name, QWidget* what = nullptr) {
        window->setFocus();
        wait();
        const QString file = qgetenv("RIVLEN_PICTURES") + "/" + name + ".png";
        EXPECT_TRUE((what ? what : window.get())->grab().save(file)) << file.toStdString();
    }
};

}  // namespace

TEST_F(Views, Intake) {
    open("night-ferry.rivlen", 4, false);
    stage("intake");
    ASSERT_TRUE(until([&] { return !window->pictureDock().shown().image.isNull(); }));
    save("intake");
}

TEST_F(Views, Faults) {
    open("night-ferry.rivlen", 3, false);
    stage("intake", "intaketabs", 1);
    ASSERT_TRUE(until([&] { return studio->reels.current()->diagnosis.has_value(); }));
    auto* list = find<QListWidget>("findings");
    list->setCurrentRow(list->count() - 1);
    save("faults");
}

TEST_F(Views, Treatments) {
    open("night-ferry.rivlen", 3, false);
    ASSERT_TRUE(until([&] { return studio->reels.current()->diagnosis.has_value(); }));
    window->desks().treatment.acceptAll();
    stage("intake", "intaketabs", 2);
    ASSERT_TRUE(until([&] { return !studio->reels.treatmentPending(*studio->document.reel()); }));
    save("treatments");
}

TEST_F(Views, ReelTable) {
    open("night-ferry.rivlen", 3, false);
    stage("intake");
    window->desks().treatment.acceptAll();
    key(Qt::Key_Y);
    save("reel-table");
}

TEST_F(Views, Split) {
    open("night-ferry.rivlen", 2, true);
    stage("split", "splittabs", 0);
    save("split");
}

TEST_F(Views, Marks) {
    open("night-ferry.rivlen", 1, true);
    stage("split", "splittabs", 1);
    save("marks");
}

TEST_F(Views, Parts) {
    open("night-ferry-song.rivlen", 1, true);
    stage("split", "splittabs", 2);
    if (!studio->reels.current()->parts.count("music")) {
        auto* wanted = window->findChild<QAbstractButton*>("partsmusic");
        if (wanted->isChecked()) wanted->click();  // what is there is of a former network
        wanted->click();
    }
    ASSERT_TRUE(
        until([&] { return studio->reels.current()->parts.count("music") && studio->apart.busyWith().empty(); }));
    save("parts");
}

TEST_F(Views, Networks) {
    open("night-ferry.rivlen", 2, false);
    stage("split", "splittabs", 0);
    find<QPushButton>("openNetworks")->click();
    settle();
    auto* list = window->findChild<NetworksDialog*>();
    ASSERT_NE(list, nullptr);
    save("networks", list);
}

TEST_F(Views, Weigh) {
    open("night-ferry.rivlen", 2, true);
    stage("weigh", "weightabs", 0);
    ASSERT_TRUE(until([&] { return window->desks().weigh.result() && window->desks().weigh.result()->curve; }));
    save("weigh");
}

TEST_F(Views, OverTime) {
    open("night-ferry.rivlen", 2, true);
    studio->document.editReel("Add region", [](Reel& r) {
        IsolationSettings s = r.isolation();
        s.depth = 12;
        placeRegion(r.timeline(), {"the answer", 8.4, 15, 0.3, s});
    });
    stage("weigh", "weightabs", 1);
    window->pictures().show(MainWindow::Picture::Ownership);
    ASSERT_TRUE(until([&] { return !window->pictures().ownership().busy(); }));
    save("over-time");
}

TEST_F(Views, Compare) {
    open("night-ferry.rivlen", 2, true);
    loop(2, 8);
    stage("weigh", "weightabs", 2);
    for (const auto& [place, depth] : {std::pair(0, 6.0), std::pair(1, kFullDepth)}) {
        studio->document.editReel("Set Depth", [&](Reel& r) { r.isolation().depth = depth; });
        window->desks().candidates.keep(place);
    }
    key(Qt::Key_T);
    ASSERT_TRUE(until([&] { return !window->desks().trials.busy() && !window->desks().trials.answers().empty(); }));
    key(Qt::Key_X);
    ASSERT_TRUE(until([&] { return !window->pictures().difference().busy(); }));
    save("compare");
}

TEST_F(Views, Outside) {
    open("night-ferry.rivlen", 2, true);
    loop(3, 9);
    stage("weigh", "weightabs", 3);
    find<QLineEdit>("outsidetarget")->setText("rivlen-cleaner {in} {out} --late 20");
    emit find<QLineEdit>("outsidetarget")->editingFinished();
    qputenv("PATH", QByteArray::fromStdString(programFolder().string()) + ":" + qgetenv("PATH"));
    window->setFocus();
    key(Qt::Key_O, Qt::ShiftModifier);
    ASSERT_TRUE(until([&] { return window->desks().outside.answers().size() == 1; }));
    save("outside");
}

TEST_F(Views, Rebuild) {
    open("night-ferry-rebuilt.rivlen", 2, true);
    stage("rebuild", "rebuildtabs", 1);
    save("rebuild");
}

TEST_F(Views, Effects) {
    testEffects();
    open("night-ferry-crossing.rivlen", 1, true);
    stage("rebuild", "rebuildtabs", 1);
    RebuildDesk& desk = window->desks().rebuild.desk;
    for (const char* letters : {"late", "plain"}) {  // the last one is shown
        window->pictures().lanes().setFocus();
        key(Qt::Key_E, Qt::ShiftModifier);
        EffectPicker* picker = nullptr;
        ASSERT_TRUE(until([&] {
            return (picker = window->findChild<EffectPicker*>("effectpicker")) &&
                   !window->desks().rebuild.effects.installed().empty();
        }));
        auto* search = picker->findChild<QLineEdit*>("effectsearch");
        QTest::keyClicks(search, letters);
        QTest::keyClick(search, Qt::Key_Return);
        ASSERT_TRUE(until([&] { return !window->findChild<EffectPicker*>("effectpicker"); }));
        window->activateWindow();
        ASSERT_TRUE(QTest::qWaitForWindowActive(window.get(), 3000));
        settle();
    }
    const std::string curve = desk.strip().chain.effects.back().id + ":gain";
    desk.editStrip("Curve", [&](Strip& s) { s.automation[curve] = {{0.5, -30}, {4, -6}, {8, -26}}; });
    window->desks().rebuild.curves.show(curve);
    studio->hearing.hear(Heard::Mix);
    studio->hearing.player().locate(2 * 48000);
    wait();
    key(Qt::Key_Space);  // the meters move
    QTest::qWait(1500);
    save("effects");
}

TEST_F(Views, VoiceLine) {
    QSettings().setValue("takes/kind", int(VoiceInput::Kind::Itself));
    window.reset();
    studio.reset();
    Window::open();
    window->resize(1280, 800);
    open("night-ferry-rebuilt.rivlen", 2, true);
    stage("rebuild", "rebuildtabs", 5);
    loop(15, 19);
    studio->hearing.hear(Heard::Mix);
    TakeDesk& takes = window->desks().rebuild.takes;
    takes.toggle();
    ASSERT_TRUE(until([&] { return !takes.recording() && ready(); }));
    wait();
    takes.toggle();  // once more: the first one lies on its lane meanwhile
    const int64_t middle = 17 * 48000;
    ASSERT_TRUE(until([&] { return takes.recording() && studio->hearing.player().position() > middle; }));
    settle();
    EXPECT_TRUE(window->grab().save(qgetenv("RIVLEN_PICTURES") + "/voice-line.png"));
    takes.toggle();
    ASSERT_TRUE(until([&] { return !takes.recording() && ready(); }));
}

TEST_F(Views, Mend) {
    open("night-ferry-rebuilt.rivlen", 2, true);
    stage("rebuild", "rebuildtabs", 6);
    window->findChild<QAbstractButton*>("mend")->setChecked(true);
    auto& picture = window->pictures().ownership();
    ASSERT_TRUE(until([&] { return !picture.busy(); }));
    const auto place = [&](double second, double hz) {
        return QPoint(int(window->pictures().axis().xAt(second, picture.width())), int(picture.yAtFrequency(hz)));
    };
    QTest::mousePress(&picture, Qt::LeftButton, {}, place(6, 3000));
    QTest::mouseMove(&picture, place(7, 2000));
    QTest::mouseRelease(&picture, Qt::LeftButton, {}, place(8, 900));
    save("mend");
}

TEST_F(Views, Space) {
    open("night-ferry-crossing.rivlen", 1, true);
    stage("rebuild", "rebuildtabs", 7);
    find<QTabBar>("spacetabs")->setCurrentIndex(1);
    RebuildDesk& desk = window->desks().rebuild.desk;
    for (const auto& lane : desk.rebuild().lanes)
        if (lane->name == "Engine") desk.chooseLane(lane->id);
    studio->hearing.hear(Heard::Mix);
    studio->hearing.player().locate(6 * 48000);
    wait();
    key(Qt::Key_Space);  // where the energy comes from is shown while it plays
    QTest::qWait(1500);
    save("space");
}

TEST_F(Views, DispatchAndQueue) {
    open("night-ferry-rebuilt.rivlen", 2, true);
    stage("dispatch", "dispatchtabs", 0);
    auto& desk = window->desks().dispatch;
    desk.dispatch(QString::fromStdString((folder / "out").string()), false);
    ASSERT_TRUE(until([&] { return !desk.busy() && !desk.reports().empty(); }));
    find<QTableView>("deliveries")->selectRow(0);
    save("dispatch");
    find<QTabBar>("dispatchtabs")->setCurrentIndex(1);
    save("queue");
}
