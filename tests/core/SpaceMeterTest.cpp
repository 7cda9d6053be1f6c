// What is told of a mix in space: levels by channel, likeness, energy over the sphere, and what is heard of it.
#include <gtest/gtest.h>

#include <cmath>

#include "StoredReel.h"
#include "core/space/HeadMessage.h"
#include "core/space/Placement.h"
#include "core/space/SpaceMeter.h"
#include "core/space/SphericalHarmonics.h"
#include "playback/MixFeed.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

/// A plane wave of noise with power 1 / 4.
AudioBuffer wave(int order, const Direction& from, unsigned seed = 1) {
    const AudioBuffer sound = noise(1, kRate, 0.5f, seed);
    const auto y = sphericalHarmonics(order, from);
    AudioBuffer out(int(y.size()), kRate);
    for (size_t n = 0; n < y.size(); ++n)
        for (size_t i = 0; i < out.channel(0).size(); ++i)
            out.channel(int(n))[i] = float(y[n] * double(sound.channel(0)[i]));
    return out;
}

SpaceReading reading(MixFormat format, const AudioBuffer& mix) {
    SpaceMeter meter(format, mix.channels(), kRate);
    for (int64_t at = 0; at < mix.frames(); at += 512)
        meter.add(mix.slice(at, std::min<int64_t>(512, mix.frames() - at)));
    return meter.read();
}

Direction loudest(const SphereMap& map, const std::vector<double>& energy) {
    const auto cell = int(std::max_element(energy.begin(), energy.end()) - energy.begin());
    return map.at(cell % map.columns(), cell / map.columns());
}

double degreesBetween(const Direction& a, const Direction& b) {
    return std::acos(std::clamp(dot(unitVector(a), unitVector(b)), -1.0, 1.0)) * 57.29577951;
}

}  // namespace

TEST(SpaceMeter, TellsEachChannelsPeakAndLoudness) {
    // EBU Tech 3341, case 1 by the channel: a sine of -23 dBFS in one channel alone reads 3.01 LU less than in both.
    AudioBuffer mix(6, 2 * kRate);
    const AudioBuffer tone = sine(1000, std::pow(10, -23.0 / 20), kRate, 2 * kRate);
    std::copy(tone.channel(0).begin(), tone.channel(0).end(), mix.channel(4).begin());
    // A true peak between samples: a quarter of the rate, 45 degrees off, shows 3.01 dB less in its samples.
    for (int64_t i = 0; i < mix.frames(); ++i)
        mix.channel(0)[size_t(i)] = float(std::sin(1.5707963 * double(i) + 0.785398));
    const SpaceReading r = reading(MixFormat::Surround51, mix);
    ASSERT_EQ(r.channels, 6);
    EXPECT_NEAR(r.loudness[4], -26.0, 0.1) << "without the weight of a surround";
    EXPECT_NEAR(r.truePeaks[4], -23, 0.1);
    EXPECT_NEAR(r.truePeaks[0], 0, 0.3);
    EXPECT_LT(r.truePeaks[1], -190);
    EXPECT_LT(r.loudness[1], -70);
}

TEST(SpaceMeter, TheWholeHasTheWeightsOfItsLoudspeakers) {
    // ITU-R BS.1770-4: a surround between 60 and 120 degrees weighs 1.41, the LFE nothing; EBU Tech 3341: a sine of -23
    // dBFS in one channel.
    const auto whole = [](MixFormat format, const std::vector<std::pair<int, double>>& gains) {
        AudioBuffer mix(mixFormatFacts(format).channels, 2 * kRate);
        const AudioBuffer tone = sine(1000, std::pow(10, -20.0 / 20), kRate, 2 * kRate);
        for (const auto& [c, gain] : gains)
            for (size_t i = 0; i < mix.channel(c).size(); ++i)
                mix.channel(c)[i] += float(gain * double(tone.channel(0)[i]));
        return reading(format, mix);
    };
    const double front = whole(MixFormat::Surround51, {{0, 1}}).integrated;
    EXPECT_NEAR(front, -23.0, 0.1);
    const SpaceReading side = whole(MixFormat::Surround51, {{4, 1}});
    EXPECT_NEAR(side.integrated - front, 1.5, 0.05);
    EXPECT_NEAR(side.momentary, side.integrated, 0.1);
    EXPECT_LT(whole(MixFormat::Surround51, {{3, 1}}).integrated, -60);
    // A plane wave from the front in third order, as it is decoded: about what one loudspeaker has.
    std::vector<std::pair<int, double>> wave;
    const auto y = sphericalHarmonics(3, {0, 0});
    for (size_t n = 0; n < y.size(); ++n) wave.emplace_back(int(n), y[n]);
    EXPECT_NEAR(whole(MixFormat::Ambix3, wave).integrated, front, 1.5);
}

