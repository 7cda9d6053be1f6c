// Mixes with a format of their own: lanes placed in loudspeakers and ambisonics, folded, delivered.
#include <gtest/gtest.h>

#include <cmath>

#include "StoredReel.h"
#include "core/base/Error.h"
#include "core/delivery/DeliveryRender.h"
#include "core/loudness/Loudness.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/RenderGraph.h"
#include "core/space/FoldedSource.h"
#include "core/space/Placer.h"
#include "core/space/SphericalHarmonics.h"
#include "playback/MixFeed.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = StoredReel::kRate;
constexpr int64_t kFrames = StoredReel::kFrames;

struct PlacedMix : testing::Test, StoredReel {
    std::shared_ptr<Materials> materials = std::make_shared<Materials>(material(), true);

    static Rebuild plain(MixFormat format) {
        Rebuild r = plainRebuild(double(kFrames) / kRate, false);
        r.format = format;
        return r;
    }
    /// Only the music, as a point.
    static Rebuild musicAt(MixFormat format, const Position& position) {
        Rebuild r = plain(format);
        r.lanes[0].edit().strip.mute = r.lanes[2].edit().strip.mute = true;
        Strip& strip = r.lanes[1].edit().strip;
        static_cast<Position&>(strip) = position;
        strip.width = 0;
        return r;
    }
    AudioBuffer render(const Rebuild& r, int threads = 1, int64_t piece = 1000, int64_t first = 0,
                       int64_t count = kFrames, int64_t runIn = 0) {
        RenderGraph graph(r, materials, {threads, 2});
        graph.seek(first, runIn);
        AudioBuffer all(graph.outputs(), 0);
        for (int64_t at = 0; at < count; at += piece) all.append(graph.next(std::min(piece, count - at)));
        return all;
    }
    AudioBuffer sumOfMusic() const {
        AudioBuffer one(1, kFrames);
        for (int64_t i = 0; i < kFrames; ++i)
            one.channel(0)[size_t(i)] = stems[1].channel(0)[size_t(i)] + stems[1].channel(1)[size_t(i)];
        return one;
    }
    static AudioBuffer channel(const AudioBuffer& all, int c) {
        AudioBuffer one(1, all.frames());
        std::copy(all.channel(c).begin(), all.channel(c).end(), one.channel(0).begin());
        return one;
    }
    static AudioBuffer times(AudioBuffer x, double gain) {
        for (float& v : x.samples()) v = float(v * gain);
        return x;
    }
};

}  // namespace

TEST_F(PlacedMix, WhatIsNotMovedIsTheRecordingInItsOwnLoudspeakers) {
    for (MixFormat format : {MixFormat::Stereo, MixFormat::Lcr, MixFormat::Surround51, MixFormat::Surround714}) {
        const AudioBuffer mix = render(plain(format));
        ASSERT_EQ(mix.channels(), mixFormatFacts(format).channels);
        for (int c = 0; c < mix.channels(); ++c)
            EXPECT_LT(differenceDb(channel(mix, c), c < 2 ? channel(source, c) : AudioBuffer(1, kFrames)), -115)
                << mixFormatFacts(format).id << " " << c;
    }
}

TEST_F(PlacedMix, ALaneSoundsWhereItStands) {
    const AudioBuffer mix = render(musicAt(MixFormat::Surround51, {110, 0, 1, 0}));
    for (int c = 0; c < 6; ++c)
        EXPECT_LT(differenceDb(channel(mix, c), c == 4 ? sumOfMusic() : AudioBuffer(1, kFrames)), -115) << c;
    // Two metres away it is half as loud, and duller.
    const AudioBuffer far = render(musicAt(MixFormat::Surround51, {110, 0, 2, 0}));
    EXPECT_LT(differenceDb(channel(far, 4), times(sumOfMusic(), 0.5)), -40) << "a metre of air takes hardly anything";
    const AudioBuffer sphere = render(musicAt(MixFormat::Ambix3, {90, 45, 1, 0}));
    const auto y = sphericalHarmonics(3, {90, 45});
    ASSERT_EQ(sphere.channels(), 16);
    for (int c = 0; c < 16; ++c)
        EXPECT_LT(differenceDb(channel(sphere, c), times(sumOfMusic(), y[size_t(c)])), -115) << c;
}

