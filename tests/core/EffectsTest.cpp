// Installed effects (LV2 1.18, lv2plug.in; read through lilv): listed, tried, at work in chains, and when they fail.
#include <gtest/gtest.h>
#include <signal.h>

#include "EffectFolder.h"
#include "StoredReel.h"
#include "core/audio/Decibel.h"
#include "core/effects/EffectTrial.h"
#include "core/rebuild/RenderGraph.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

AudioBuffer ramp(int channels, int64_t frames) {
    AudioBuffer out(channels, frames);
    for (int c = 0; c < channels; ++c)
        for (int64_t i = 0; i < frames; ++i) out.channel(c)[size_t(i)] = float(i % 97) / 100 - 0.4f * float(c);
    return out;
}

std::string sentenceOf(const std::function<void()>& work) {
    try {
        work();
    } catch (const Error& e) {
        return e.what();
    }
    return {};
}

}  // namespace

TEST(Effects, AreListedWithTheirClassAndWhatTheyLack) {
    const auto all = testEffects();
    ASSERT_EQ(all.size(), 7u);
    const EffectFacts gain = testEffect("gain"), needs = testEffect("needs"), late = testEffect("late");
    EXPECT_EQ(gain.name, "Plain gain");
    EXPECT_EQ(gain.kind, "Amplifier");
    EXPECT_EQ(gain.maker, "Rivlen tests");
    EXPECT_EQ(gain.inputs, 1);
    EXPECT_TRUE(gain.problem.empty());
    EXPECT_EQ(late.inputs, 2);
    EXPECT_EQ(late.outputs, 2);
    EXPECT_NE(needs.problem.find("a-thing-that-there-is-not"), std::string::npos);
}

TEST(Effects, DescribeTheirControlsAndPresets) {
    testEffects();
    const EffectFacts gain = EffectProcess("urn:rivlen-test:gain", "").describe();
    ASSERT_EQ(gain.controls.size(), 1u);
    const EffectControl& c = gain.controls[0];
    EXPECT_EQ(c.symbol, "gain");
    EXPECT_EQ(c.unit, "dB");
    EXPECT_EQ(c.minimum, -60);
    EXPECT_EQ(c.maximum, 24);
    EXPECT_EQ(c.text(-6.25), "-6.2 dB");
    EXPECT_EQ(c.parse("3.5 dB"), 3.5);
    EXPECT_NE(sentenceOf([&] { c.parse("30"); }).find("-60 to 24 dB"), std::string::npos);
    ASSERT_EQ(gain.presets.size(), 1u);
    EXPECT_EQ(gain.presets[0].name, "Loud");
    const EffectFacts works = EffectProcess("urn:rivlen-test:works", "").describe();
    ASSERT_EQ(works.controls.size(), 1u);
    EXPECT_EQ(works.controls[0].text(-1), "turned");
    EXPECT_EQ(works.controls[0].parse("Straight"), 1);
    const EffectFacts same = effectFromJson(toJson(works));
    EXPECT_EQ(same.controls[0].points, works.controls[0].points);
}

TEST(Effects, OneThatIsNotInstalledIsSaidSo) {
    testEffects();
    EXPECT_NE(sentenceOf([] { EffectProcess("urn:rivlen-test:nowhere", "Nowhere").begin({}); }).find("not installed"),
              std::string::npos);
}

TEST(Effects, ADoubleOfAMonoEffectStandsOnEachChannel) {
    testEffects();
    for (int channels : {1, 2, 6}) {
        EffectProcess gain("urn:rivlen-test:gain", "");
        gain.begin({48000, channels, 256, {{"gain", -20}}});
        const AudioBuffer in = ramp(channels, 256);
        AudioBuffer out = in;
        gain.process({}, out);
        for (size_t i = 0; i < in.samples().size(); ++i) EXPECT_NEAR(out.samples()[i], 0.1f * in.samples()[i], 1e-6);
    }
    EXPECT_NE(misfit(testEffect("late"), 6).find("6"), std::string::npos);
}

TEST(Effects, AStereoEffectOnOneChannelGetsItTwice) {
    testEffects();
    EffectProcess late("urn:rivlen-test:late", "");
    EXPECT_EQ(late.begin({48000, 1, 256, {{"frames", 10}}}), 10);
    const AudioBuffer in = ramp(1, 256);
    AudioBuffer out = in;
    late.process({}, out);
    for (size_t i = 10; i < 256; ++i) EXPECT_EQ(out.channel(0)[i], in.channel(0)[i - 10]);
}

