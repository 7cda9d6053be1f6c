// A cleaner outside of Rivlen, through the real window: sent, found, weighed beside Rivlen's own, heard, laid in.
#include <QComboBox>
#include <QLineEdit>
#include <QTabBar>
#include <QTableWidget>

#include "WindowFixture.h"
#include "core/base/Resources.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const QString kCleaner = QString::fromStdString((programFolder() / "rivlen-cleaner").string());

struct Outside : Window {
    void begin() {
        add({demo + "reel-1-deck.flac"});
        studio->document.editReel("", [&](Reel& r) { r.quality = "quick"; });
        key(Qt::Key_Return, Qt::ControlModifier);
        ASSERT_TRUE(
            until([&] { return studio->reels.current()->stems && studio->reels.current()->stems->finished(); }));
        studio->document.setStage("weigh");
        studio->document.editReel("Set loop", [](Reel& r) { r.loop = std::pair(2.0, 7.0); });
        find<QTabBar>("weightabs")->setCurrentIndex(3);
    }
    void type(const QString& target) {
        auto* line = find<QLineEdit>("outsidetarget");
        line->setFocus();
        line->selectAll();
        QTest::keyClicks(line, target);
        window->setFocus();
    }
    OutsideDesk& desk() { return window->desks().outside; }
    QTableWidget* table() { return find<QTableWidget>("outsideanswers"); }
};

}  // namespace

TEST_F(Outside, ACommandsAnswersAreWeighedHeardAndLaidIn) {
    begin();
    key(Qt::Key_O, Qt::ShiftModifier);
    EXPECT_TRUE(desk().state().contains("Give the command"));
    EXPECT_EQ(desk().answers().size(), 0u);
    type(kCleaner + " {in} {out} --late 20 --gain -6");
    const Session before = studio->document.session();
    key(Qt::Key_O, Qt::ShiftModifier);
    EXPECT_TRUE(desk().busy());
    ASSERT_TRUE(until([&] { return desk().answers().size() == 1; }));
    type(kCleaner + " {in} {out} --rate 44100 --cut 2");
    key(Qt::Key_O, Qt::ShiftModifier);
    ASSERT_TRUE(until([&] { return desk().answers().size() == 2 && !desk().busy(); }));
    EXPECT_EQ(studio->document.session(), before) << "sending is not editing";
    EXPECT_NEAR(desk().answers()[0].answer.late(), 0.02, 1e-6);
    EXPECT_NEAR(desk().answers()[0].gain - desk().answers()[1].gain, 6, 0.5) << "the same cleaner, 6 dB softer";
    EXPECT_EQ(desk().answers()[1].answer.rate, 44100);
    ASSERT_EQ(table()->rowCount(), 3);
    EXPECT_EQ(table()->item(0, 0)->text(), "Rivlen's own, as weighed");
    EXPECT_EQ(table()->item(1, 0)->text(), "rivlen-cleaner");
    EXPECT_EQ(table()->item(2, 0)->text(), "rivlen-cleaner 2");
    EXPECT_TRUE(table()->item(1, 1)->text().endsWith(" dB"));

    QTest::mouseClick(table()->viewport(), Qt::LeftButton, {}, table()->visualItemRect(table()->item(1, 0)).center());
    EXPECT_EQ(desk().heard(), 0);
    EXPECT_TRUE(studio->hearing.trying());
    EXPECT_TRUE(studio->hearing.player().playing());
    EXPECT_EQ(studio->hearing.loop(), std::pair(2.0, 7.0));
    // With what it took away it is the recording.
    const auto stems = desk().answers()[0].stems;
    AudioBuffer sum(2, 48000);
    for (int s = 0; s < 3; ++s) {
        const AudioBuffer x = stems->open(s)->read(3 * 48000, 48000);
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += x.samples()[i];
    }
    MediaReader reel((demo + "reel-1-deck.flac").toStdString());
    EXPECT_LT(differenceDb(sum, reel.read(3 * 48000, 48000)), -120);
    studio->hearing.player().stop();
    QTest::mouseClick(find<QPushButton>("outsideown"), Qt::LeftButton);
    EXPECT_FALSE(studio->hearing.trying());

    desk().hear(0);
    key(Qt::Key_O, Qt::ControlModifier | Qt::ShiftModifier);
    const Rebuild& r = *studio->document.reel()->rebuild;
    ASSERT_FALSE(r.empty());
    const auto lane =
        std::find_if(r.lanes.begin(), r.lanes.end(), [](const auto& l) { return l->name == "From outside"; });
    ASSERT_NE(lane, r.lanes.end());
    ASSERT_EQ((*lane)->clips.size(), 1u);
    EXPECT_EQ((*lane)->clips[0].at, 2);
    EXPECT_EQ((*lane)->clips[0].length, 5);
    EXPECT_NEAR((*lane)->clips[0].offset, 1.02, 1e-9) << "after its handle, and late";
    EXPECT_TRUE(fs::exists(r.sounds.at(0).file));
    EXPECT_FALSE(studio->hearing.trying());
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(studio->document.reel()->rebuild->empty());
}

TEST_F(Outside, AFolderIsWaitedForAndLeft) {
    begin();
    auto* way = find<QComboBox>("outsideway");
    way->setCurrentIndex(1);
    emit way->activated(1);
    const fs::path exchange = folder / "exchange";
    type(QString::fromStdString(exchange.string()));
    key(Qt::Key_O, Qt::ShiftModifier);
    ASSERT_TRUE(until([&] { return desk().waiting(); }));
    const auto sent = entries(exchange);
    ASSERT_EQ(sent.size(), 1u);
    EXPECT_EQ(sent[0].filename().string().rfind("reel-1-deck recording 2.00-7.00", 0), 0u) << sent[0];
    key(Qt::Key_O, Qt::ShiftModifier);
    EXPECT_TRUE(until([&] { return desk().waiting(); })) << "sent again";
    QTest::mouseClick(find<QPushButton>("outsidesend"), Qt::LeftButton);
    EXPECT_FALSE(desk().busy()) << "cancelled";
    key(Qt::Key_O, Qt::ShiftModifier);
    ASSERT_TRUE(until([&] { return desk().waiting(); }));
    ASSERT_EQ(run(kCleaner.toStdString() + " '" + sent[0].string() + "' '" +
                  (exchange / (sent[0].stem().string() + " done.flac")).string() + "' --late -100")
                  .code,
              0);
    ASSERT_TRUE(until([&] { return desk().answers().size() == 1; }));
    EXPECT_NEAR(desk().answers()[0].answer.late(), -0.1, 1e-6);
    EXPECT_EQ(desk().answers()[0].name, "done");
    // The ways are the user's and stay; answers are the reel's and go with it.
    add({QString::fromStdString(clip("other.wav", 3).string())});
    studio->document.selectReel(studio->document.session().reels.back().id);
    EXPECT_TRUE(until([&] { return desk().answers().empty(); }));
    EXPECT_EQ(desk().ways().folder.toStdString(), exchange.string());
}