TEST(SpaceMeter, APeakIsToldOnce) {
    SpaceMeter meter(MixFormat::Stereo, 2, kRate);
    meter.add(noise(2, 512, 0.5f));
    EXPECT_GT(meter.read().truePeaks[0], -20);
    meter.add(AudioBuffer(2, 4096));
    meter.read();
    meter.add(AudioBuffer(2, 512));
    EXPECT_LT(meter.read().truePeaks[0], -190);
}

TEST(SpaceMeter, TellsHowAlikeTwoChannelsAre) {
    const AudioBuffer a = noise(1, kRate, 0.3f, 1), b = noise(1, kRate, 0.3f, 2);
    AudioBuffer mix(6, kRate);
    for (size_t i = 0; i < mix.channel(0).size(); ++i) {
        mix.channel(0)[i] = a.channel(0)[i];
        mix.channel(1)[i] = -a.channel(0)[i] / 2;
        mix.channel(2)[i] = b.channel(0)[i];
        mix.channel(4)[i] = a.channel(0)[i] + b.channel(0)[i];
    }
    const SpaceReading r = reading(MixFormat::Surround51, mix);
    EXPECT_NEAR(r.correlation(0, 1), -1, 1e-3);
    EXPECT_NEAR(r.correlation(0, 2), 0, 0.05);
    EXPECT_NEAR(r.correlation(0, 4), std::sqrt(0.5), 0.05);
    EXPECT_EQ(r.correlation(0, 5), 0) << "with silence nothing is alike";
    EXPECT_NEAR(r.correlation(4, 4), 1, 1e-9);
}

TEST(SphereMap, APlaneWaveIsWhereItComesFrom) {
    for (const int order : {1, 3, 5})
        for (const Direction& from : {Direction{0, 0}, {75, 20}, {-140, -35}, {10, 80}, {180, 0}}) {
            const auto format = MixFormat(int(MixFormat::Ambix1) + order - 1);
            const SpaceReading r = reading(format, wave(order, from));
            const SphereMap map(format, r.channels, 72, 36);
            const auto energy = map.energy(r);
            EXPECT_LT(degreesBetween(loudest(map, energy), from), 4) << order << " " << from.azimuth;
            const double most = *std::max_element(energy.begin(), energy.end());
            EXPECT_NEAR(most / r.product(0, 0), 1, 0.03) << "a plane wave of power 1 has 1 there";
            const SphereMap::Whence w = map.whence(r);
            EXPECT_LT(degreesBetween(w.at, from), 0.5);
            EXPECT_NEAR(w.diffuseness, 0, 1e-3);
        }
}

TEST(SphereMap, HigherOrdersTellTwoApart) {
    const Direction a{40, 0}, b{-40, 0};
    const auto dip = [&](int order) {
        AudioBuffer mix = wave(order, a, 1);
        const AudioBuffer other = wave(order, b, 2);
        for (size_t i = 0; i < mix.samples().size(); ++i) mix.samples()[i] += other.samples()[i];
        const auto format = MixFormat(int(MixFormat::Ambix1) + order - 1);
        const SpaceReading r = reading(format, mix);
        const SphereMap map(format, r.channels, 72, 36);
        const auto energy = map.energy(r);
        const auto cell = [&](double azimuth) { return energy[size_t(18 * 72 + int((180 - azimuth) / 5))]; };
        EXPECT_NEAR(map.whence(r).at.azimuth, 0, 5) << "between them";
        EXPECT_GT(map.whence(r).diffuseness, 0.15);
        return cell(0) / cell(40);
    };
    EXPECT_GT(dip(1), 1) << "one blob";
    EXPECT_LT(dip(3), 0.7);
    EXPECT_LT(dip(5), 0.2);
}

TEST(SphereMap, FromEverywhereAlikeItIsDiffuse) {
    AudioBuffer mix(16, kRate);
    const auto all = evenDirections(64);
    for (size_t d = 0; d < all.size(); ++d) {
        const AudioBuffer one = wave(3, all[d], unsigned(d + 1));
        for (size_t i = 0; i < mix.samples().size(); ++i) mix.samples()[i] += one.samples()[i] / 8;
    }
    SpaceMeter meter(MixFormat::Ambix3, 16, kRate);
    meter.add(mix);
    const SpaceReading r = meter.read();
    const SphereMap map(MixFormat::Ambix3, 16, 36, 18);
    const auto energy = map.energy(r);
    const auto [least, most] = std::minmax_element(energy.begin(), energy.end());
    EXPECT_LT(*most / *least, 4);
    EXPECT_GT(map.whence(r).diffuseness, 0.9);
}