TEST(Effects, AnInstanceBegunAnewRemembersNothing) {
    testEffects();
    EffectProcess late("urn:rivlen-test:late", "");
    const EffectSetup setup{48000, 2, 256, {{"frames", 100}}};
    late.begin(setup);
    AudioBuffer first = ramp(2, 256), again = first;
    late.process({}, first);
    late.begin(setup);
    late.process({}, again);
    EXPECT_TRUE(std::equal(first.samples().begin(), first.samples().end(), again.samples().begin()));
}

TEST(Effects, WhatAWorkerIsAskedIsAnswered) {
    testEffects();
    EffectProcess works("urn:rivlen-test:works", "");
    works.begin({48000, 1, 64, {{"amount", -1}}});
    const AudioBuffer in = ramp(1, 64);
    AudioBuffer out = in;
    works.process({}, out);
    EXPECT_EQ(out.channel(0)[10], -in.channel(0)[10]);
}

TEST(Effects, PresetsSetValuesAndStateThatASlotKeeps) {
    const auto preset = effectPreset(testEffect("gain"), "urn:rivlen-test:loud", 48000, 2);
    EXPECT_EQ(preset.values.at("gain"), 6);
    ASSERT_FALSE(preset.state.empty());
    EffectSlot slot = testSlot("gain");
    slot.values = preset.values, slot.state = preset.state;
    slot = effectSlotFromJson(nlohmann::json::parse(toJson(slot).dump()));
    RunningEffect running(slot, 2, 48000, 256);
    ASSERT_EQ(running.trouble(), "");
    const AudioBuffer in = ramp(2, 256);
    AudioBuffer out;
    for (int late = 0; late <= running.latency(); late += 256) {
        out = in;
        running.process(out, late);
    }
    // Twice by the state, 6 dB by the control.
    EXPECT_NEAR(out.channel(1)[50] / in.channel(1)[50], 2 * std::pow(10, 0.3), 1e-4);
}

TEST(EffectTrials, LetWellOnesInAndRefuseTheOthers) {
    const Progress progress;
    const EffectTrial well = tryEffect(testEffect("late"), 48000, 2, progress);
    EXPECT_EQ(well.refused, "");
    EXPECT_EQ(well.latency, 300);
    EXPECT_GT(well.realTime, 1);
    EXPECT_NE(tryEffect(testEffect("needs"), 48000, 2, progress).refused.find("needs what is not offered"),
              std::string::npos);
    EXPECT_NE(tryEffect(testEffect("late"), 48000, 6, progress).refused.find("strip has 6"), std::string::npos);
    Progress cancelled;
    cancelled.cancel();
    EXPECT_THROW(tryEffect(testEffect("gain"), 48000, 2, cancelled), Error);
}

namespace {

/// Blocks of 256 frames through one channel of a slot at work.
struct Played {
    RunningEffect running;
    AudioBuffer in{1, 0}, out{1, 0};
    void play(int blocks, const std::function<float(int64_t)>& sound) {
        for (int b = 0; b < blocks; ++b) {
            AudioBuffer block(1, 256);
            for (int64_t i = 0; i < 256; ++i) block.channel(0)[size_t(i)] = sound(in.frames() + i);
            in.append(block);
            running.process(block, out.frames());
            out.append(block);
        }
    }
    /// What came in, as late as the effect.
    float dry(int64_t i) const { return i < running.latency() ? 0 : in.channel(0)[size_t(i - running.latency())]; }
};

float constant(int64_t) { return 0.5f; }
float slowRamp(int64_t i) { return float(i % 8192) / 16384; }

}  // namespace

TEST(RunningEffects, AreSwitchedWithoutAClickOrAGap) {
    EffectSlot slot = testSlot("late");
    slot.values["frames"] = 300;
    Played played{{slot, 1, 48000, 256}};
    EXPECT_EQ(played.running.latency(), 300 + (2 * RunningEffect::kAtOnce - 1) * 256);
    // A steady sound through a gain of -60 dB that is switched off and on again: the way down is as smooth as the one
    // up.
    EffectSlot quiet = testSlot("gain");
    quiet.values["gain"] = -60;
    Played level{{quiet, 1, 48000, 256}};
    const auto turn = [&](Played& of, EffectSlot& its, bool on, const std::function<float(int64_t)>& sound) {
        its.on = on;
        of.running.set(its, {});
        of.play(13, sound);
    };
    level.play(13, constant);
    EXPECT_LT(std::abs(level.out.channel(0)[13 * 256 - 1]), 0.001f);
    const int64_t settled = level.out.frames() - 1;
    turn(level, quiet, false, constant);
    EXPECT_NEAR(level.out.channel(0)[size_t(settled + 256)], 0.5f, 1e-6);
    turn(level, quiet, true, constant);
    turn(level, quiet, false, constant);
    turn(level, quiet, true, constant);
    EXPECT_LT(std::abs(level.out.channel(0)[size_t(level.out.frames() - 1)]), 0.001f);
    for (int64_t i = settled; i + 1 < level.out.frames(); ++i)
        ASSERT_LT(std::abs(level.out.channel(0)[size_t(i + 1)] - level.out.channel(0)[size_t(i)]), 0.004f) << i;
    // One that only delays is the sound itself all the time, on, off and in between.
    played.play(13, slowRamp);
    for (bool on : {false, true, false, true}) turn(played, slot, on, slowRamp);
    for (int64_t i = 0; i < played.out.frames(); ++i)
        ASSERT_NEAR(played.out.channel(0)[size_t(i)], played.dry(i), 1e-6) << i;
}

