// The modules of the voice chain against analytic responses.
#include <gtest/gtest.h>

#include <random>

#include "../Support.h"
#include "core/loudness/Loudness.h"
#include "core/rebuild/Chain.h"
#include "core/rebuild/Duck.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

/// Level of a tone after a chain once it has settled, against the tone before, dB.
double gainAt(const ChainSettings& settings, double hz, double db = -20, int rate = kRate) {
    Chain chain(1, rate, {});
    chain.set(settings);
    const int64_t frames = rate / Chain::kBlock * Chain::kBlock;
    AudioBuffer tone = sine(hz, fromDb(db), rate, frames);
    AudioBuffer out(1, 0);
    for (int64_t at = 0; at < frames; at += Chain::kBlock) {
        AudioBuffer block = tone.slice(at, Chain::kBlock);
        chain.process(block);
        out.append(block);
    }
    return levelDb(out.slice(frames / 2, frames / 2)) - levelDb(tone.slice(frames / 2, frames / 2));
}

}  // namespace

// Source: R. Bristow-Johnson, audio EQ cookbook: the analogue prototypes' gains at the centre, at the shelf's middle
// and far away.
TEST(Chain, FiltersHaveTheGainsOfTheCookbooksPrototypes) {
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::bell(1000, 6, 1, kRate).response(1000, kRate))), 6, 1e-9);
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::bell(1000, 6, 1, kRate).response(10, kRate))), 0, 0.01);
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::lowShelf(200, -8, kRate).response(200, kRate))), -4, 1e-6)
        << "half the gain at the middle of a shelf";
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::lowShelf(200, -8, kRate).response(1, kRate))), -8, 0.01);
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::highShelf(4000, 5, kRate).response(4000, kRate))), 2.5, 1e-6);
    EXPECT_NEAR(20 * std::log10(std::abs(FilterSection::highShelf(4000, 5, kRate).response(20000, kRate))), 5, 0.1);
}

TEST(Chain, TonesGoThroughAsTheResponseSays) {
    ChainSettings c;
    c.highPass = c.equaliser = true;
    c.highPassHz = 120, c.lowDb = 3, c.mudDb = -4, c.midDb = 5, c.highDb = -6;
    const auto sections = filterSections(c, kRate);
    for (double hz : {60.0, 120.0, 350.0, 1000.0, 2500.0, 8000.0, 15000.0})
        EXPECT_NEAR(gainAt(c, hz), filterDb(sections, hz, kRate), 0.05) << hz;
}

// Source: Butterworth's response |H|^2 = 1 / (1 + (fc / f)^2n): -3.01 dB at the corner, 12 or 24 dB an octave below.
TEST(Chain, TheHighPassIsAButterworth) {
    ChainSettings c;
    c.highPass = true;
    c.highPassHz = 100;
    for (double slope : {12.0, 24.0}) {
        c.highPassSlope = slope;
        const double n = slope / 6;
        for (double hz : {25.0, 50.0, 100.0, 200.0, 1000.0})
            EXPECT_NEAR(filterDb(filterSections(c, kRate), hz, kRate), -10 * std::log10(1 + std::pow(100 / hz, 2 * n)),
                        0.02)
                << slope << " " << hz;
        EXPECT_NEAR(filterDb(filterSections(c, kRate), 12.5, kRate) - filterDb(filterSections(c, kRate), 6.25, kRate),
                    slope, 0.1);
    }
}

// Source: Giannoulis, Massberg and Reiss 2012, eq. 4 (static curve with a soft knee).
TEST(Chain, TheCompressorFollowsItsStaticCurve) {
    ChainSettings c;
    c.compressor = true;
    c.threshold = -24, c.ratio = 3, c.knee = 6;
    EXPECT_EQ(compressorCurve(c, -40), -40);
    EXPECT_NEAR(compressorCurve(c, -12), -24 + 12 / 3.0, 1e-12);
    EXPECT_NEAR(compressorCurve(c, -24), -24 + (1 / 3.0 - 1) * 9 / 12, 1e-12) << "the middle of the knee";
    EXPECT_NEAR(compressorCurve(c, -27), -27, 1e-9);
    EXPECT_NEAR(compressorCurve(c, -21), -23, 1e-9);
    // A square wave has a steady peak: what comes out lies on the curve.
    for (double db : {-40.0, -30.0, -24.0, -18.0, -6.0}) {
        Compressor comp(kRate);
        comp.set(c);
        AudioBuffer x(1, kRate / 2);
        for (int64_t i = 0; i < x.frames(); ++i) x.channel(0)[size_t(i)] = float((i / 50 % 2 ? -1 : 1) * fromDb(db));
        comp.process(x);
        EXPECT_NEAR(toDb(std::fabs(x.channel(0).back())), compressorCurve(c, db), 0.02) << db;
    }
}