TEST(SphereMap, LoudspeakersAreWhereTheyStand) {
    for (MixFormat format : {MixFormat::Stereo, MixFormat::Surround51, MixFormat::Surround714}) {
        const auto& speakers = speakersOf(format);
        for (size_t c = 0; c < speakers.size(); ++c) {
            AudioBuffer mix(int(speakers.size()), kRate / 4);
            const AudioBuffer sound = noise(1, kRate / 4);
            std::copy(sound.channel(0).begin(), sound.channel(0).end(), mix.channel(int(c)).begin());
            const SpaceReading r = reading(format, mix);
            const SphereMap map(format, r.channels, 72, 36);
            const auto energy = map.energy(r);
            if (speakers[c].lfe) {
                EXPECT_EQ(*std::max_element(energy.begin(), energy.end()), 0);
                continue;
            }
            EXPECT_LT(degreesBetween(loudest(map, energy), speakers[c].at), 5) << speakers[c].name;
        }
    }
}

TEST(Placement, DivergenceLeavesTheCentreForBothSides) {
    // ITU-R BS.2127, objectDivergence: shares (1 - d) / (1 + d) and d / (1 + d) of the power (formula from memory).
    const Placement placement(MixFormat::Surround51, 1);
    const auto gains = [&](double percent) { return placement.gains({0, 0, 1, 0, percent}); };
    EXPECT_NEAR(gains(0)[2], 1, 1e-9);
    EXPECT_NEAR(gains(100)[2], 0, 1e-9);
    EXPECT_NEAR(gains(100)[0], std::sqrt(0.5), 1e-9) << "a phantom middle";
    EXPECT_NEAR(gains(100)[1], std::sqrt(0.5), 1e-9);
    for (double percent : {10.0, 50.0, 90.0}) {
        const auto g = gains(percent);
        const double d = percent / 100;
        EXPECT_NEAR(g[2] * g[2], (1 - d) / (1 + d), 1e-9);
        EXPECT_NEAR(g[0] * g[0], d / (1 + d), 1e-9);
        double power = 0;
        for (double v : g) power += v * v;
        EXPECT_NEAR(power, 1, 1e-9);
    }
    // Turned with its place: at the left side it comes from 60 and 120 degrees.
    const Placement sphere(MixFormat::Ambix3, 1);
    const auto aside = sphere.gains({90, 0, 1, 0, 100}), one = sphericalHarmonics(3, {60, 0}),
               other = sphericalHarmonics(3, {120, 0});
    for (size_t n = 0; n < 16; ++n) EXPECT_NEAR(aside[n], (one[n] + other[n]) / 2, 1e-9);
}

namespace {

struct Heard : testing::Test, StoredReel {
    std::shared_ptr<MixPlan> plan(MixFormat format, const Position& music) {
        Rebuild r = plainRebuild(double(kFrames) / kRate, false);
        r.format = format;
        r.lanes[0].edit().strip.mute = r.lanes[2].edit().strip.mute = true;
        static_cast<Position&>(r.lanes[1].edit().strip) = music;
        r.lanes[1].edit().strip.width = 0;
        auto p = std::make_shared<MixPlan>();
        p->rebuild = r;
        p->materials = std::make_shared<Materials>(material(), true);
        return p;
    }
    /// Power of left and right over half a second.
    static std::array<double, 2> heard(MixFeed& feed, int64_t from) {
        PlayBlock block(2, 1);
        std::array<double, 2> power{};
        for (int64_t at = from; at < from + kRate / 2; at += PlayBlock::kFrames) {
            block.frames = PlayBlock::kFrames;
            feed.fill(block, at);
            for (size_t i = 0; i < block.mix.size(); ++i)
                power[i / PlayBlock::kFrames] += double(block.mix[i]) * block.mix[i];
        }
        return power;
    }
};

}  // namespace

TEST_F(Heard, TheMonitorIsChosenApartFromTheMix) {
    MixFeed feed;
    feed.setPlan(plan(MixFormat::Surround714, {90, 0, 1, 0}));
    const auto own = heard(feed, 0);
    EXPECT_GT(own[0], 1e4 * own[1]) << "the left side is folded to the left";
    feed.setMonitor(ChannelLayout::Mono);
    const auto mono = heard(feed, kRate);
    EXPECT_NEAR(mono[0] / mono[1], 1, 1e-6);
    // On headphones as 5.1: the side is made by the surround behind it, so both ears hear another thing than of 7.1.4.
    const auto head = std::make_shared<HeadResponses>(HeadResponses::shipped(), kRate);
    feed.setHeadphones(head, 0);
    feed.setMonitor(ChannelLayout::Own);
    const auto sphere = heard(feed, 0);
    feed.setMonitor(ChannelLayout::Surround51);
    const auto ring = heard(feed, 0);
    feed.setMonitor(ChannelLayout::Stereo);
    const auto pair = heard(feed, 0);
    const auto aside = [](const std::array<double, 2>& p) { return 10 * std::log10(p[0] / p[1]); };
    EXPECT_GT(aside(sphere), aside(pair)) << "at 90 degrees more aside than at 30";
    EXPECT_GT(aside(ring), 2);
    EXPECT_NE(ring, sphere);
    feed.close();
}