TEST(RunningEffects, OneThatCrashesHangsOrFloodsLeavesTheSoundAsItCame) {
    for (const char* name : {"crashes", "floods", "hangs"}) {
        Played played{{testSlot(name), 1, 48000, 256}};
        RunningEffect& running = played.running;
        played.play(9, slowRamp);
        EXPECT_EQ(running.trouble(), "") << name;
        EffectSlot told = testSlot(name);
        told.values["now"] = 1;
        running.set(told, {});
        played.play(9, slowRamp);
        EXPECT_NE(running.trouble().find("left out"), std::string::npos) << name;
        for (int64_t i = 0; i < played.out.frames(); ++i)
            ASSERT_EQ(played.out.channel(0)[size_t(i)], played.dry(i)) << name << " " << i;
        EXPECT_TRUE(running.accepts(told)) << "it goes on without it";
        EffectSlot off = told;
        off.on = false;
        EXPECT_TRUE(running.accepts(off));
        running.set(off, {});
        EXPECT_FALSE(running.accepts(told)) << "switched on again it begins anew";
    }
}

TEST(RunningEffects, OneThatWasOffFromTheBeginningCostsNothing) {
    EffectSlot slot = testSlot("late");
    slot.on = false;
    RunningEffect running(slot, 2, 48000, 256);
    EXPECT_EQ(running.latency(), 0);
    EXPECT_TRUE(running.accepts(slot));
    slot.on = true;
    EXPECT_FALSE(running.accepts(slot));
}

namespace {

struct EffectGraphs : testing::Test, StoredReel {
    Rebuild plain() { return plainRebuild(double(kFrames) / kRate, false); }
    std::shared_ptr<Materials> materials() { return std::make_shared<Materials>(material(), true); }
    AudioBuffer render(const Rebuild& r, int threads = 1) {
        AudioBuffer all(2, 0);
        renderMix(
            r, materials(), {threads, 2}, 0, kFrames, [&](const AudioBuffer& b) { all.append(b); }, Progress());
        return all;
    }
    static EffectSlot late(int frames, const std::string& before, const std::string& id) {
        EffectSlot slot = testSlot("late", before);
        slot.id = id;
        slot.values["frames"] = frames;
        return slot;
    }
};

}  // namespace

TEST_F(EffectGraphs, LatenciesOfLanesGroupsAndTheMixAreMadeUpFor) {
    Rebuild r = plain();
    r.groups.push_back({"group-1", "bed", {}});
    r.lanes[1].edit().group = r.lanes[2].edit().group = "group-1";
    r.lanes[0].edit().strip.chain.effects = {late(777, "gate", "a"), late(5, "", "b")};
    r.lanes[1].edit().strip.chain.effects = {late(1999, "room", "a")};
    r.groups[0].strip.chain.effects = {late(1500, "limiter", "a")};
    r.mix.chain.effects = {late(321, "compressor", "a")};
    EXPECT_LT(differenceDb(render(r), source), -120);
    EXPECT_LT(differenceDb(render(r, 2), source), -120);
}

TEST_F(EffectGraphs, PlayedFromAnywhereItIsTheSameSound) {
    Rebuild r = plain();
    r.lanes[0].edit().strip.chain.effects = {late(1234, "limiter", "a")};
    const AudioBuffer whole = render(r);
    RenderGraph graph(r, materials(), {1, 2});
    graph.seek(50000, kRate / 4);
    EXPECT_LT(differenceDb(whole.slice(50000, 20000), graph.next(20000)), -120);
}

