// Intake through the real window: faults accepted and dismissed, treatments heard and at work, many reels, folders,
// newer versions, the picture.
#include <QCheckBox>
#include <QComboBox>
#include <QListWidget>
#include <QTabBar>
#include <QTableView>
#include <QTableWidget>
#include <QTreeView>

#include "WindowFixture.h"
#include "app/intake/ConformDialog.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Intake : Window {
    void bridge() {
        add({demo + "reel-3-bridge.flac"});
        ASSERT_TRUE(until([&] { return studio->reels.current()->diagnosis.has_value(); }));
    }
    void page(int i) { find<QTabBar>("intaketabs")->setCurrentIndex(i); }
    TreatmentDesk& desk() { return window->desks().treatment; }
    int rowOf(Fault kind) {
        const auto found = *desk().found();
        for (size_t i = 0; i < found.size(); ++i)
            if (found[i].kind == kind) return int(i);
        return -1;
    }
    bool treated() {
        return until([&] {
            return !studio->reels.treatmentPending(*studio->document.reel()) && studio->work.idle(Work::Queue::Long);
        });
    }
    /// Seconds of a few reels with a name each.
    void few(int count) {
        QStringList files;
        for (int i = 0; i < count; ++i)
            files << QString::fromStdString(clip(text("take %d.wav", i).c_str(), 1 + i).string());
        add(files);
    }
};

}  // namespace

TEST_F(Intake, FindingsAreAcceptedAdjustedAndDismissed) {
    bridge();
    page(1);
    auto* list = find<QListWidget>("findings");
    const int hum = rowOf(Fault::Hum);
    ASSERT_GE(hum, 0);
    list->setCurrentRow(hum);
    find<QPushButton>("acceptFinding")->click();
    ASSERT_EQ(studio->document.reel()->treatments.size(), 1u);
    EXPECT_EQ(studio->document.reel()->treatments[0].id, "de-hum");
    EXPECT_EQ(desk().verdict((*desk().found())[size_t(hum)]), TreatmentDesk::Verdict::Accepted);
    EXPECT_FALSE(find<QPushButton>("acceptFinding")->isEnabled());
    const int clicks = rowOf(Fault::Click);
    ASSERT_GE(clicks, 0);
    list->setCurrentRow(clicks);
    find<QPushButton>("dismissFinding")->click();
    EXPECT_EQ(studio->document.reel()->dismissed.size(), 1u);
    EXPECT_TRUE(studio->reels.findings(*studio->document.reel()).size() + 1 ==
                studio->reels.write(studio->document.reel()->id).diagnosis->findings.size());
    for (int i = 0; i < list->count(); ++i) {  // the other clicks too
        list->setCurrentRow(i);
        const Finding f = (*desk().found())[size_t(i)];
        if (f.kind == Fault::Click && desk().verdict(f) != TreatmentDesk::Verdict::Dismissed)
            find<QPushButton>("dismissFinding")->click();
    }
    const size_t dismissed = studio->document.reel()->dismissed.size();
    find<QPushButton>("acceptAllFindings")->click();
    for (const auto& t : studio->document.reel()->treatments)
        EXPECT_NE(t.id, "de-click") << "what is dismissed is not treated";
    list->setCurrentRow(clicks);
    find<QPushButton>("dismissFinding")->click();
    EXPECT_EQ(studio->document.reel()->dismissed.size(), dismissed - 1) << "taken back";
    list->setCurrentRow(hum);
    find<QPushButton>("adjustFinding")->click();
    EXPECT_EQ(find<QTabBar>("intaketabs")->currentIndex(), 2);
    EXPECT_TRUE(find<QSlider>("treat_de-hum")->isVisible());
    EXPECT_TRUE(find<QSlider>("treat_de-hum")->hasFocus());
}

