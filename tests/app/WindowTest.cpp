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
#include "app/widgets/Theme.h"

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
        until([&] { return studio->document.session().reels.size() == 2 && studio->reels.current()->inspection; }));
    EXPECT_EQ(find<QTreeView>("reels")->model()->rowCount(), 2);
    EXPECT_TRUE(find<QLabel>("facts")->text().contains("480"));
    // Loudness comes when the whole file has been read, which takes a while on a busy machine.
    EXPECT_TRUE(until([&] { return find<QLabel>("facts")->text().contains("LUFS"); }));
    EXPECT_NEAR(window->pictures().axis().duration(), studio->reels.current()->info->duration(), 1e-9);
}

TEST_F(Window, ABadFileIsOneLineAndChangesNothing) {
    std::ofstream(folder / "letter.wav") << "not sound";
    add({demo + "reel-3-bridge.flac"});
    const Session before = studio->document.session();
    studio->reader.addFiles({QString::fromStdString((folder / "letter.wav").string())});
    ASSERT_TRUE(until([&] { return !window->workLine().noticeText().isEmpty(); }));
    EXPECT_TRUE(window->workLine().noticeText().contains("letter.wav"));
    EXPECT_EQ(studio->document.session(), before);
    key(Qt::Key_Escape);
    EXPECT_TRUE(window->workLine().noticeText().isEmpty());
}

TEST_F(Window, SplitsHearsAndExportsWithTheKeyboard) {
    addAndSplit();
    const Qt::Key keys[] = {Qt::Key_1, Qt::Key_2, Qt::Key_3, Qt::Key_4, Qt::Key_5, Qt::Key_6};
    key(Qt::Key_Space);
    EXPECT_TRUE(studio->hearing.player().playing());
    for (int h = 0; h <= int(Heard::Leftovers); ++h) {
        key(keys[h]);
        EXPECT_EQ(int(studio->hearing.player().heard()), h);
        EXPECT_TRUE(find<QPushButton>(("hear" + heardName(Heard(h))).toUtf8())->isChecked());
    }
    EXPECT_TRUE(until([&] { return studio->hearing.player().position() > 10000; }));
    key(Qt::Key_Space);
    EXPECT_FALSE(studio->hearing.player().playing());

    studio->document.editReel("", [](Reel& r) { r.isolation().depth = 12; });
    exportStems(studio->document, studio->reels, studio->work, QString::fromStdString((folder / "out").string()), {});
    ASSERT_TRUE(
        until([&] { return studio->work.idle(Work::Queue::Long) && fs::exists(folder / "out/clip.ambience.wav"); }));
    AudioBuffer sum(2, 5 * 48000);
    for (const char* stem : {"dialogue", "music", "ambience"}) {
        const AudioBuffer x = MediaReader(folder / ("out/clip." + std::string(stem) + ".wav")).read(0, sum.frames());
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += x.samples()[i];
    }
    EXPECT_LT(differenceDb(sum, MediaReader(folder / "clip.wav").read(0, sum.frames())), -120);
    exportStems(studio->document, studio->reels, studio->work, QString::fromStdString((folder / "out").string()), {});
    ASSERT_TRUE(until([&] { return window->workLine().noticeText().contains("already there"); }))
        << "nothing is overwritten";
}

TEST_F(Window, HoldingOHearsTheSource) {
    addAndSplit(2);
    key(Qt::Key_3);
    QTest::keyPress(window.get(), Qt::Key_O);
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Source);
    QTest::keyRelease(window.get(), Qt::Key_O);
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Dialogue);
}

