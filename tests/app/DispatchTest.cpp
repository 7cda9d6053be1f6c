// The Dispatch stage through the real window.
#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QPushButton>
#include <QTabBar>
#include <QTableView>
#include <QTreeWidget>

#include <fstream>

#include "WindowFixture.h"
#include "app/dispatch/DeliveryView.h"
#include "app/window/CourseBar.h"
#include "core/exchange/ReadList.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct DispatchStage : Window {
    DeliverablesDesk& deliverables() { return window->desks().deliverables; }
    DispatchDesk& desk() { return window->desks().dispatch; }
    const std::vector<Deliverable>& all() { return deliverables().deliverables(); }
    void type(const char* name, const QString& text) {
        auto* box = find<QLineEdit>(name);
        box->setFocus();
        box->selectAll();
        QTest::keyClick(box, Qt::Key_Delete);
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
    EXPECT_TRUE(studio->document.session().deliverables.empty());
    deliverables().useSet(shippedDeliveries()[0]);
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
    studio->document.undo();
    pick("holds", 1);
    EXPECT_EQ(all()[0].holds, "music-and-effects");
    studio->document.undo();
    auto* rows = find<QTableView>("deliveries")->model();
    ASSERT_EQ(rows->rowCount(), 5);
    for (int i = 1; i < 4; ++i)
        EXPECT_TRUE(rows->setData(rows->index(i, DeliveriesModel::Name), Qt::Unchecked, Qt::CheckStateRole));
    EXPECT_FALSE(all()[1].on);
    const auto before = all();
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    ASSERT_TRUE(studio->file.save(file));
    ASSERT_TRUE(studio->file.open(file));
    ASSERT_TRUE(until([&] { return !studio->busy() && studio->reels.current()->stems; }));
    EXPECT_EQ(all(), before);
    const QString out = QString::fromStdString((folder / "out").string());
    desk().dispatch(out, false);
    EXPECT_TRUE(desk().busy());
    ASSERT_TRUE(until([&] { return !desk().busy() && desk().reports().size() == 2; }));
    ASSERT_TRUE(until([&] {
        return find<QTreeWidget>("queue")->topLevelItemCount() == 1 &&
               find<QTreeWidget>("queue")->topLevelItem(0)->text(1) == "done";
    }));
    EXPECT_TRUE(fs::exists(folder / "out" / "for the lake -20 LUFS.wav")) << toJson(desk().reports()[0]).dump(1);
    EXPECT_TRUE(fs::exists(folder / "out" / "clip.ambience.wav"));
    EXPECT_NEAR(*desk().reports()[0].integrated, -20, 0.2);
    auto* queue = find<QTreeWidget>("queue");
    ASSERT_EQ(queue->topLevelItemCount(), 1);
    EXPECT_EQ(queue->topLevelItem(0)->text(1), "done");
    EXPECT_EQ(queue->topLevelItem(0)->childCount(), 2);
    EXPECT_GT(queue->topLevelItem(0)->child(0)->childCount(), 7) << "its checks";
    auto* stations = window->findChild<CourseBar*>();
    EXPECT_EQ(stations->stationState(4), CourseBar::State::Done);
    for (const char* report :
         {"delivery.json", "delivery.csv", "delivery.html", "delivery.pdf", "delivery.md5", "delivery.sha256"})
        EXPECT_TRUE(fs::exists(folder / "out" / report)) << report;
    EXPECT_EQ(run("cd '" + (folder / "out").string() + "' && sha256sum -c --quiet delivery.sha256").code, 0);
    // Once more into the same folder: nothing is replaced, one line says so.
    desk().dispatch(out, false);
    EXPECT_FALSE(desk().busy());
    EXPECT_TRUE(find<QLabel>("notice")->text().contains("already there"));
    studio->document.editReel("", [](Reel& r) { r.isolation().depth = 12; });
    EXPECT_EQ(stations->stationState(4), CourseBar::State::InWork) << "it was changed since";
    desk().queue().clearEnded();
    ASSERT_TRUE(until([&] { return queue->topLevelItemCount() == 0; }));
    EXPECT_EQ(stations->stationState(4), CourseBar::State::Empty);
}