// Source: as above, eq. 7: a time constant is the time to 1 - 1/e of a step.
TEST(Chain, TimeConstantsReachOneMinusOneOverE) {
    GainFollower gain;
    gain.set(0.010, 0.200, 0.050, kRate);
    for (int i = 0; i < kRate / 100; ++i) gain.next(-10);
    EXPECT_NEAR(gain.gainDb(), -10 * (1 - std::exp(-1)), 0.01);
    for (int i = 0; i < kRate; ++i) gain.next(-10);
    for (int i = 0; i < kRate / 20; ++i) gain.next(0);
    EXPECT_NEAR(gain.gainDb(), -10, 1e-6) << "it holds for 50 ms";
    for (int i = 0; i < kRate / 5; ++i) gain.next(0);
    EXPECT_NEAR(gain.gainDb(), -10 * std::exp(-1), 0.01);
}

TEST(Chain, TheExpanderTakesDownWhatIsBelowItsThresholdAndNoFurtherThanItsRange) {
    ChainSettings c;
    c.gate = true;
    c.gateThreshold = -40, c.gateRatio = 2, c.gateRange = 12;
    EXPECT_EQ(gateCurve(c, -30), -30);
    EXPECT_EQ(gateCurve(c, -46), -52);
    EXPECT_EQ(gateCurve(c, -80), -92);
    EXPECT_NEAR(gainAt(c, 1000, -20), 0, 0.01);
    EXPECT_NEAR(gainAt(c, 1000, -70), -12, 0.3);
}

TEST(Chain, TheDeEsserLowersSharpBandsByItsRangeAndNothingElse) {
    ChainSettings c;
    c.deEsser = true;
    c.deEsserRange = 6, c.deEsserThreshold = -9;
    EXPECT_NEAR(gainAt(c, 7700, -20), -6, 0.5) << "nothing but an s";
    EXPECT_NEAR(gainAt(c, 500, -20), 0, 0.01) << "a vowel";
    c.deEsserThreshold = -3;
    Chain chain(1, kRate, {});
    chain.set(c);
    AudioBuffer both = sine(500, 0.3, kRate, 51200), s = sine(7700, 0.1, kRate, 51200);
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += s.samples()[i];
    const AudioBuffer before = both;
    for (int64_t at = 0; at + Chain::kBlock <= both.frames(); at += Chain::kBlock) {
        AudioBuffer block = both.slice(at, Chain::kBlock);
        chain.process(block);
        std::copy(block.channel(0).begin(), block.channel(0).end(), both.channel(0).begin() + at);
    }
    EXPECT_NEAR(levelDb(both.slice(20000, 20000)), levelDb(before.slice(20000, 20000)), 0.05)
        << "a soft s over a vowel stays";
}

// The ceiling of common practice, -0.5 dBFS as true peak, fourfold oversampled (ITU-R BS.1770-4, annex 2; libebur128
// measures it independently).
TEST(Chain, TenThousandBurstsNeverPassTheCeiling) {
    ChainSettings c;
    c.limiter = true;
    std::mt19937 random(5);
    std::uniform_real_distribution<double> uniform(0, 1);
    std::normal_distribution<float> normal;
    Limiter limiter(2, kRate);
    limiter.set(c);
    limiter.setOn(true);
    double worst = -200;
    int bursts = 0;
    for (int round = 0; round < 100; ++round) {
        LoudnessMeter meter(2, kRate);
        AudioBuffer x(2, 100 * 900);
        for (int b = 0; b < 100; ++b, ++bursts) {
            const int64_t at = b * 900 + int64_t(uniform(random) * 300), length = 4 + int64_t(uniform(random) * 500);
            const double level = fromDb(-12 + 36 * uniform(random)), kind = uniform(random),
                         hz = 50 * std::pow(450, uniform(random)), phase = 6.28 * uniform(random);
            for (int64_t i = 0; i < length; ++i)
                for (int ch = 0; ch < 2; ++ch) {
                    const double v = kind < 0.4   ? normal(random) * 0.3
                                     : kind < 0.8 ? std::sin(phase + 2 * std::numbers::pi * hz * double(i) / kRate + ch)
                                                  : (i % 2 ? -1 : 1) * (uniform(random) < 0.5);
                    x.channel(ch)[size_t(at + i)] = float(level * v);
                }
        }
        limiter.process(x);
        meter.add(x);
        worst = std::max(worst, meter.truePeak());
    }
    EXPECT_EQ(bursts, 10000);
    EXPECT_LE(worst, -0.5);
    EXPECT_GT(worst, -1.0) << "it should not give away loudness";
}

