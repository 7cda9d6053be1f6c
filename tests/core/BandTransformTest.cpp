// The transform around a network's shares, by itself and against what the shipped modules do with them.
#include "core/separation/BandTransform.h"

#include <gtest/gtest.h>

#include <cstdlib>
#include <numbers>

#include "Support.h"
#include "core/base/Error.h"
#include "core/separation/Network.h"
#include "core/separation/NetworkLibrary.h"
#include "core/spectral/Fft.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

/// Half-overlapping frames under the root of a Hann window, bins summed in pairs.
BandTransform pairs(int size) {
    BandTransform t;
    t.size = size;
    t.hop = size / 2;
    t.stride = 4;
    t.bands = t.bins() / 2 + 1;
    for (const float w : hannWindow(size)) t.window.push_back(std::sqrt(w));
    t.synthesis = t.window;
    for (int k = 0; k < t.bins(); ++k) {
        t.bandOfBin.push_back(k / 2);
        t.lowerBand.push_back(std::min(k / 2, t.bands - 2));
        t.lowerShare.push_back(t.lowerBand.back() == k / 2 ? 1.0f : 0.0f);
    }
    return t;
}

AudioBuffer directed(int channels, int64_t frames) {
    AudioBuffer x = noise(channels, frames, 0.1f);
    if (channels == 2)
        for (int64_t i = 0; i < frames; ++i) x.channel(1)[size_t(i)] += 0.6f * x.channel(0)[size_t(i)];
    return x;
}

double apartDb(AudioBuffer a, const AudioBuffer& b) {
    for (size_t i = 0; i < a.samples().size(); ++i) a.samples()[i] -= b.samples()[i];
    return levelDb(a);
}

/// The shipped network, its transform done by the module itself.
std::shared_ptr<Network> asItCame(const NetworkCard& card) {
    setenv("RIVLEN_WHOLE_NETWORKS", "1", 1);
    auto network = loadNetwork(card);
    unsetenv("RIVLEN_WHOLE_NETWORKS");
    return network;
}

}  // namespace

TEST(BandTransform, PartsThatDoNotFitEachOtherAreRefused) {
    EXPECT_TRUE(pairs(64).fits());
    const auto broken = [](const auto& change) {
        BandTransform t = pairs(64);
        change(t);
        return !t.fits();
    };
    EXPECT_TRUE(broken([](auto& t) { t.window.pop_back(); }));
    EXPECT_TRUE(broken([](auto& t) { t.synthesis.push_back(0); }));
    EXPECT_TRUE(broken([](auto& t) { t.hop = 0; }));
    EXPECT_TRUE(broken([](auto& t) { t.hop = 65; }));
    EXPECT_TRUE(broken([](auto& t) { t.stride = 0; }));
    EXPECT_TRUE(broken([](auto& t) { t.bands = 2; }));
    EXPECT_TRUE(broken([](auto& t) { t.bandOfBin[3] = t.bands; }));
    EXPECT_TRUE(broken([](auto& t) { std::swap(t.bandOfBin[1], t.bandOfBin[20]); }));
    EXPECT_TRUE(broken([](auto& t) { t.lowerBand[5] = t.bands - 1; }));
    EXPECT_TRUE(broken([](auto& t) { t.lowerBand[5] = -1; }));
    EXPECT_TRUE(broken([](auto& t) { t.lowerShare.clear(); }));
}

TEST(BandTransform, FramesReachBeyondBothEndsInWholeStrides) {
    const BandTransform t = pairs(64);
    for (const int64_t n : {1, 31, 32, 33, 500, 4096}) {
        const int frames = t.framesFor(n);
        EXPECT_EQ(frames % t.stride, 0);
        EXPECT_GE(int64_t(frames - 2) * t.hop, n) << "the last sample has all its frames";
    }
}

TEST(BandTransform, PowersAreThoseOfTheFramesSpectra) {
    const BandTransform t = pairs(64);
    const AudioBuffer x = directed(2, 300);
    BandedSound sound(t, x);
    const size_t cells = size_t(sound.frames()) * size_t(t.bands);
    // The frame that begins 32 samples after the recording does, by the definition of the Fourier transform.
    const size_t frame = 3, band = 7;
    double power[2] = {0, 0};
    std::complex<double> cross = 0;
    for (const int k : {14, 15}) {
        std::complex<double> z[2];
        for (int i = 0; i < t.size; ++i)
            for (int c = 0; c < 2; ++c) {
                const double left = x.channel(0)[size_t(32 + i)], right = x.channel(1)[size_t(32 + i)];
                z[c] += (left + (c == 0 ? right : -right)) / 2 * double(t.window[size_t(i)]) *
                        std::polar(1.0, -2 * std::numbers::pi * k * i / t.size);
            }
        for (int c = 0; c < 2; ++c) power[c] += std::norm(z[c]);
        cross += z[0] * std::conj(z[1]);
    }
    const size_t at = frame * size_t(t.bands) + band;
    EXPECT_NEAR(sound.power()[at], power[0], 1e-4 * power[0]);
    EXPECT_NEAR(sound.power()[cells + at], power[1], 1e-4 * power[1]);
    EXPECT_NEAR(sound.cross()[at], cross.real(), 1e-4 * std::abs(cross));
    EXPECT_NEAR(sound.cross()[cells + at], cross.imag(), 1e-4 * std::abs(cross));
}

