#include <gtest/gtest.h>

#include "HandmadeCells.h"
#include "core/isolation/TradeOff.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(TradeOff, CoversAllStrengthAndExplainsItsKnee) {
    const SpanCells c = cells(syllables);
    Weigher weigher(c);
    const TradeOff t = tradeOff({}, weigher, {});
    EXPECT_EQ(t.curve.front().depth, 0);
    EXPECT_EQ(t.curve.back().depth, kFullDepth);
    EXPECT_EQ(t.curve.back().firmness, 100);
    EXPECT_FALSE(t.reason.empty());
    for (const auto& p : t.curve) {
        if (p.firmness == 0) {
            EXPECT_LE(p.sdrDb, t.curve[size_t(t.knee)].sdrDb + 0.11);
        }
    }
}

TEST(TradeOff, WhereThereIsNothingToTakeAwayNothingIsSuggested) {
    // A voice alone: what isolation would take is the voice's own unsure cells.
    const SpanCells c = cells([](int t, double) { return t % 2 ? 0.999 : 0.9; });
    Weigher weigher(c);
    const TradeOff t = tradeOff({}, weigher, {});
    EXPECT_LT(t.curve[size_t(t.knee)].depth, 10);
}

TEST(TradeOff, CanBeCancelled) {
    const SpanCells c = cells(syllables);
    Weigher weigher(c);
    Progress progress;
    progress.cancel();
    EXPECT_THROW(tradeOff({}, weigher, progress), Error);
}
