// Jobs as they come in, done through the real window by a hand whose key presses, clicks, drags, choices and typed
// words are counted. docs/actions.md has the table; the counts there are these bounds.
#include <QCheckBox>
#include <QComboBox>
#include <QFileDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QMimeData>
#include <QSettings>
#include <QTabBar>
#include <QTableView>
#include <QTableWidget>
#include <QTimer>

#include "WindowFixture.h"
#include "app/rebuild/LanesView.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Jobs : Window {
    int actions = 0;

    void SetUp() override {
        Window::SetUp();
        window->resize(1280, 800);
        // Where the last files went: found again by the dialogues.
        fs::create_directories(folder / "out");
        for (const char* purpose : {"dispatch", "handover"})
            QSettings().setValue(QString("folders/") + purpose, QString::fromStdString((folder / "out").string()));
    }
    void drop(const QStringList& files) {  // begins a job: not counted
        QMimeData data;
        QList<QUrl> urls;
        for (const auto& f : files) urls << QUrl::fromLocalFile(f);
        data.setUrls(urls);
        QDragEnterEvent enter({300, 300}, Qt::CopyAction, &data, Qt::LeftButton, {});
        QApplication::sendEvent(window.get(), &enter);
        QDropEvent event(QPointF(300, 300), Qt::CopyAction, &data, Qt::LeftButton, {});
        QApplication::sendEvent(window.get(), &event);
        ASSERT_TRUE(until([&] {
            return studio->document.session().reels.size() == size_t(files.size()) && !studio->busy() &&
                   studio->reels.current()->diagnosis;
        }));
        window->setFocus();
    }
    void press(Qt::Key k, Qt::KeyboardModifiers m = Qt::NoModifier) {
        ++actions;
        key(k, m);
        settle();
    }
    void click(QWidget* widget, const QPoint& at = {}) {
        ++actions;
        QTest::mouseClick(widget, Qt::LeftButton, {}, at);
        settle();
    }
    void click(const char* name) { click(find<QPushButton>(name)); }
    void tab(const char* name, int index) {
        auto* tabs = find<QTabBar>(name);
        click(tabs, tabs->tabRect(index).center());
    }
    void drag(QWidget* picture, double from, double to) {
        ++actions;
        const TimeAxis& axis = window->pictures().axis();
        const QPoint a(int(axis.xAt(from, picture->width())), picture->height() / 2),
            b(int(axis.xAt(to, picture->width())), picture->height() / 2);
        QTest::mousePress(picture, Qt::LeftButton, {}, a);
        QMouseEvent move(QEvent::MouseMove, QPointF(b), picture->mapToGlobal(QPointF(b)), Qt::NoButton, Qt::LeftButton,
                         {});
        QApplication::sendEvent(picture, &move);
        QTest::mouseRelease(picture, Qt::LeftButton, {}, b);
        settle();
    }
    /// What opens a dialogue for a file or folder; a typed path counts, and Return.
    void withDialog(const std::function<void()>& opens, const QString& path = {}) {
        QTimer waiting;
        QObject::connect(&waiting, &QTimer::timeout, [&] {
            auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
            if (!dialog) return;
            waiting.stop();
            auto* name = dialog->findChild<QLineEdit*>("fileNameEdit");
            if (!path.isEmpty()) name->setText(path), ++actions;
            ++actions;
            QTest::keyClick(name, Qt::Key_Return);
        });
        waiting.start(50);
        opens();
        settle();
    }
    void chooseFromMenu(const char* button, const QString& entry) {
        auto* b = find<QPushButton>(button);
        QTimer waiting;
        QObject::connect(&waiting, &QTimer::timeout, [&] {
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            if (!menu) return;
            waiting.stop();
            for (QAction* a : menu->actions())
                if (a->text() == entry) {
                    ++actions;
                    QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(a).center());
                    return;
                }
            ADD_FAILURE() << entry.toStdString();
            menu->close();
        });
        waiting.start(50);
        click(b);
    }
    void deliver() {  // as the line at the foot proposes
        ASSERT_TRUE(until([&] { return find<QPushButton>("nextstep")->text().contains("Deliver"); }))
            << find<QPushButton>("nextstep")->text().toStdString();
        window->setFocus();
        withDialog([&] { press(Qt::Key_Return); });
        ASSERT_TRUE(
            until([&] { return !window->desks().dispatch.busy() && !window->desks().dispatch.reports().empty(); }));
    }
    void quick() {
        for (const Reel& r : std::vector<Reel>(studio->document.session().reels))
            studio->document.editReels("", {r.id}, [](Reel& reel) { reel.quality = "quick"; });
    }
    /// Reels that are split already; no part of a job.
    void splitAll() {
        quick();
        studio->splitting.splitAll();
        ASSERT_TRUE(until([&] { return !studio->busy() && studio->splitting.unsplit().empty(); }));
        settle();
    }
    QString clipOf(const char* name, double seconds) { return QString::fromStdString(clip(name, seconds).string()); }
    size_t delivered() {
        size_t n = 0;
        for (const auto& r : window->desks().dispatch.reports()) n += !r.heldBack;
        return n;
    }
};

}  // namespace