TEST_F(EffectGraphs, ControlsFollowTheirCurves) {
    Rebuild r = plain();
    for (size_t l = 0; l < r.lanes.size(); ++l) {
        auto& strip = r.lanes[l].edit().strip;
        strip.chain.effects = {testSlot("gain")};
        strip.automation[effectCurve("effect-gain", "gain")] = {{1.0, 0}, {1.001, -20}};
    }
    const AudioBuffer mix = render(r);
    EXPECT_LT(differenceDb(mix.slice(0, kRate - 512), source.slice(0, kRate - 512)), -120);
    AudioBuffer tenth = source.slice(kRate + 512, kRate);
    for (float& v : tenth.samples()) v *= 0.1f;
    EXPECT_LT(differenceDb(mix.slice(kRate + 512, kRate), tenth), -100);
}

TEST_F(EffectGraphs, ChangedValuesAreTakenOverAndOtherEffectsNeedAnotherGraph) {
    Rebuild r = plain();
    r.mix.chain.effects = {testSlot("gain")};
    RenderGraph graph(r, materials(), {1, 2});
    graph.seek(0, 0);
    graph.next(512);
    r.mix.chain.effects[0].values["gain"] = -6;
    EXPECT_TRUE(graph.update(Shared<Rebuild>(r)));
    r.mix.chain.effects[0].on = false;
    EXPECT_TRUE(graph.update(Shared<Rebuild>(r)));
    r.mix.chain.effects.push_back(late(10, "gate", "b"));
    EXPECT_FALSE(graph.update(Shared<Rebuild>(r)));
    // A setting that makes it later: what was made up for is no longer right.
    RenderGraph other(r, materials(), {1, 2});
    other.seek(0, 0);
    r.mix.chain.effects[1].values["frames"] = 700;
    EXPECT_TRUE(other.update(Shared<Rebuild>(r)));
    other.next(4096);
    EXPECT_FALSE(other.update(Shared<Rebuild>(r)));
}

TEST_F(EffectGraphs, WhatIsDeliveredHasAllOfThem) {
    Rebuild r = plain();
    r.lanes[2].edit().strip.chain.effects = {testSlot("gain")};
    r.lanes[2].edit().strip.chain.effects[0].uri = "urn:rivlen-test:nowhere";
    EXPECT_NE(sentenceOf([&] { render(r); }).find("not installed"), std::string::npos);
    // Played it is left out, and told.
    RenderGraph graph(r, materials(), {1, 2});
    graph.seek(0, 0);
    EXPECT_LT(differenceDb(graph.next(kRate), source.slice(0, kRate)), -120);
    ASSERT_EQ(graph.troubles().size(), 1u);
    EXPECT_EQ(graph.troubles()[0].strip, r.lanes[2]->id);
    r.lanes[2].edit().strip.chain.effects[0].on = false;
    EXPECT_LT(differenceDb(render(r), source), -120);
}

TEST(EffectSlots, SurviveASessionAndHostileOnesAreRefused) {
    ChainSettings chain = voiceChain();
    EffectSlot slot{"effect-1", "urn:x", "X", "room", false, {{"a", 1.5}}, "state of \"X\"\n"};
    chain.effects = {slot, {"effect-2", "urn:y", "Y", "", true, {}, {}}};
    EXPECT_EQ(chainFromJson(nlohmann::json::parse(toJson(chain).dump())), chain);
    EXPECT_TRUE(chain.any());
    const auto order = chain.order();
    ASSERT_EQ(order.size(), chainModules().size() + 1);
    EXPECT_EQ(order[5].second.at(0)->id, "effect-1");
    EXPECT_EQ(order.back().second.at(0)->id, "effect-2");
    for (const char* bad : {R"([{"id":"a","uri":"u","name":"n","before":"no such module"}])",
                            R"([{"id":"a","uri":"u","name":"n"},{"id":"a","uri":"u","name":"n"}])",
                            R"([{"id":"","uri":"u","name":"n"}])", R"([{"id":"a","uri":"","name":"n"}])"})
        EXPECT_THROW(chainFromJson({{"effects", nlohmann::json::parse(bad)}}), Error) << bad;
    nlohmann::json many = nlohmann::json::array();
    for (int i = 0; i < 33; ++i) many.push_back({{"id", std::to_string(i)}, {"uri", "u"}, {"name", "n"}});
    EXPECT_THROW(chainFromJson({{"effects", many}}), Error);
    many = {{{"id", "a"}, {"uri", "u"}, {"name", "n"}, {"state", std::string(5 << 20, 'x')}}};
    EXPECT_THROW(chainFromJson({{"effects", many}}), Error);
}
