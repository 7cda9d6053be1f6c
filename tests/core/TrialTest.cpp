// Trying networks on a stretch, ranking what they give.
#include <gtest/gtest.h>

#include "Places.h"
#include "Support.h"
#include "core/isolation/ResultSource.h"
#include "core/isolation/Trial.h"
#include "core/media/MediaReader.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const fs::path demo = fs::path(test::kSourceFolder) / "demo";

TrialRow row(const char* name, double sdr, double spill, double damage, std::optional<double> quality,
             double seconds = 1) {
    TrialRow r{name, {}, quality, seconds};
    r.weighing.sdrDb = sdr, r.weighing.spillDb = spill, r.weighing.damage.total = damage;
    return r;
}

}  // namespace

TEST(Trial, RanksByTheMeasuresAndTheCardsAndSaysWhy) {
    const auto ranking =
        rankTrials({row("one", 8, -14, 20, 6.0), row("two", 10, -16.5, 12, 6.0), row("three", 9, -15, 15, 9.0)});
    EXPECT_EQ(ranking.order, (std::vector<size_t>{2, 1, 0}));
    EXPECT_EQ(ranking.reason,
              "three is recommended: 1.5 dB more spill and 3 points more damage than two, and 3.0 dB better on known "
              "mixtures.");
    const auto settings = rankTrials({row("one", 8, -14, 20, 6.0), row("two", 10, -16.5, 12, 6.0)});
    EXPECT_EQ(settings.reason, "two is recommended: 2.5 dB less spill and 8 points less damage than one.");
}

TEST(Trial, EqualOnesAreToldApartByTheirSpeed) {
    const auto ranking = rankTrials({row("fast", 8, -14, 20, {}, 0.5), row("slow", 7.99, -14, 20, {}, 2)});
    EXPECT_EQ(ranking.reason, "fast is recommended: nearly the same figures here as slow, and 4.0 times as fast.");
    EXPECT_EQ(rankTrials({row("alone", 1, 0, 0, {})}).reason, "alone is the only one that can be tried here.");
    EXPECT_TRUE(rankTrials({}).order.empty());
    // A network without a card's figure counts as the others do.
    EXPECT_EQ(rankTrials({row("known", 8, 0, 0, 6.0), row("unknown", 9, 0, 0, {})}).order.front(), 1u);
}

TEST(Trial, SeparatesTheStretchAndWeighsItAtEachStrength) {
    MediaReader reader(demo / "reel-2-saloon.flac");
    const auto choices = trialChoices();
    ASSERT_GE(choices.size(), 2u);
    const auto& quick = choices[1];
    EXPECT_EQ(quick.quality, "quick");
    const auto network = loadNetwork(quick.card);
    const std::vector<StrengthTimeline> timelines{strength(18), strength(6)};
    const int64_t first = 4 * 48000, count = 2 * 48000;  // between the clinks of cups, which no depth takes out
    const Trial trial = tryNetwork(reader, quick, network, timelines, first, count, {});
    ASSERT_EQ(trial.weighings.size(), 2u);
    EXPECT_LE(trial.from, first - 48000);
    EXPECT_GE(trial.from + trial.block.source.frames(), first + count + 48000);
    EXPECT_LT(trial.weighings[0].spillDb, trial.weighings[1].spillDb - 3);
    EXPECT_GT(trial.loudness[1], trial.loudness[0]);
    // The stems sum to the source.
    double worst = 0;
    for (int64_t i = 0; i < trial.block.source.frames(); ++i) {
        double sum = 0;
        for (const auto& s : trial.block.stems) sum += s.channel(0)[size_t(i)];
        worst = std::max(worst, std::fabs(sum - trial.block.source.channel(0)[size_t(i)]));
    }
    EXPECT_LT(worst, 1e-6);
    Progress cancelled;
    cancelled.cancel();
    EXPECT_THROW(tryNetwork(reader, quick, network, timelines, first, count, cancelled), Error);
}

TEST(Trial, AResultReadInPiecesIsTheResultReadAtOnce) {
    const auto source = std::make_shared<MediaReader>(demo / "reel-2-saloon.flac");
    const auto choice = trialChoices()[1];
    const Trial trial = tryNetwork(*source, choice, loadNetwork(choice.card), {{}}, 48000, 48000, {});
    StrengthTimeline timeline = strength(12, 20, 30, 20);
    timeline.drawn["depth_db"] = {{0.2, 3}, {0.8, 30}};
    const auto make = [&] {
        StemReaders readers;
        for (const auto& s : trial.block.stems) readers.stems.push_back(std::make_unique<BufferSource>(s, 48000));
        return ResultSource(std::make_shared<BufferSource>(trial.block.source, 48000), std::move(readers), timeline);
    };
    const AudioBuffer whole = make().read(0, 48000);
    auto pieces = make();
    AudioBuffer together(2, 0);
    for (int64_t at = 0; at < 48000; at += 7000) together.append(pieces.read(at, std::min<int64_t>(7000, 48000 - at)));
    EXPECT_LT(differenceDb(whole, together), -110);
}

TEST(Trial, ASpanSoundsAsItDoesInTheWhole) {
    const AudioBuffer x = MediaReader(demo / "reel-2-saloon.flac").read(0, 18 * 48000);
    const auto network = loadNetwork(findNetwork(""));
    EngineOptions options;
    options.quality = EngineOptions::Quality::Quick;
    options.firstTileSeconds = options.tileSeconds = 20;
    const auto whole = separated(network, x, 48000, options);
    options.from = 8 * 48000 + 77, options.to = 10 * 48000;
    for (const double tile : {20.0, 1.0}) {
        options.firstTileSeconds = options.tileSeconds = tile;
        const auto span = separated(network, x, 48000, options);
        for (size_t s = 0; s < 3; ++s) {
            ASSERT_EQ(span[s].frames(), options.to - options.from);
            double difference = 0, energy = 0;
            for (int64_t i = 0; i < span[s].frames(); ++i) {
                const double there = whole[s].channel(0)[size_t(options.from + i)],
                             here = span[s].channel(0)[size_t(i)];
                difference += (here - there) * (here - there), energy += there * there;
            }
            EXPECT_LT(difference, 0.001 * energy) << "stem " << s << ", tiles of " << tile << " s";
        }
    }
}
