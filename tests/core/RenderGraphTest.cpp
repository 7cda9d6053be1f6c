#include <gtest/gtest.h>

#include "StoredReel.h"
#include "core/rebuild/ClipEdits.h"
#include "core/rebuild/RenderGraph.h"
#include "core/rebuild/StripLevels.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = StoredReel::kRate;
constexpr int64_t kFrames = StoredReel::kFrames;

struct RenderGraphs : testing::Test, StoredReel {
    std::shared_ptr<Materials> materials = std::make_shared<Materials>(material(), true);

    AudioBuffer render(const Rebuild& r, int threads = 1, int64_t piece = 1000, int64_t first = 0,
                       int64_t count = kFrames, int64_t runIn = 0) {
        RenderGraph graph(r, materials, {threads, 2});
        graph.seek(first, runIn);
        AudioBuffer all(2, 0);
        for (int64_t at = 0; at < count; at += piece) all.append(graph.next(std::min(piece, count - at)));
        return all;
    }
    static bool same(const AudioBuffer& a, const AudioBuffer& b) {
        return a.frames() == b.frames() && std::equal(a.samples().begin(), a.samples().end(), b.samples().begin());
    }
    /// Everything at once.
    Rebuild busy() {
        Rebuild r = plainRebuild(double(kFrames) / kRate, false);
        r.groups.push_back({"group-1", "bed", {}});
        r.lanes[1].edit().group = r.lanes[2].edit().group = "group-1";
        r.lanes[0].edit().strip.chain = voiceChain();
        r.lanes[0].edit().strip.chain.gate = r.lanes[0].edit().strip.chain.room = true;
        r.lanes[1].edit().duck.on = true;
        r.lanes[1].edit().duck.key = r.lanes[0]->id;
        r.lanes[2].edit().strip.automation["level"] = {{0.5, 0}, {1.5, -20}, {2, 3}};
        r.lanes[2].edit().strip.pan = 30;
        r.groups[0].strip.chain.compressor = true;
        r.mix.chain.limiter = true;
        const std::string right = cutClip(r, r.lanes[1]->clips[0].id, 1.2);
        crossFade(r, r.lanes[1]->clips[0].id, 0.3, FadeShape::EqualPower);
        return r;
    }
};

}  // namespace

TEST_F(RenderGraphs, APlainRebuildIsTheRecording) {
    const AudioBuffer mix = render(plainRebuild(double(kFrames) / kRate, false));
    EXPECT_LT(differenceDb(mix, source), -120);
}

TEST_F(RenderGraphs, TheAnswerDoesNotDependOnBlocksOrThreads) {
    const Rebuild r = busy();
    const AudioBuffer once = render(r, 1, kFrames);
    EXPECT_TRUE(same(once, render(r, 1, 512)));
    EXPECT_TRUE(same(once, render(r, 1, 77)));
    EXPECT_TRUE(same(once, render(r, 2, 4096)));
    EXPECT_TRUE(same(once, render(r, 4, 333)));
}

TEST_F(RenderGraphs, BegunElsewhereItSoundsTheSameAfterARunIn) {
    const Rebuild r = busy();
    const AudioBuffer whole = render(r), part = render(r, 2, 512, 2 * kRate, kRate, 2 * kRate);
    EXPECT_LT(differenceDb(whole.slice(2 * kRate, kRate), part), -80);
    // What has no memory is the same to the bit.
    Rebuild plain = plainRebuild(3, false);
    plain.lanes[0].edit().strip.automation["level"] = {{0.5, 0}, {2.5, -20}};
    EXPECT_TRUE(same(render(plain).slice(70001, 9000), render(plain, 1, 512, 70001, 9000)));
}

TEST_F(RenderGraphs, ChainsAndGroupsCostNoTime) {
    // One lane with a chain in a group against one without: the same click lies at the same frame.
    source = AudioBuffer(2, kFrames);
    source.channel(0)[50000] = source.channel(1)[50000] = 0.25f;
    Rebuild r = plainRebuild(3, false);
    for (size_t l = 0; l < 3; ++l) r.lanes[l].edit().clips[0].material = "source";
    r.groups.push_back({"group-1", "g", {}});
    r.lanes[0].edit().strip.chain.limiter = true;
    r.lanes[1].edit().group = "group-1";
    r.groups[0].strip.chain.limiter = true;
    r.lanes[2].edit().duck = {true, r.lanes[0]->id, false, -80, 0, 37, 10, 100, 100};
    r.mix.chain.limiter = true;
    r.mix.chain.ceiling = 0;
    const AudioBuffer mix = render(r);
    EXPECT_NEAR(mix.channel(0)[50000], 0.75, 1e-5);
    EXPECT_NEAR(levelDb(mix), levelDb(source) + toDb(3), 0.01);
}