TEST_F(Intake, FaultsStandAlongTimeAreSteppedAndPressed) {
    bridge();
    page(1);
    settle();
    auto* view = find<FaultsView>("faultsview");
    auto* list = find<QListWidget>("findings");
    ASSERT_TRUE(view->isVisible());
    EXPECT_TRUE(find<QWidget>("loudnessview")->isVisible());
    const auto found = *desk().found();
    // By key, in order of time, round and round; the list follows.
    std::vector<double> heard;
    for (size_t i = 0; i < found.size(); ++i) {
        key(Qt::Key_N);
        ASSERT_GE(desk().chosenFault(), 0);
        heard.push_back(found[size_t(desk().chosenFault())].from);
        EXPECT_EQ(list->currentRow(), desk().chosenFault());
        EXPECT_TRUE(studio->hearing.player().playing() && studio->hearing.loop());
    }
    EXPECT_TRUE(std::is_sorted(heard.begin(), heard.end()));
    const int last = desk().chosenFault();
    key(Qt::Key_N);
    EXPECT_DOUBLE_EQ(found[size_t(desk().chosenFault())].from, heard.front());
    key(Qt::Key_N, Qt::ShiftModifier);
    EXPECT_EQ(desk().chosenFault(), last);
    // By pointer: the worst of a kind is the highest.
    const int clipping = rowOf(Fault::Clipping);
    QTest::mouseClick(view, Qt::LeftButton, {}, view->box(clipping).center().toPoint());
    EXPECT_EQ(desk().chosenFault(), clipping);
    EXPECT_NEAR(studio->hearing.loop()->first, found[size_t(clipping)].from, 1.01);
    for (size_t i = 0; i < found.size(); ++i)
        for (size_t j = 0; j < found.size(); ++j) {
            if (found[i].kind != found[j].kind || found[i].severity <= found[j].severity) continue;
            EXPECT_GT(view->box(int(i)).height(), view->box(int(j)).height());
        }
    // Beside the faults a press goes there, as on every picture.
    studio->hearing.player().stop();
    const QRectF box = view->box(clipping);
    QTest::mouseClick(view, Qt::LeftButton, {}, QPoint(int(box.right()) + 60, int(box.center().y())));
    EXPECT_NEAR(double(studio->hearing.player().position()) / 48000,
                window->pictures().axis().secondAt(box.right() + 60, view->width()), 0.1);
    studio->document.setStage("split");
    settle();
    EXPECT_FALSE(view->isVisible() || find<QWidget>("loudnessview")->isVisible());
}

TEST_F(Intake, WhatAReelHoldsDecidesWhatIsProposed) {
    bridge();
    studio->reels.write(studio->document.reel()->id)
        .diagnosis->findings.push_back({Fault::Sibilance, 0, 24, -1, 6, 0.8, 6, 0, 0, {}});
    page(1);
    auto* content = find<QComboBox>("content");
    content->setCurrentIndex(2);
    emit content->activated(2);
    EXPECT_EQ(studio->document.reel()->content, "music");
    EXPECT_EQ(studio->reels.content(*studio->document.reel()), Content::Music);
    EXPECT_EQ(rowOf(Fault::Sibilance), -1) << "a cymbal is no sharp s";
    find<QPushButton>("acceptAllFindings")->click();
    for (const auto& t : studio->document.reel()->treatments) EXPECT_FALSE(findTreatment(t.id).forVoice) << t.id;
    content->setCurrentIndex(1);
    emit content->activated(1);
    EXPECT_GE(rowOf(Fault::Sibilance), 0);
    find<QPushButton>("acceptAllFindings")->click();
    EXPECT_EQ(studio->document.reel()->treatments.back().id, "de-ess");
}