TEST(Chain, TheLimiterIsAPureDelayBelowTheCeiling) {
    Limiter limiter(1, kRate);
    ChainSettings c;
    limiter.set(c);
    limiter.setOn(true);
    const AudioBuffer x = noise(1, 20000, 0.1f);
    AudioBuffer y = x;
    limiter.process(y);
    const int64_t late = limiter.latency();
    for (int64_t i = 0; i + late < x.frames(); ++i) ASSERT_EQ(x.channel(0)[size_t(i)], y.channel(0)[size_t(i + late)]);
}

TEST(Chain, AnUnusedChainIsAPureDelayAndSwitchingMakesNoStep) {
    Chain chain(2, kRate, {});
    const AudioBuffer x = sine(300, 0.4, kRate, 40 * Chain::kBlock, 2);
    AudioBuffer y(2, 0);
    for (int b = 0; b < 40; ++b) {
        if (b == 20) {
            ChainSettings all;
            all.gate = all.deEsser = all.highPass = all.equaliser = all.compressor = all.limiter = true;
            chain.set(all);
        }
        AudioBuffer block = x.slice(b * Chain::kBlock, Chain::kBlock);
        chain.process(block);
        y.append(block);
    }
    const int64_t late = chain.latency();
    for (int64_t i = 0; i < 19 * Chain::kBlock; ++i) ASSERT_EQ(x.channel(1)[size_t(i)], y.channel(1)[size_t(i + late)]);
    double step = 0;
    for (int64_t i = late + 1; i < y.frames(); ++i)
        step = std::max(step, std::fabs(double(y.channel(0)[size_t(i)]) - y.channel(0)[size_t(i - 1)]));
    EXPECT_LT(step, 2 * 0.4 * 2 * std::numbers::pi * 300 / kRate) << "no click";
}

TEST(Chain, ConvolutionIsConvolution) {
    const AudioBuffer impulse = noise(1, 1000, 0.1f, 3), x = noise(1, 4 * Convolver::kBlock, 0.3f, 4);
    Convolver convolver(impulse, 1);
    AudioBuffer y(1, 0);
    for (int b = 0; b < 4; ++b) {
        AudioBuffer out(1, Convolver::kBlock);
        convolver.process(x.slice(b * Convolver::kBlock, Convolver::kBlock), 1, out);
        y.append(out);
    }
    for (int64_t n = Convolver::kBlock; n < y.frames(); n += 37) {
        double sum = 0;
        for (int64_t k = 0; k < 1000 && n - Convolver::kBlock - k >= 0; ++k)
            sum += double(impulse.channel(0)[size_t(k)]) * x.channel(0)[size_t(n - Convolver::kBlock - k)];
        ASSERT_NEAR(y.channel(0)[size_t(n)], sum, 1e-5) << n;
    }
}

// Source: Schroeder 1965, "New method of measuring reverberation time": the energy that is still to come falls by 60 dB
// within the decay time.
TEST(Chain, RoomsDieAwayInTheirDecayTime) {
    for (double decay : {0.3, 0.8, 1.6}) {
        RoomShape room = RoomShape::plain(decay, 0);
        for (auto& b : room.bands) b.decay = decay;
        const AudioBuffer h = roomImpulse(room, 1, kRate);
        std::vector<double> left(size_t(h.frames()) + 1, 0.0);
        for (int64_t i = h.frames() - 1; i >= 0; --i)
            left[size_t(i)] = left[size_t(i + 1)] + double(h.channel(0)[size_t(i)]) * h.channel(0)[size_t(i)];
        EXPECT_NEAR(left[0], 1, 1e-3) << "its energy is 1";
        int64_t a = 0, b = 0;  // T20: from -5 to -25 dB, times three
        while (powerDb(left[size_t(a)]) > -5) ++a;
        while (powerDb(left[size_t(b)]) > -25) ++b;
        EXPECT_NEAR(3.0 * double(b - a) / kRate, decay, 0.08 * decay);
    }
}

