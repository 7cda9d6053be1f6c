#include "core/separation/FilledSilence.h"

#include <gtest/gtest.h>

#include "Support.h"
#include "core/separation/Engine.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 8000;

/// Noise with digital silence at these seconds.
AudioBuffer gapped(int channels, double seconds, const std::vector<std::pair<double, double>>& gaps, int rate = kRate) {
    AudioBuffer x = noise(channels, int64_t(seconds * rate), 0.1f, 5);
    for (const auto& [from, to] : gaps)
        for (int c = 0; c < channels; ++c)
            std::fill(x.channel(c).begin() + int64_t(from * rate), x.channel(c).begin() + int64_t(to * rate), 0.0f);
    return x;
}

/// All of it as networks hear it, read in blocks of this many frames.
AudioBuffer heardIn(const AudioBuffer& x, int64_t block, int64_t from = 0) {
    BufferSource source(x, kRate);
    FilledSilence filled(source, {{0}});
    AudioBuffer all(x.channels(), 0);
    for (int64_t at = from; at < x.frames(); at += block) {
        const int64_t count = std::min(block, x.frames() - at);
        EXPECT_LT(differenceDb(filled.read(at, count), x.slice(at, count)), -190);
        all.append(filled.heard());
    }
    return all;
}

}  // namespace

TEST(FilledSilence, HoldsTheMirrorImageOfWhatLiesBesideIt) {
    const AudioBuffer x = gapped(1, 6, {{2, 4}}), heard = heardIn(x, 6 * kRate);
    const auto in = x.channel(0), out = heard.channel(0);
    const int64_t begin = 2 * kRate, end = 4 * kRate, middle = 3 * kRate;
    for (int64_t i = 0; i < x.frames(); ++i) {
        if (i < begin || i >= end) {
            EXPECT_EQ(out[size_t(i)], in[size_t(i)]) << i;
        } else if (i < middle - kRate / 50) {
            EXPECT_EQ(out[size_t(i)], in[size_t(2 * (begin - 1) - i)]) << i;
        } else if (i > middle + kRate / 50) {
            EXPECT_EQ(out[size_t(i)], in[size_t(2 * end - i)]) << i;
        }
    }
}

TEST(FilledSilence, IsLeftWhereNothingIsNear) {
    const AudioBuffer x = gapped(1, 20, {{5, 15}}), heard = heardIn(x, 2 * kRate);
    const auto energy = [&](double from, double to) {
        double sum = 0;
        for (auto i = size_t(from * kRate); i < size_t(to * kRate); ++i)
            sum += std::pow(double(heard.channel(0)[i]), 2);
        return sum / (to - from) / kRate;
    };
    const double sound = energy(0, 5);
    EXPECT_NEAR(energy(5, 7.9) / sound, 1, 0.1);
    EXPECT_EQ(energy(8.01, 11.99), 0);
    EXPECT_NEAR(energy(12.1, 15) / sound, 1, 0.1);
}

TEST(FilledSilence, DoesNotDependOnTheBlocksOrWhereReadingBegins) {
    // At both ends, short and long, close together.
    const AudioBuffer x = gapped(1, 30, {{0, 2.5}, {4, 4.2}, {4.3, 5}, {9, 20.7}, {21, 21.05}, {27, 30}});
    const AudioBuffer whole = heardIn(x, x.frames());
    EXPECT_GT(differenceDb(whole, x), -40);
    for (const int64_t block : {int64_t(700), int64_t(kRate), int64_t(3 * kRate + 1)}) {
        EXPECT_LT(differenceDb(heardIn(x, block), whole), -190) << block;
        const int64_t from = 18 * kRate + 5;
        EXPECT_LT(differenceDb(heardIn(x, block, from), whole.slice(from, x.frames() - from)), -190) << block;
    }
}

TEST(FilledSilence, ShortOnesAndSilenceOfOneChannelStay) {
    AudioBuffer x = gapped(2, 3, {{1, 1.05}});
    std::fill(x.channel(1).begin() + kRate, x.channel(1).begin() + 2 * kRate, 0.0f);
    BufferSource source(x, kRate);
    FilledSilence together(source, {{0, 1}});
    together.read(0, x.frames());
    EXPECT_LT(differenceDb(together.heard(), x), -190);
    // Channels that are separated one by one are silent one by one.
    FilledSilence apart(source, {{0}, {1}});
    apart.read(0, x.frames());
    const AudioBuffer heard = apart.heard();
    EXPECT_EQ(heard.channel(0)[size_t(kRate + 99)], 0.0f);
    EXPECT_EQ(heard.channel(1)[size_t(kRate + 99)], x.channel(1)[size_t(kRate - 101)]);
}

/// The engine: what lies beside silence is separated as it would be without it, and in the silence no stem has
/// anything.
TEST(FilledSilence, NoStemSoundsWhereTheRecordingIsSilent) {
    for (const int rate : {44100, 48000}) {
        AudioBuffer x = programme(2, rate, rate * 8);
        for (int c = 0; c < 2; ++c)
            for (const auto& [from, to] : {std::pair{0.0, 0.5}, {3.0, 3.25}, {5.0, 6.5}})
                std::fill(x.channel(c).begin() + int64_t(from * rate), x.channel(c).begin() + int64_t(to * rate), 0.0f);
        BufferSource source(x, rate);
        EngineOptions options;
        options.tileSeconds = 1, options.firstTileSeconds = 0.5;
        std::vector<AudioBuffer> stems(3, AudioBuffer(2, 0));
        separate(
            source, std::make_shared<FakeNetwork>(), options,
            [&](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>& some) {
                for (size_t s = 0; s < 3; ++s) stems[s].append(some[s]);
            },
            Progress());
        double worst = 0;
        for (int c = 0; c < 2; ++c)
            for (int64_t i = 0; i < x.frames(); ++i) {
                const double t = double(i) / rate;
                double sum = 0;
                for (const auto& stem : stems) sum += double(stem.channel(c)[size_t(i)]);
                worst = std::max(worst, std::fabs(sum - double(x.channel(c)[size_t(i)])));
                const bool silent = t < 0.5 || (t >= 3 && t < 3.25) || (t >= 5 && t < 6.5);
                if (silent && i > 0 && x.channel(c)[size_t(i)] == 0.0f && x.channel(c)[size_t(i - 1)] == 0.0f) {
                    for (const auto& stem : stems) ASSERT_EQ(stem.channel(c)[size_t(i)], 0.0f) << t;
                }
            }
        EXPECT_LT(toDb(worst), -120);
        // The last sample before the silence: a mean over its mirror image, not over half of nothing.
        const int64_t last = 3 * rate - 1;
        double mean = 0;
        for (int64_t k = -20; k <= 20; ++k) mean += double(x.channel(0)[size_t(last - std::abs(k))]) / 41;
        if (rate == 48000) {
            EXPECT_NEAR(stems[0].channel(0)[size_t(last)], mean, 1e-3);
        }
    }
}