TEST_F(Intake, TreatmentsWorkAreHeardAndKeepTheirAmountWhenOff) {
    bridge();
    desk().acceptAll();
    page(2);
    ASSERT_GE(desk().chain().size(), 2u);
    // A stretch is treated at once, then the whole.
    ASSERT_TRUE(until([&] { return desk().effect(0).has_value(); }));
    ASSERT_TRUE(treated());
    ASSERT_TRUE(until([&] { return desk().effect(0) && desk().effect(0)->whole; }));
    for (size_t i = 0; i < desk().chain().size(); ++i) EXPECT_TRUE(desk().effect(i)->any()) << desk().chain()[i].id;
    EXPECT_TRUE(find<QLabel>("effect_de-hum")->text().contains("takes away"));
    EXPECT_NE(studio->reels.splitFile(*studio->document.reel()), studio->document.reel()->source);
    EXPECT_TRUE(studio->reels.current()->treatedLevels) << "the picture shows what is heard";
    // As recorded against treated, with the keyboard, equally loud.
    ASSERT_TRUE(until([&] { return studio->hearing.player().matchGain(Heard::Recorded) != 1.0f; }));
    EXPECT_NEAR(studio->hearing.player().matchGain(Heard::Recorded), 1, 0.7);
    window->setFocus();
    key(Qt::Key_7);
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Recorded);
    key(Qt::Key_8);
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Removed);
    // Switched off it keeps its amount.
    auto* slider = find<QSlider>("treat_de-click");
    slider->setFocus();
    QTest::keyClick(slider, Qt::Key_PageUp);
    size_t place = 0;
    while (desk().chain()[place].id != "de-click") ++place;
    const double amount = desk().chain()[place].amount;
    EXPECT_NE(amount, findTreatment("de-click").usual);
    find<QCheckBox>("on_de-click")->click();
    EXPECT_FALSE(desk().chain()[place].on);
    EXPECT_EQ(desk().chain()[place].amount, amount);
    EXPECT_EQ(find<QLabel>("effect_de-click")->text(), "off");
    find<QPushButton>("treat_de-click_reset")->click();
    EXPECT_EQ(desk().chain()[place].amount, findTreatment("de-click").usual);
    // Wrong amounts are refused with the range.
    auto* value = find<QLineEdit>("treat_de-hum_value");
    value->setFocus();
    value->selectAll();
    QTest::keyClicks(value, "400");
    QTest::keyClick(value, Qt::Key_Return);
    EXPECT_TRUE(window->workLine().noticeText().contains("0 to 100 %"));
    // Undo brings back what was there.
    while (studio->document.history().canUndo() && !desk().chain().empty()) studio->document.undo();
    EXPECT_TRUE(desk().chain().empty());
    EXPECT_EQ(studio->reels.splitFile(*studio->document.reel()), studio->document.reel()->source);
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Source) << "there is nothing removed to be heard";
}

TEST_F(Intake, WhatOneTreatmentRemovesIsLooped) {
    bridge();
    desk().add("de-rumble");
    desk().accept((*desk().found())[size_t(rowOf(Fault::Hum))]);
    page(2);
    find<QPushButton>("hearRemoved")->click();
    ASSERT_TRUE(until(
        [&] { return studio->hearing.player().heard() == Heard::Removed && studio->hearing.player().playing(); }));
    EXPECT_TRUE(studio->hearing.loop());
    EXPECT_FALSE(studio->document.reel()->loop) << "listening is not editing";
    ASSERT_TRUE(until([&] { return studio->hearing.player().takePeaks().first > 1e-4f; })) << "the hum is heard";
    studio->hearing.player().stop();
}

TEST_F(Intake, OrderAndPlaceCanBeChanged) {
    bridge();
    desk().add("de-hum");
    desk().add("de-click");
    ASSERT_EQ(desk().chain()[0].id, "de-click") << "its sensible place";
    page(2);
    emit find<QSlider>("treat_de-hum")->valueChanged(80);
    find<QPushButton>("earlier")->click();
    EXPECT_EQ(desk().chain()[0].id, "de-hum");
    EXPECT_TRUE(find<QPushButton>("sensibleOrder")->isEnabled());
    find<QPushButton>("sensibleOrder")->click();
    EXPECT_EQ(desk().chain()[0].id, "de-click");
    auto* where = find<QComboBox>("treatmentPlace");
    where->setCurrentIndex(1);
    emit where->activated(1);
    EXPECT_EQ(desk().chain()[1].place, "dialogue");
    find<QPushButton>("removeTreatment")->click();
    EXPECT_EQ(desk().chain().size(), 1u);
}

