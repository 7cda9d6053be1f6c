// The figures on the cards are true: every shipped network is measured again, through the engine, on a committed
// excerpt of the development set (tests/data/excerpt, see its CREDITS.md). The card's figures for it come from
// training/export.py.
#include <gtest/gtest.h>

#include "Places.h"
#include "Support.h"
#include "core/measures/SeparationMeasures.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkLibrary.h"
#include "core/separation/Parts.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kClips = 3;
const std::vector<std::string> kShown{"dialogue", "music", "ambience"};

/// dialogue (with its room), music, ambience
std::vector<AudioBuffer> truth(int clip) {
    const auto read = [clip](const std::string& stem) {
        MediaReader reader(fs::path(test::kSourceFolder) / "tests/data/excerpt" /
                           (std::to_string(clip) + "-" + stem + ".flac"));
        return reader.read(0, reader.frames());
    };
    return {sumOf({read("dialogue"), read("room")}), read("music"), read("ambience")};
}

std::vector<AudioBuffer> split(const std::shared_ptr<Network>& network, const AudioBuffer& x,
                               EngineOptions::Quality quality) {
    EngineOptions options;
    options.quality = quality;
    options.stems = kShown;
    return separated(network, x, 48000, options);
}

constexpr int64_t kBeside = 96000;

/// x with two seconds of digital silence before and after it, as between the clips of an edit.
AudioBuffer amidSilence(const AudioBuffer& x) { return x.slice(-kBeside, x.frames() + 2 * kBeside); }

/// x with its mirror image there, which is what networks are to hear.
AudioBuffer amidItsImage(const AudioBuffer& x) {
    AudioBuffer out = amidSilence(x);
    for (int c = 0; c < out.channels(); ++c)
        for (int64_t i = 1; i <= kBeside; ++i) {
            out.channel(c)[size_t(kBeside - i)] = x.channel(c)[size_t(i)];
            out.channel(c)[size_t(kBeside + x.frames() - 1 + i)] = x.channel(c)[size_t(x.frames() - 1 - i)];
        }
    return out;
}

/// Beside digital silence a network answers as it does amid sound, and nothing in the silence.
void silenceCostsNothing(const std::shared_ptr<Network>& network, const EngineOptions& options, const AudioBuffer& x) {
    const auto silent = separated(network, amidSilence(x), 48000, options),
               image = separated(network, amidItsImage(x), 48000, options);
    for (size_t s = 0; s < silent.size(); ++s) {
        const AudioBuffer a = silent[s].slice(kBeside, x.frames()), b = image[s].slice(kBeside, x.frames());
        EXPECT_LT(differenceDb(a, b), levelDb(x) - 25) << options.stems[s];
        EXPECT_LT(levelDb(silent[s].slice(0, kBeside)), -200) << options.stems[s];
        EXPECT_LT(levelDb(silent[s].slice(kBeside + x.frames(), kBeside)), -200) << options.stems[s];
    }
}

class Card : public testing::TestWithParam<std::string> {};

void figuresHold(const std::shared_ptr<Network>& network, EngineOptions::Quality quality,
                 const nlohmann::json& promised) {
    std::vector<double> mean(3, 0.0);
    for (int clip = 1; clip <= kClips; ++clip) {
        const auto stems = truth(clip);
        const auto answer = split(network, sumOf(stems), quality);
        for (size_t s = 0; s < 3; ++s) mean[s] += siSdr(answer[s], stems[s]) / kClips;
    }
    for (size_t s = 0; s < 3; ++s)
        EXPECT_NEAR(mean[s], promised.at(kShown[s]).get<double>(), 0.3)
            << kShown[s] << ": the card was not measured with this file";
}

}  // namespace

TEST_P(Card, FiguresHoldOnTheExcerpt) {
    const NetworkCard card = findNetwork(GetParam());
    const auto& quality = card.all.at("quality");
    const auto network = loadNetwork(card);
    figuresHold(network, EngineOptions::Quality::Fine, quality.at("excerpt_si_sdr"));
    figuresHold(network, EngineOptions::Quality::Quick, quality.at("quick").at("excerpt_si_sdr"));
}

