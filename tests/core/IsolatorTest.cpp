#include "core/isolation/Isolator.h"

#include <gtest/gtest.h>

#include "Support.h"
#include "core/base/Error.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

/// Three stems that overlap in time and frequency, their sum, and the isolator for them.
struct Scene {
    static constexpr int rate = 48000;
    static constexpr int64_t frames = 40000;
    int channels;
    Isolator isolator{channels, rate};
    int64_t margin = isolator.margin();
    std::vector<AudioBuffer> stems;
    AudioBuffer source;

    explicit Scene(int c = 2) : channels(c) {
        stems = {sine(300, 0.3, rate, frames + 2 * margin, c), sine(1200, 0.1, rate, frames + 2 * margin, c),
                 noise(c, frames + 2 * margin, 0.02f)};
        for (float& v : stems[0].samples()) v += 0.001f;
        source = AudioBuffer(c, frames + 2 * margin);
        for (size_t i = 0; i < source.samples().size(); ++i)
            source.samples()[i] = stems[0].samples()[i] + stems[1].samples()[i] + stems[2].samples()[i];
    }

    std::vector<AudioBuffer> apply(double depth, double firmness, int wanted = 0, int64_t first = 0,
                                   int64_t count = frames) {
        IsolationSettings s;
        s.depth = depth;
        s.firmness = firmness;
        return apply(s, wanted, first, count);
    }
    std::vector<AudioBuffer> apply(const IsolationSettings& s, int wanted = 0, int64_t first = 0,
                                   int64_t count = frames) {
        std::vector<AudioBuffer> parts;
        for (const auto& stem : stems) parts.push_back(stem.slice(first, count + 2 * margin));
        return isolator.apply(s, wanted, first, count, source.slice(first, count + 2 * margin), parts);
    }
};

double rms(const AudioBuffer& b) {
    double sum = 0;
    for (float v : b.samples()) sum += double(v) * v;
    return std::sqrt(sum / double(b.samples().size()));
}

}  // namespace

TEST(Isolator, NeutralIsTheNetworksPlainAnswer) {
    Scene scene;
    const auto out = scene.apply(kFullDepth, 0);
    for (size_t s = 0; s < 3; ++s)
        EXPECT_LE(differenceDb(out[s], scene.stems[s].slice(scene.margin, Scene::frames)), kSilenceDb);
}

TEST(Isolator, StemsSumToTheSourceAtEverySetting) {
    for (int channels : {1, 2, 6}) {
        Scene scene(channels);
        const AudioBuffer x = scene.source.slice(scene.margin, Scene::frames);
        for (double depth : {0.0, 3.0, 12.0, 40.0, kFullDepth})
            for (double firmness : {-100.0, -30.0, 0.0, 55.0, 100.0})
                for (int wanted : {0, 1, 2}) {
                    const auto out = scene.apply(depth, firmness, wanted);
                    double peak = 0;
                    for (size_t i = 0; i < x.samples().size(); ++i)
                        peak = std::max(peak, std::fabs(double(out[0].samples()[i]) + double(out[1].samples()[i]) +
                                                        double(out[2].samples()[i]) - double(x.samples()[i])));
                    ASSERT_LT(toDb(peak), -120) << depth << " dB, firmness " << firmness << ", stem " << wanted;
                }
    }
}

TEST(Isolator, DepthIsTheLevelOfWhatComesBack) {
    Scene scene;
    const AudioBuffer plain = scene.apply(kFullDepth, 0)[0], x = scene.source.slice(scene.margin, Scene::frames);
    for (double depth : {0.0, 6.0, 12.0, 20.0}) {
        const AudioBuffer out = scene.apply(depth, 0)[0];
        AudioBuffer back = out, rest = x;
        for (size_t i = 0; i < back.samples().size(); ++i) {
            back.samples()[i] -= plain.samples()[i];
            rest.samples()[i] -= plain.samples()[i];
        }
        EXPECT_NEAR(toDb(rms(back)) - toDb(rms(rest)), -depth, 0.01);
    }
    EXPECT_LT(differenceDb(scene.apply(0, 0)[0], x), -140) << "depth 0 is the source";
}