TEST_F(RenderGraphs, ClipsLieWhereTheyAreToTheSample) {
    Rebuild r = plainRebuild(3, false);
    for (size_t l = 1; l < 4; ++l) r.lanes[l].edit().clips.clear();
    Clip& c = r.lanes[0].edit().clips[0];
    c.material = "source";
    c.at = 0.5, c.offset = 1, c.length = 0.25, c.gain = -6;
    const AudioBuffer mix = render(r);
    for (int64_t i = 0; i < kFrames; ++i) {
        const bool inside = i >= kRate / 2 && i < kRate * 3 / 4;
        ASSERT_NEAR(mix.channel(1)[size_t(i)],
                    inside ? float(fromDb(-6)) * source.channel(1)[size_t(i + kRate / 2)] : 0.0f, 1e-7)
            << i;
    }
}

TEST_F(RenderGraphs, LoopsHaveNoClickAtTheirSeam) {
    source = sine(441, 0.3, kRate, kFrames, 2);
    Rebuild r = plainRebuild(3, false);
    for (size_t l = 1; l < 4; ++l) r.lanes[l].edit().clips.clear();
    Clip& c = r.lanes[0].edit().clips[0];
    c.material = "source";
    c.loopFrom = 0.5, c.loopTo = 0.9123, c.length = 2.9;
    const AudioBuffer mix = render(r);
    double step = 0;
    for (int64_t i = 1; i < 2 * kRate; ++i)
        step = std::max(step, std::fabs(double(mix.channel(0)[size_t(i)]) - mix.channel(0)[size_t(i - 1)]));
    EXPECT_LT(step, 1.6 * 0.3 * 2 * std::numbers::pi * 441 / kRate);
    EXPECT_GT(levelDb(mix.slice(2 * kRate, kRate / 2)), levelDb(source) - 1);
}

// ITU-R BS.775 and common practice for pan: equal power.
TEST_F(RenderGraphs, PanAndWidth) {
    for (double pan : {-100.0, -50.0, 0.0, 25.0, 100.0}) {
        const auto [l, r] = panGains(pan);
        EXPECT_NEAR(l * l + r * r, 2, 1e-12);
    }
    Rebuild r = plainRebuild(3, false);
    for (size_t l = 1; l < 4; ++l) r.lanes[l].edit().clips.clear();
    r.lanes[0].edit().clips[0].material = "source";
    r.lanes[0].edit().strip.width = 0;
    const AudioBuffer mono = render(r);
    EXPECT_TRUE(std::equal(mono.channel(0).begin(), mono.channel(0).end(), mono.channel(1).begin()));
    EXPECT_NEAR(mono.channel(0)[1000], (source.channel(0)[1000] + source.channel(1)[1000]) / 2, 1e-6);
    r.lanes[0].edit().strip.width = 100;
    r.lanes[0].edit().strip.pan = 100;
    const AudioBuffer right = render(r);
    EXPECT_LT(toDb(peakOf(right.channel(0))), -100);
    // A mono sound lies in both channels at -3.01 dB.
    writeWav(folder / "line.wav", sine(500, 0.5, kRate, kRate), kRate);
    r.sounds.push_back({"sound-1", "line", folder / "line.wav"});
    r.lanes[0].edit().strip.pan = 0;
    r.lanes[0].edit().clips[0].material = "sound-1";
    const AudioBuffer line = render(r);
    EXPECT_NEAR(toDb(peakOf(line.channel(0))) - toDb(0.5), -3.01, 0.01);
}

TEST_F(RenderGraphs, MutesSolosAndChangesAreFaded) {
    Rebuild r = plainRebuild(3, false);
    r.lanes[0].edit().strip.solo = true;
    EXPECT_LT(differenceDb(render(r).slice(0, 3 * kRate), stems[0].slice(0, 3 * kRate)), -120) << "solo";
    r.lanes[0].edit().strip.solo = false;
    r.lanes[1].edit().strip.mute = true;
    RenderGraph graph(r, materials, {1, 2});
    graph.seek(0, 0);
    AudioBuffer all = graph.next(10000);
    Rebuild other = r;
    other.lanes[0].edit().strip.level = -12;
    other.lanes[2].edit().clips[0].gain = -20;
    ASSERT_TRUE(graph.update(other));
    all.append(graph.next(10000));
    const AudioBuffer before = render(r), after = render(other);
    EXPECT_TRUE(same(all.slice(0, 9000), before.slice(0, 9000)));
    EXPECT_LT(differenceDb(all.slice(12000, 8000), after.slice(12000, 8000)), -120);
    other.lanes.pop_back();
    EXPECT_FALSE(graph.update(other)) << "another set of lanes is another graph";
}