TEST_F(DispatchStage, ManyRowsAreTickedAndEditedAtOnce) {
    add({QString::fromStdString(clip("one.wav", 2).string()), QString::fromStdString(clip("two.wav", 1).string())});
    key(Qt::Key_5, Qt::AltModifier);
    deliverables().useSet(shippedDeliveries()[0]);
    settle();
    auto* table = find<QTableView>("deliveries");
    EXPECT_EQ(table->model()->rowCount(), 5) << "of the present reel";
    find<QCheckBox>("allreels")->click();
    settle();
    ASSERT_EQ(table->model()->rowCount(), 10);
    const auto at = [&](int row, int column) { return table->model()->index(row, column); };
    EXPECT_EQ(at(0, DeliveriesModel::File).data().toString(), "one.mix.wav");
    EXPECT_EQ(at(9, DeliveriesModel::File).data().toString(), "two.ambience.wav");
    EXPECT_EQ(at(0, DeliveriesModel::State).data().toString(), "to be made");
    // A row of the other reel makes that the present one.
    table->setCurrentIndex(at(8, DeliveriesModel::Name));
    settle();
    EXPECT_EQ(reel().name, "two");
    EXPECT_EQ(find<QLineEdit>("deliveryname")->text(), "music");
    // Three rows: what is changed at the right counts for all of them, as one step.
    table->selectionModel()->select(QItemSelection(at(7, 0), at(9, 0)),
                                    QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    settle();
    EXPECT_EQ(deliverables().selected(), (std::set<int>{2, 3, 4}));
    EXPECT_FALSE(find<QLineEdit>("deliveryname")->isEnabled()) << "names are one's own";
    EXPECT_TRUE(find<QLabel>("recipeof")->text().contains("3 deliverables"));
    const auto before = all();
    pick("deliveryrate", 1);
    for (int i = 0; i < 5; ++i) EXPECT_EQ(all()[size_t(i)].sampleRate, i < 2 ? 0 : 44100) << i;
    QTest::keyClick(table, Qt::Key_X);
    for (int i = 0; i < 5; ++i) EXPECT_EQ(all()[size_t(i)].on, i < 2) << i;
    EXPECT_TRUE(find<QLabel>("deliveriescount")->text().contains("4 files"));
    key(Qt::Key_Z, Qt::ControlModifier);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(all(), before);
    // Sorted by what they hold.
    table->sortByColumn(DeliveriesModel::Holds, Qt::AscendingOrder);
    QStringList held;
    for (int i = 0; i < 10; ++i) held << at(i, DeliveriesModel::Holds).data().toString();
    QStringList sorted = held;
    std::sort(sorted.begin(), sorted.end());
    EXPECT_EQ(held, sorted);
}

TEST_F(DispatchStage, TheChosenFileIsHeardBeforeAndAfterAndItsChecksStandBelow) {
    add({QString::fromStdString(clip("clip.wav", 3).string())});
    key(Qt::Key_5, Qt::AltModifier);
    auto& heard = window->desks().delivered;
    EXPECT_EQ(heard.plays(), DeliveryHearing::Plays::Nothing);
    EXPECT_TRUE(heard.why().contains("not split yet"));
    split();
    settle();
    deliverables().choose(2);  // the dialogue
    EXPECT_EQ(heard.plays(), DeliveryHearing::Plays::ToBeDelivered);
    key(Qt::Key_9);
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Mix);
    EXPECT_TRUE(find<QPushButton>("hearMix")->text().contains("Deliverable"));
    const auto rendered = [&] {
        const auto plan = heard.current();
        RenderGraph graph(plan->rebuild, plan->materials, plan->options(1));
        graph.seek(0, 0);
        return graph.next(3 * 48000);
    };
    const AudioBuffer promised = rendered();
    EXPECT_TRUE(find<QLabel>("checks")->isHidden());
    desk().dispatch(QString::fromStdString((folder / "out").string()), false);
    ASSERT_TRUE(until([&] { return !desk().busy(); }));
    settle();
    ASSERT_EQ(heard.plays(), DeliveryHearing::Plays::Delivered);
    MediaReader file(folder / "out/clip.dialogue.wav");
    const AudioBuffer stored = file.read(0, 3 * 48000);
    EXPECT_LT(differenceDb(rendered(), stored), -120) << "what plays is the file";
    EXPECT_LT(differenceDb(promised, stored), -120) << "what was heard before is what it holds, but for its dither";
    EXPECT_GT(differenceDb(promised, AudioBuffer(2, 3 * 48000)), -40);
    auto* table = find<QTableView>("deliveries");
    EXPECT_EQ(table->model()->index(2, DeliveriesModel::State).data().toString(), "delivered");
    EXPECT_TRUE(find<QLabel>("checks")->isVisible());
    EXPECT_TRUE(find<QLabel>("checks")->text().contains("read again"));
    // Changed since: said so; the file can still be heard.
    studio->document.editReel("", [](Reel& r) { r.isolation().depth = 9; });
    settle();
    EXPECT_EQ(table->model()->index(2, DeliveriesModel::State).data().toString(), "changed since");
    fs::remove(folder / "out/clip.dialogue.wav");
    deliverables().choose(1);
    deliverables().choose(2);
    EXPECT_EQ(heard.plays(), DeliveryHearing::Plays::ToBeDelivered) << "the file is gone";
    key(Qt::Key_4, Qt::AltModifier);
    settle();
    EXPECT_EQ(heard.current(), nullptr) << "the rebuild plays again";
}