TEST(Isolator, FirmnessGivesUncertainCellsToTheirOwner) {
    // Stems that are the same noise at 70 and 30 percent: every cell is uncertain in the same way.
    Scene scene(1);
    const AudioBuffer n = noise(1, Scene::frames + 2 * scene.margin);
    const auto scaled = [&](float g) {
        AudioBuffer b = n;
        for (float& v : b.samples()) v *= g;
        return b;
    };
    scene.stems = {scaled(0.7f), scaled(0.3f), scaled(0.0f)};
    scene.source = n;
    const double whole = rms(n.slice(scene.margin, Scene::frames));
    for (double firmness : {-100.0, -50.0, 50.0, 100.0}) {
        const double y = std::pow(2.0, firmness / 50), a = std::pow(0.7, y), b = std::pow(0.3, y);
        const auto out = scene.apply(kFullDepth, firmness);
        EXPECT_NEAR(rms(out[0]) / whole, a / (a + b), 2e-3) << firmness;
        EXPECT_NEAR(rms(out[1]) / whole, b / (a + b), 2e-3) << firmness;
    }
}

TEST(Isolator, BlocksDoNotMatter) {
    Scene scene;
    for (const auto& settings :
         {strength(12, 40), strength(30, -20, 70, 60), strength(30, 0, 0, 0, {{300, -50}, {3000, 80}})}) {
        const auto whole = scene.apply(settings);
        AudioBuffer pieces(2, 0);
        for (int64_t at = 0; at < Scene::frames; at += 512)
            pieces.append(scene.apply(settings, 0, at, std::min<int64_t>(512, Scene::frames - at))[0]);
        EXPECT_LT(differenceDb(pieces, whole[0]), -130);
    }
}

TEST(Isolator, GuardAndSteadinessKeepTheSum) {
    for (int channels : {1, 2, 6}) {
        Scene scene(channels);
        const AudioBuffer x = scene.source.slice(scene.margin, Scene::frames);
        for (double amount : {20.0, 100.0})
            for (int wanted : {0, 2})
                EXPECT_LT(differenceDb(sumOf(scene.apply(
                                           strength(25, 30, amount, amount, {{200, amount}, {2000, -amount}}), wanted)),
                                       x),
                          -120);
    }
}

TEST(Isolator, SteadinessEvensTheShareOut) {
    // One noise whose share jumps between 0.9 and 0.1 every 80 ms: the watery bed of a nervous mask.
    Scene scene(1);
    const AudioBuffer n = noise(1, Scene::frames + 2 * scene.margin);
    scene.source = n;
    scene.stems = {n, n, AudioBuffer(1, n.frames())};
    for (int64_t i = 0; i < n.frames(); ++i) {
        const float share = i / 3840 % 2 ? 0.9f : 0.1f;
        scene.stems[0].samples()[size_t(i)] *= share;
        scene.stems[1].samples()[size_t(i)] *= 1 - share;
    }
    const auto unrest = [&](double steadiness) {  // spread of the level of 20 ms pieces, dB
        const AudioBuffer out = scene.apply(strength(kFullDepth, 0, 0, steadiness))[0];
        double sum = 0, squares = 0;
        int count = 0;
        for (int64_t at = 4800; at + 5760 < out.frames(); at += 960, ++count) {
            const double level = levelDb(out.slice(at, 960));
            sum += level;
            squares += level * level;
        }
        return std::sqrt(squares / count - sum / count * sum / count);
    };
    EXPECT_GT(unrest(0), 5.5);
    EXPECT_LT(unrest(50), 0.5 * unrest(0));
    EXPECT_LT(unrest(100), 2.0);
}

