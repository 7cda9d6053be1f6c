// Rivlen inside other programs: the LV2 effect (LV2 1.18, lv2plug.in) in lv2apply of Debian's lilv-utils and in a host
// of ours (tests/lv2host), against the command line's stems.
#include <gtest/gtest.h>

#include <nlohmann/json.hpp>

#include "Places.h"
#include "Support.h"
#include "core/audio/Resampler.h"
#include "core/base/Resources.h"
#include "core/isolation/IsolationSettings.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

namespace {

const std::string cli = (programFolder() / "rivlen-cli").string();
const std::string host = (programFolder() / "rivlen-lv2-host").string();
const fs::path bundle = programFolder() / "lv2" / "rivlen.lv2";
enum Control { Stem, Take, Depth, Firmness, OnsetGuard, Steadiness, Balance, Look, Wait };

struct Heard {
    AudioBuffer sound;
    json told;
};

struct Live : testing::Test {
    TempFolder folder;

    /// Ten seconds of the demo, and hardly anything for what is late. Not digital silence: the command line has
    /// networks hear the sound's image there, for which the effect would have to wait.
    AudioBuffer reel(int channels, int rate) {
        MediaReader reader(std::string(test::kSourceFolder) + "/demo/reel-2-saloon.flac");
        AudioBuffer whole = reader.read(5 * 48000, 10 * 48000), x(channels, whole.frames());
        for (int c = 0; c < channels; ++c) std::ranges::copy(whole.channel(c), x.channel(c).begin());
        if (rate != 48000) {
            Resampler to(48000, rate, channels);
            AudioBuffer there = to.process(x);
            there.append(to.finish());
            x = there;
        }
        x.append(noise(channels, 13 * rate, 1e-5f, 3));
        return x;
    }
    Heard inHost(const AudioBuffer& x, int rate, int block, const std::string& controls) {
        const fs::path from = folder / "in.f32", to = folder / "out.f32";
        std::ofstream(from, std::ios::binary)
            .write(reinterpret_cast<const char*>(x.samples().data()), std::streamsize(x.samples().size_bytes()));
        const auto r =
            run("'" + host + "' '" + bundle.string() + "' urn:rivlen:live" + (x.channels() == 1 ? "-mono " : " ") +
                std::to_string(x.channels()) + " " + std::to_string(rate) + " " + std::to_string(block) + " '" +
                from.string() + "' '" + to.string() + "' " + controls);
        EXPECT_EQ(r.code, 0) << r.out;
        Heard heard{AudioBuffer(x.channels(), x.frames()), json::parse(r.out.substr(r.out.find('{')))};
        std::ifstream(to, std::ios::binary)
            .read(reinterpret_cast<char*>(heard.sound.samples().data()),
                  std::streamsize(heard.sound.samples().size_bytes()));
        return heard;
    }
    /// A stem as the command line writes it.
    AudioBuffer byCommand(const AudioBuffer& x, int rate, const std::string& stem, const std::string& options) {
        const fs::path from = folder / "reel.wav", to = folder / "stems";
        fs::remove(from);
        writeWav(from, x, rate);
        const auto r =
            run(cli + " split '" + from.string() + "' --quality quick --force --out '" + to.string() + "' " + options);
        EXPECT_EQ(r.code, 0) << r.out;
        MediaReader reader(to / ("reel." + stem + ".wav"));
        return reader.read(0, reader.frames());
    }
};

/// How far a part of what was heard, late, is from what it should be: dB against that.
double apartDb(const AudioBuffer& heard, int64_t late, const AudioBuffer& expected, int64_t first, int64_t count) {
    AudioBuffer rest = heard.slice(first + late, count);
    const AudioBuffer there = expected.slice(first, count);
    for (size_t i = 0; i < rest.samples().size(); ++i) rest.samples()[i] -= there.samples()[i];
    return levelDb(rest) - levelDb(there);
}

}  // namespace

TEST_F(Live, SoundsAsTheCommandLineInEveryBlockSizeAndRate) {
    struct Case {
        int channels, rate;
        std::vector<int> blocks;
    };
    for (const auto& c : {Case{2, 48000, {32, 4096}}, Case{1, 44100, {333}}}) {
        const AudioBuffer x = reel(c.channels, c.rate);
        const AudioBuffer expected = byCommand(x, c.rate, "dialogue", "");
        for (int block : c.blocks) {
            const auto heard = inHost(x, c.rate, block, "8=1");
            const int64_t late = heard.told.at("latency");
            EXPECT_GT(late, 8 * c.rate);
            EXPECT_LT(late, 12 * c.rate);
            EXPECT_LT(apartDb(heard.sound, late, expected, 0, 9 * c.rate), -60) << c.rate << " Hz, blocks of " << block;
            EXPECT_EQ(heard.told.at("late"), 0);
            EXPECT_EQ(heard.told.at("memory"), 0) << "nothing is allocated where it plays";
            EXPECT_EQ(heard.told.at("locks"), 0);
        }
    }
}

