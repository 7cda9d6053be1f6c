// The player, driven by a device that the test pulls itself: every sample that would be heard is looked at.
#include "playback/Player.h"

#include <gtest/gtest.h>

#include <chrono>
#include <thread>

#include "Support.h"
#include "core/isolation/Isolator.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

class PulledDevice : public Device {
public:
    bool start(int, RenderCallback callback) override {
        m_callback = std::move(callback);
        return true;
    }
    void stop() override { m_callback = nullptr; }
    void pause() override { paused = true; }
    void resume() override { paused = false; }
    std::string name() const override { return "test"; }
    bool paused = false;
    const Player* player = nullptr;  ///< whose feeder is waited for
    /// Left channel of what is heard. Waits for the feeder, however late the machine lets it run: what is looked at is
    /// what the player does with the blocks; how fast it makes them is measured by the benchmark.
    std::vector<float> pull(int frames) {
        std::vector<float> left;
        while (int(left.size()) < frames) {
            waitFor([&] { return !feeding(); });
            float block[2 * 64];
            m_callback({block, {}, 64, {}, {}});
            for (int i = 0; i < 64; ++i) left.push_back(block[2 * i]);
        }
        return left;
    }

private:
    bool feeding() const {
        const bool ending =
            player->position() + 2 * PlayBlock::kFrames >= player->frames();  // behind the last block there is none
        return player->playing() && player->waiting() < (ending ? 1 : 2);
    }
    RenderCallback m_callback;
};

/// Three sines as stems, their sum as the source.
struct Scene {
    TempFolder folder;
    PulledDevice* device = new PulledDevice;
    Player player{std::unique_ptr<Device>(device)};
    std::vector<AudioBuffer> stems = {sine(200, 0.3, kRate, kRate * 4, 2), sine(330, 0.2, kRate, kRate * 4, 2),
                                      sine(470, 0.1, kRate, kRate * 4, 2)};
    AudioBuffer source{2, kRate * 4};

    Scene() {
        for (size_t i = 0; i < source.samples().size(); ++i)
            source.samples()[i] = stems[0].samples()[i] + stems[1].samples()[i] + stems[2].samples()[i];
        device->player = &player;
        player.open([this] { return std::make_unique<BufferSource>(source, kRate); });
        auto store = StemStore::create(folder / "s", {{"dialogue", "music", "ambience"}, kRate, 2, source.frames()});
        store->append(stems);
        store->finish();
        player.setStems(store);
    }
    /// The part of what was pulled at known positions: ends at the player's position.
    double worst(const std::vector<float>& heard, const AudioBuffer& expected, size_t count) {
        const int64_t end = player.position() + 1;
        double peak = 0;
        for (size_t k = 1; k <= count; ++k)
            peak = std::max(peak,
                            std::fabs(double(heard[heard.size() - k]) - double(expected.channel(0)[size_t(end) - k])));
        return toDb(peak);
    }
};

double steepest(const std::vector<float>& x) {
    double most = 0;
    for (size_t i = 1; i < x.size(); ++i) most = std::max(most, std::fabs(double(x[i]) - double(x[i - 1])));
    return most;
}

// The steepest slope that the three sines can have together, with what 10 ms fades may add.
const double kSmooth =
    2 * std::numbers::pi / kRate * (200 * 0.3 + 330 * 0.2 + 470 * 0.1) + 0.6 / (0.005 * kRate) + 1e-3;

}  // namespace

TEST(Player, PlaysTheSourceAsItIs) {
    Scene s;
    s.player.play();
    EXPECT_LT(s.worst(s.device->pull(20000), s.source, 8000), -120);
    EXPECT_EQ(s.player.underruns(), 0);
}

TEST(Player, EveryHeardThingIsWhatItSays) {
    Scene s;
    s.player.play();
    s.device->pull(4000);
    for (int h : {2, 3, 4}) {
        s.player.setHeard(Heard(h));
        EXPECT_LT(s.worst(s.device->pull(8000), s.stems[size_t(h - 2)], 4000), -120) << h;
    }
    IsolationSettings settings;
    settings.depth = 20;
    s.player.setStrength(settings);
    AudioBuffer result = s.source;
    for (size_t i = 0; i < result.samples().size(); ++i)
        result.samples()[i] = s.stems[0].samples()[i] + 0.1f * (s.source.samples()[i] - s.stems[0].samples()[i]);
    s.player.setHeard(Heard::Result);
    EXPECT_LT(s.worst(s.device->pull(8000), result, 4000), -120);
    AudioBuffer leftovers = s.source;
    for (size_t i = 0; i < leftovers.samples().size(); ++i) leftovers.samples()[i] -= result.samples()[i];
    s.player.setHeard(Heard::Leftovers);
    EXPECT_LT(s.worst(s.device->pull(8000), leftovers, 4000), -120);
}

