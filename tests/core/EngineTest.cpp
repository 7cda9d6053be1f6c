#include "core/separation/Engine.h"

#include <gtest/gtest.h>

#include <mutex>
#include <numbers>
#include <set>
#include <thread>

#include "Support.h"
#include "core/base/Error.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Separated {
    AudioBuffer source;
    std::vector<AudioBuffer> stems;
};

Separated run(SampleSource& source, const std::shared_ptr<Network>& network, EngineOptions options = {}) {
    Separated all{AudioBuffer(source.channels(), 0),
                  std::vector<AudioBuffer>(stemsGiven(network->card(), options).size(),
                                           AudioBuffer(source.channels(), 0))};
    const Progress progress;
    separate(
        source, network, options,
        [&](int64_t first, const AudioBuffer& x, const std::vector<AudioBuffer>& stems) {
            EXPECT_EQ(first, all.source.frames());
            all.source.append(x);
            for (size_t s = 0; s < stems.size(); ++s) all.stems[s].append(stems[s]);
        },
        progress);
    return all;
}

double residualDb(const Separated& s) {
    double peak = 0;
    for (size_t i = 0; i < s.source.samples().size(); ++i) {
        double sum = 0;
        for (const auto& stem : s.stems) sum += double(stem.samples()[i]);
        peak = std::max(peak, std::fabs(sum - double(s.source.samples()[i])));
    }
    return toDb(peak);
}

}  // namespace

class EngineShapes : public testing::TestWithParam<std::tuple<int, int>> {};

TEST_P(EngineShapes, StemsSumToTheSourceAtItsOwnRateAndLength) {
    const auto [rate, channels] = GetParam();
    for (int64_t frames : {int64_t(rate) / 10, int64_t(rate) * 3 + 17}) {
        BufferSource source(programme(channels, rate, frames), rate);
        EngineOptions options;
        options.tileSeconds = 1;
        options.firstTileSeconds = 0.5;
        const Separated s = run(source, std::make_shared<FakeNetwork>(), options);
        EXPECT_EQ(s.source.frames(), frames);
        for (const auto& stem : s.stems) EXPECT_EQ(stem.frames(), frames);
        EXPECT_LT(differenceDb(s.source, source.read(0, frames)), -190);
        EXPECT_LT(residualDb(s), -120) << rate << " Hz, " << channels << " channels, " << frames << " frames";
    }
}

INSTANTIATE_TEST_SUITE_P(RatesAndLayouts, EngineShapes,
                         testing::Combine(testing::Values(8000, 22050, 44100, 48000, 96000, 192000),
                                          testing::Values(1, 2, 3, 6)));

TEST(Engine, TilingDoesNotShow) {
    const int rate = 48000;
    BufferSource source(programme(2, rate, rate * 6), rate);
    EngineOptions whole, tiles;
    whole.tileSeconds = whole.firstTileSeconds = 100;
    whole.quality = tiles.quality = EngineOptions::Quality::Quick;
    tiles.tileSeconds = 0.31;
    tiles.firstTileSeconds = 0.2;
    const auto network = std::make_shared<FakeNetwork>();
    const Separated a = run(source, network, whole), b = run(source, network, tiles);
    for (size_t s = 0; s < 3; ++s) EXPECT_LT(differenceDb(a.stems[s], b.stems[s]), -120);
}

TEST(Engine, SeparatesASpan) {
    BufferSource source(programme(1, 48000, 96000), 48000);
    EngineOptions options;
    options.from = 10000;
    options.to = 50000;
    const Separated s = run(source, std::make_shared<FakeNetwork>(), options);
    EXPECT_LT(differenceDb(s.source, source.read(10000, 40000)), -190);
}