TEST_F(Live, TheStrengthIsTheCommandLines) {
    const AudioBuffer x = reel(2, 48000);
    const auto heard = inHost(x, 48000, 1024, "0=0 2=12 3=40 5=30 8=1");
    const AudioBuffer expected = byCommand(x, 48000, "dialogue", "--depth 12 --firmness 40 --steadiness 30");
    const int64_t late = heard.told.at("latency");
    EXPECT_LT(apartDb(heard.sound, late, expected, 0, 9 * 48000), -60);
    // Removed is what is left: with what is kept it is the sound.
    auto both = inHost(x, 48000, 1024, "0=0 1=1 2=12 3=40 5=30 8=1").sound;
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += heard.sound.samples()[i];
    EXPECT_LT(apartDb(both, late, x, 0, 9 * 48000), -100);
}

TEST_F(Live, AHostOfOthersGetsTheSame) {
    const AudioBuffer x = reel(2, 48000);
    const fs::path from = folder / "in.wav", to = folder / "out.wav";
    writeWav(from, x, 48000);
    const auto r = run("LV2_PATH='" + (programFolder() / "lv2").string() + "' lv2apply -i '" + from.string() +
                       "' -o '" + to.string() + "' -c wait 1 -c stem 1 urn:rivlen:live");
    ASSERT_EQ(r.code, 0) << r.out;
    MediaReader reader(to);
    const AudioBuffer expected = byCommand(x, 48000, "music", "");
    const int64_t late = inHost(x.slice(0, 4800), 48000, 256, "").told.at("latency");
    EXPECT_LT(apartDb(reader.read(0, reader.frames()), late, expected, 0, 9 * 48000), -60);
}

TEST_F(Live, WhatIsNotThereInTimeIsTheSoundAsItCame) {
    // A host that neither plays in real time nor waits: the answer is never there.
    AudioBuffer x = reel(2, 48000).slice(0, 5 * 48000);
    x.append(x);
    const auto hurried = inHost(x, 48000, 512, "7=2");
    const int64_t late = hurried.told.at("latency");
    EXPECT_GT(late, 48000 / 2);
    EXPECT_LT(late, 3 * 48000);
    EXPECT_GE(hurried.told.at("late"), 1);
    EXPECT_EQ(hurried.told.at("memory"), 0);
    EXPECT_EQ(differenceDb(hurried.sound.slice(late, 48000), x.slice(0, 48000)), toDb(0)) << "to the bit";
    // A process that goes away: the sound goes on, as late as before, for as long as it is played.
    x.append(AudioBuffer(x));
    const auto killed = inHost(x, 48000, 512, "7=2 8=1 --kill 288000");
    EXPECT_GE(killed.told.at("late"), 1);
    const int64_t end = x.frames() - late;
    EXPECT_EQ(differenceDb(killed.sound.slice(late + end - 48000, 48000), x.slice(end - 48000, 48000)), toDb(0));
    EXPECT_GT(differenceDb(killed.sound.slice(late, 48000), x.slice(0, 48000)), -40) << "it had been separated";
}

TEST_F(Live, ItsDescriptionSaysWhatTheWindowSays) {
    std::ifstream in(bundle / "rivlen.ttl");
    const std::string text{std::istreambuf_iterator<char>(in), {}};
    for (const char* id : {"depth_db", "firmness", "onset_guard", "steadiness", "balance"})
        for (const auto& p : isolationParameters())
            if (std::string(p.id) == id) {
                const std::string symbol = std::string(id) == "depth_db" ? "depth" : id;
                size_t at = text.find("lv2:symbol \"" + symbol + "\"");
                int found = 0;
                for (; at != std::string::npos; at = text.find("lv2:symbol \"" + symbol + "\"", at + 1), ++found) {
                    const std::string port = text.substr(at, text.find(']', at) - at);
                    const auto says = [&](const std::string& what) {
                        EXPECT_NE(port.find(what), std::string::npos) << symbol << ": " << what;
                    };
                    says("lv2:name \"" + std::string(p.name) + "\"");
                    says("lv2:minimum " + test::text("%g", p.minimum) + " ");
                    says("lv2:maximum " + test::text("%g", p.maximum) + " ");
                    says("lv2:default " + test::text("%g", p.neutral));
                }
                EXPECT_EQ(found, 2) << symbol << ", stereo and mono";
            }
    const auto r = run("LV2_PATH='" + (programFolder() / "lv2").string() + "' lv2info urn:rivlen:live-mono");
    EXPECT_NE(r.out.find("Has latency:       yes"), std::string::npos) << r.out;
}