TEST_F(DispatchStage, AFileForEachChannelIsHeardAndSeenDownToItsSamples) {
    addAndSplit(4);
    key(Qt::Key_5, Qt::AltModifier);
    deliverables().choose(2);
    deliverables().edit("Files", [](Deliverable& d) { d.monoFiles = true; });
    desk().dispatch(QString::fromStdString((folder / "out").string()), false);
    ASSERT_TRUE(until([&] { return !desk().busy(); }));
    settle();
    auto& heard = window->desks().delivered;
    ASSERT_EQ(heard.plays(), DeliveryHearing::Plays::Delivered) << heard.why().toStdString();
    const auto& made = desk().deliveries();
    const DeliveryReport& report = *made.at({studio->document.reel()->id, all()[2].name}).report;
    ASSERT_EQ(report.files.size(), 2u);
    RenderGraph graph(heard.current()->rebuild, heard.current()->materials, heard.current()->options(1));
    graph.seek(0, 0);
    const AudioBuffer plays = graph.next(3 * 48000);
    std::vector<AudioBuffer> stored;
    for (const auto& file : report.files) stored.push_back(MediaReader(file).read(0, 3 * 48000));
    for (int c = 0; c < 2; ++c)
        for (int64_t i = 0; i < 3 * 48000; ++i)
            ASSERT_NEAR(plays.channel(c)[size_t(i)], stored[size_t(c)].channel(0)[size_t(i)], 1e-6) << c << ", " << i;
    // The picture below reads the files themselves when it is looked at closely.
    const DeliveryStretch& stretch = find<DeliveryView>("deliveryview")->stretch();
    TimeAxis& axis = window->pictures().axis();
    axis.show(1, 1.01);
    ASSERT_TRUE(until([&] { return stretch.found() && stretch.found()->samples.size() == 2; }));
    ASSERT_EQ(stretch.found()->samples[1].size(), 480u);
    for (size_t i = 0; i < 480; ++i) EXPECT_EQ(stretch.found()->samples[1][i], stored[1].channel(0)[48000 + i]);
    axis.show(0, 4);
    ASSERT_TRUE(until([&] { return stretch.found() && stretch.found()->samples.empty(); }));
    EXPECT_GT(stretch.found()->wave.size(), 300u);
    ASSERT_EQ(stretch.found()->shortTerm.size(), 40u);
    EXPECT_NEAR(stretch.found()->shortTerm[35], *report.maxShortTerm, 1) << "the loudness of three seconds";
    // More than a minute comes at once from the outline of the whole, whose columns are fiftieths of a second.
    ASSERT_TRUE(until([&] { return stretch.outlined(); }));
    axis.setDuration(100);
    axis.show(0, 100);
    ASSERT_TRUE(stretch.found());
    EXPECT_NEAR(stretch.found()->shortTerm[35], *report.maxShortTerm, 1);
    const auto columns = int64_t(stretch.found()->wave.size());
    ASSERT_NEAR(double(columns), report.duration * 50, 1);
    const int64_t frames = MediaReader(report.files[0]).frames(), from = frames / columns, to = 2 * frames / columns;
    float high = -1;
    for (const AudioBuffer& side : stored)
        for (int64_t i = from; i < to; ++i) high = std::max(high, side.channel(0)[size_t(i)]);
    EXPECT_EQ(stretch.found()->wave[1].second, high);
}