TEST_F(Intake, ASplitWaitsForTheTreatmentsAndStemsAreTreatedAfterIt) {
    add({QString::fromStdString(clip("clip.wav", 4).string())});
    ASSERT_TRUE(until([&] { return studio->reels.current()->diagnosis.has_value(); }));
    studio->document.editReel("", [](Reel& r) {
        r.quality = "quick", r.treatments = parseTreatments("de-rumble=150,de-ess=6");
    });
    ASSERT_TRUE(studio->reels.treatmentPending(*studio->document.reel()));
    studio->splitting.split();
    ASSERT_TRUE(until([&] {
        return studio->reels.current()->stems && studio->reels.current()->stems->finished() &&
               !studio->reels.current()->splitting;
    }));
    const fs::path treatedFile = studio->reels.splitFile(*studio->document.reel());
    EXPECT_NE(treatedFile, studio->document.reel()->source);
    const auto sumOf = [&] {
        const ReelFacts& s = *studio->reels.current();
        auto readers = s.stems->openAll();
        MediaReader work(studio->reels.heardFile(*studio->document.reel()));
        const StemBlock all = readers.read(work, 0, work.frames());
        AudioBuffer sum(2, work.frames());
        for (const auto& stem : all.stems)
            for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += stem.samples()[i];
        return differenceDb(sum, all.source);
    };
    EXPECT_LT(sumOf(), -120) << "the stems sum to the treated recording";
    // One of them moves to the dialogue: the recording is split without it, then the stem is treated.
    studio->document.editReel("", [](Reel& r) { r.treatments[1].place = "dialogue"; });
    EXPECT_FALSE(studio->reels.current()->stems) << "stems of another chain are none of this one's";
    ASSERT_TRUE(treated());
    studio->splitting.split();
    ASSERT_TRUE(until([&] { return studio->reels.current()->treatedStems.has_value(); }));
    EXPECT_LT(sumOf(), -120) << "still";
    EXPECT_NE(studio->reels.heardFile(*studio->document.reel()), studio->reels.splitFile(*studio->document.reel()));
}

TEST_F(Intake, TheSessionKeepsTreatmentsAndWhatWasSaid) {
    bridge();
    studio->document.editReel("", [](Reel& r) {
        r.treatments = parseTreatments("de-hum=80,de-ess=3");
        r.treatments[0].on = false;
        r.treatments[1].place = "dialogue";
        r.dismissed = {"click@1.0"};
        r.content = "speech";
        r.group = "Bridge";
        r.note = "the shout";
    });
    const Reel before = *studio->document.reel();
    ASSERT_TRUE(studio->file.save(QString::fromStdString((folder / "s.rivlen").string())));
    ASSERT_TRUE(studio->file.open(QString::fromStdString((folder / "s.rivlen").string())));
    EXPECT_EQ(*studio->document.reel(), before);
}

TEST_F(Intake, ReelsAreSearchedSortedGroupedRenamedAndRemoved) {
    few(4);
    auto* list = find<QTreeView>("reels");
    auto* search = find<QLineEdit>("searchReels");
    EXPECT_EQ(list->model()->rowCount(), 4);
    search->setText("take 2");
    EXPECT_EQ(list->model()->rowCount(), 1);
    list->setCurrentIndex(list->model()->index(0, 0));
    EXPECT_EQ(studio->document.reel()->name, "take 2");
    search->clear();
    auto* group = find<QLineEdit>("group");
    group->setFocus();
    QTest::keyClicks(group, "Deck");
    QTest::keyClick(group, Qt::Key_Return);
    EXPECT_EQ(studio->document.reel()->group, "Deck");
    search->setText("deck");
    EXPECT_EQ(list->model()->rowCount(), 1) << "groups are searched too";
    search->clear();
    list->model()->setData(list->model()->index(0, ReelsModel::Name), "First");
    EXPECT_EQ(studio->document.session().reels[0].name, "First");
    find<QComboBox>("sortReels")->setCurrentIndex(3);
    EXPECT_EQ(list->model()->index(0, 0).data().toString(), "First") << "it is the shortest";
    window->setFocus();
    key(Qt::Key_Y);
    auto* table = find<QTableView>("reelTableView");
    ASSERT_TRUE(table->isVisible());
    table->selectAll();
    EXPECT_TRUE(find<QLabel>("reelCount")->text().contains("4 selected"));
    find<QLineEdit>("groupMany")->setText("All");
    find<QPushButton>("setGroup")->click();
    for (const Reel& r : studio->document.session().reels) EXPECT_EQ(r.group, "All");
    studio->document.undo();
    EXPECT_EQ(studio->document.session().reels[1].group, "") << "one step for all";
    table->selectAll();
    find<QPushButton>("removeMany")->click();
    EXPECT_TRUE(studio->document.session().reels.empty());
    studio->document.undo();
    EXPECT_EQ(studio->document.session().reels.size(), 4u);
}