TEST(Player, SwitchingAndTurningLeaveNoClickAndNoGap) {
    Scene s;
    s.player.play();
    std::vector<float> heard = s.device->pull(2000);
    IsolationSettings settings;
    for (int i = 0; i < 30; ++i) {
        s.player.setHeard(Heard(i % int(Heard::Mix)));  // the mix begins anew, behind a fade: it is looked at below
        settings.depth = i % 2 ? 6 : kFullDepth;
        settings.firmness = i % 3 ? 60 : -60;
        settings.steadiness = i % 5 * 20;
        settings.onsetGuard = i % 4 * 30;
        s.player.setStrength(settings);
        const auto more = s.device->pull(1500);
        heard.insert(heard.end(), more.begin(), more.end());
    }
    EXPECT_LT(steepest(heard), kSmooth);
    EXPECT_EQ(s.player.underruns(), 0);
    EXPECT_NEAR(double(s.player.position()), double(heard.size()), 2 * PlayBlock::kFrames) << "time never stood still";
}

TEST(Player, StrengthIsHeardAsTheIsolatorComputesIt) {
    Scene s;
    IsolationSettings settings;
    settings.firmness = 70;
    settings.onsetGuard = 50;
    settings.steadiness = 40;
    s.player.setStrength(settings);
    s.player.setHeard(Heard::Result);
    s.player.play();
    const auto heard = s.device->pull(30000);
    Isolator isolator(2, kRate);
    const int64_t end = s.player.position() + 1, from = end - 4000, m = isolator.margin();
    std::vector<AudioBuffer> parts;
    for (const auto& stem : s.stems) parts.push_back(stem.slice(from - m, 4000 + 2 * m));
    const auto expected = isolator.apply(settings, 0, from, 4000, s.source.slice(from - m, 4000 + 2 * m), parts)[0];
    double peak = 0;
    for (size_t i = 0; i < 4000; ++i)
        peak = std::max(peak, std::fabs(double(heard[heard.size() - 4000 + i]) - double(expected.channel(0)[i])));
    EXPECT_LT(toDb(peak), -110);
}

TEST(Player, LoopsWithoutASeam) {
    Scene s;
    s.player.setLoop(std::pair<int64_t, int64_t>(10000, 15123));
    s.player.locate(10000);
    s.player.play();
    const auto heard = s.device->pull(40000);
    EXPECT_LT(steepest(heard), kSmooth);
    EXPECT_GE(s.player.position(), 10000);
    EXPECT_LT(s.player.position(), 15123);
    int silent = 0, longest = 0;
    for (float v : heard) longest = std::max(longest, silent = std::fabs(v) < 1e-5f ? silent + 1 : 0);
    EXPECT_LT(longest, 600) << "only the start may be silent";
}

TEST(Player, LocatesSmoothlyAndExactly) {
    Scene s;
    s.player.play();
    auto heard = s.device->pull(5000);
    s.player.locate(100000);
    const auto after = s.device->pull(9000);
    heard.insert(heard.end(), after.begin(), after.end());
    EXPECT_LT(steepest(heard), kSmooth);
    EXPECT_GT(s.player.position(), 100000);
    EXPECT_LT(s.worst(after, s.source, 4000), -120);
}

TEST(Player, StopsAtTheEndAndStartsAgain) {
    Scene s;
    s.player.locate(s.source.frames() - 3000);
    s.player.play();
    s.device->pull(9000);
    EXPECT_FALSE(s.player.playing());
    s.player.play();
    s.device->pull(3000);
    EXPECT_TRUE(s.player.playing());
    EXPECT_LT(s.player.position(), 20000);
}

TEST(Player, StoppingFadesOut) {
    Scene s;
    s.player.play();
    auto heard = s.device->pull(5000);
    s.player.stop();
    const auto after = s.device->pull(1000);
    heard.insert(heard.end(), after.begin(), after.end());
    EXPECT_LT(steepest(heard), kSmooth);
    EXPECT_EQ(after.back(), 0.0f);
}

TEST(SilentClock, CallsBackUntilStopped) {
    auto clock = makeSilentClock();
    std::atomic<int> frames{0};
    ASSERT_TRUE(clock->start(kRate, [&](const DeviceBlock& b) { frames += b.frames; }));
    ASSERT_TRUE(waitFor([&] { return frames >= 1000; }));
    clock->stop();
    const int after = frames;
    std::this_thread::sleep_for(std::chrono::milliseconds(30));
    EXPECT_EQ(frames, after);
}