TEST(Isolator, TheOnsetGuardGivesConsonantsBackButNotTheBedsClicks) {
    // A voice (300 Hz) whose t, a burst of 30 ms just before it, went to the ambience, and the same burst half a second
    // after it.
    Scene scene(1);
    const int64_t n = Scene::frames + 2 * scene.margin, m = scene.margin;
    AudioBuffer voice(1, n), bed = noise(1, n, 1e-4f);
    const AudioBuffer tone = sine(300, 0.2, 48000, n), hiss = noise(1, n, 0.2f);
    const int64_t consonant = m + 4000, click = m + 34000;
    for (int64_t i = consonant + 1440; i < consonant + 8000; ++i)
        voice.samples()[size_t(i)] = tone.samples()[size_t(i)];
    for (int64_t at : {consonant, click})
        for (int64_t i = at; i < at + 1440; ++i)  // first differences twice: nothing much below 4 kHz
            bed.samples()[size_t(i)] +=
                0.5f * (hiss.samples()[size_t(i)] - 2 * hiss.samples()[size_t(i - 1)] + hiss.samples()[size_t(i - 2)]);
    scene.stems = {voice, AudioBuffer(1, n), bed};
    scene.source = sumOf(scene.stems);
    const auto kept = [&](double guard, int64_t at) {  // energy of the burst that the voice has, dB below the burst
        const AudioBuffer out = scene.apply(strength(kFullDepth, 0, guard))[0];
        return levelDb(out.slice(at - m, 1440)) - levelDb(scene.source.slice(at, 1440));
    };
    EXPECT_LT(kept(0, consonant), -20);
    EXPECT_GT(kept(50, consonant), -10);
    EXPECT_GT(kept(100, consonant), -3);
    EXPECT_LT(kept(100, click), -30);
}

TEST(IsolationSettings, TheTableCarriesValuesThroughTextAndJson) {
    for (const auto& p : isolationParameters())
        for (double v = p.minimum; v <= p.maximum; v += 7 * p.step)
            EXPECT_DOUBLE_EQ(parseValue(p, describeValue(p, v)), v) << p.id;
    IsolationSettings s;
    s.depth = 17.5;
    s.firmness = -20;
    s.onsetGuard = 35;
    s.steadiness = 80;
    EXPECT_EQ(isolationFromJson(toJson(s)), s);
    EXPECT_EQ(isolationFromJson(toJson(IsolationSettings{})), IsolationSettings{});
    EXPECT_EQ(toJson(IsolationSettings{}).at("depth_db"), "full");
}

TEST(IsolationSettings, OutOfRangeIsRefused) {
    const auto& depth = isolationParameters()[0];
    for (const char* text : {"", "loud", "-1", "75", "nan", "12 dBx"})
        EXPECT_THROW(parseValue(depth, text), Error) << text;
    EXPECT_THROW(isolationFromJson({{"firmness", 300}}), Error);
}

