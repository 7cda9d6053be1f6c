// The Dispatch stage through the real window.
#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTabBar>
#include <QTreeWidget>

#include <fstream>

#include "WindowFixture.h"
#include "app/window/CourseBar.h"

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
    auto* list = find<QListWidget>("deliverables");
    ASSERT_EQ(list->count(), 5);
    for (int i = 1; i < 4; ++i) list->item(i)->setCheckState(Qt::Unchecked);
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