TEST_F(PlacedMix, AirTakesWhatIso9613SaysAtEightKilohertz) {
    const AudioBuffer tone = sine(8000, 0.5, kRate, kRate);
    for (double metres : {1.0, 11.0, 51.0}) {
        Placer placer(MixFormat::Mono, 1, kRate);
        const AudioBuffer out = placer.process(tone, 0, [&](double) { return Placer::Where{{0, 0, metres, 0}, 100}; });
        double kept = 0, all = 0;
        for (int64_t i = kRate / 2; i < kRate; ++i)
            kept += std::pow(out.channel(0)[size_t(i)], 2), all += std::pow(tone.channel(0)[size_t(i)], 2);
        const double db = powerDb(kept / all);
        EXPECT_NEAR(db, toDb(distanceGain(metres)) - (metres - 1) * airAbsorption(8000), 0.05) << metres;
    }
}

TEST_F(PlacedMix, NeitherBlocksNorThreadsNorTheBeginningMatter) {
    Rebuild r = plain(MixFormat::Surround714);
    r.groups.push_back({"group-1", "bed", {}});
    r.groups[0].strip.chain.compressor = true;
    r.lanes[1].edit().group = r.lanes[2].edit().group = "group-1";
    r.lanes[0].edit().strip.chain.gate = true;
    r.lanes[1].edit().duck.on = true;
    r.lanes[1].edit().duck.key = r.lanes[0]->id;
    r.lanes[1].edit().strip.automation["azimuth"] = {{0.2, -150}, {2, 150}};
    r.lanes[2].edit().strip.automation["distance"] = {{0.5, 1}, {1.5, 20}};
    r.lanes[0].edit().strip.elevation = 40;
    r.lanes[0].edit().strip.spread = 60;
    r.mix.chain.limiter = true;
    const AudioBuffer whole = render(r);
    const AudioBuffer other = render(r, 2, 317);
    EXPECT_TRUE(std::equal(whole.samples().begin(), whole.samples().end(), other.samples().begin()));
    const AudioBuffer late = render(r, 1, 480, kRate, kRate / 2, kRate);
    EXPECT_LT(differenceDb(late, whole.slice(kRate, kRate / 2)), -60);
}

TEST_F(PlacedMix, DuckingDoesNotDependOnTheFormat) {
    const auto curve = [&](MixFormat format) {
        Rebuild r = plain(format);
        r.lanes[1].edit().duck.on = true;
        r.lanes[1].edit().duck.voice = false;
        r.lanes[1].edit().duck.threshold = -12;
        r.lanes[1].edit().duck.key = r.lanes[0]->id;
        r.lanes[0].edit().strip.distance = 4;
        return duckCurve(r, r.lanes[1]->id, materials, 2, {});
    };
    const DrawnCurve plainly = curve(MixFormat::Reel);
    EXPECT_FALSE(plainly.empty());
    EXPECT_EQ(curve(MixFormat::Surround714), plainly);
    EXPECT_EQ(curve(MixFormat::Ambix5), plainly);
}

TEST_F(PlacedMix, AMoveMakesNoClick) {
    const auto steepest = [](const AudioBuffer& x) {
        double most = 0;
        for (int c = 0; c < x.channels(); ++c)
            for (size_t i = 2; i < x.channel(c).size(); ++i)
                most =
                    std::max(most, std::fabs(double(x.channel(c)[i]) - 2 * x.channel(c)[i - 1] + x.channel(c)[i - 2]));
        return most;
    };
    stems[1] = sine(100, 0.5, kRate, kFrames, 2);
    store = StemStore::create(folder / "other", {kStemNames, kRate, 2, kFrames});
    store->append(StemBlock{stems[1], {AudioBuffer(2, kFrames), stems[1], AudioBuffer(2, kFrames)}, {}});
    store->finish();
    materials = std::make_shared<Materials>(material(), true);
    const double still = steepest(render(musicAt(MixFormat::Surround71, {})));
    Rebuild moving = musicAt(MixFormat::Surround71, {});
    moving.lanes[1].edit().strip.automation["azimuth"] = {{0.5, -170}, {0.6, 170}};
    EXPECT_LT(steepest(render(moving)), 20 * still) << "round the listener in a tenth of a second";
    // Set from one place to another while it plays.
    RenderGraph graph(musicAt(MixFormat::Surround71, {}), materials, {1, 2});
    graph.seek(0, 0);
    AudioBuffer all = graph.next(kRate);
    ASSERT_TRUE(graph.update(musicAt(MixFormat::Surround71, {-90, 0, 3, 0})));
    all.append(graph.next(kRate));
    EXPECT_LT(steepest(all), 30 * still);
    EXPECT_FALSE(graph.update(musicAt(MixFormat::Surround51, {}))) << "another format needs another graph";
}