namespace {

std::shared_ptr<MixPlan> planOf(Scene& s, const Rebuild& rebuild, std::shared_ptr<Materials> materials = nullptr) {
    auto plan = std::make_shared<MixPlan>();
    if (!materials) {
        ReelMaterial reel{[&s] { return std::make_unique<BufferSource>(s.source, kRate); },
                          nullptr,
                          StrengthTimeline(),
                          kRate,
                          2,
                          s.source.frames()};
        reel.stems = StemStore::openFinished(s.folder / "s");
        materials = std::make_shared<Materials>(std::move(reel), true);
    }
    plan->rebuild = rebuild;
    plan->materials = std::move(materials);
    return plan;
}

/// Chains, ducking and a limiter: all that remembers.
Rebuild livelyRebuild() {
    Rebuild r = plainRebuild(4, false);
    r.lanes[0].edit().strip.chain = voiceChain();
    r.lanes[1].edit().duck.on = true;
    r.lanes[1].edit().duck.key = r.lanes[0]->id;
    r.lanes[2].edit().strip.automation["level"] = {{0.5, 0}, {2, -12}};
    r.mix.chain.limiter = true;
    r.mix.chain.ceiling = -3;
    return r;
}

}  // namespace

TEST(Player, TheMixIsHeardAsItIsRenderedToTheBit) {
    Scene s;
    const Rebuild rebuild = livelyRebuild();
    const auto plan = planOf(s, rebuild);
    s.player.setMix(plan);
    s.player.setHeard(Heard::Mix);
    s.player.play();
    const auto heard = s.device->pull(kRate * 2);
    AudioBuffer rendered(2, 0);
    renderMix(rebuild, planOf(s, rebuild)->materials, {1, 2}, 0, kRate * 2,
              [&](const AudioBuffer& b) { rendered.append(b); }, {});
    // Behind the fades of the beginning (5 ms to open, 10 ms for what is heard) it is the same.
    const int64_t end = s.player.position() + 1;
    for (size_t k = 1; k <= size_t(kRate) * 19 / 10; ++k)
        ASSERT_EQ(heard[heard.size() - k], rendered.channel(0)[size_t(end) - k]) << k;
}

TEST(Player, AChangedMixHasNoClickAndIsHeardAtOnce) {
    Scene s;
    Rebuild rebuild = plainRebuild(4, false);
    const auto plan = planOf(s, rebuild);
    s.player.setMix(plan);
    s.player.setHeard(Heard::Mix);
    s.player.play();
    auto heard = s.device->pull(kRate / 2);
    rebuild.lanes[0].edit().strip.level = -20;
    rebuild.lanes[1].edit().strip.mute = true;
    s.player.setMix(planOf(s, rebuild, plan->materials));
    const auto more = s.device->pull(kRate / 2);
    heard.insert(heard.end(), more.begin(), more.end());
    rebuild.lanes.pop_back();  // another set of lanes is another graph
    s.player.setMix(planOf(s, rebuild, plan->materials));
    const auto last = s.device->pull(kRate / 2);
    heard.insert(heard.end(), last.begin(), last.end());
    const double natural = 2 * std::numbers::pi * (200 * 0.3 + 330 * 0.2 + 470 * 0.1) / kRate;
    EXPECT_LT(steepest(heard), 1.5 * natural);
    AudioBuffer expected(2, s.source.frames());
    for (size_t i = 0; i < expected.samples().size(); ++i)
        expected.samples()[i] = 0.1f * s.stems[0].samples()[i] + s.stems[2].samples()[i];
    EXPECT_LT(s.worst(more, expected, kRate / 4), -80);
    EXPECT_LT(s.worst(last, expected, kRate / 4), -80);
}

TEST(Player, AMixLoopsAndGivesWayToTheOthers) {
    Scene s;
    const Rebuild rebuild = plainRebuild(4, false);
    s.player.setMix(planOf(s, rebuild));
    s.player.setHeard(Heard::Mix);
    s.player.setLoop(std::pair<int64_t, int64_t>(20000, 40000));
    s.player.locate(20000);
    s.player.play();
    const auto heard = s.device->pull(60000);
    EXPECT_LT(s.player.position(), 40001);
    EXPECT_GE(s.player.position(), 19999);
    const double natural = 2 * std::numbers::pi * (200 * 0.3 + 330 * 0.2 + 470 * 0.1) / kRate;
    EXPECT_LT(steepest(heard), 1.5 * natural) << "it fades where it turns";
    s.player.setLoop(std::nullopt);
    s.player.setHeard(Heard::Dialogue);
    const auto dialogue = s.device->pull(20000);
    EXPECT_LT(s.worst(dialogue, s.stems[0], 8000), -100);
    EXPECT_FALSE(s.player.takeHeard().empty());
}

