// Drives the real window as a user does: keys, clicks, drops.
#include <QComboBox>
#include <QDropEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMimeData>
#include <QSlider>
#include <QTabBar>
#include <QTreeView>
#include <fstream>

#include "WindowFixture.h"
#include "app/Theme.h"

using namespace rivlen;
using namespace rivlen::test;

TEST_F(Window, StartsEmptyAndSaysWhatToDo) {
    bool told = false;
    for (const QLabel* label : window->findChildren<QLabel*>())
        told |= label->isVisible() && label->text().contains("Ctrl+I");
    EXPECT_TRUE(told);
    EXPECT_FALSE(find<QPushButton>("play")->isEnabled());
    EXPECT_FALSE(find<QPushButton>("split")->isEnabled());
    EXPECT_FALSE(find<QPushButton>("export")->isEnabled());
}

TEST_F(Window, DroppedRecordingsBecomeReels) {
    QMimeData mime;
    mime.setUrls({QUrl::fromLocalFile(demo + "reel-3-bridge.flac"), QUrl::fromLocalFile(demo + "deck-video.mp4")});
    QDragEnterEvent enter({200, 200}, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(window.get(), &enter);
    EXPECT_TRUE(enter.isAccepted());
    QDropEvent drop(QPointF(200, 200), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(window.get(), &drop);
    ASSERT_TRUE(
        until([&] { return controller->session().reels.size() == 2 && controller->currentState()->inspection; }));
    EXPECT_EQ(find<QTreeView>("reels")->model()->rowCount(), 2);
    EXPECT_TRUE(find<QLabel>("facts")->text().contains("480"));
    // Loudness comes when the whole file has been read, which takes a while on a busy machine.
    EXPECT_TRUE(until([&] { return find<QLabel>("facts")->text().contains("LUFS"); }));
    EXPECT_NEAR(window->axis().duration(), controller->currentState()->info->duration(), 1e-9);
}

TEST_F(Window, ABadFileIsOneLineAndChangesNothing) {
    std::ofstream(folder / "letter.wav") << "not sound";
    add({demo + "reel-3-bridge.flac"});
    const Session before = controller->session();
    controller->addFiles({QString::fromStdString((folder / "letter.wav").string())});
    ASSERT_TRUE(until([&] { return !window->workLine().noticeText().isEmpty(); }));
    EXPECT_TRUE(window->workLine().noticeText().contains("letter.wav"));
    EXPECT_EQ(controller->session(), before);
    key(Qt::Key_Escape);
    EXPECT_TRUE(window->workLine().noticeText().isEmpty());
}

TEST_F(Window, SplitsHearsAndExportsWithTheKeyboard) {
    addAndSplit();
    const Qt::Key keys[] = {Qt::Key_1, Qt::Key_2, Qt::Key_3, Qt::Key_4, Qt::Key_5, Qt::Key_6};
    key(Qt::Key_Space);
    EXPECT_TRUE(controller->player().playing());
    for (int h = 0; h <= int(Heard::Leftovers); ++h) {
        key(keys[h]);
        EXPECT_EQ(int(controller->player().heard()), h);
        EXPECT_TRUE(find<QPushButton>(("hear" + heardName(Heard(h))).toUtf8())->isChecked());
    }
    EXPECT_TRUE(until([&] { return controller->player().position() > 10000; }));
    key(Qt::Key_Space);
    EXPECT_FALSE(controller->player().playing());

    controller->editReel("", [](Reel& r) { r.isolation().depth = 12; });
    controller->exportStems(QString::fromStdString((folder / "out").string()), {});
    ASSERT_TRUE(until([&] { return controller->jobs().idle() && fs::exists(folder / "out/clip.ambience.wav"); }));
    AudioBuffer sum(2, 5 * 48000);
    for (const char* stem : {"dialogue", "music", "ambience"}) {
        const AudioBuffer x = MediaReader(folder / ("out/clip." + std::string(stem) + ".wav")).read(0, sum.frames());
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += x.samples()[i];
    }
    EXPECT_LT(differenceDb(sum, MediaReader(folder / "clip.wav").read(0, sum.frames())), -120);
    controller->exportStems(QString::fromStdString((folder / "out").string()), {});
    ASSERT_TRUE(until([&] { return window->workLine().noticeText().contains("already there"); }))
        << "nothing is overwritten";
}

TEST_F(Window, HoldingOHearsTheSource) {
    addAndSplit(2);
    key(Qt::Key_3);
    QTest::keyPress(window.get(), Qt::Key_O);
    EXPECT_EQ(controller->player().heard(), Heard::Source);
    QTest::keyRelease(window.get(), Qt::Key_O);
    EXPECT_EQ(controller->player().heard(), Heard::Dialogue);
}

TEST_F(Window, StrengthIsSetByHandTypedResetAndUndone) {
    addAndSplit(2);
    key(Qt::Key_3, Qt::AltModifier);
    EXPECT_EQ(controller->session().stage, "weigh");
    auto* slider = find<QSlider>("depth_db");
    auto* value = find<QLineEdit>("depth_db_value");
    ASSERT_TRUE(slider->isVisible() && slider->isEnabled());
    EXPECT_EQ(value->text(), "full");
    slider->setFocus();
    QTest::keyClick(slider, Qt::Key_PageDown);
    EXPECT_LT(controller->reel()->isolation().depth, kFullDepth);
    const auto type = [&](const char* text) {
        value->setFocus();
        value->selectAll();
        QTest::keyClicks(value, text);
        QTest::keyClick(value, Qt::Key_Return);
    };
    type("12");
    EXPECT_DOUBLE_EQ(controller->reel()->isolation().depth, 12);
    type("900");
    EXPECT_DOUBLE_EQ(controller->reel()->isolation().depth, 12);
    EXPECT_TRUE(window->workLine().noticeText().contains("Depth"));
    find<QPushButton>("depth_db_reset")->click();
    EXPECT_EQ(controller->reel()->isolation(), IsolationSettings{});
    window->setFocus();
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_DOUBLE_EQ(controller->reel()->isolation().depth, 12);
    EXPECT_EQ(value->text(), "12.0 dB");
    key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(controller->reel()->isolation(), IsolationSettings{});
}

TEST_F(Window, FaultsAreListedExplainedAndHeard) {
    add({demo + "reel-3-bridge.flac"});
    ASSERT_TRUE(until([&] { return controller->currentState()->diagnosis.has_value(); }));
    find<QTabBar>("intaketabs")->setCurrentIndex(1);
    auto* list = find<QListWidget>("findings");
    ASSERT_TRUE(until([&] {
        return list->isVisible() && list->count() == int(controller->currentState()->diagnosis->findings.size());
    }));
    int hum = -1;
    for (int i = 0; i < list->count(); ++i)
        if (list->item(i)->text().contains("Hum: 50.0 Hz")) hum = i;
    ASSERT_GE(hum, 0);
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualItemRect(list->item(hum)).center());
    EXPECT_TRUE(find<QLabel>("faultabout")->text().contains("mains"));
    EXPECT_TRUE(controller->player().playing());
    ASSERT_TRUE(controller->loop());
    EXPECT_EQ(controller->player().heard(), Heard::Source);
    controller->player().stop();
    EXPECT_FALSE(controller->reel()->loop) << "listening is not editing";
    // A clean one says so.
    add({demo + "reel-1-deck.flac"});
    ASSERT_TRUE(until([&] { return controller->currentState()->diagnosis.has_value(); }));
    EXPECT_TRUE(until([&] { return !list->isVisible(); }));
}

TEST_F(Window, EveryStrengthControlMovesResetsAndIsExplained) {
    addAndSplit(2, "fine");  // that network keeps the room apart
    controller->setStage("weigh");
    for (const auto& p : isolationParameters()) {
        auto* slider = find<QSlider>(p.id);
        ASSERT_TRUE(slider->isVisible() && slider->isEnabled()) << p.name;
        const int neutral = slider->value();
        slider->setFocus();
        QTest::keyClick(slider, neutral == slider->maximum() ? Qt::Key_PageDown : Qt::Key_PageUp);
        EXPECT_NE(controller->reel()->isolation().*p.value, p.neutral) << p.name;
        EXPECT_EQ(find<QLineEdit>((std::string(p.id) + "_value").c_str())->text().toStdString(),
                  describeValue(p, controller->reel()->isolation().*p.value));
        find<QPushButton>((std::string(p.id) + "_reset").c_str())->click();
        EXPECT_EQ(controller->reel()->isolation().*p.value, p.neutral) << p.name;
        EXPECT_EQ(slider->value(), neutral);
        bool told = false;
        for (const QLabel* label : window->findChildren<QLabel*>())
            told |= label->isVisible() && label->text() == p.explanation;
        EXPECT_TRUE(told) << p.name;
    }
}

TEST_F(Window, LevelMatchMeasuresWhatIsHeard) {
    addAndSplit(4);
    ASSERT_TRUE(until([&] { return controller->currentState()->loudness.size() == size_t(kHeardCount); }));
    const auto& l = controller->currentState()->loudness;
    EXPECT_TRUE(std::isfinite(l.at(int(Heard::Source))));
    EXPECT_LT(l.at(int(Heard::Dialogue)), l.at(int(Heard::Source)) + 0.5);
    key(Qt::Key_M);
    EXPECT_FALSE(find<QPushButton>("levelMatch")->isChecked());
}

TEST_F(Window, LoopByDraggingAndByBrackets) {
    add({demo + "reel-3-bridge.flac"});
    auto* view = find<CurrentView>("current");
    const int w = view->width(), y = view->height() / 2;
    QTest::mousePress(view, Qt::LeftButton, {}, {w / 4, y});
    QTest::mouseMove(view, {w / 3, y});
    QMouseEvent move(QEvent::MouseMove, QPointF(w / 2.0, y), view->mapToGlobal(QPointF(w / 2.0, y)), Qt::NoButton,
                     Qt::LeftButton, {});
    QApplication::sendEvent(view, &move);
    QTest::mouseRelease(view, Qt::LeftButton, {}, {w / 2, y});
    ASSERT_TRUE(controller->reel()->loop);
    EXPECT_NEAR(controller->reel()->loop->first, 6, 0.1);
    EXPECT_NEAR(controller->reel()->loop->second, 12, 0.1);
    key(Qt::Key_L);
    EXPECT_FALSE(controller->reel()->loop);
    controller->player().locate(48000 * 3);
    key(Qt::Key_BracketLeft);
    controller->player().locate(48000 * 5);
    key(Qt::Key_BracketRight);
    ASSERT_TRUE(controller->reel()->loop);
    EXPECT_NEAR(controller->reel()->loop->first, 3, 1e-6);
    EXPECT_NEAR(controller->reel()->loop->second, 5, 1e-6);
}

TEST_F(Window, ClickLocatesAndZoomKeepsTheAxisShared) {
    add({demo + "reel-3-bridge.flac"});
    auto* view = find<CurrentView>("current");
    QTest::mouseClick(view, Qt::LeftButton, {}, {view->width() / 2, 50});
    EXPECT_NEAR(double(controller->player().position()) / 48000, 12, 0.1);
    key(Qt::Key_Plus);
    EXPECT_NEAR(window->axis().span(), 12, 1e-6);
    key(Qt::Key_V);
    EXPECT_TRUE(window->picture() == MainWindow::Picture::Ownership);
    EXPECT_NEAR(window->axis().span(), 12, 1e-6);
    key(Qt::Key_0);
    EXPECT_NEAR(window->axis().span(), 24, 1e-6);
    EXPECT_TRUE(until([&] { return !window->ownership().busy(); }));
}

TEST_F(Window, CancellingASplitLeavesTheReelUnsplit) {
    add({QString::fromStdString(clip("long.wav", 22).string())});
    controller->split();
    ASSERT_TRUE(until([&] { return controller->currentState()->splitting && !controller->jobs().idle(); }));
    controller->cancelSplit();
    ASSERT_TRUE(until([&] { return !controller->currentState()->splitting; }));
    EXPECT_FALSE(controller->currentState()->stems);
    EXPECT_TRUE(window->workLine().noticeText().isEmpty());
    EXPECT_EQ(find<QPushButton>("split")->text(), "Split this reel");
}

TEST_F(Window, SavedSessionsOpenAgainWithTheirStems) {
    addAndSplit(2);
    controller->editReel("Set", [](Reel& r) { r.isolation().firmness = 33; });
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(controller->saveSession(file));
    EXPECT_FALSE(controller->history().modified());
    TearDown();
    open();
    ASSERT_TRUE(controller->openSession(file));
    EXPECT_DOUBLE_EQ(controller->reel()->isolation().firmness, 33);
    ASSERT_TRUE(until([&] { return controller->currentState()->inspection.has_value(); }));
    EXPECT_TRUE(controller->currentState()->stems && controller->currentState()->stems->finished());
    EXPECT_TRUE(controller->recentSessions().contains(file));
}

TEST_F(Window, AMissingSourceIsAskedForNotFatal) {
    add({QString::fromStdString(clip("here.wav", 1).string())});
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(controller->saveSession(file));
    fs::rename(folder / "here.wav", folder / "moved.wav");
    ASSERT_TRUE(controller->openSession(file));
    EXPECT_TRUE(controller->currentState()->missing);
    EXPECT_TRUE(find<QLabel>("facts")->text().contains("not there"));
    controller->relink(controller->reel()->id, QString::fromStdString((folder / "moved.wav").string()));
    ASSERT_TRUE(until([&] { return controller->currentState()->inspection.has_value(); }));
    EXPECT_FALSE(controller->currentState()->missing);
    EXPECT_TRUE(controller->player().isOpen());
}

TEST_F(Window, UnsavedWorkIsRecoveredAfterACrash) {
    add({demo + "reel-3-bridge.flac"});
    controller->editReel("Set", [](Reel& r) { r.isolation().depth = 9; });
    ASSERT_TRUE(until([&] { return !controller->recoverable().isEmpty(); }))
        << "the recovery copy is at most two seconds late";
    window.reset();
    controller.reset();  // no orderly end: newSession() is not called
    open();
    ASSERT_FALSE(controller->recoverable().isEmpty());
    controller->recover();
    ASSERT_TRUE(controller->reel());
    EXPECT_DOUBLE_EQ(controller->reel()->isolation().depth, 9);
}

TEST_F(Window, EveryStageHasItsPanelAndNothingIsCutOff) {
    addAndSplit(2);
    for (int i = 0; i < CourseBar::kStations; ++i) {
        controller->setStage(CourseBar::stageId(i));
        settle();
        for (const QPushButton* b : window->findChildren<QPushButton*>()) {
            if (!b->isVisible()) continue;
            EXPECT_GE(b->width(), b->minimumSizeHint().width() - 24) << b->text().toStdString();
        }
        for (const QLabel* l : window->findChildren<QLabel*>()) {
            if (!l->isVisible() || !l->wordWrap()) continue;
            EXPECT_GE(l->height() + 1, l->heightForWidth(l->width())) << l->text().toStdString();
        }
    }
}

TEST(OwnershipColours, HueOwnerGreyUnsureDarkQuiet) {
    OwnershipPicture p{3, 1, 3, {-10, -10, -200}, {}};
    p.share = {1, 1.f / 3, 1, 0, 1.f / 3, 0, 0, 1.f / 3, 0};
    const QImage image = colourOwnership(p);
    EXPECT_EQ(image.pixelColor(0, 0), theme::dialogue);
    const QColor unsure = image.pixelColor(1, 0);
    EXPECT_LT(unsure.saturation(), 40);
    EXPECT_EQ(image.pixelColor(2, 0), theme::ground);
}