TEST_F(Window, StrengthIsSetByHandTypedResetAndUndone) {
    addAndSplit(2);
    key(Qt::Key_3, Qt::AltModifier);
    EXPECT_EQ(studio->document.session().stage, "weigh");
    auto* slider = find<QSlider>("depth_db");
    auto* value = find<QLineEdit>("depth_db_value");
    ASSERT_TRUE(slider->isVisible() && slider->isEnabled());
    EXPECT_EQ(value->text(), "full");
    slider->setFocus();
    QTest::keyClick(slider, Qt::Key_PageDown);
    EXPECT_LT(studio->document.reel()->isolation().depth, kFullDepth);
    const auto type = [&](const char* text) {
        value->setFocus();
        value->selectAll();
        QTest::keyClicks(value, text);
        QTest::keyClick(value, Qt::Key_Return);
    };
    type("12");
    EXPECT_DOUBLE_EQ(studio->document.reel()->isolation().depth, 12);
    type("900");
    EXPECT_DOUBLE_EQ(studio->document.reel()->isolation().depth, 12);
    EXPECT_TRUE(window->workLine().noticeText().contains("Depth"));
    find<QPushButton>("depth_db_reset")->click();
    EXPECT_EQ(studio->document.reel()->isolation(), IsolationSettings{});
    window->setFocus();
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_DOUBLE_EQ(studio->document.reel()->isolation().depth, 12);
    EXPECT_EQ(value->text(), "12.0 dB");
    key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(studio->document.reel()->isolation(), IsolationSettings{});
}

TEST_F(Window, FaultsAreListedExplainedAndHeard) {
    add({demo + "reel-3-bridge.flac"});
    ASSERT_TRUE(until([&] { return studio->reels.current()->diagnosis.has_value(); }));
    find<QTabBar>("intaketabs")->setCurrentIndex(1);
    auto* list = find<QListWidget>("findings");
    ASSERT_TRUE(until([&] {
        return list->isVisible() && list->count() == int(studio->reels.current()->diagnosis->findings.size());
    }));
    int hum = -1;
    for (int i = 0; i < list->count(); ++i)
        if (list->item(i)->text().contains("Hum: 50.0 Hz")) hum = i;
    ASSERT_GE(hum, 0);
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualItemRect(list->item(hum)).center());
    EXPECT_TRUE(find<QLabel>("faultabout")->text().contains("mains"));
    EXPECT_TRUE(studio->hearing.player().playing());
    ASSERT_TRUE(studio->hearing.loop());
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Source);
    studio->hearing.player().stop();
    EXPECT_FALSE(studio->document.reel()->loop) << "listening is not editing";
    // A clean one says so.
    add({demo + "reel-1-deck.flac"});
    ASSERT_TRUE(until([&] { return studio->reels.current()->diagnosis.has_value(); }));
    EXPECT_TRUE(until([&] { return !list->isVisible(); }));
}

TEST_F(Window, EveryStrengthControlMovesResetsAndIsExplained) {
    addAndSplit(2, "fine");  // that network keeps the room apart
    studio->document.setStage("weigh");
    for (const auto& p : isolationParameters()) {
        auto* slider = find<QSlider>(p.id);
        ASSERT_TRUE(slider->isVisible() && slider->isEnabled()) << p.name;
        const int neutral = slider->value();
        slider->setFocus();
        QTest::keyClick(slider, neutral == slider->maximum() ? Qt::Key_PageDown : Qt::Key_PageUp);
        EXPECT_NE(studio->document.reel()->isolation().*p.value, p.neutral) << p.name;
        EXPECT_EQ(find<QLineEdit>((std::string(p.id) + "_value").c_str())->text().toStdString(),
                  describeValue(p, studio->document.reel()->isolation().*p.value));
        find<QPushButton>((std::string(p.id) + "_reset").c_str())->click();
        EXPECT_EQ(studio->document.reel()->isolation().*p.value, p.neutral) << p.name;
        EXPECT_EQ(slider->value(), neutral);
        bool told = false;
        for (const QLabel* label : window->findChildren<QLabel*>())
            told |= label->isVisible() && label->text() == p.explanation;
        EXPECT_TRUE(told) << p.name;
    }
}