TEST(BandTransform, AnOffsetCountsForNoMoreThanTheBandAboveIt) {
    BandTransform t = pairs(64);
    AudioBuffer x = directed(1, 2000);
    for (float& v : x.samples()) v = 0.01f * v + 0.5f;
    BandedSound sound(t, x);
    const size_t at = 20 * size_t(t.bands);
    EXPECT_LE(sound.power()[at], sound.power()[at + 2] * 1.0001f);
    EXPECT_LE(sound.power()[at + 1], sound.power()[at + 2] * 1.0001f);
}

TEST(BandTransform, WhatHasAllSharesIsTheRecording) {
    const BandTransform t = pairs(512);
    for (const int channels : {1, 2}) {
        const AudioBuffer x = directed(channels, 10'000);
        BandedSound sound(t, x);
        const size_t cells = size_t(sound.frames()) * size_t(t.bands);
        std::vector<float> shares(3 * 2 * cells, 0.0f);
        std::fill_n(shares.begin(), 2 * cells, 1.0f);
        const auto stems = sound.stems(shares, 3, 0, x.frames());
        ASSERT_EQ(stems.size(), 3u);
        EXPECT_LT(differenceDb(stems[0], x), -120);
        EXPECT_LT(levelDb(stems[1]), -200);
        EXPECT_LT(levelDb(stems[2]), levelDb(x) - 120) << "the rest of it";
        const auto part = sound.stems(shares, 3, 1234, 777);
        for (size_t s = 0; s < 3; ++s) EXPECT_LT(levelDb(part[s]) - levelDb(x), s == 0 ? 1 : -120);
        EXPECT_LT(differenceDb(part[0], x.slice(1234, 777)), -120);
    }
}

TEST(BandTransform, SharesOfMidAndSideAreApart) {
    const BandTransform t = pairs(512);
    const AudioBuffer x = directed(2, 8'000);
    BandedSound sound(t, x);
    const size_t cells = size_t(sound.frames()) * size_t(t.bands);
    std::vector<float> shares(2 * 2 * cells, 0.0f);
    std::fill_n(shares.begin(), cells, 1.0f);                    // the first stem has the mid,
    std::fill_n(shares.begin() + long(3 * cells), cells, 1.0f);  // the second the side
    const auto stems = sound.stems(shares, 2, 0, x.frames());
    for (int64_t i = 0; i < x.frames(); ++i) {
        const float middle = (x.channel(0)[size_t(i)] + x.channel(1)[size_t(i)]) / 2;
        ASSERT_NEAR(stems[0].channel(0)[size_t(i)], middle, 1e-5);
        ASSERT_NEAR(stems[0].channel(1)[size_t(i)], middle, 1e-5);
        ASSERT_NEAR(stems[1].channel(1)[size_t(i)], x.channel(1)[size_t(i)] - middle, 1e-5);
    }
}

TEST(BandTransform, ShippedNetworksAnswerAsTheirModulesDo) {
    for (const char* id : {"main", "music-parts", "ambience-parts"}) {
        const NetworkCard card = findNetwork(id);
        const auto fast = loadNetwork(card), own = asItCame(card);
        for (const int channels : {1, 2})
            for (const int64_t frames : {int64_t(1), int64_t(4'095), int64_t(100'001)}) {
                const AudioBuffer x = directed(channels, frames);
                const auto a = fast->separate(x), b = own->separate(x);
                ASSERT_EQ(a.size(), card.stems.size());
                for (size_t s = 0; s < a.size(); ++s)
                    EXPECT_LT(apartDb(a[s], b[s]) - levelDb(x), -100)
                        << id << " " << card.stems[s] << " " << channels << " x " << frames;
                EXPECT_LT(differenceDb(sumOf(a), x), -130);
            }
    }
}

TEST(BandTransform, APartOfAnAnswerIsThatPartOfTheWhole) {
    const NetworkCard card = findNetwork("main");
    const AudioBuffer x = directed(2, 150'000);
    for (const auto& network : {loadNetwork(card), asItCame(card)}) {
        const auto whole = network->separate(x, 1), part = network->separatePart(x, 40'001, 70'000, 1);
        for (size_t s = 0; s < whole.size(); ++s)
            EXPECT_LT(apartDb(part[s], whole[s].slice(40'001, 70'000)) - levelDb(x), -130) << card.stems[s];
    }
}
