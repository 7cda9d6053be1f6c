// The Weigh stage through the real window: measures, trade-off chart, suggestion, worst places.
#include <QListWidget>
#include <QPushButton>

#include "WindowFixture.h"
#include "app/weigh/BandBiasCurve.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Weigh : Window {
    void weigh(double seconds = 5) {
        addAndSplit(seconds);
        key(Qt::Key_3, Qt::AltModifier);
        ASSERT_TRUE(until([&] { return settled(); }));
    }
    bool settled() {
        return !window->desks().weigh.busy() && window->desks().weigh.result() &&
               window->desks().weigh.result()->curve && window->desks().weigh.result()->settings == isolation();
    }
    const IsolationSettings& isolation() { return studio->document.reel()->isolation(); }
};

}  // namespace

TEST_F(Weigh, MeasuresFollowTheSettings) {
    weigh();
    const double full = window->desks().weigh.result()->now.spillDb;
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 6; });
    ASSERT_TRUE(until([&] { return settled(); }));
    EXPECT_GT(window->desks().weigh.result()->now.spillDb, full + 1);
    EXPECT_LT(window->desks().weigh.result()->now.damage.total, 60);
    // Only what the loop holds is weighed.
    studio->document.editReel("Set loop", [](Reel& r) { r.loop = std::pair(1.0, 2.5); });
    ASSERT_TRUE(until([&] { return settled() && window->desks().weigh.result()->from == 1.0; }));
    EXPECT_NEAR(double(window->desks().weigh.result()->now.moments.size()), 15, 1);
    // Another reel has no measures yet.
    add({demo + "reel-1-deck.flac"});
    EXPECT_EQ(window->desks().weigh.result(), nullptr);
}

TEST_F(Weigh, TheDotIsDraggedAlongTheCurve) {
    weigh();
    auto* chart = find<TradeOffChart>("tradeoff");
    EXPECT_EQ(isolation().depth, kFullDepth);
    const auto at = [&](double position) { return chart->pointAt(position).toPoint(); };
    QTest::mousePress(chart, Qt::LeftButton, {}, at(window->desks().weigh.position()));
    QTest::mouseMove(chart, at(6));
    QTest::mouseRelease(chart, Qt::LeftButton, {}, at(6));
    EXPECT_NEAR(isolation().depth, window->desks().weigh.result()->curve->curve[6].depth, 1.5);
    EXPECT_EQ(isolation().firmness, 0);
    QTest::keyClick(chart, Qt::Key_Right);
    EXPECT_GT(isolation().depth, window->desks().weigh.result()->curve->curve[6].depth - 1);
    // Past full depth the curve goes on with firmness, and its beginning stays where it was.
    const double beginning = window->desks().weigh.result()->curve->curve.front().firmness;
    QTest::mousePress(chart, Qt::LeftButton, {}, at(17));
    QTest::mouseRelease(chart, Qt::LeftButton, {}, at(17));
    ASSERT_TRUE(until([&] { return settled(); }));
    EXPECT_EQ(isolation().depth, kFullDepth);
    EXPECT_GT(isolation().firmness, 25);
    EXPECT_EQ(window->desks().weigh.result()->curve->curve.front().firmness, beginning);
    key(Qt::Key_Z, Qt::ControlModifier);
    key(Qt::Key_Z, Qt::ControlModifier);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(isolation(), IsolationSettings{});
}

TEST_F(Weigh, TheBandBiasIsDrawnByHandAndByKeyboard) {
    weigh(2);
    auto* curve = find<BandBiasCurve>("band_bias");
    ASSERT_TRUE(curve->isVisible() && curve->isEnabled());
    EXPECT_TRUE(window->desks().weigh.result()->spectrum);
    const QPoint at = curve->pointAt(3).toPoint();
    QTest::mousePress(curve, Qt::LeftButton, {}, at);
    const double half = (curve->height() - 24) / 2.0;  // from 0 to 100
    const QPoint up(0, int(half * 0.6));
    QTest::mouseMove(curve, at - up / 2);
    QTest::mouseMove(curve, at - up);
    QTest::mouseRelease(curve, Qt::LeftButton, {}, at - up);
    ASSERT_EQ(isolation().bandBias.size(), size_t(BandBiasCurve::kPoints));
    EXPECT_NEAR(isolation().bandBias[3].second, up.y() / half * 100, 4);
    EXPECT_EQ(isolation().bandBias[2].second, 0);
    curve->setFocus();
    QTest::keyClick(curve, Qt::Key_Right);
    QTest::keyClick(curve, Qt::Key_Down);
    EXPECT_EQ(isolation().bandBias[4].second, -5);
    bool told = false;
    for (const QLabel* label : window->findChildren<QLabel*>())
        told |= label->isVisible() && label->text() == kBandBiasExplanation;
    EXPECT_TRUE(told);
    ASSERT_TRUE(until([&] { return settled(); }));
    find<QPushButton>("band_bias_reset")->click();
    EXPECT_TRUE(isolation().bandBias.empty());
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(isolation().bandBias[4].second, -5);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(isolation().bandBias[4].second, 0);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(isolation().bandBias.empty()) << "one drag is one step";
}

TEST_F(Weigh, TheSuggestionIsTakenWithAKey) {
    weigh();
    const TradePoint knee =
        window->desks().weigh.result()->curve->curve[size_t(window->desks().weigh.result()->curve->knee)];
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 3; });
    ASSERT_TRUE(until([&] { return settled(); }));
    key(Qt::Key_K);
    EXPECT_NEAR(isolation().depth, knee.depth, 0.5);
    EXPECT_NEAR(isolation().firmness, knee.firmness, 1);
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(isolation().depth, 3);
    QTest::mouseClick(find<QPushButton>("suggestion"), Qt::LeftButton);
    EXPECT_NEAR(isolation().depth, knee.depth, 0.5);
}

TEST_F(Weigh, TheWorstPlacesAreSteppedThroughInALoop) {
    weigh();
    auto* list = find<QListWidget>("places");
    ASSERT_GT(list->count(), 1);
    EXPECT_LE(list->count(), 10);
    key(Qt::Key_N);
    EXPECT_EQ(list->currentRow(), 0);
    EXPECT_TRUE(studio->hearing.player().playing());
    ASSERT_TRUE(studio->hearing.loop());
    const double at = window->desks().weigh.result()->places[0].seconds;
    EXPECT_LE(studio->hearing.loop()->first, at);
    EXPECT_GE(studio->hearing.loop()->second, std::min(at + 0.5, 5.0));
    EXPECT_FALSE(studio->document.reel()->loop) << "auditioning is not an edit";
    key(Qt::Key_N);
    EXPECT_EQ(list->currentRow(), 1);
    key(Qt::Key_N, Qt::ShiftModifier);
    EXPECT_EQ(list->currentRow(), 0);
    // Strength can be changed while it is heard.
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 10; });
    EXPECT_TRUE(studio->hearing.loop());
    key(Qt::Key_L);
    EXPECT_FALSE(studio->hearing.loop());
    key(Qt::Key_Space);
}