TEST_F(PlacedMix, IsKeptInTheSession) {
    Rebuild r = musicAt(MixFormat::Ambix2, {-75, 12.5, 3.5, 40});
    r.lanes[1].edit().strip.automation["azimuth"] = {{0, 10}, {1, 20}};
    const auto json = toJson(r, "/");
    EXPECT_EQ(json.at("format"), "ambix-2");
    EXPECT_EQ(rebuildFromJson(json, "/"), r);
    EXPECT_FALSE(toJson(plain(MixFormat::Reel), "/").contains("format"));
    auto broken = json;
    broken["format"] = "9.1.6";
    EXPECT_THROW(rebuildFromJson(broken, "/"), Error);
    broken = json;
    broken["lanes"][1]["strip"]["azimuth"] = 400;
    EXPECT_THROW(rebuildFromJson(broken, "/"), Error);
}

TEST_F(PlacedMix, FoldsAsBs775Says) {
    const double half = std::sqrt(0.5);
    const auto of = [](MixFormat from, ChannelLayout to, const char* speaker) {
        const auto& speakers = speakersOf(from);
        AudioBuffer one(int(speakers.size()), 1);
        for (size_t c = 0; c < speakers.size(); ++c)
            if (std::string(speaker) == speakers[c].name) one.channel(int(c))[0] = 1;
        const AudioBuffer out = MixFold(from, 2, to)(one);
        std::vector<double> gains;
        for (int c = 0; c < out.channels(); ++c) gains.push_back(double(out.channel(c)[0]));
        return gains;
    };
    const auto expect = [](const std::vector<double>& gains, const std::vector<double>& wanted) {
        ASSERT_EQ(gains.size(), wanted.size());
        for (size_t i = 0; i < gains.size(); ++i) EXPECT_NEAR(gains[i], wanted[i], 1e-6) << i;
    };
    // ITU-R BS.775, annex 4: Lo = L + 0.7071 C + 0.7071 Ls; the LFE is left out.
    expect(of(MixFormat::Lcr, ChannelLayout::Stereo, "C"), {half, half});
    expect(of(MixFormat::Surround714, ChannelLayout::Stereo, "Ls"), {half, 0});
    expect(of(MixFormat::Surround714, ChannelLayout::Stereo, "LFE"), {0, 0});
    // Heights at -3.01 dB into those below (common practice).
    expect(of(MixFormat::Surround714, ChannelLayout::Stereo, "Ltf"), {half, 0});
    expect(of(MixFormat::Surround714, ChannelLayout::Surround71, "Rtb"), {0, 0, 0, 0, 0, half, 0, 0});
    expect(of(MixFormat::Surround514, ChannelLayout::Surround51, "Ltb"), {0, 0, 0, 0, half, 0});
    expect(of(MixFormat::Surround514, ChannelLayout::Mono, "L"), {0.5});
    // First order from loudspeakers, each where it stands.
    const auto y = sphericalHarmonics(1, {45, 30});
    expect(of(MixFormat::Surround714, ChannelLayout::AmbiX, "Ltf"), y);
    // Higher orders hold the lower ones; decoded, the left is at the left and the front in the middle.
    AudioBuffer left(16, 1), front(16, 1);
    for (int n = 0; n < 16; ++n) {
        left.channel(n)[0] = float(sphericalHarmonics(3, {60, 0})[size_t(n)]);
        front.channel(n)[0] = float(sphericalHarmonics(3, {0, 0})[size_t(n)]);
    }
    EXPECT_EQ(MixFold(MixFormat::Ambix3, 2, ChannelLayout::AmbiX)(left).channels(), 4);
    const AudioBuffer l = MixFold(MixFormat::Ambix3, 2, ChannelLayout::Stereo)(left),
                      f = MixFold(MixFormat::Ambix3, 2, ChannelLayout::Stereo)(front);
    EXPECT_GT(l.channel(0)[0], 2 * std::fabs(l.channel(1)[0]));
    EXPECT_NEAR(f.channel(0)[0], f.channel(1)[0], 0.01);
    FoldedSource heard(std::make_unique<BufferSource>(left, kRate), MixFormat::Ambix3, ChannelLayout::Stereo);
    EXPECT_EQ(heard.channels(), 2);
    EXPECT_EQ(heard.read(0, 1).channel(0)[0], l.channel(0)[0]);
}