TEST_F(Jobs, ACleanedInterviewVideoIsDelivered) {
    fs::copy_file((demo + "deck-video.mp4").toStdString(), folder / "interview.mp4");
    drop({QString::fromStdString((folder / "interview.mp4").string())});
    quick();
    press(Qt::Key_Return, Qt::ControlModifier | Qt::ShiftModifier);
    ASSERT_TRUE(until([&] { return fs::exists(folder / "interview.clean.mp4"); }));
    ASSERT_TRUE(until([&] { return !window->desks().dispatch.busy(); }));
    EXPECT_LE(actions, 1);
}

TEST_F(Jobs, TwoStrengthsOfOneReelAreDelivered) {
    drop({clipOf("clip.wav", 4)});
    splitAll();
    press(Qt::Key_5, Qt::AltModifier);
    chooseFromMenu("deliverysets", "Natural and isolated");
    deliver();
    EXPECT_EQ(delivered(), 2u);
    EXPECT_LE(actions, 5);
}

TEST_F(Jobs, TheMusicUnderAVoiceIsReplacedAndDelivered) {
    drop({clipOf("clip.wav", 6)});
    splitAll();
    press(Qt::Key_4, Qt::AltModifier);
    press(Qt::Key_R);
    auto* dialog = window->findChild<QDialog*>("replacemusicdialog");
    ASSERT_NE(dialog, nullptr);
    auto* file = dialog->findChild<QLineEdit*>("cuefile");
    file->setText(demo + "cue-ice-road.flac");
    ++actions;
    QTest::keyClick(file, Qt::Key_Return);
    ++actions;
    ASSERT_TRUE(until([&] { return !studio->busy() && !reel().rebuild->empty() && !window->busy(); }));
    // A desktop gives the window its keys back when the dialogue is gone; here nobody does.
    window->activateWindow();
    QTest::qWait(100);
    press(Qt::Key_5, Qt::AltModifier);
    deliver();
    EXPECT_EQ(delivered(), 5u);
    EXPECT_LE(actions, 7);
}

TEST_F(Jobs, ABangIsCutOutAndFilledWithRoomTone) {
    drop({clipOf("clip.wav", 8)});
    splitAll();
    studio->document.setStage(stage::rebuild);
    settle();
    ASSERT_TRUE(until([&] { return !window->busy(); }));
    drag(find<CurrentView>("current"), 3.0, 3.4);
    press(Qt::Key_T);
    ASSERT_TRUE(until([&] { return !window->busy() && !reel().rebuild->tones.empty(); }));
    EXPECT_LE(actions, 2);
}

TEST_F(Jobs, TheSameStrengthIsGivenToFourReels) {
    drop({clipOf("one.wav", 3), clipOf("two.wav", 3), clipOf("three.wav", 3), clipOf("four.wav", 3)});
    splitAll();
    studio->document.setStage(stage::weigh);
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 14; });
    settle();
    tab("weightabs", 1);
    click("givestrength");
    auto* give = window->findChild<QPushButton*>("give");
    ASSERT_NE(give, nullptr);
    ASSERT_TRUE(until([&] { return give->text().contains("4 reels"); }))
        << "similar ones are ticked already: " << give->text().toStdString();
    click(give);
    for (const Reel& r : studio->document.session().reels) EXPECT_DOUBLE_EQ(r.timeline().base.depth, 14) << r.name;
    EXPECT_LE(actions, 3);
}