TEST_F(DispatchStage, ObjectsAreHeardAsTheyArePlaced) {
    addAndSplit(3);
    studio->document.setStage(stage::rebuild);
    ASSERT_TRUE(until([&] { return !window->desks().rebuild.busy() && !studio->busy(); }));
    window->desks().rebuild.desk.edit("sphere", [](Rebuild& r) {
        r.format = MixFormat::Surround714;
        r.lanes[1].edit().strip.azimuth = 110;
        r.lanes[1].edit().strip.width = 0;
    });
    key(Qt::Key_5, Qt::AltModifier);
    Deliverable objects;
    objects.name = "objects";
    objects.storage = Storage::Adm;
    objects.loudness = -26;
    Deliverable sphere;
    sphere.name = "sphere";
    sphere.loudness = -26;
    studio->document.editDeliverables("two", [&](auto& all) { all = {objects, sphere}; });
    desk().dispatch(QString::fromStdString((folder / "out").string()), false);
    ASSERT_TRUE(until([&] { return !desk().busy() && desk().standing() == DispatchDesk::Standing::Delivered; }));
    auto& heard = window->desks().delivered;
    const auto inTwoChannels = [&](int row) {
        deliverables().choose(row);
        settle();
        EXPECT_TRUE(until([&] { return heard.plays() == DeliveryHearing::Plays::Delivered; })) << row;
        const auto plan = heard.current();
        MixFeed feed;
        feed.setPlan(plan);
        PlayBlock block(2, 1);
        AudioBuffer out(2, 0);
        for (int64_t at = 0; at < 2 * 48000; at += PlayBlock::kFrames) {
            block.frames = PlayBlock::kFrames;
            feed.fill(block, at);
            AudioBuffer some(2, PlayBlock::kFrames);
            std::copy(block.mix.begin(), block.mix.end(), some.samples().begin());
            out.append(some);
        }
        feed.close();
        return out;
    };
    const AudioBuffer sphereHeard = inTwoChannels(1), objectsHeard = inTwoChannels(0);
    EXPECT_LT(differenceDb(objectsHeard, sphereHeard), -60) << "placed again it sounds as the mix in its own channels";
    // Another format of the reel's changes nothing in how a delivered file is heard.
    window->desks().rebuild.desk.edit("ring", [](Rebuild& r) { r.format = MixFormat::Surround51; });
    settle();
    EXPECT_LT(differenceDb(inTwoChannels(1), sphereHeard), -120);
}

