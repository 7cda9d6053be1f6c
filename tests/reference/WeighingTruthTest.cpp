// Spill against the SIR, and Damage against the SAR, of BSS Eval (Vincent, Gribonval, Fevotte 2006) on the committed
// excerpt. The whole comparison, on more clips and settings, is `./rivlen bench measures`.
#include <gtest/gtest.h>

#include <algorithm>

#include "Places.h"
#include "Support.h"
#include "core/isolation/Isolator.h"
#include "core/isolation/Weighing.h"
#include "core/measures/RankCorrelation.h"
#include "core/measures/SeparationMeasures.h"
#include "core/media/MediaReader.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(WeighingTruth, RanksSettingsAsBssEvalDoes) {
    const auto network = loadNetwork(findNetwork(""));
    for (int clip = 1; clip <= 2; ++clip) {
        const auto read = [clip](const std::string& stem) {
            MediaReader reader(fs::path(test::kSourceFolder) / "tests/data/excerpt" /
                               (std::to_string(clip) + "-" + stem + ".flac"));
            return reader.read(0, reader.frames());
        };
        const AudioBuffer dialogue = sumOf({read("dialogue"), read("room")}),
                          bed = sumOf({read("music"), read("ambience")}), x = sumOf({dialogue, bed});
        EngineOptions options;
        options.quality = EngineOptions::Quality::Quick;
        options.stems = {"dialogue", "music", "ambience"};
        BufferSource source(x, 48000);
        StemReaders stems;
        for (auto& stem : separated(network, x, 48000, options))
            stems.stems.push_back(std::make_unique<BufferSource>(std::move(stem), 48000));
        const SpanCells cells = readSpanCells(source, stems, {}, 0, 0, x.frames());
        Weigher weigher(cells);
        const BssEval bss({dialogue, bed});
        Isolator isolator(2, 48000);
        const int64_t from = -isolator.margin(), length = x.frames() + 2 * isolator.margin();
        std::vector<AudioBuffer> parts;
        for (auto& stem : stems.stems) parts.push_back(stem->read(from, length));
        std::vector<double> sir, sar, spill, damage;
        for (const auto& [depth, firmness, steadiness] : {std::array{4.0, 0.0, 0.0},
                                                          {12.0, 0.0, 0.0},
                                                          {kFullDepth, 0.0, 0.0},
                                                          {kFullDepth, 60.0, 0.0},
                                                          {20.0, 0.0, 60.0}}) {
            IsolationSettings s;
            s.depth = depth, s.firmness = firmness, s.steadiness = steadiness;
            const auto y = isolator.apply(s, 0, 0, x.frames(), source.read(from, length), parts);
            const BssFigures truth = bss.figures(y[0], 0);
            const Weighing w = weigher.weigh(s);
            sir.push_back(truth.sir), sar.push_back(truth.sar), spill.push_back(-w.spillDb),
                damage.push_back(-w.damage.total);
        }
        EXPECT_GE(rankCorrelation(sir, spill), 0.8) << clip;
        EXPECT_GE(rankCorrelation(sar, damage), 0.8) << clip;
    }
}

TEST(WeighingTruth, RankCorrelationFollowsTheTextbook) {
    // Spearman's rho for a permutation: 1 - 6 sum d^2 / (n (n^2 - 1)).
    EXPECT_NEAR(rankCorrelation({1, 2, 3, 4, 5}, {2, 1, 4, 3, 5}), 1 - 6.0 * 4 / (5 * 24), 1e-12);
    EXPECT_NEAR(rankCorrelation({1, 2, 3}, {30, 20, 10}), -1, 1e-12);
    // Ties get their mean rank: scipy.stats.spearmanr([1, 2, 2, 3], [1, 3, 2, 4]) = 0.9487.
    EXPECT_NEAR(rankCorrelation({1, 2, 2, 3}, {1, 3, 2, 4}), 0.948683, 1e-6);
}