TEST_F(Intake, FaultsOfManyReelsAreTreatedInOneGo) {
    add({demo + "reel-3-bridge.flac", demo + "reel-1-deck.flac"});
    ASSERT_TRUE(until([&] {
        for (const Reel& r : studio->document.session().reels)
            if (!studio->reels.of(r.id).diagnosis) return false;
        return true;
    }));
    key(Qt::Key_Y);
    auto* table = find<QTableView>("reelTableView");
    table->selectAll();
    find<QPushButton>("acceptMany")->click();
    const auto bridgeReel =
        std::find_if(studio->document.session().reels.begin(), studio->document.session().reels.end(),
                     [](const Reel& r) { return r.name == "reel-3-bridge"; });
    EXPECT_GE(bridgeReel->treatments.size(), 2u);
    ASSERT_TRUE(until([&] { return !studio->reels.treatmentPending(*bridgeReel); }));
    ASSERT_TRUE(until([&] { return studio->reels.of(bridgeReel->id).treated.has_value(); }));
    EXPECT_TRUE(ReelsModel::treatmentLines(*bridgeReel, studio->reels.of(bridgeReel->id)).contains("took away"));
    studio->document.undo();
    for (const Reel& r : studio->document.session().reels) EXPECT_TRUE(r.treatments.empty());
}

TEST_F(Intake, AFolderComesInAsOneStepWithItsGroups) {
    fs::create_directories(folder / "shoot" / "day 1");
    writeWav(folder / "shoot" / "a.wav", noise(1, 48000), 48000);
    writeWav(folder / "shoot" / "day 1" / "b.wav", noise(2, 48000), 48000);
    {
        FILE* f = fopen((folder / "shoot" / "notes.txt").c_str(), "w");
        fputs("no recording", f), fclose(f);
    }
    {
        FILE* f = fopen((folder / "shoot" / "broken.wav").c_str(), "w");
        fputs("no recording", f), fclose(f);
    }
    studio->reader.addFiles({QString::fromStdString((folder / "shoot").string())});
    ASSERT_TRUE(
        until([&] { return studio->document.session().reels.size() == 2 && studio->work.idle(Work::Queue::Reading); }));
    EXPECT_EQ(studio->document.session().reels[1].group, "day 1");
    EXPECT_TRUE(window->workLine().noticeText().contains("broken.wav"));
    studio->document.undo();
    EXPECT_TRUE(studio->document.session().reels.empty());
}

TEST_F(Intake, FiveHundredReelsStayFluid) {
    Session many;
    writeWav(folder / "one.wav", noise(1, 9600), 48000);
    for (int i = 0; i < 500; ++i) {
        Reel r = makeReel(many, folder / "one.wav");
        r.name = text("take %03d", i);
        many.reels.push_back(r);
    }
    many.current = many.reels[0].id;
    saveSession(many, folder / "many.rivlen");
    ASSERT_TRUE(studio->file.open(QString::fromStdString((folder / "many.rivlen").string())));
    ASSERT_TRUE(until([&] { return !studio->busy(); }));
    key(Qt::Key_Y);
    find<QLineEdit>("searchTable")->setText("take 499");
    EXPECT_EQ(find<QTableView>("reelTableView")->model()->rowCount(), 1);
    find<QLineEdit>("searchTable")->clear();
    auto* table = find<QTableView>("reelTableView");
    table->sortByColumn(ReelsModel::Name, Qt::AscendingOrder);
    EXPECT_EQ(table->model()->index(9, 0).data().toString(), "take 009");
    studio->document.editReels("", {studio->document.session().reels[10].id}, [](Reel& r) { r.name = "take 9"; });
    ASSERT_TRUE(until([&] {
        return table->model()->index(9, 0).data().toString() == "take 9" ||
               table->model()->index(10, 0).data().toString() == "take 9";
    })) << "by its number, not by its digits";
    find<QTreeView>("reels")->setCurrentIndex(find<QTreeView>("reels")->model()->index(499, 0));
    EXPECT_EQ(studio->document.reel()->name, "take 499");
}

