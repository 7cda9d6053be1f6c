// Networks in the window: chosen, explained, installed, refused, removed; what a split says afterwards.
#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

#include "Places.h"
#include "WindowFixture.h"
#include "app/split/ConfidenceView.h"
#include "app/split/NetworksDialog.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const QString networks = QString(test::kSourceFolder) + "/tests/data/networks/";

/// The gain in dialogue that the shipped main network's card states for the field set.
QString statedGain() {
    return QString::number(
        findNetwork("").all.at("quality").at("field").at("stereo").at("all").at("dialogue").at("gain").get<double>(),
        'f', 1);
}

struct Networks : Window {
    NetworksDialog* openDialog() {
        studio->document.setStage("split");
        QTest::mouseClick(find<QPushButton>("openNetworks"), Qt::LeftButton);
        NetworksDialog* dialog = nullptr;
        EXPECT_TRUE(
            until([&] { return (dialog = window->findChild<NetworksDialog*>("networks")) && dialog->isVisible(); }));
        return dialog;
    }
};

}  // namespace

TEST_F(Networks, AreExplainedWithTheirMeasuredFigures) {
    NetworksDialog* dialog = openDialog();
    const NetworkCard card = findNetwork("");
    const QString text = dialog->findChild<QLabel*>("networkCard")->text();
    EXPECT_TRUE(text.contains(QString::fromStdString(card.purpose)));
    EXPECT_TRUE(text.contains(statedGain() + " dB"));
    EXPECT_TRUE(text.contains("made worse in"));
    EXPECT_TRUE(text.contains("Cross-talk") && text.contains(QString::fromStdString(card.licence)));
    EXPECT_FALSE(dialog->findChild<QPushButton*>("removeNetwork")->isEnabled()) << "shipped networks stay";
    EXPECT_EQ(dialog->findChild<QListWidget*>("networkList")->count(), int(listNetworks().size()));
}

TEST_F(Networks, FromElsewhereAreInstalledAndRemoved) {
    NetworksDialog* dialog = openDialog();
    auto* list = dialog->findChild<QListWidget*>("networkList");
    const int before = list->count();
    dialog->install(networks + "halves.json");
    EXPECT_FALSE(dialog->findChild<QPushButton*>("installNetwork")->isEnabled()) << "one at a time";
    ASSERT_TRUE(until([&] { return list->count() == before + 1; }));
    list->setCurrentRow(before);
    EXPECT_TRUE(dialog->findChild<QLabel*>("networkCard")->text().contains("Only on the command line"));
    EXPECT_EQ(find<QComboBox>("network")->count(), int(reelNetworks().size()) - 1)
        << "its stems have no place in the window";
    QTest::mouseClick(dialog->findChild<QPushButton*>("removeNetwork"), Qt::LeftButton);
    EXPECT_EQ(list->count(), before);
}

TEST_F(Networks, ABadOneIsRefusedWithASentence) {
    NetworksDialog* dialog = openDialog();
    const int before = dialog->findChild<QListWidget*>("networkList")->count();
    dialog->install(networks + "noisy.json");
    auto* state = dialog->findChild<QLabel*>("networkState");
    ASSERT_TRUE(until([&] { return state->text().contains("refused"); }));
    EXPECT_TRUE(state->text().contains("out of silence"));
    EXPECT_EQ(dialog->findChild<QListWidget*>("networkList")->count(), before);
    EXPECT_TRUE(dialog->findChild<QPushButton*>("installNetwork")->isEnabled());
}

TEST_F(Networks, ASplitTellsItsResidualAndConfidence) {
    addAndSplit(3);
    studio->document.setStage("split");
    ASSERT_TRUE(studio->reels.current()->stems->residualDb().has_value());
    EXPECT_LT(*studio->reels.current()->stems->residualDb(), -120);
    EXPECT_TRUE(until([this] {  // the panel hears of the end a moment after the last stem is written
        bool told = false;
        for (const QLabel* label : window->findChildren<QLabel*>())
            told |= label->isVisible() && label->text().contains("Confidence") &&
                    label->text().contains("sum to the source");
        return told;
    }));
    auto* lane = find<ConfidenceView>("confidence");
    EXPECT_TRUE(lane->isVisible());
    studio->document.setStage("weigh");
    EXPECT_FALSE(lane->isVisible());
}

TEST_F(Networks, QualityIsGivenInPlainWords) {
    add({demo + "reel-3-bridge.flac"});
    studio->document.setStage("split");
    EXPECT_TRUE(find<QLabel>("qualityInWords")->text().contains(statedGain() + " dB cleaner"));
}
