// The shipped network through the real engine, and cards that must be refused.
#include <gtest/gtest.h>

#include <fstream>

#include "Places.h"
#include "Support.h"
#include "core/base/Error.h"
#include "core/media/FileSum.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

std::shared_ptr<Network> shipped() {
    static const auto network = loadNetwork(findNetwork(""));
    return network;
}

std::vector<AudioBuffer> split(const AudioBuffer& x, double tile,
                               EngineOptions::Quality quality = EngineOptions::Quality::Quick) {
    EngineOptions options;
    options.quality = quality;
    options.tileSeconds = options.firstTileSeconds = tile;
    return separated(shipped(), x, 48000, options);
}

AudioBuffer demo(const char* name, double from, double to) {
    MediaReader reader(fs::path(test::kSourceFolder) / "demo" / name);
    return reader.read(int64_t(from * reader.sampleRate()), int64_t((to - from) * reader.sampleRate()));
}

double energyDb(const AudioBuffer& b, double from, double to) {
    return levelDb(b.slice(int64_t(from * 48000), int64_t((to - from) * 48000)));
}

}  // namespace

TEST(ShippedNetwork, DoesNotDependOnTheTileSize) {
    const AudioBuffer x = demo("reel-2-saloon.flac", 0, 24);
    for (const auto quality : {EngineOptions::Quality::Quick, EngineOptions::Quality::Fine}) {
        const auto whole = split(x, 60, quality), tiles = split(x, 3.1, quality);
        for (size_t s = 0; s < 3; ++s) EXPECT_LT(differenceDb(whole[s], tiles[s]), -60);
    }
}

TEST(ShippedNetwork, TileBordersLeaveNoStep) {
    const AudioBuffer x = sine(220, 0.3, 48000, 48000 * 14);
    const auto stems = split(x, 3.0);
    // The steepest change of a 220 Hz sine of amplitude 0.3, with room for what the masks do to it.
    const double steepest = 2 * std::numbers::pi * 220 / 48000 * 0.3 * 1.5;
    for (const auto& stem : stems)
        for (int64_t i = 48000; i + 48000 < stem.frames(); ++i)
            ASSERT_LT(std::fabs(stem.channel(0)[size_t(i)] - stem.channel(0)[size_t(i - 1)]), steepest) << i;
}

TEST(ShippedNetwork, TellsVoiceFromMusic) {
    // The demo's saloon: the narrator speaks from 1.2 s on, the band plays alone from 22.5 s on.
    const auto stems = split(demo("reel-2-saloon.flac", 0, 24), 30);
    EXPECT_GT(energyDb(stems[0], 2, 6), energyDb(stems[1], 2, 6));
    EXPECT_LT(energyDb(stems[0], 22.4, 23.4), energyDb(stems[1], 22.4, 23.4) - 10);
}

TEST(ShippedNetwork, CardStatesMeasuredQuality) {
    const NetworkCard card = findNetwork("");
    EXPECT_EQ(card.shown, (std::vector<std::string>{"dialogue", "music", "ambience"}));
    EXPECT_FALSE(card.licence.empty());
    EXPECT_EQ(card.sha256, fileSha256(card.file));
}

class BrokenCards : public testing::TestWithParam<const char*> {};

TEST_P(BrokenCards, AreRefusedWithASentence) {
    const TempFolder folder;
    std::ofstream(folder / "bad.json") << GetParam();
    try {
        NetworkCard::load(folder / "bad.json");
        FAIL();
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("bad.json"), std::string::npos);
        EXPECT_EQ(e.kind(), Error::Kind::InputUnreadable);
    }
    EXPECT_TRUE(listNetworks(folder.path()).empty());
}

INSTANTIATE_TEST_SUITE_P(All, BrokenCards,
                         testing::Values("", "{", "[]", R"({"format":"other"})",
                                         R"({"format":"rivlen-network","version":9})",
                                         R"({"format":"rivlen-network","version":1,"id":"x"})",
                                         R"({"format":"rivlen-network","version":1,"id":"x","name":"","purpose":"",
            "licence":"","date":"","stems":["a"],"sample_rate":48000,"context_samples":0,"file":"x.ts"})",
                                         R"({"format":"rivlen-network","version":1,"id":"x","name":"","purpose":"",
            "licence":"","date":"","stems":["a","b"],"sample_rate":-1,"context_samples":0,"file":"x.ts"})",
                                         R"({"format":"rivlen-network","version":1,"id":"x","name":"","purpose":"",
            "licence":"","date":"","stems":["a","b"],"sample_rate":48000,"context_samples":0,"file":"../x.ts"})"));

TEST(Network, AMissingOrDamagedModuleIsASentence) {
    const TempFolder folder;
    NetworkCard card = findNetwork("");
    card.file = folder / "gone.ts";
    EXPECT_THROW(loadNetwork(card), Error);
    std::ofstream(folder / "gone.ts") << "not a module";
    EXPECT_THROW(loadNetwork(card), Error);
}