TEST_F(Window, LevelMatchMeasuresWhatIsHeard) {
    addAndSplit(4);
    ASSERT_TRUE(until([&] { return studio->hearing.match().loudness().size() == size_t(kHeardCount); }));
    const auto& l = studio->hearing.match().loudness();
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
    ASSERT_TRUE(studio->document.reel()->loop);
    EXPECT_NEAR(studio->document.reel()->loop->first, 6, 0.1);
    EXPECT_NEAR(studio->document.reel()->loop->second, 12, 0.1);
    key(Qt::Key_L);
    EXPECT_FALSE(studio->document.reel()->loop);
    studio->hearing.player().locate(48000 * 3);
    key(Qt::Key_BracketLeft);
    studio->hearing.player().locate(48000 * 5);
    key(Qt::Key_BracketRight);
    ASSERT_TRUE(studio->document.reel()->loop);
    EXPECT_NEAR(studio->document.reel()->loop->first, 3, 1e-6);
    EXPECT_NEAR(studio->document.reel()->loop->second, 5, 1e-6);
}

TEST_F(Window, ClickLocatesAndZoomKeepsTheAxisShared) {
    add({demo + "reel-3-bridge.flac"});
    auto* view = find<CurrentView>("current");
    QTest::mouseClick(view, Qt::LeftButton, {}, {view->width() / 2, 50});
    EXPECT_NEAR(double(studio->hearing.player().position()) / 48000, 12, 0.1);
    key(Qt::Key_Plus);
    EXPECT_NEAR(window->pictures().axis().span(), 12, 1e-6);
    key(Qt::Key_V);
    EXPECT_TRUE(window->pictures().shown() == MainWindow::Picture::Ownership);
    EXPECT_NEAR(window->pictures().axis().span(), 12, 1e-6);
    key(Qt::Key_0);
    EXPECT_NEAR(window->pictures().axis().span(), 24, 1e-6);
    EXPECT_TRUE(until([&] { return !window->pictures().ownership().busy(); }));
}

TEST_F(Window, CancellingASplitLeavesTheReelUnsplit) {
    add({QString::fromStdString(clip("long.wav", 22).string())});
    studio->splitting.split();
    ASSERT_TRUE(until([&] { return studio->reels.current()->splitting && !studio->work.idle(Work::Queue::Long); }));
    studio->splitting.cancel();
    ASSERT_TRUE(until([&] { return !studio->reels.current()->splitting; }));
    EXPECT_FALSE(studio->reels.current()->stems);
    EXPECT_TRUE(window->workLine().noticeText().isEmpty());
    EXPECT_EQ(find<QPushButton>("split")->text(), "Split this reel");
}

TEST_F(Window, SavedSessionsOpenAgainWithTheirStems) {
    addAndSplit(2);
    studio->document.editReel("Set", [](Reel& r) { r.isolation().firmness = 33; });
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(studio->file.save(file));
    EXPECT_FALSE(studio->document.history().modified());
    TearDown();
    open();
    ASSERT_TRUE(studio->file.open(file));
    EXPECT_DOUBLE_EQ(studio->document.reel()->isolation().firmness, 33);
    ASSERT_TRUE(until([&] { return studio->reels.current()->inspection.has_value(); }));
    EXPECT_TRUE(studio->reels.current()->stems && studio->reels.current()->stems->finished());
    EXPECT_TRUE(studio->file.recent().contains(file));
}

TEST_F(Window, AMissingSourceIsAskedForNotFatal) {
    add({QString::fromStdString(clip("here.wav", 1).string())});
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(studio->file.save(file));
    fs::rename(folder / "here.wav", folder / "moved.wav");
    ASSERT_TRUE(studio->file.open(file));
    EXPECT_TRUE(studio->reels.current()->missing);
    EXPECT_TRUE(find<QLabel>("facts")->text().contains("not there"));
    studio->document.replaceSource(studio->document.reel()->id,
                                   QString::fromStdString((folder / "moved.wav").string()));
    ASSERT_TRUE(until([&] { return studio->reels.current()->inspection.has_value(); }));
    EXPECT_FALSE(studio->reels.current()->missing);
    EXPECT_TRUE(studio->hearing.player().isOpen());
}