TEST_F(Jobs, TwoNetworksAreComparedOnOneWord) {
    drop({clipOf("clip.wav", 6)});
    splitAll();
    studio->document.setStage(stage::split);
    settle();
    drag(find<CurrentView>("current"), 2.0, 2.8);
    press(Qt::Key_T);
    ASSERT_TRUE(until([&] { return window->desks().trials.answers().size() >= 2 && !window->desks().trials.busy(); }));
    auto* table = find<QTableWidget>("split_trials");
    ASSERT_TRUE(table->isVisible());
    for (int r : {0, 1}) {
        click(table->viewport(), table->visualItemRect(table->item(r, 0)).center());
        EXPECT_EQ(window->desks().trials.heard(), r);
        EXPECT_TRUE(studio->hearing.player().playing());
    }
    EXPECT_LE(actions, 4);
}

TEST_F(Jobs, AHumIsFoundAndRemovedOnAllReels) {
    for (const char* name : {"a.flac", "b.flac"})
        fs::copy_file((demo + "reel-3-bridge.flac").toStdString(), folder / name);
    drop({QString::fromStdString((folder / "a.flac").string()), QString::fromStdString((folder / "b.flac").string())});
    ASSERT_TRUE(until([&] {
        for (const Reel& r : studio->document.session().reels)
            if (!studio->reels.of(r.id).diagnosis) return false;
        return true;
    }));
    press(Qt::Key_Y);
    auto* table = find<QTableView>("reelTableView");
    ++actions;
    QTest::keyClick(table, Qt::Key_A, Qt::ControlModifier);
    settle();
    click("acceptMany");
    ASSERT_TRUE(until([&] { return studio->work.idle(); }));
    for (const Reel& r : studio->document.session().reels) {
        EXPECT_TRUE(std::any_of(r.treatments.begin(), r.treatments.end(), [](const Treatment& t) {
            return t.id == "de-hum";
        })) << r.name;
        EXPECT_FALSE(studio->reels.treatmentPending(r)) << r.name;
    }
    EXPECT_LE(actions, 3);
}

TEST_F(Jobs, TwoCandidatesAreComparedBlindThreeTimes) {
    drop({clipOf("clip.wav", 5)});
    splitAll();
    studio->document.setStage(stage::weigh);
    settle();
    ASSERT_TRUE(until([&] { return window->desks().weigh.result() && window->desks().weigh.result()->curve; }));
    press(Qt::Key_A, Qt::ShiftModifier);
    press(Qt::Key_K);  // the suggested strength
    press(Qt::Key_B, Qt::ShiftModifier);
    ASSERT_EQ(window->desks().candidates.kept(), 2);
    click("blind");
    ASSERT_TRUE(until([&] { return window->desks().candidates.blind() && !studio->busy(); }));
    for (int round = 0; round < 3; ++round) {
        press(Qt::Key_B);  // the first one is heard already
        press(Qt::Key_P);
    }
    click("blind");
    EXPECT_FALSE(window->desks().candidates.blind());
    EXPECT_LE(actions, 11);
}

TEST_F(Jobs, AReelIsHandedOver) {
    drop({clipOf("clip.wav", 4)});
    splitAll();
    press(Qt::Key_5, Qt::AltModifier);
    tab("dispatchtabs", 2);
    withDialog([&] { click("handover"); });
    ASSERT_TRUE(until([&] { return studio->work.idle() && !window->desks().dispatch.busy(); }));
    bool manifest = false;
    for (const auto& e : fs::recursive_directory_iterator(folder / "out"))
        manifest |= e.path().filename() == "MANIFEST.txt";
    EXPECT_TRUE(manifest);
    EXPECT_LE(actions, 4);
}

TEST_F(Jobs, ANewerCutIsLaidIn) {
    MediaReader reader(fs::path((demo + "reel-1-deck.flac").toStdString()));
    writeWav(folder / "cut.wav", reader.read(0, 20 * 48000), 48000);
    writeWav(folder / "newer.wav", reader.read(2 * 48000, 18 * 48000), 48000);
    drop({QString::fromStdString((folder / "cut.wav").string())});
    withDialog([&] { click("newerVersion"); }, QString::fromStdString((folder / "newer.wav").string()));
    auto* lay = window->findChild<QPushButton*>("conformLay");
    ASSERT_NE(lay, nullptr);
    ASSERT_TRUE(until([&] { return lay->isEnabled(); }));
    ++actions;
    QTest::keyClick(lay->window(), Qt::Key_Return);
    settle();
    EXPECT_EQ(reel().source.filename(), "newer.wav");
    EXPECT_LE(actions, 4);
}