TEST(Engine, BeyondItsEndsARecordingGoesOnAsItsMirrorImage) {
    EngineOptions options;
    options.quality = EngineOptions::Quality::Quick;
    options.tileSeconds = options.firstTileSeconds = 0.5;
    for (const int64_t frames : {1, 9, 50, 200, 48000 * 2 + 7}) {
        BufferSource source(programme(1, 48000, frames), 48000);
        const AudioBuffer x = source.read(0, frames);
        const Separated s = run(source, std::make_shared<FakeNetwork>(), options);
        EXPECT_LT(residualDb(s), -120);
        if (frames < 100) continue;  // shorter than the network looks: what there is of an image
        const auto at = [&](int64_t i) {
            return double(x.channel(0)[size_t(i < 0 ? -i : i >= frames ? 2 * (frames - 1) - i : i)]);
        };
        for (const int64_t place : {int64_t(0), int64_t(7), frames / 2, frames - 5, frames - 1}) {
            double mean = 0;
            for (int64_t k = -20; k <= 20; ++k) mean += at(place + k) / 41;
            EXPECT_NEAR(s.stems[0].channel(0)[size_t(place)], mean, 1e-5) << frames << " frames, at " << place;
        }
    }
    // A span is heard with what lies beside it, not with its image.
    BufferSource source(programme(1, 48000, 48000), 48000);
    options.from = 20000, options.to = 30000;
    const Separated span = run(source, std::make_shared<FakeNetwork>(), options);
    const AudioBuffer x = source.read(0, 48000);
    double mean = 0;
    for (int64_t k = -20; k <= 20; ++k) mean += double(x.channel(0)[size_t(20000 + k)]) / 41;
    EXPECT_NEAR(span.stems[0].channel(0)[0], mean, 1e-5);
}

class EngineSpans : public testing::TestWithParam<int> {};

TEST_P(EngineSpans, PutTogetherAreTheWhole) {
    // An answer that depends on all that is in a tile, as a network's does whose context says only what matters.
    struct OfItsTile : FakeNetwork {
        OfItsTile() {
            m_card.fineRates = {48000, 40000, 60000};
            m_card.context = 4800;
            m_card.grid = 1024;
        }
        using Network::separate;
        std::vector<AudioBuffer> separate(const AudioBuffer& x, int threads) override {
            ++tiles;
            double power = 0;
            for (const float v : x.samples()) power += double(v) * double(v);
            const auto gain = float(0.5 + 0.4 * std::sin(3000 * power / double(x.samples().size())));
            auto stems = FakeNetwork::separate(x, threads);
            for (size_t i = 0; i < x.samples().size(); ++i) {
                stems[2].samples()[i] = (1 - gain) * stems[0].samples()[i];
                stems[0].samples()[i] *= gain;
            }
            return stems;
        }
        std::atomic<int> tiles{0};
    };
    const int rate = GetParam();
    const int64_t frames = int64_t(rate) * 8 + 131;
    AudioBuffer sound = programme(2, rate, frames);
    for (int c = 0; c < 2; ++c)  // digital silence where spans meet, which the network does not hear
        std::fill(sound.channel(c).begin() + rate * 5 / 2, sound.channel(c).begin() + rate * 7 / 2, 0.0f);
    BufferSource source(std::move(sound), rate);
    EngineOptions options;
    options.tileSeconds = 0.9;
    options.firstTileSeconds = 0.4;
    const auto network = std::make_shared<OfItsTile>();
    const Separated whole = run(source, network, options);
    const int all = network->tiles;
    for (const bool asInWhole : {true, false}) {
        options.asInWhole = asInWhole;
        std::vector<AudioBuffer> joined(3, AudioBuffer(2, 0));
        int most = 0;
        for (const auto& [from, to] : std::vector<std::pair<int64_t, int64_t>>{{0, rate / 5},
                                                                               {rate / 5, rate * 3 + 1},
                                                                               {rate * 3 + 1, rate * 5 - 37},
                                                                               {rate * 5 - 37, rate * 5 + 4},
                                                                               {rate * 5 + 4, frames - 3},
                                                                               {frames - 3, frames}}) {
            options.from = from, options.to = to;
            network->tiles = 0;
            const Separated span = run(source, network, options);
            most = std::max(most, int(network->tiles));
            EXPECT_LT(differenceDb(span.source, source.read(from, to - from)), -190);
            EXPECT_LT(residualDb(span), -120);
            for (size_t s = 0; s < 3; ++s) joined[s].append(span.stems[s]);
        }
        for (size_t s = 0; s < 3; ++s) {
            ASSERT_EQ(joined[s].frames(), frames);
            if (asInWhole) {
                EXPECT_LT(differenceDb(joined[s], whole.stems[s]), -100) << rate << " Hz, stem " << s;
            }
        }
        if (asInWhole) {
            EXPECT_LT(most, all) << "no span takes the work of the whole";
        } else {
            EXPECT_GT(differenceDb(joined[0], whole.stems[0]), -60) << "the network shows where tiles lie";
        }
    }
}

