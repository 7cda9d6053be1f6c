// Every shipped network with input that is not as it should be.
#include <gtest/gtest.h>

#include <map>

#include "Places.h"
#include "Support.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkLibrary.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

std::shared_ptr<Network> shipped(const std::string& id) {
    static std::map<std::string, std::shared_ptr<Network>> loaded;
    auto& network = loaded[id];
    if (!network) network = loadNetwork(findNetwork(id));
    return network;
}

/// Splits, and checks what must hold for any input: finite, of the same shape, summing to the source.
std::vector<AudioBuffer> split(const std::string& id, const AudioBuffer& x, int rate = 48000) {
    EngineOptions options;
    options.quality = EngineOptions::Quality::Quick;
    const auto all = separated(shipped(id), x, rate, options);
    for (const auto& stem : all) {
        EXPECT_EQ(stem.frames(), x.frames());
        EXPECT_TRUE(
            std::all_of(stem.samples().begin(), stem.samples().end(), [](float v) { return std::isfinite(v); }));
    }
    EXPECT_LT(differenceDb(sumOf(all), x), -120);
    return all;
}

AudioBuffer recording(double seconds = 6) {
    MediaReader reader(fs::path(test::kSourceFolder) / "demo/reel-2-saloon.flac");
    return reader.read(48000, int64_t(seconds * reader.sampleRate()));
}

AudioBuffer scaled(AudioBuffer x, float gain) {
    for (float& v : x.samples()) v *= gain;
    return x;
}

class Shipped : public testing::TestWithParam<std::string> {};

}  // namespace

TEST_P(Shipped, AnswersDoNotDependOnTheLevel) {
    AudioBuffer x = recording();
    x = scaled(x, 0.99f / peakOf(x.samples()));  // 0 dBFS
    const auto loud = split(GetParam(), x);
    for (float gain : {0.1f, 0.001f}) {
        const auto quiet = split(GetParam(), scaled(x, gain));
        for (size_t s = 0; s < loud.size(); ++s)
            EXPECT_LT(differenceDb(scaled(quiet[s], 1 / gain), loud[s]), -60) << gain;
    }
}

TEST_P(Shipped, SilenceGivesSilenceAndAnOffsetNoVoice) {
    for (int channels : {1, 2})
        for (const auto& stem : split(GetParam(), AudioBuffer(channels, 48000 * 2)))
            EXPECT_LE(peakOf(stem.samples()), 0.0f);
    AudioBuffer x = recording();
    const auto clean = split(GetParam(), x);
    for (float& v : x.samples()) v += 0.05f;
    const auto offset = split(GetParam(), x);
    // What is heard of the voice stays the same: its level above 50 Hz, by first differences.
    const auto treble = [](const AudioBuffer& b) {
        AudioBuffer d = b;
        for (int c = 0; c < b.channels(); ++c)
            for (int64_t i = b.frames() - 1; i > 0; --i)
                d.channel(c)[size_t(i)] = b.channel(c)[size_t(i)] - b.channel(c)[size_t(i - 1)];
        return levelDb(d.slice(24000, b.frames() - 48000));
    };
    EXPECT_NEAR(treble(offset[0]), treble(clean[0]), 1.0);
}

TEST_P(Shipped, ClippedDeadAndDoubledChannels) {
    AudioBuffer clipped = scaled(recording(), 8);
    for (float& v : clipped.samples()) v = std::clamp(v, -1.0f, 1.0f);
    split(GetParam(), clipped);

    AudioBuffer dead = recording();
    for (float& v : dead.channel(1)) v = 0;
    for (const auto& stem : split(GetParam(), dead)) EXPECT_LT(levelDb(stem.slice(0, stem.frames())), 0);

    // Mono as two equal channels is treated as mono, and stays equal.
    const AudioBuffer stereo = recording();
    AudioBuffer mono(1, stereo.frames()), twice(2, stereo.frames());
    for (int64_t i = 0; i < mono.frames(); ++i)
        mono.samples()[size_t(i)] = twice.channel(0)[size_t(i)] = twice.channel(1)[size_t(i)] =
            (stereo.channel(0)[size_t(i)] + stereo.channel(1)[size_t(i)]) / 2;
    const auto a = split(GetParam(), mono), b = split(GetParam(), twice);
    for (size_t s = 0; s < a.size(); ++s) {
        AudioBuffer left(1, mono.frames()), right = left;
        std::copy(b[s].channel(0).begin(), b[s].channel(0).end(), left.samples().begin());
        std::copy(b[s].channel(1).begin(), b[s].channel(1).end(), right.samples().begin());
        EXPECT_LT(differenceDb(left, right), -100);
        EXPECT_LT(differenceDb(left, a[s]), -80);
    }
}

TEST_P(Shipped, TheSameInputGivesTheSameAnswer) {
    const AudioBuffer x = recording(3);
    const auto a = split(GetParam(), x), b = split(GetParam(), x);
    for (size_t s = 0; s < a.size(); ++s)
        EXPECT_TRUE(std::equal(a[s].samples().begin(), a[s].samples().end(), b[s].samples().begin()));
}

TEST_P(Shipped, AnyRateAndShortClips) {
    for (int rate : {8000, 11025, 44100, 96000, 192000}) split(GetParam(), programme(2, rate, rate / 10), rate);
    for (int64_t frames : {1, 2, 4800}) split(GetParam(), noise(1, frames));
}

INSTANTIATE_TEST_SUITE_P(Network, Shipped, testing::ValuesIn([] {
                             std::vector<std::string> ids;
                             for (const auto& card : listNetworks(networksFolder())) ids.push_back(card.id);
                             return ids;
                         }()),
                         [](const auto& info) {
                             std::string name = info.param;  // letters, digits and _ alone
                             std::replace(name.begin(), name.end(), '-', '_');
                             return name;
                         });