TEST(Isolator, WhatDistractsAndThePlaceStayAsLoudAsWanted) {
    Scene scene;
    AudioBuffer events = scene.stems[2];
    for (size_t i = 0; i < events.samples().size(); ++i) events.samples()[i] *= float(i % 7 == 0);
    const auto block = [&] {
        StemBlock b{scene.source, scene.stems, {}};
        b.events = events;
        return b;
    };
    const auto expectResult = [&](const StrengthTimeline& timeline, const auto& wanted, int stem = 0) {
        const auto out = scene.isolator.apply(timeline, stem, 0, block());
        for (int64_t i = 0; i < Scene::frames; i += 37) {
            const size_t at = size_t(i + scene.margin);
            const auto of = [&](const AudioBuffer& b) { return double(b.channel(1)[at]); };
            const double e = of(events), bed = of(scene.stems[2]) - e;
            ASSERT_NEAR(out.result.channel(1)[size_t(i)],
                        wanted(of(scene.stems[size_t(stem)]), of(scene.stems[1]), e, bed), 1e-6)
                << toJson(timeline.base);
            double sum = 0;
            for (const auto& s : out.stems) sum += double(s.channel(1)[size_t(i)]);
            ASSERT_NEAR(sum, of(scene.source), 1e-6) << "what the result keeps the ambience loses";
        }
    };
    IsolationSettings s;
    expectResult(s, [](double v, double, double, double) { return v; });
    s.distractions = -20, s.place = -6;
    expectResult(s, [](double v, double, double e, double b) { return v + 0.1 * e + fromDb(-6.0) * b; });
    // Never less than Depth leaves.
    s.depth = 12;
    expectResult(s,
                 [](double v, double m, double e, double b) { return v + fromDb(-12.0) * (m + e) + fromDb(-6.0) * b; });
    // Balance turns what is left of the bed; drawn over time it counts as well.
    s = {}, s.balance = -12;
    StrengthTimeline drawn(s);
    drawn.drawn["place_db"] = {{0, -6}, {10, -6}};
    expectResult(drawn,
                 [](double v, double, double, double b) { return fromDb(-6.0) * v + fromDb(6.0) * fromDb(-6.0) * b; });
    EXPECT_TRUE(keepsOfAmbience(drawn));
    // Where the ambience is wanted, nothing of it is taken away or given back.
    s = {}, s.place = s.distractions = 0;
    expectResult(
        s, [](double v, double, double, double) { return v; }, 2);
    // Without its parts there is nothing to keep.
    const auto plain = scene.isolator.apply(StrengthTimeline(s), 0, 0, StemBlock{scene.source, scene.stems, {}});
    EXPECT_LE(differenceDb(plain.result, scene.stems[0].slice(scene.margin, Scene::frames)), kSilenceDb);
}

TEST(Isolator, APartIsWantedLikeAStem) {
    Scene scene;
    const auto divided = [&](int stem, size_t parts) {
        StemBlock b{scene.source, scene.stems, {}};
        b.divided = stem;
        AudioBuffer last = scene.stems[size_t(stem)];
        for (size_t p = 0; p + 1 < parts; ++p) {
            b.parts.push_back(noise(2, last.frames(), 0.01f * float(p + 1), 20 + unsigned(p)));
            for (size_t i = 0; i < last.samples().size(); ++i) last.samples()[i] -= b.parts[p].samples()[i];
        }
        b.parts.push_back(last);
        return b;
    };
    const auto inside = [&](const AudioBuffer& b) { return b.slice(scene.margin, Scene::frames); };
    const auto expectSum = [](const std::vector<AudioBuffer>& parts, const AudioBuffer& whole, const char* of) {
        AudioBuffer sum = parts[0];
        for (size_t p = 1; p < parts.size(); ++p)
            for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += parts[p].samples()[i];
        EXPECT_LT(differenceDb(sum, whole), -120) << of;
    };
    for (const auto& [name, stem, parts] : {std::tuple("drums", 1, 5u), std::tuple("events", 2, 2u)}) {
        const StemBlock block = divided(stem, parts);
        const size_t place = size_t(partPlace(name));
        IsolationSettings s;
        s.stem = name;
        // The network's plain answer; the stems stay three.
        auto out = scene.isolator.apply(StrengthTimeline(s), stem, 0, block);
        ASSERT_EQ(out.stems.size(), 3u);
        ASSERT_EQ(out.parts.size(), parts);
        EXPECT_LE(differenceDb(out.result, inside(block.parts[place])), kSilenceDb);
        EXPECT_EQ(out.wanted(name).samples().data(), out.parts[place].samples().data());
        EXPECT_LT(differenceDb(out.stems[size_t(stem)], inside(scene.stems[size_t(stem)])), -120);
        // Depth lets the rest of the reel back in, of all stems alike.
        s.depth = 20;
        out = scene.isolator.apply(StrengthTimeline(s), stem, 0, block);
        AudioBuffer deep = inside(block.parts[place]);
        const AudioBuffer x = inside(scene.source);
        for (size_t i = 0; i < deep.samples().size(); ++i)
            deep.samples()[i] += 0.1f * (x.samples()[i] - deep.samples()[i]);
        EXPECT_LT(differenceDb(out.result, deep), -100);
        expectSum(out.stems, x, name);
        expectSum(out.parts, out.stems[size_t(stem)], name);
        // Firmness decides between it and everything else, and what another strength remembered is no part of that.
        s.firmness = 60;
        scene.isolator.keepFrames();
        const auto firm = scene.isolator.apply(StrengthTimeline(s), stem, 0, block);
        expectSum(firm.stems, x, name);
        EXPECT_GT(differenceDb(firm.result, out.result), -60);
        IsolationSettings voice;
        voice.firmness = 60;
        scene.isolator.apply(StrengthTimeline(voice), 0, 0, StemBlock{scene.source, scene.stems, {}});
        const auto again = scene.isolator.apply(StrengthTimeline(s), stem, 0, block);
        EXPECT_LE(differenceDb(again.result, firm.result), kSilenceDb);
        // What is weighed are its own shares among all.
        std::vector<AudioBuffer> all = scene.stems;
        all.erase(all.begin() + stem);
        all.insert(all.begin() + stem, block.parts.begin(), block.parts.end());
        const SpanCells own = scene.isolator.cells(StrengthTimeline(s), stem, 0, block),
                        expected = scene.isolator.cells(stem + int(place), 0, Scene::frames, scene.source, all);
        EXPECT_EQ(own.groups[0].share, expected.groups[0].share);
    }
    // Without its parts it is the stem.
    IsolationSettings s;
    s.stem = "drums";
    const auto plain = scene.isolator.apply(StrengthTimeline(s), 1, 0, StemBlock{scene.source, scene.stems, {}});
    EXPECT_LE(differenceDb(plain.result, inside(scene.stems[1])), kSilenceDb);
    EXPECT_EQ(plain.wanted("drums").samples().data(), plain.stems[1].samples().data());
}