INSTANTIATE_TEST_SUITE_P(Rates, EngineSpans, testing::Values(22050, 44100, 48000));

namespace {

/// Its answer depends on where its frames lie, and it takes them as long as they are wanted.
struct OfFrames : FakeNetwork {
    OfFrames() {
        m_card.fineRates = {48000, 38400, 60000};
        m_card.context = m_card.grid = 1024;
    }
    int frame() const override { return 256; }
    std::vector<AudioBuffer> separatePart(const AudioBuffer& x, const Part& part, int) override {
        const int frame = part.frame > 0 ? part.frame : 256;
        std::vector<AudioBuffer> stems(3, x);
        for (size_t s = 0; s < 2; ++s)
            for (int c = 0; c < x.channels(); ++c)
                for (int64_t i = 0; i < x.frames(); ++i)
                    stems[s].channel(c)[size_t(i)] *=
                        float(0.5 + (s == 0 ? 0.4 : -0.4) * std::sin(2 * std::numbers::pi * double(i) / frame));
        stems[2] = AudioBuffer(x.channels(), x.frames());
        for (auto& stem : stems) stem = stem.slice(part.first, part.count);
        const std::lock_guard lock(m_guard);
        frames.insert(frame);
        longest = std::max(longest, part.count);
        return stems;
    }
    std::set<int> frames;
    int64_t longest = 0;  ///< samples of an answer
    std::mutex m_guard;
};

}  // namespace

TEST(Engine, ANetworkOfFramesHearsTheRecordingAsItIsInOtherFrames) {
    const std::vector<std::pair<int, std::set<int>>> expected = {{8000, {256}},
                                                                 {22050, {96, 120, 144}},
                                                                 {44100, {192, 240, 294}},
                                                                 {48000, {200, 256, 320}},
                                                                 {96000, {400, 512, 640}},
                                                                 {192000, {200, 256, 320}}};
    for (const auto& [rate, frames] : expected) {
        const auto network = std::make_shared<OfFrames>();
        BufferSource source(programme(2, rate, rate * 4 + 17), rate);
        EngineOptions options;
        options.tileSeconds = 0.9;
        options.firstTileSeconds = 0.4;
        const Separated whole = run(source, network, options);
        EXPECT_LT(residualDb(whole), -120);
        EXPECT_EQ(network->frames, frames) << rate;
        for (const bool asInWhole : {true, false}) {
            options.asInWhole = asInWhole;
            options.from = rate + 77, options.to = rate * 3 - 5;
            const Separated span = run(source, network, options);
            EXPECT_LT(residualDb(span), -120);
            EXPECT_LT(differenceDb(span.stems[0], whole.stems[0].slice(options.from, options.to - options.from)), -60)
                << rate << " Hz: the frames lie as in the whole";
        }
    }
}

TEST(Engine, TilesOfHighRatesAreShorter) {
    // What is kept of a tile would fill the memory: of a recording at 192 kHz half as many seconds.
    double seconds[2] = {0, 0};
    for (const int rate : {48000, 192000}) {
        const auto network = std::make_shared<OfFrames>();
        BufferSource source(AudioBuffer(1, int64_t(rate) * 30), rate);
        run(source, network);
        ASSERT_EQ(network->m_card.sampleRate, 48000) << "both are fed at this rate";
        seconds[rate > 48000] = double(network->longest) / 48000;
    }
    EXPECT_NEAR(seconds[0], 26, 0.2) << "after the first four, all that is left";
    EXPECT_NEAR(seconds[1], 16, 0.2);
}