TEST_F(RenderGraphs, DuckingFollowsItsKeyAheadOfTime) {
    // The key speaks from 1 s to 2 s; the bed is a steady tone.
    source = AudioBuffer(2, kFrames);
    AudioBuffer bed = sine(200, 0.2, kRate, kFrames, 2);
    for (int64_t i = kRate; i < 2 * kRate; ++i)
        source.channel(0)[size_t(i)] = source.channel(1)[size_t(i)] = float(0.3 * std::sin(0.09 * double(i)));
    writeWav(folder / "bed.wav", bed, kRate);
    Rebuild r = plainRebuild(3, false);
    r.sounds.push_back({"sound-1", "bed", folder / "bed.wav"});
    r.lanes[0].edit().clips[0].material = "source";
    r.lanes[1].edit().clips[0].material = "sound-1";
    r.lanes[2].edit().clips.clear();
    r.lanes[3].edit().clips.clear();
    r.lanes[1].edit().duck = {true, r.lanes[0]->id, true, -45, 10, 50, 10, 100, 300};
    r.lanes[0].edit().strip.level = -6;
    AudioBuffer ducked(2, 0);
    RenderGraph graph(r, materials, {2, 2});
    graph.setTap([&](size_t lane, int64_t first, const AudioBuffer& sound, const auto&) {
        if (lane == 1 && first >= 0) ducked.append(sound);
    });
    graph.seek(0, 0);
    graph.next(kFrames);
    const auto level = [&](double from, double to) {
        return levelDb(ducked.slice(int64_t(from * kRate), int64_t((to - from) * kRate))) - levelDb(bed);
    };
    EXPECT_NEAR(level(0.5, 0.9), 0, 0.1);
    EXPECT_NEAR(level(1.1, 1.9), -10, 0.3);
    EXPECT_LT(level(0.985, 1.0), -6) << "it is down already when the word begins";
    EXPECT_GT(level(2.8, 2.95), -1.5);
    const DrawnCurve curve = duckCurve(r, r.lanes[1]->id, materials, 2, {});
    EXPECT_NEAR(drawnAt(curve, 1.5), -10, 0.2);
    EXPECT_NEAR(drawnAt(curve, 0.5), 0, 0.01);
    // In a circle nobody waits for ever.
    r.lanes[0].edit().duck = {true, r.lanes[1]->id, true, -45, 10, 50, 10, 100, 300};
    EXPECT_EQ(render(r).frames(), kFrames);
}

TEST_F(RenderGraphs, SoundsAtAnotherRateAreConverted) {
    writeWav(folder / "cue.wav", sine(1000, 0.5, 44100, 44100, 2), 44100);
    Rebuild r = plainRebuild(3, false);
    for (auto& l : r.lanes) l.edit().clips.clear();
    r.sounds.push_back({"sound-1", "cue", folder / "cue.wav"});
    Clip c;
    c.id = "clip-9", c.material = "sound-1", c.length = 0.9;
    r.lanes[0].edit().clips = {c};
    const AudioBuffer mix = render(r);
    const AudioBuffer tone = sine(1000, 0.5, kRate, kRate, 2);
    EXPECT_LT(differenceDb(mix.slice(5000, 30000), tone.slice(5000, 30000)), -80);
    EXPECT_TRUE(soundAtRate(folder / "cue.wav", kRate));
    r.sounds[0].file = folder / "gone.wav";
    RenderGraph graph(r, materials, {1, 2});
    graph.next(1000);
    EXPECT_TRUE(graph.failed());
    try {
        renderMix(r, materials, {1, 2}, 0, 1000, [](const AudioBuffer&) {}, {});
        FAIL() << "a missing sound must not be left out in silence";
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("gone.wav"), std::string::npos) << e.what();
    }
}

TEST_F(RenderGraphs, RendersInOrderAndCanBeCancelled) {
    const Rebuild r = busy();
    AudioBuffer all(2, 0);
    renderMix(r, materials, {2, 2}, 0, kFrames, [&](const AudioBuffer& b) { all.append(b); }, {});
    EXPECT_TRUE(same(all, render(r)));
    Progress stop;
    stop.cancel();
    EXPECT_THROW(renderMix(
                     r, materials, {2, 2}, 0, kFrames, [](const AudioBuffer&) {}, stop),
                 Error);
}