TEST(Chain, ARoomIsEstimatedFromVoicesInIt) {
    for (double decay : {0.4, 0.9}) {
        // Words: bursts of noise that end at once, at uneven places, in a room of known decay.
        std::mt19937 random(11);
        std::normal_distribution<float> normal;
        std::uniform_real_distribution<double> uniform(0, 1);
        AudioBuffer dry(1, 40 * kRate);
        for (int64_t at = kRate / 2; at < dry.frames() - 2 * kRate;) {
            const auto length = int64_t((0.15 + 0.3 * uniform(random)) * kRate);
            for (int64_t i = 0; i < length; ++i)
                dry.channel(0)[size_t(at + i)] = 0.1f * normal(random) * float(std::exp(-double(i) / length));
            at += length + int64_t((0.6 + 0.6 * uniform(random)) * kRate);
        }
        RoomShape room = RoomShape::plain(decay, 0);
        for (auto& b : room.bands) b.decay = decay;
        Convolver convolver(roomImpulse(room, 1, kRate), 1);
        AudioBuffer wet = dry;
        for (int64_t at = 0; at + Convolver::kBlock <= dry.frames(); at += Convolver::kBlock) {
            AudioBuffer out = dry.slice(at, Convolver::kBlock);
            convolver.process(dry.slice(at, Convolver::kBlock), float(fromDb(-3)), out);
            std::copy(out.channel(0).begin(), out.channel(0).end(), wet.channel(0).begin() + at);
        }
        BufferSource source(wet, kRate);
        const auto found = estimateRoom(source, 0, wet.frames(), {});
        ASSERT_TRUE(found);
        EXPECT_NEAR(found->decay(), decay, 0.25 * decay);
    }
}

// Common practice: 4.8 dB, 10 ms down, 150 ms hold, 750 ms back.
TEST(Chain, DuckingGoesDownHoldsAndComesBack) {
    Duck duck;
    duck.on = true;
    duck.voice = false;
    DuckGain gain(kRate);
    gain.set(duck);
    AudioBuffer key(1, 3 * kRate);
    for (int64_t i = kRate / 2; i < kRate; ++i) key.channel(0)[size_t(i)] = float(0.3 * std::sin(0.1 * double(i)));
    std::vector<float> db;
    gain.process(key, db);
    EXPECT_EQ(db[size_t(kRate / 2 - 10)], 0);
    EXPECT_NEAR(db[size_t(kRate / 2 + kRate / 20)], -4.8, 0.1);
    EXPECT_NEAR(db[size_t(kRate + kRate / 10)], -4.8, 0.1) << "held";
    EXPECT_NEAR(db[size_t(kRate + 0.17 * kRate + 0.75 * kRate)], -4.8 * std::exp(-1), 0.5);
    EXPECT_GT(db.back(), -1);
}

TEST(Chain, VoiceActivityTellsWordsFromASteadyBed) {
    VoiceActivity voice(kRate);
    const AudioBuffer bed = noise(1, 4 * kRate, 0.003f);
    int active = 0, spoken = 0;
    for (int64_t i = 0; i < bed.frames(); ++i) {
        const bool speaks = i > 2 * kRate && i < 3 * kRate;
        const double t = double(i) / kRate;
        const double word = speaks ? 0.1 * std::sin(2 * std::numbers::pi * 700 * t) *
                                         (0.6 + 0.4 * std::sin(2 * std::numbers::pi * 4 * t))
                                   : 0;
        const bool on = voice.next(bed.channel(0)[size_t(i)] + word, -45);
        if (i > kRate && !speaks && i < 2 * kRate) active += on;
        if (i > 2 * kRate + kRate / 20 && speaks) spoken += on;
    }
    EXPECT_LT(active, kRate / 50);
    EXPECT_GT(spoken, kRate * 9 / 10);
}

TEST(Chain, SettingsAreSavedAndComeBackAndNonsenseIsRefused) {
    ChainSettings c = voiceChain();
    c.threshold = -31.5, c.roomImpulse = "room-2", c.room = true;
    EXPECT_EQ(chainFromJson(toJson(c)), c);
    EXPECT_EQ(toJson(ChainSettings{}).dump(), "{}");
    EXPECT_THROW(chainFromJson({{"compressor", {{"ratio", 900}}}}), Error);
    for (const auto& m : chainModules())
        for (const auto& p : m.parameters) {
            EXPECT_EQ(ChainSettings{}.*p.value, p.usual) << m.id << " " << p.id;
            EXPECT_EQ(parseValue(p, describeValue(p, p.usual)), p.usual) << m.id << " " << p.id;
            EXPECT_GT(std::string(p.explanation).size(), 10u);
        }
    EXPECT_THROW(parseValue(chainModules()[4].parameters[1], "many"), Error);
}