TEST(Engine, TheTopOctaveIsShared) {
    // 30 kHz lies above a 48 kHz network's range; it must be in the stems, not lost.
    const int rate = 96000;
    BufferSource source(sine(30000, 0.3, rate, rate), rate);
    const Separated s = run(source, std::make_shared<FakeNetwork>());
    EXPECT_LT(residualDb(s), -120);
}

TEST(Engine, CancelsWithoutWaitingForTheNetwork) {
    struct Slow : FakeNetwork {
        using Network::separate;
        std::vector<AudioBuffer> separate(const AudioBuffer& x, int threads) override {
            started = true;
            waitFor([&] { return bool(released); });  // held up until the separation has come back without it
            finished = true;
            return FakeNetwork::separate(x, threads);
        }
        std::atomic<bool> started{false}, finished{false}, released{false};
    };
    auto network = std::make_shared<Slow>();
    BufferSource source(noise(1, 48000 * 20), 48000);
    Progress progress;
    std::thread canceller([&] {
        waitFor([&] { return bool(network->started); });
        progress.cancel();
    });
    try {
        separate(
            source, network, {}, [](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>&) {}, progress);
        FAIL() << "was not cancelled";
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::Cancelled);
        EXPECT_FALSE(network->finished) << "waited for the tile in flight";
    }
    network->released = true;
    canceller.join();
    EXPECT_TRUE(waitFor([&] { return bool(network->finished); }));
}

TEST(Engine, ReportsProgressToTheEnd) {
    BufferSource source(noise(1, 48000 * 10), 48000);
    Progress progress;
    std::vector<double> seen;
    progress.onProgress = [&](double f) { seen.push_back(f); };
    EngineOptions options;
    options.tileSeconds = 1;
    separate(
        source, std::make_shared<FakeNetwork>(), options,
        [](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>&) {}, progress);
    EXPECT_TRUE(std::is_sorted(seen.begin(), seen.end()));
    EXPECT_GT(seen.size(), 4u);
    EXPECT_DOUBLE_EQ(seen.back(), 1.0);
}

TEST(Engine, ShowsStemsTogetherApartOrInAWantedOrder) {
    const auto network = std::make_shared<FakeNetwork>();
    network->m_card.shown = {"dialogue", "ambience"};
    network->m_card.shownRow = {0, 0, 1};  // dialogue and music are shown as one
    BufferSource source(programme(2, 48000, 48000), 48000);
    EngineOptions apart, wanted, beside, lost;
    apart.apart = true;
    wanted.stems = {"ambience", "effects", "dialogue"};
    beside.stems = {"dialogue", "music", "ambience"};
    lost.stems = {"dialogue"};
    const Separated shown = run(source, network), all = run(source, network, apart),
                    ordered = run(source, network, wanted), own = run(source, network, beside);
    ASSERT_EQ(shown.stems.size(), 2u);
    ASSERT_EQ(all.stems.size(), 3u);
    AudioBuffer both = all.stems[0];
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += all.stems[1].samples()[i];
    EXPECT_LT(differenceDb(both, shown.stems[0]), -100);
    EXPECT_LT(differenceDb(ordered.stems[2], shown.stems[0]), -100);
    EXPECT_LT(toDb(double(peakOf(ordered.stems[1].samples()))), -100) << "no such stem: silent";
    for (size_t i = 0; i < 3; ++i)
        EXPECT_LT(differenceDb(own.stems[i], all.stems[i]), -100) << "a stem that is named comes by itself";
    for (const Separated* s : {&shown, &all, &ordered, &own}) EXPECT_LT(residualDb(*s), -120);
    EXPECT_THROW(run(source, network, lost), Error) << "a stem would be lost";
}

TEST(Engine, ANetworkWithoutARoomSaysSo) {
    EXPECT_FALSE(separatesRoom(FakeNetwork().card()));
    try {
        withRoom(FakeNetwork().card(), {"dialogue", "music", "ambience"});
        FAIL();
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("leave Room keep at 100 %"), std::string::npos);
    }
}