TEST_F(Window, UnsavedWorkIsRecoveredAfterACrash) {
    add({demo + "reel-3-bridge.flac"});
    studio->document.editReel("Set", [](Reel& r) { r.isolation().depth = 9; });
    ASSERT_TRUE(until([&] { return !studio->file.recoverable().isEmpty(); }))
        << "the recovery copy is at most two seconds late";
    window.reset();
    studio.reset();  // no orderly end: newSession() is not called
    open();
    ASSERT_FALSE(studio->file.recoverable().isEmpty());
    studio->file.recover();
    ASSERT_TRUE(studio->document.reel());
    EXPECT_DOUBLE_EQ(studio->document.reel()->isolation().depth, 9);
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

TEST(Waves, AreDrawnFromLowestToHighestAndDottedWhenSamplesCanBeTold) {
    // 100 samples over 1000 pixels: a step up in the middle.
    AudioBuffer x(1, 100);
    for (int i = 50; i < 100; ++i) x.channel(0)[size_t(i)] = 0.5f;
    const QColor hue = theme::dialogue;
    const QImage close = drawWaves({{x, hue, ""}}, 1000, 100);
    const auto drawn = [&](const QImage& image, int px, int py) { return image.pixelColor(px, py).red() > 150; };
    EXPECT_TRUE(drawn(close, 105, 50)) << "zero in the middle";
    EXPECT_TRUE(drawn(close, 805, 3)) << "the loudest at the top";
    EXPECT_FALSE(drawn(close, 805, 50));
    // A dot is wider than the line: at a sample's place there is ink above and below it, between two samples there is
    // not.
    EXPECT_TRUE(drawn(close, 105, 51) && drawn(close, 105, 49));
    EXPECT_FALSE(drawn(close, 110, 48) || drawn(close, 110, 52));
    // 10,000 samples over 100 pixels, one of them a click: it is not passed over.
    AudioBuffer many(1, 10000);
    many.channel(0)[4242] = -1;
    const QImage wide = drawWaves({{many, hue, "D"}}, 100, 100);
    bool seen = false;
    for (int px = 41; px <= 43; ++px) seen |= drawn(wide, px, 90);
    EXPECT_TRUE(seen);
    EXPECT_FALSE(drawn(wide, 60, 90));
}

TEST_F(Window, PicturesZoomToSamplesAndToFineSpectra) {
    add({demo + "reel-1-deck.flac"});
    ASSERT_TRUE(until([&] { return !studio->busy(); }));
    TimeAxis& axis = window->pictures().axis();
    auto& waves = find<CurrentView>("current")->waves();
    EXPECT_FALSE(waves.isVisible());
    axis.show(3, 3.5);
    settle();
    EXPECT_TRUE(waves.isVisible());
    for (int i = 0; i < 60; ++i) key(Qt::Key_Plus);
    EXPECT_NEAR(axis.span(), 0.002, 1e-9) << "some hundred samples";
    ASSERT_TRUE(until([&] { return !waves.busy(); }));
    EXPECT_EQ(waves.size(), find<CurrentView>("current")->size());
    // Its loop is set as on every picture.
    QTest::mouseClick(&waves, Qt::LeftButton, {}, QPoint(waves.width() / 2, 20));
    EXPECT_NEAR(double(studio->hearing.player().position()) / 48000, (axis.from() + axis.to()) / 2, 3e-5);
    key(Qt::Key_0);
    settle();
    EXPECT_FALSE(waves.isVisible());
    // Longer and shorter spectra, remembered.
    auto* choice = find<QComboBox>("spectrumwindow");
    EXPECT_FALSE(choice->isVisible());
    key(Qt::Key_V);
    settle();
    EXPECT_TRUE(choice->isVisible());
    const double before = window->pictures().ownership().window();
    key(Qt::Key_V, Qt::ShiftModifier);
    const double after = window->pictures().ownership().window();
    EXPECT_NE(after, before);
    open();
    EXPECT_DOUBLE_EQ(window->pictures().ownership().window(), after);
    EXPECT_DOUBLE_EQ(find<QComboBox>("spectrumwindow")->currentData().toDouble(), after);
    window->pictures().ownership().setWindow(kUsualWindow);
}

TEST_F(Window, ASessionWithoutStemsOffersToMakeThemAllAtOnce) {
    add({QString::fromStdString(clip("one.wav", 2).string()), QString::fromStdString(clip("two.wav", 2).string()),
         QString::fromStdString(clip("three.wav", 2).string())});
    ASSERT_TRUE(until([&] { return !studio->busy(); }));
    for (const Reel& r : std::vector<Reel>(studio->document.session().reels))
        studio->document.editReels("", {r.id}, [](Reel& reel) { reel.quality = "quick"; });
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(studio->file.save(file));
    ASSERT_TRUE(studio->file.open(file));
    ASSERT_TRUE(until([&] { return !studio->busy() && !studio->reels.current()->reading; }));
    auto* next = find<QPushButton>("nextstep");
    for (const char* at : {stage::split, stage::weigh, stage::rebuild}) {
        studio->document.setStage(at);
        settle();
        EXPECT_TRUE(next->text().contains("Split all 3 reels")) << at << ": " << next->text().toStdString();
    }
    window->setFocus();
    key(Qt::Key_Return);
    EXPECT_TRUE(studio->splitting.unsplit().empty()) << "all are on their way";
    ASSERT_TRUE(until([&] { return studio->work.idle(); }));
    for (const Reel& r : studio->document.session().reels) {
        const auto& stems = studio->reels.of(r.id).stems;
        EXPECT_TRUE(stems && stems->finished()) << r.name;
    }
    settle();
    EXPECT_FALSE(next->text().contains("Split"));
    // Opened again they are there, and nothing is offered.
    ASSERT_TRUE(studio->file.open(file));
    ASSERT_TRUE(until([&] { return !studio->busy() && !studio->reels.current()->reading; }));
    studio->document.setStage(stage::split);
    settle();
    EXPECT_FALSE(next->text().contains("Split all")) << next->text().toStdString();
}

TEST_F(Window, ReturnDoesWhatTheLineProposesFromRecordingToDelivery) {
    auto* next = find<QPushButton>("nextstep");
    EXPECT_TRUE(next->isHidden()) << "nothing is usual without a recording";
    add({QString::fromStdString(clip("clip.wav", 4).string())});
    ASSERT_TRUE(until([&] { return studio->reels.current()->diagnosis.has_value() && !next->isHidden(); }));
    window->setFocus();
    std::vector<std::string> done;
    const auto press = [&] {
        done.push_back(next->text().toStdString());
        key(Qt::Key_Return);
        settle();
    };
    studio->document.editReel("", [](Reel& r) { r.quality = "quick"; });
    if (next->text().contains("treatments")) press();
    ASSERT_TRUE(next->text().contains("on to Split")) << next->text().toStdString();
    press();
    EXPECT_EQ(studio->document.session().stage, stage::split);
    ASSERT_TRUE(next->text().contains("Split this reel")) << next->text().toStdString();
    press();
    ASSERT_TRUE(until([&] { return next->text().contains("Weigh") && !next->isHidden(); })) << "the split goes on";
    press();
    EXPECT_EQ(studio->document.session().stage, stage::weigh);
    ASSERT_TRUE(until([&] { return !next->isHidden() && !studio->busy() && !window->busy(); }));
    if (next->text().contains("suggested")) {
        press();
        ASSERT_TRUE(until([&] { return !next->isHidden() && next->text().contains("Rebuild"); }))
            << "once taken it is not proposed again: " << next->text().toStdString();
    }
    press();
    EXPECT_EQ(studio->document.session().stage, stage::rebuild);
    press();
    EXPECT_EQ(studio->document.session().stage, stage::dispatch);
    EXPECT_TRUE(next->text().contains("ticked file")) << next->text().toStdString();
    EXPECT_LE(done.size(), 7u) << "few steps";
    // Where something else has the keyboard, Return is its own; and the line can be switched off.
    studio->document.setStage(stage::split);
    settle();
    find<QComboBox>("quality")->setFocus();
    QTest::keyClick(find<QComboBox>("quality"), Qt::Key_Return);
    settle();
    EXPECT_EQ(studio->document.session().stage, stage::split);
    for (QAction* action : window->findChildren<QAction*>())
        if (action->text() == "Propose the next step") {
            action->setChecked(false);
            EXPECT_TRUE(next->isHidden());
            action->setChecked(true);
            EXPECT_FALSE(next->isHidden());
        }
}