TEST_P(Card, DigitalSilenceBesideASoundCostsNothing) {
    EngineOptions options;
    options.stems = kShown;
    const auto network = loadNetwork(findNetwork(GetParam()));
    for (int clip = 1; clip <= kClips; ++clip) silenceCostsNothing(network, options, sumOf(truth(clip)));
}

TEST_P(Card, CrossTalkIsTabledAndHoldsRoughlyOnTheExcerpt) {
    const NetworkCard card = findNetwork(GetParam());
    const auto& table = card.all.at("cross_talk").at("db");
    const auto network = loadNetwork(card);
    std::vector<std::vector<double>> mean(3, std::vector<double>(3, 0.0));
    for (int clip = 1; clip <= kClips; ++clip) {
        const auto stems = truth(clip);
        for (size_t alone = 0; alone < 3; ++alone) {
            const auto answer = split(network, stems[alone], EngineOptions::Quality::Quick);
            for (size_t s = 0; s < 3; ++s) mean[alone][s] += (levelDb(answer[s]) - levelDb(stems[alone])) / kClips;
        }
    }
    for (size_t alone = 0; alone < 3; ++alone)
        for (size_t s = 0; s < 3; ++s) {
            ASSERT_TRUE(table.at(kShown[alone]).at(kShown[s]).is_number());
            if (s == alone) continue;
            EXPECT_LT(mean[alone][s], mean[alone][alone] - 3) << kShown[s] << " of " << kShown[alone] << " alone";
            EXPECT_LT(table.at(kShown[alone]).at(kShown[s]).get<double>(),
                      table.at(kShown[alone]).at(kShown[alone]).get<double>() - 6);
        }
}

namespace {

/// The parts of a stem in a clip of the excerpt, mono.
std::vector<AudioBuffer> partsIn(const std::string& stem, int clip) {
    std::vector<AudioBuffer> parts;
    for (const auto& part : partsOf(stem)) {
        MediaReader reader(fs::path(test::kSourceFolder) / "tests/data/excerpt" /
                           (stem + "-" + std::to_string(clip) + "-" + part + ".flac"));
        parts.push_back(reader.read(0, reader.frames()));
    }
    return parts;
}

class PartsCard : public testing::TestWithParam<std::string> {};

}  // namespace

TEST_P(PartsCard, DigitalSilenceBesideASoundCostsNothing) {
    EngineOptions options;
    options.stems = partsOf(GetParam());
    silenceCostsNothing(loadNetwork(partsNetwork(GetParam())), options, sumOf(partsIn(GetParam(), 1)));
}

TEST_P(PartsCard, FiguresHoldOnTheExcerpt) {
    const std::string stem = GetParam();
    const NetworkCard card = partsNetwork(stem);
    const auto& promised = card.all.at("quality").at("excerpt_si_sdr");
    const auto network = loadNetwork(card);
    const auto& names = partsOf(stem);
    std::vector<double> mean(names.size(), 0.0);
    EngineOptions options;
    options.stems = names;
    for (int clip = 1; clip <= 2; ++clip) {
        const auto parts = partsIn(stem, clip);
        const auto answer = separated(network, sumOf(parts), 48000, options);
        for (size_t p = 0; p < names.size(); ++p) mean[p] += siSdr(answer[p], parts[p]) / 2;
    }
    for (size_t p = 0; p < names.size(); ++p) {
        EXPECT_NEAR(mean[p], promised.at(names[p]).get<double>(), 0.3) << names[p];
        for (const auto& other : names)
            EXPECT_TRUE(card.all.at("cross_talk").at("db").at(names[p]).at(other).is_number());
    }
}

INSTANTIATE_TEST_SUITE_P(Stem, PartsCard, testing::ValuesIn(stemsWithParts()),
                         [](const auto& info) { return info.param; });

INSTANTIATE_TEST_SUITE_P(Network, Card, testing::ValuesIn([] {
                             std::vector<std::string> ids;
                             for (const auto& card : reelNetworks())
                                 if (isShipped(card) && card.context > 0) ids.push_back(card.id);
                             return ids;
                         }()),
                         [](const auto& info) { return info.param; });