TEST(IsolationSettings, TheTwoWordsAreWrittenAndRead) {
    const auto& table = isolationParameters();
    const auto& place =
        *std::find_if(table.begin(), table.end(), [](const auto& p) { return p.value == &IsolationSettings::place; });
    EXPECT_EQ(describeValue(place, kAsDepth), "as Depth");
    EXPECT_EQ(describeValue(place, -6), "-6.0 dB");
    EXPECT_EQ(parseValue(place, "as Depth"), kAsDepth);
    EXPECT_EQ(parseValue(place, "-6 dB"), -6);
    EXPECT_THROW(parseValue(place, "3"), Error);
    IsolationSettings s;
    s.place = -6, s.distractions = -20;
    EXPECT_EQ(isolationFromJson(toJson(s)), s);
    EXPECT_EQ(isolationFromJson(nlohmann::json::object()).place, kAsDepth) << "of sessions from before";
}

TEST(IsolationSettings, NothingLiesBetweenTheLastFigureOfDepthAndFull) {
    const IsolationParameter& depth = isolationParameters()[0];
    EXPECT_EQ(settledValue(depth, 60.5, 60), kFullDepth) << "on the way up";
    EXPECT_EQ(settledValue(depth, 60.5, kFullDepth), 60) << "on the way down";
    EXPECT_EQ(settledValue(depth, 59.5, 60), 59.5);
    EXPECT_EQ(settledValue(isolationParameters()[1], 60.5, 0), 60.5);
    // What a session may hold since a slider stood there can be written and read again.
    IsolationSettings settings;
    settings.depth = 60.5;
    EXPECT_EQ(isolationFromJson(toJson(settings)).depth, kFullDepth);
    EXPECT_EQ(isolationFromJson({{"depth_db", 60.5}}).depth, kFullDepth);
    EXPECT_THROW(isolationFromJson({{"depth_db", 61.5}}), Error);
    EXPECT_EQ(describeValue(depth, 60.5), "full");
}
