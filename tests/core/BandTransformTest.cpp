// The transform around a network's shares, by itself and against what the shipped modules do with them.
#include "core/separation/BandTransform.h"

#include <gtest/gtest.h>

#include <cstdlib>
#include <numbers>

#include "Support.h"
#include "core/audio/AudioQueue.h"
#include "core/audio/Resampler.h"
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

TEST(BandTransform, FramesOfAnotherLengthAreFastToTransform) {
    EXPECT_EQ(fastFrame(4096), 4096);
    EXPECT_EQ(fastFrame(4096 * 44100.0 / 48000), 3750);
    EXPECT_EQ(fastFrame(4096 * 48.0 / 64), 3072);
    EXPECT_EQ(fastFrame(0.1), 2);
    for (double wanted = 600; wanted < 20'000; wanted *= 1.037) {
        const int frame = fastFrame(wanted);
        int rest = frame;
        for (const int prime : {2, 3, 5, 7})
            while (rest % prime == 0) rest /= prime;
        EXPECT_EQ(rest, 1) << frame;
        EXPECT_EQ(frame % 2, 0);
        EXPECT_NEAR(frame, wanted, 0.035 * wanted) << "three fifths of a semitone";
    }
}

TEST(BandTransform, OnlyHalfOverlappingRootsOfHannWindowsStretch) {
    BandTransform t = pairs(64);
    EXPECT_TRUE(t.stretches());
    t.synthesis[10] += 0.01f;
    EXPECT_FALSE(t.stretches());
    t = pairs(64);
    t.hop = 16;
    EXPECT_FALSE(t.stretches());
}

TEST(BandTransform, LongerFramesHearWhatAFasterRecordingIs) {
    // 48 kHz in frames of 1280 samples is 38.4 kHz in frames of 1024.
    const BandTransform own = pairs(1024), longer = own.stretched(1280), shorter = own.stretched(768);
    EXPECT_TRUE(longer.fits());
    EXPECT_TRUE(shorter.fits());
    const AudioBuffer x = directed(2, 96'000);
    for (const auto& [stretched, rate] : {std::pair(&longer, 38'400), std::pair(&shorter, 64'000)}) {
        Resampler resampler(48'000, rate, 2);
        const AudioBuffer converted = resampler.process(x);
        BandedSound a(*stretched, x), b(own, converted);
        const int frames = std::min(a.frames(), b.frames()) - 8;
        ASSERT_GT(frames, 100);
        for (const int band : {5, 60, 150}) {  // all below the lower band's end
            double one = 0, other = 0;
            for (int t = 4; t < frames; ++t) {
                const size_t at = size_t(t) * size_t(own.bands) + size_t(band);
                one += double(a.power()[at]), other += double(b.power()[at]);
            }
            EXPECT_NEAR(10 * std::log10(one / other), 0, 0.1) << rate << " Hz, band " << band;
        }
    }
}

TEST(BandTransform, WhatLiesAboveTheLastBinGoesWithTheLastBand) {
    const BandTransform own = pairs(64), longer = own.stretched(96);
    const AudioBuffer high = sine(20'000, 0.5, 48'000, 4800), low = sine(3'000, 0.5, 48'000, 4800);
    for (const auto* x : {&high, &low}) {
        BandedSound sound(longer, *x);
        const size_t cells = size_t(sound.frames()) * size_t(own.bands);
        std::vector<float> shares(4 * cells);
        for (size_t k = 0; k < cells; ++k)  // the first stem has the last band alone
            shares[k] = k % size_t(own.bands) == size_t(own.bands - 1) ? 1.0f : 0.0f;
        const auto stems = sound.stems(shares, 2, 0, x->frames());
        if (x == &high) {
            // Not at the ends, where a tone that begins and stops has other frequencies too.
            EXPECT_LT(differenceDb(stems[0].slice(960, 2880), x->slice(960, 2880)), -40);
            const auto heard = sound.power().subspan(cells / 4, cells / 2);
            EXPECT_LT(*std::max_element(heard.begin(), heard.end()), 0.1f) << "of some hundred in its own bin";
        } else {
            EXPECT_LT(levelDb(stems[0]), -50);
        }
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
        const auto whole = network->separate(x, 1), part = network->separatePart(x, {40'001, 70'000}, 1);
        for (size_t s = 0; s < whole.size(); ++s)
            EXPECT_LT(apartDb(part[s], whole[s].slice(40'001, 70'000)) - levelDb(x), -130) << card.stems[s];
    }
}

TEST(BandTransform, AShippedNetworkHearsInLongerFramesWhatItHearsFaster) {
    const NetworkCard card = findNetwork("main");
    const auto network = loadNetwork(card);
    ASSERT_EQ(network->frame(), 4096);
    EXPECT_EQ(asItCame(card)->frame(), 0) << "a module's own transform has one length";
    const AudioBuffer x = directed(2, 192'000);
    Resampler there(48'000, 38'400, 2);
    AudioQueue faster(2);
    faster.append(there.process(x));
    faster.append(there.finish());
    const AudioBuffer converted = faster.take(faster.frames());
    const auto b = network->separate(converted, 1);
    const auto a = network->separatePart(x, {0, x.frames(), 5120}, 1);
    EXPECT_LT(differenceDb(sumOf(a), x), -130);
    for (size_t s = 0; s < a.size(); ++s) {
        Resampler back(38'400, 48'000, 2);
        AudioQueue stem(2);
        stem.append(back.process(b[s]));
        stem.append(back.finish());
        const int64_t frames = std::min<int64_t>(stem.frames(), x.frames()) - 9600;
        AudioBuffer one = a[s].slice(4800, frames - 4800), other = stem.take(frames).slice(4800, frames - 4800);
        // What lies above the lower rate's band is in the one alone.
        for (AudioBuffer* of : {&one, &other}) {
            Resampler down(48'000, 24'000, 2);
            *of = down.process(*of);
        }
        const int64_t both = std::min(one.frames(), other.frames());
        EXPECT_LT(apartDb(one.slice(0, both), other.slice(0, both)) - levelDb(x), -30) << card.stems[s];
    }
}