TEST(Engine, QualitiesAverageTheCardsRates) {
    const auto network = std::make_shared<FakeNetwork>();
    network->m_card.fineRates = {48000, 40000, 60000};
    network->m_card.quickRates = {40000};
    BufferSource source(programme(2, 48000, 48000 * 3), 48000);
    EngineOptions fine, quick;
    quick.quality = EngineOptions::Quality::Quick;
    const Separated three = run(source, network, fine), slow = run(source, network, quick);
    for (const Separated* s : {&three, &slow}) EXPECT_LT(residualDb(*s), -120);
    // Each rate alone, averaged by hand: the same but for what lies above the lowest rate's band.
    AudioBuffer mean(2, 48000 * 3);
    for (const int rate : {48000, 40000, 60000}) {
        network->m_card.quickRates = {rate};
        const Separated one = run(source, network, quick);
        for (size_t i = 0; i < mean.samples().size(); ++i) mean.samples()[i] += one.stems[0].samples()[i] / 3;
    }
    EXPECT_LT(differenceDb(mean, three.stems[0]), -30);
    EXPECT_GT(differenceDb(slow.stems[0], three.stems[0]), -60) << "another filter in seconds";
}

TEST(Engine, WhatTheSinkThrowsEndsTheSeparation) {
    BufferSource source(programme(1, 48000, 48000 * 5), 48000);
    EngineOptions options;
    options.tileSeconds = options.firstTileSeconds = 0.5;
    int calls = 0;
    const auto full = [&](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>&) {
        if (++calls == 2) throw Error(Error::Kind::OutputUnwritable, "The disk is full.");
    };
    EXPECT_THROW(separate(source, std::make_shared<FakeNetwork>(), options, full, Progress{}), Error);
    EXPECT_EQ(calls, 2);
}

TEST(Engine, TilesAtTheSameTimeComeOutInOrder) {
    // Every second tile ends after the next one; the answer must be that of one tile after the other.
    struct Uneven : FakeNetwork {
        using Network::separate;
        std::vector<AudioBuffer> separate(const AudioBuffer& x, int threads) override {
            const int now = ++running;
            int seen = most;
            while (seen < now && !most.compare_exchange_weak(seen, now)) {}
            const int call = ++calls;
            if (call % 2 && call < tiles) waitFor([&] { return done >= call; });
            auto stems = FakeNetwork::separate(x, threads);
            --running;
            ++done;
            return stems;
        }
        std::atomic<int> calls{0}, running{0}, most{0}, done{0};
        int tiles = 0;
    };
    const auto network = std::make_shared<Uneven>();
    const AudioBuffer x = programme(2, 48000, 48000 * 6);
    EngineOptions options;
    options.quality = EngineOptions::Quality::Quick;
    options.tileSeconds = options.firstTileSeconds = 0.5;
    const auto counting = std::make_shared<Uneven>();
    separated(counting, x, 48000, options);
    network->tiles = counting->calls;
    const auto stems = separated(network, x, 48000, options);
    options.tileSeconds = options.firstTileSeconds = 60;
    const auto whole = separated(std::make_shared<FakeNetwork>(), x, 48000, options);
    for (size_t s = 0; s < stems.size(); ++s) EXPECT_LT(differenceDb(stems[s], whole[s]), -120);
    EXPECT_EQ(network->most, 2);
}

TEST(Engine, AFailingNetworkEndsTheSeparation) {
    struct Failing : FakeNetwork {
        using Network::separate;
        std::vector<AudioBuffer> separate(const AudioBuffer& x, int threads) override {
            if (++calls > 2) throw Error(Error::Kind::Other, "The network broke.");
            return FakeNetwork::separate(x, threads);
        }
        std::atomic<int> calls{0};
    };
    BufferSource source(noise(2, 48000 * 6), 48000);
    EngineOptions options;
    options.quality = EngineOptions::Quality::Quick;
    options.tileSeconds = options.firstTileSeconds = 0.5;
    EXPECT_THROW(separate(
                     source, std::make_shared<Failing>(), options,
                     [](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>&) {}, Progress{}),
                 Error);
}