TEST(Player, RestsWhileNothingIsHeardAndGoesOnWhereItWas) {
    Scene scene;
    EXPECT_FALSE(scene.player.resting());
    scene.player.play();
    scene.player.rest();
    EXPECT_FALSE(scene.player.resting()) << "what plays does not rest";
    const auto before = scene.device->pull(4800);
    scene.player.stop();
    scene.device->pull(1024);  // its fade
    const int64_t at = scene.player.position();
    scene.player.rest();
    EXPECT_TRUE(scene.player.resting());
    EXPECT_TRUE(scene.device->paused);
    scene.player.rest();  // twice is once
    EXPECT_EQ(scene.player.position(), at);
    scene.player.play();
    EXPECT_FALSE(scene.player.resting());
    EXPECT_FALSE(scene.device->paused);
    const auto after = scene.device->pull(4800);
    EXPECT_GT(*std::max_element(after.begin(), after.end()), 0.1f) << "heard again";
    EXPECT_GT(scene.player.position(), at);
}

TEST(Player, IsMovedAndClosedWhileItRests) {
    Scene scene;
    scene.device->pull(64);
    scene.player.rest();
    scene.player.locate(kRate);
    scene.player.setHeard(Heard::Dialogue);
    EXPECT_EQ(scene.player.position(), kRate);
    scene.player.play();
    scene.device->pull(9600);
    EXPECT_GT(scene.player.position(), kRate);
    EXPECT_LT(scene.player.position(), kRate + 9600 + 4 * PlayBlock::kFrames);
    scene.player.stop();
    scene.player.rest();
    scene.player.close();  // does not hang
    EXPECT_FALSE(scene.player.resting());
}

namespace {

/// A device that takes one rate only, and that the test pulls.
class OneRate : public Device {
public:
    explicit OneRate(int rate) : m_takes(rate) {}
    bool start(int sampleRate, RenderCallback callback) override {
        if (sampleRate != m_takes) return false;
        m_callback = std::move(callback);
        return true;
    }
    void stop() override { m_callback = nullptr; }
    std::string name() const override { return "one rate"; }
    bool listens() const override { return true; }
    std::vector<float> pull(int frames) {
        std::vector<float> right;
        while (int(right.size()) < frames) {
            float block[2 * 64];
            m_callback({block, {}, 64, {}, {}});
            for (int i = 0; i < 64; ++i) right.push_back(block[2 * i + 1]);
            std::this_thread::sleep_for(std::chrono::milliseconds(1));  // slower than the conversion
        }
        return right;
    }

private:
    const int m_takes;
    RenderCallback m_callback;
};

}  // namespace

TEST(Player, ADeviceThatDoesNotTakeTheRateGetsItConverted) {
    auto* inner = new OneRate(96000);
    Player player(atRate(std::unique_ptr<Device>(inner)));
    const AudioBuffer tone = sine(1000, 0.5, 44100, 44100 * 4, 2);
    player.open([&] { return std::make_unique<BufferSource>(tone, 44100); });
    EXPECT_EQ(player.deviceRate(), 96000);
    EXPECT_FALSE(player.listens()) << "what comes in at another rate has no place of its own";
    player.play();
    // 1000 Hz at the device's rate, and nothing else, in most pieces: a busy machine may leave some out.
    inner->pull(9600);
    int right = 0;
    for (int piece = 0; piece < 40; ++piece) {
        const auto heard = inner->pull(960);
        double c = 0, s = 0, all = 0;
        for (size_t i = 0; i < 960; ++i) {
            const double phase = 2 * std::numbers::pi * 1000 * double(i) / 96000;
            c += heard[i] * std::cos(phase), s += heard[i] * std::sin(phase), all += double(heard[i]) * heard[i];
        }
        const double amplitude = 2 * std::hypot(c, s) / 960;
        right += std::fabs(amplitude - 0.5) < 0.005 && all / 960 - amplitude * amplitude / 2 < 1e-5;
    }
    EXPECT_GT(right, 20);
}

TEST(Player, ADeviceOfTheRecordingsRateIsLeftAlone) {
    Player player(atRate(std::make_unique<OneRate>(44100)));
    const AudioBuffer tone = sine(1000, 0.5, 44100, 44100, 2);
    player.open([&] { return std::make_unique<BufferSource>(tone, 44100); });
    EXPECT_EQ(player.deviceRate(), 44100);
    EXPECT_TRUE(player.listens());
    Player chosen(atRate(std::make_unique<OneRate>(44100), 48000));
    chosen.open([&] { return std::make_unique<BufferSource>(tone, 44100); });
    EXPECT_FALSE(chosen.listens()) << "a chosen rate that it does not take is not replaced in secret";
}