TEST_F(Intake, ANewerVersionIsLaidInAndSettingsFollow) {
    MediaReader reader((demo + "reel-1-deck.flac").toStdString());
    const AudioBuffer x = reader.read(0, reader.frames());
    writeWav(folder / "old.wav", x, 48000);
    writeWav(folder / "new.wav", x.slice(48000 * 3 + 100, x.frames() - 48000 * 3 - 100), 48000);
    add({QString::fromStdString((folder / "old.wav").string())});
    studio->document.editReel("", [](Reel& r) {
        IsolationSettings s;
        s.depth = 9;
        placeRegion(r.timeline(), {"talk", 8, 12, 0.1, s});
        r.loop = std::pair(8.0, 10.0);
    });
    openConformDialog(studio->document, studio->work, studio->document.reel()->id,
                      QString::fromStdString((folder / "new.wav").string()), window.get());
    auto* lay = find<QPushButton>("conformLay");
    ASSERT_TRUE(until([&] { return lay->isEnabled(); }));
    EXPECT_TRUE(find<QLabel>("conformText")->text().contains("100 %"));
    EXPECT_EQ(find<QTableWidget>("stretches")->rowCount(), 1);
    lay->click();
    EXPECT_EQ(studio->document.reel()->source.filename(), "new.wav");
    ASSERT_EQ(studio->document.reel()->timeline().regions.size(), 1u);
    EXPECT_NEAR(studio->document.reel()->timeline().regions[0].from, 8 - 3 - 100 / 48000.0, 1e-3);
    EXPECT_NEAR(studio->document.reel()->loop->first, 5, 0.01);
    studio->document.undo();
    EXPECT_EQ(studio->document.reel()->source.filename(), "old.wav");
    EXPECT_DOUBLE_EQ(studio->document.reel()->timeline().regions[0].from, 8);
}

TEST_F(Intake, ThePictureShowsTheFrameOfThePlayheadAndStepsByFrames) {
    add({demo + "deck-video.mp4"});
    PictureDock& dock = window->pictureDock();
    ASSERT_TRUE(until([&] { return dock.isVisible() && !dock.shown().image.isNull(); }));
    EXPECT_TRUE(window->pictures().strip().isVisible());
    studio->hearing.player().locate(48000 * 2 + 10);
    ASSERT_TRUE(until([&] { return dock.shown().number == 50; }));
    EXPECT_EQ(find<QLabel>("pictureTime")->text(), "10:00:02:00");
    key(Qt::Key_Right, Qt::ControlModifier);
    ASSERT_TRUE(until([&] { return dock.shown().number == 51; }));
    key(Qt::Key_Left, Qt::ControlModifier);
    key(Qt::Key_Left, Qt::ControlModifier);
    ASSERT_TRUE(until([&] { return dock.shown().number == 49; }));
    // While it plays, no frame is shown before its sound; a busy machine shows fewer. Once it stands, the frame is the
    // exact one.
    int shown = 0;
    double early = 0;
    QObject::connect(&dock, &PictureDock::frameShown, &dock, [&] {
        early = std::max(early, dock.shown().from - double(studio->hearing.player().position()) / 48000);
        ++shown;
    });
    studio->hearing.togglePlay();
    EXPECT_TRUE(until([&] { return shown > 5; }));
    studio->hearing.togglePlay();
    EXPECT_LT(early, 1e-3);
    ASSERT_TRUE(until([&] { return !studio->hearing.player().playing(); }));  // the fade at the end of playing
    ASSERT_TRUE(until([&] {
        const double now = double(studio->hearing.player().position()) / 48000;
        return dock.shown().from <= now + 1e-4 && dock.shown().to > now - 1e-4;
    }));
    key(Qt::Key_F);
    EXPECT_FALSE(dock.isVisible());
    key(Qt::Key_F);
    EXPECT_TRUE(dock.isVisible());
    // A reel without a picture has none.
    add({QString::fromStdString(clip("plain.wav", 1).string())});
    EXPECT_FALSE(dock.isVisible());
    EXPECT_FALSE(window->pictures().strip().isVisible());
}