TEST_F(Heard, IsMeasuredInItsOwnChannelsWhileItPlays) {
    MixFeed feed;
    feed.setPlan(plan(MixFormat::Ambix3, {-60, 30, 1, 0}));
    heard(feed, 0);
    EXPECT_EQ(feed.takeReading().channels, 0) << "nobody wants it";
    feed.setMeasured(MixFeed::Measured::Everything);
    heard(feed, kRate / 2);
    const SpaceReading r = feed.takeReading();
    ASSERT_EQ(r.channels, 16);
    const SphereMap map(r.format, 16, 72, 36);
    EXPECT_LT(degreesBetween(map.whence(r).at, {-60, 30}), 1);
    feed.setPlan(plan(MixFormat::Surround51, {110, 0, 1, 0}));
    heard(feed, kRate);
    const SpaceReading ring = feed.takeReading();
    ASSERT_EQ(ring.channels, 6);
    EXPECT_GT(ring.truePeaks[4], -40);
    EXPECT_LT(ring.truePeaks[0], -100);
    feed.close();
}

TEST_F(Heard, ARoomStaysAsLoudWhileTheVoiceGoesAway) {
    // A diffuse field does not depend on the distance; the direct sound falls by 6 dB a doubling.
    const auto render = [&](double metres, bool room, double level) {
        auto p = plan(MixFormat::Mono, {0, 0, metres, 0});
        Rebuild r = *p->rebuild;
        Strip& strip = r.lanes[1].edit().strip;
        strip.chain.room = room;
        strip.chain.roomLevel = level;
        RenderGraph graph(r, p->materials, {1, 2});
        graph.seek(0, 0);
        return graph.next(kRate);
    };
    const auto part = [&](double metres) {  // the room alone: with it, less without
        AudioBuffer with = render(metres, true, 0);
        const AudioBuffer without = render(metres, false, 0);
        for (size_t i = 0; i < with.samples().size(); ++i) with.samples()[i] -= without.samples()[i];
        double sum = 0;
        for (float v : with.samples()) sum += double(v) * v;
        return 10 * std::log10(sum);
    };
    const double near = part(1);
    EXPECT_NEAR(part(4), near, 0.5) << "but for what the air takes";
    const AudioBuffer silent = render(4, true, -60), plain = render(4, false, 0);
    EXPECT_LT(differenceDb(silent, plain), -40) << "the direct sound is as loud as without a room";
}

TEST_F(Heard, ARoomsDistanceMayMoveAndBlocksDoNotMatter) {
    auto p = plan(MixFormat::Surround51, {0, 0, 1, 0});
    Rebuild r = *p->rebuild;
    Strip& strip = r.lanes[1].edit().strip;
    strip.chain.room = true;
    strip.automation["distance"] = {{0.2, 1}, {1.5, 30}};
    strip.automation["divergence"] = {{0.2, 0}, {1.0, 100}};
    const auto render = [&](int threads, int64_t piece) {
        RenderGraph graph(r, p->materials, {threads, 2});
        graph.seek(0, 0);
        AudioBuffer all(graph.outputs(), 0);
        for (int64_t at = 0; at < 2 * kRate; at += piece)
            all.append(graph.next(std::min<int64_t>(piece, 2 * kRate - at)));
        return all;
    };
    const AudioBuffer a = render(1, 1000), b = render(2, 317);
    EXPECT_TRUE(std::equal(a.samples().begin(), a.samples().end(), b.samples().begin()));
}

TEST(HeadMessage, IsOpenSoundControl) {
    // OSC 1.0: the address in fours, ",f", a float with its highest byte first.
    const std::string wanted("/head/yaw\0\0\0,f\0\0\x42\x34\0\0", 20);
    EXPECT_EQ(messageOfYaw(45), wanted);
    EXPECT_EQ(yawOfMessage(wanted), 45.0);
    EXPECT_NEAR(yawOfMessage(messageOfYaw(270)).value_or(0), -90, 1e-6);
    for (const std::string& other :
         {std::string(), std::string("/head/yaw"), std::string("/head/pit\0\0\0,f\0\0\x42\x34\0\0", 20),
          wanted.substr(0, 16), std::string("/head/yaw\0\0\0,s\0\0left\0\0\0\0", 24),
          std::string("/head/yaw\0\0\0,f\0\0\x7f\xc0\0\0", 20), std::string(2000, 'x')})
        EXPECT_FALSE(yawOfMessage(other)) << other;
}