TEST_F(DispatchStage, TheRecipeSaysWhatItCan) {
    addAndSplit(3);
    key(Qt::Key_5, Qt::AltModifier);
    deliverables().useSet(shippedDeliveries()[0]);
    type("span", "0:00.5 - 0:02");
    EXPECT_EQ(all()[0].span, (std::pair(0.5, 2.0)));
    type("span", "later");
    EXPECT_EQ(all()[0].span, (std::pair(0.5, 2.0)));
    EXPECT_TRUE(find<QLabel>("notice")->text().contains("no span"));
    type("span", "");
    EXPECT_FALSE(all()[0].span);
    studio->document.editReel("", [](Reel& r) { r.loop = {1, 2}; });
    QTest::mouseClick(find<QPushButton>("spanloop"), Qt::LeftButton);
    EXPECT_EQ(all()[0].span, (std::pair(1.0, 2.0)));
    pick("measured", 1);
    EXPECT_TRUE(all()[0].dialogueGated);
    pick("strength", 2);
    EXPECT_EQ(all()[0].candidate, "isolated");
    pick("deliverylayout", int(ChannelLayout::Surround71));
    EXPECT_EQ(all()[0].layout, ChannelLayout::Surround71);
    pick("dither", 1);
    EXPECT_EQ(all()[0].dither, Dither::Shaped);
    QTest::mouseClick(find<QCheckBox>("monofiles"), Qt::LeftButton, {},
                      QPoint(8, find<QCheckBox>("monofiles")->height() / 2));
    EXPECT_TRUE(all()[0].monoFiles);
    EXPECT_TRUE(find<QLabel>("filepreview")->text().endsWith("and 7 more"))
        << find<QLabel>("filepreview")->text().toStdString();
    // A picture asks for other things.
    auto* format = find<QComboBox>("deliveryformat");
    for (int i = 0; i < format->count(); ++i)
        if (format->itemText(i).contains("MP4")) pick("deliveryformat", i);
    EXPECT_EQ(all()[0].storage, Storage::Mp4);
    EXPECT_TRUE(find<QLineEdit>("language")->isVisible());
    EXPECT_FALSE(find<QComboBox>("dither")->isVisible());
    EXPECT_FALSE(find<QLineEdit>("span")->isEnabled()) << "a picture is delivered whole";
    // So do objects: their bed is the mix's own.
    for (int i = 0; i < format->count(); ++i)
        if (format->itemText(i).contains("ADM") && format->itemText(i).contains("24")) pick("deliveryformat", i);
    EXPECT_EQ(all()[0].storage, Storage::Adm);
    EXPECT_EQ(all()[0].layout, ChannelLayout::Own);
    EXPECT_FALSE(all()[0].monoFiles);
    EXPECT_FALSE(find<QComboBox>("deliverylayout")->isEnabled());
    for (int i = 0; i < format->count(); ++i)
        if (format->itemText(i).contains("MP4")) pick("deliveryformat", i);
    EXPECT_TRUE(find<QComboBox>("deliverylayout")->isEnabled());
    type("language", "fin");
    EXPECT_EQ(all()[0].language, "fin");
    type("language", "Finnish");
    EXPECT_EQ(all()[0].language, "fin");
    type("deliveryname", "music");
    EXPECT_NE(all()[0].name, "music") << "taken";
    // Sets of one's own, and as files.
    const auto before = all();
    deliverables().keepSet("lake");
    ASSERT_EQ(ownDeliverySets().size(), 1u);
    EXPECT_EQ(ownDeliverySets()[0].deliverables, before);
    const QString file = QString::fromStdString((folder / "set.json").string());
    deliverables().writeSet(file);
    studio->document.undo();
    EXPECT_NE(all(), before);
    deliverables().readSet(file);
    EXPECT_EQ(all(), before);
}