TEST_F(PlacedMix, LoudnessWeighsWhatStandsAtTheSide) {
    // ITU-R BS.1770-4, annex 3: 1.41 between 60 and 120 degrees below 30 degrees of elevation, 1 elsewhere.
    const auto lufs = [](MixFormat format, const char* speaker) {
        const auto& speakers = speakersOf(format);
        AudioBuffer x(int(speakers.size()), 3 * kRate);
        const AudioBuffer tone = sine(997, 0.1, kRate, 3 * kRate);
        for (size_t c = 0; c < speakers.size(); ++c)
            if (std::string(speaker) == speakers[c].name)
                std::copy(tone.channel(0).begin(), tone.channel(0).end(), x.channel(int(c)).begin());
        LoudnessMeter meter(x.channels(), kRate, LoudnessMeter::Detail::LoudnessAndPeak);
        meter.add(x);
        return meter.integrated();
    };
    for (MixFormat format : {MixFormat::Surround514, MixFormat::Surround714}) {
        const double front = lufs(format, "L");
        EXPECT_NEAR(lufs(format, "Ls") - front, 1.49, 0.05);
        EXPECT_NEAR(lufs(format, "Ltf"), front, 0.01);
        EXPECT_NEAR(lufs(format, "C"), front, 0.01);
        EXPECT_LT(lufs(format, "LFE"), -100);
    }
    EXPECT_NEAR(lufs(MixFormat::Surround714, "Lb"), lufs(MixFormat::Surround714, "L"), 0.01);
    EXPECT_NEAR(lufs(MixFormat::Lcr, "C"), lufs(MixFormat::Lcr, "L"), 0.01);
}

TEST_F(PlacedMix, IsHeardFoldedAndOnHeadphones) {
    Rebuild r = musicAt(MixFormat::Surround71, {90, 0, 1, 0});
    auto plan = std::make_shared<MixPlan>();
    plan->rebuild = r;
    plan->materials = materials;
    MixFeed feed;
    feed.setPlan(plan);
    const auto heard = [&](int64_t from) {  // dB, left over right
        PlayBlock block(2, 1);
        std::array<double, 2> power{1e-12, 1e-12};
        for (int64_t at = from; at < from + kRate; at += PlayBlock::kFrames) {
            block.frames = PlayBlock::kFrames;
            feed.fill(block, at);
            for (size_t i = 0; i < block.mix.size(); ++i)
                power[i / PlayBlock::kFrames] += double(block.mix[i]) * block.mix[i];
        }
        return powerDb(power[0] / power[1]);
    };
    EXPECT_GT(heard(0), 60) << "the left side is folded to the left";
    const auto head = std::make_shared<HeadResponses>(HeadResponses::shipped(), kRate);
    feed.setHeadphones(head, 0);
    const double ears = heard(kRate);
    EXPECT_GT(ears, 3);
    EXPECT_LT(ears, 30) << "the right ear hears it as well";
    feed.setHeadphones(head, 90);
    EXPECT_NEAR(heard(0), 0, 2) << "it is in front of the turned head";
    feed.setHeadphones(nullptr, 0);
    EXPECT_GT(heard(kRate), 60);
    feed.close();
}

TEST_F(PlacedMix, LeavesTheHouseInItsOwnChannels) {
    Rebuild r = plain(MixFormat::Surround714);
    r.lanes[2].edit().strip.azimuth = 140;
    r.lanes[2].edit().strip.elevation = 20;
    DeliverySource reel{"The Night Ferry", "Reel 1", r, materials, 2, {}, {}};
    Deliverable d;
    d.name = "mix";
    d.loudness = -20;
    const auto make = [&](const char* folderName) { return deliver(d, reel, folder / folderName, false, {}); };
    const auto read = [](const DeliveryReport& report) {
        MediaReader reader(report.path);
        return reader.read(0, reader.frames());
    };
    DeliveryReport report = make("a");
    EXPECT_TRUE(report.passed()) << toJson(report).dump(1);
    EXPECT_NEAR(report.integrated.value_or(0), -20, 0.1);
    EXPECT_NE(report.format.find("7.1.4"), std::string::npos) << report.format;
    EXPECT_EQ(read(report).channels(), 12);
    d.layout = ChannelLayout::Surround51;
    report = make("b");
    EXPECT_TRUE(report.passed()) << toJson(report).dump(1);
    EXPECT_EQ(read(report).channels(), 6);
    // Ambisonics are measured as they are decoded.
    r.format = MixFormat::Ambix3;
    reel.rebuild = r;
    d.layout = ChannelLayout::Own;
    report = make("c");
    EXPECT_TRUE(report.passed()) << toJson(report).dump(1);
    const AudioBuffer sphere = read(report);
    ASSERT_EQ(sphere.channels(), 16);
    LoudnessMeter meter(8, kRate);
    const AudioBuffer decoded = MixFold(MixFormat::Ambix3, 2, ChannelLayout::Surround71)(sphere);
    meter.add(decoded);
    EXPECT_NEAR(meter.integrated(), -20, 0.2);
    EXPECT_LT(meter.truePeak(), d.ceiling + 0.1);
    d.layout = ChannelLayout::AmbiX;
    report = make("d");
    EXPECT_TRUE(report.passed()) << toJson(report).dump(1);
    EXPECT_EQ(read(report).channels(), 4);
}