TEST_F(DispatchStage, TheQueueTakesSeveralSessionsWaitsAndGoesOnAfterAnEnd) {
    addAndSplit(3);
    key(Qt::Key_5, Qt::AltModifier);
    const QString file = QString::fromStdString((folder / "other.rivlen").string());
    ASSERT_TRUE(studio->file.save(file));
    const auto out = [&](const char* name) { return QString::fromStdString((folder / name).string()); };
    desk().queue().setPaused(true);
    studio->document.editDeliverables("", [](auto& d) { d.resize(2); });
    desk().dispatchSession(file, out("a"));
    desk().queue().setPaused(true);
    desk().dispatch(out("b"), true);
    desk().queue().setPaused(true);
    ASSERT_TRUE(until([&] { return find<QTreeWidget>("queue")->topLevelItemCount() == 2; }));
    find<QTabBar>("dispatchtabs")->setCurrentIndex(1);
    auto* tree = find<QTreeWidget>("queue");
    tree->setCurrentItem(tree->topLevelItem(1));
    pick("queuepriority", 0);
    ASSERT_TRUE(until([&] { return desk().queue().tasks()[1].priority == DeliveryTask::Priority::First; }));
    EXPECT_EQ(find<QPushButton>("queuepause")->text(), "Go on");
    // The program ends meanwhile.
    TearDown();
    open();
    EXPECT_TRUE(desk().leftOver());
    find<QTabBar>("dispatchtabs")->setCurrentIndex(1);
    EXPECT_TRUE(find<QLabel>("queuestate")->text().contains("left from last time"))
        << find<QLabel>("queuestate")->text().toStdString();
    studio->document.setStage("dispatch");
    QTest::mouseClick(find<QPushButton>("queuepause"), Qt::LeftButton);
    ASSERT_TRUE(until([&] { return !desk().busy() && !desk().queue().waiting(); }));
    for (const auto& t : desk().queue().tasks()) EXPECT_EQ(t.state, DeliveryTask::State::Done) << t.error;
    EXPECT_TRUE(fs::exists(folder / "a" / "clip.ambience.wav"));
    EXPECT_TRUE(fs::exists(folder / "b" / "clip.mix.wav"));
    EXPECT_FALSE(fs::exists(folder / "b" / "clip.ambience.wav"));
}

TEST_F(DispatchStage, AReelIsHandedOver) {
    addAndSplit(3);
    key(Qt::Key_5, Qt::AltModifier);
    desk().handOver(QString::fromStdString((folder / "hand").string()), 1);
    ASSERT_TRUE(until([&] { return !desk().busy(); }));
    EXPECT_TRUE(fs::exists(folder / "hand" / "clip.handover" / "MANIFEST.txt"));
    EXPECT_TRUE(fs::exists(folder / "hand" / "clip.handover" / "stems" / "clip.music.wav"));
    // And back again: the lists lie on lanes of their own, in one step.
    key(Qt::Key_4, Qt::AltModifier);
    settle();
    RebuildTools& tools = window->desks().rebuild;
    const size_t before = tools.desk.rebuild().lanes.size();
    tools.scene.layInList(QString::fromStdString((folder / "hand/clip.handover/tracks.otio").string()));
    ASSERT_TRUE(until([&] { return !tools.busy() && !studio->busy(); }));
    const size_t handed = readList(folder / "hand/clip.handover/tracks.otio", {25, 1}).tracks.size();
    EXPECT_GE(handed, 4u);
    ASSERT_EQ(tools.desk.rebuild().lanes.size(), before + handed);
    EXPECT_EQ(tools.desk.rebuild().lanes[before]->clips[0].length, tools.desk.rebuild().lanes[0]->clips[0].length);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(tools.desk.rebuild().lanes.size(), before);
    std::ofstream((folder / "broken.edl").string()) << "TITLE: x\n001  A AA C 00:00:00:99\n";
    tools.scene.layInList(QString::fromStdString((folder / "broken.edl").string()));
    ASSERT_TRUE(until([&] { return find<QLabel>("notice")->text().contains("line 2"); }));
    EXPECT_EQ(tools.desk.rebuild().lanes.size(), before);
}

TEST_F(DispatchStage, IsCancelledWithNothingLeftBehind) {
    addAndSplit(5);
    key(Qt::Key_5, Qt::AltModifier);
    desk().dispatch(QString::fromStdString((folder / "out").string()), false);
    ASSERT_TRUE(until([&] { return !desk().reports().empty(); }));
    find<QTabBar>("dispatchtabs")->setCurrentIndex(1);
    QTest::mouseClick(find<QPushButton>("queuecancel"), Qt::LeftButton);
    ASSERT_TRUE(until([&] { return !desk().busy(); }));
    for (const fs::path& file : entries(folder / "out")) EXPECT_NE(file.filename().string()[0], '.') << file;
}
