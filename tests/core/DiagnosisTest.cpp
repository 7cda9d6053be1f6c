// Findings on faults of known size in the demo's reels and in made-up sound. `./rivlen bench diagnosis` does the same
// at length, on recordings that are not part of the source tree.
#include <gtest/gtest.h>

#include <map>

#include "Faults.h"
#include "Places.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/diagnosis/FlatTops.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

AudioBuffer reel(const char* name) {
    MediaReader reader(fs::path(test::kSourceFolder) / "demo" / name);
    return reader.read(0, reader.frames());
}

std::vector<Finding> found(const AudioBuffer& x, int rate = kRate) {
    BufferSource source(x, rate);
    return diagnose(source, {}).findings;
}

std::vector<Finding> of(const std::vector<Finding>& all, Fault kind) {
    std::vector<Finding> mine;
    for (const auto& f : all)
        if (f.kind == kind) mine.push_back(f);
    return mine;
}

/// Words with pauses: harmonics and noise, with the noise of a good microphone.
AudioBuffer talk(int channels = 1) {
    static std::map<int, AudioBuffer> made;
    AudioBuffer& x = made[channels];
    if (x.frames() > 0) return x;
    x = AudioBuffer(channels, 12 * kRate);
    std::mt19937 random(5);
    std::normal_distribution<float> normal(0, 1);
    for (int64_t i = 0; i < x.frames(); ++i) {
        const double t = double(i) / kRate, word = std::fmod(t, 0.9),
                     loud = word < 0.6 ? std::sin(std::numbers::pi * word / 0.6) : 0;
        double v = 0;
        for (int h = 1; h < 130; ++h)
            v += std::sin(2 * std::numbers::pi * 131.7 * h * t + 0.3 * std::sin(2.1 * t * h)) / h;
        for (int c = 0; c < channels; ++c)
            x.channel(c)[size_t(i)] = float(0.08 * loud * loud * (v + 0.02 * normal(random)) + 2e-4 * normal(random));
    }
    return x;
}

}  // namespace

TEST(Diagnosis, FindsNothingInCleanSound) {
    for (int channels : {1, 2}) {
        const auto all = found(talk(channels));
        EXPECT_TRUE(all.empty()) << describe(all.front());
    }
}

TEST(Diagnosis, FindsTheFaultsThatTheDemoWasMadeWith) {
    // demo/make_demo.py: the bridge has 40 clicks, a hum of 50 Hz at -40 dBFS and a clipped shout.
    const auto all = found(reel("reel-3-bridge.flac"));
    double clicks = 0;
    for (const auto& f : of(all, Fault::Click)) clicks += f.severity;
    EXPECT_NEAR(clicks, 40, 3);
    ASSERT_EQ(of(all, Fault::Hum).size(), 1u);
    EXPECT_NEAR(of(all, Fault::Hum)[0].hz, 50, 0.05);
    EXPECT_NEAR(of(all, Fault::Hum)[0].severity, -40, 2);
    ASSERT_EQ(of(all, Fault::Clipping).size(), 1u);
    EXPECT_TRUE(of(all, Fault::Hiss).empty());
    const auto deck = found(reel("reel-1-deck.flac"));
    EXPECT_TRUE(deck.empty()) << describe(deck.front());
}

TEST(Diagnosis, ClicksAreFoundWhereTheyAre) {
    AudioBuffer x = talk();
    const auto places = addClicks(x, kRate, 12, 0.6, 3);
    ASSERT_GE(places.size(), 10u);
    const auto clicks = of(found(x), Fault::Click);
    std::vector<double> said;
    for (const auto& f : clicks) said.insert(said.end(), f.places.begin(), f.places.end());
    // The pulses of this made-up voice are sharper than a mouth's and hide some.
    ASSERT_GE(said.size(), 8u);
    for (double t : said)
        EXPECT_TRUE(std::any_of(places.begin(), places.end(), [&](int64_t at) {
            return std::fabs(t - double(at) / kRate) < 0.001;
        })) << t;
    EXPECT_EQ(clicks[0].channel, -1);
}

TEST(Diagnosis, ClippingIsCountedAtAnyLevelAndRoundPeaksAreNone) {
    for (double share : {0.3, 0.5, 0.75}) {
        AudioBuffer x = talk();
        const auto cut = double(clip(x, share));
        double said = 0;
        for (const auto& f : of(found(x), Fault::Clipping)) {
            said += f.severity;
            EXPECT_NEAR(f.level, share * peak(talk()), 0.001);
        }
        EXPECT_NEAR(said, cut, 0.15 * cut + 10) << share;
    }
    // The roundest peak there is, as 16 bits hold it.
    for (double hz : {30.0, 100.0, 997.0}) {
        AudioBuffer tone = sine(hz, 0.9, kRate, kRate);
        for (float& v : tone.samples()) v = std::round(v * 32768) / 32768;
        EXPECT_TRUE(flatTops(tone.channel(0), 1).runs.empty()) << hz;
    }
}

TEST(Diagnosis, HumIsMeasured) {
    for (double hz : {50.0, 59.94, 60.1})
        for (double db : {-35.0, -55.0}) {
            AudioBuffer x = talk();
            addHum(x, kRate, hz, db);
            const auto hum = of(found(x), Fault::Hum);
            ASSERT_EQ(hum.size(), 1u) << hz << " " << db;
            EXPECT_NEAR(hum[0].hz, hz, 0.1);
            EXPECT_NEAR(hum[0].severity, db, 2);
            EXPECT_GE(hum[0].places.size(), 3u);
        }
    AudioBuffer note = talk();  // a low note is no comb of the mains
    addHum(note, kRate, 55, -35);
    EXPECT_TRUE(of(found(note), Fault::Hum).empty());
}

TEST(Diagnosis, NoiseIsHissAndTonesAreNot) {
    AudioBuffer x = talk();
    addNoise(x, -50, 2);
    const auto hiss = of(found(x), Fault::Hiss);
    ASSERT_EQ(hiss.size(), 1u);
    EXPECT_NEAR(hiss[0].severity, -53.4, 2) << "what of it lies between 1.6 and 12.5 kHz";
    AudioBuffer tone = talk();
    for (double hz : {2000.0, 3100.0, 5200.0}) {
        const AudioBuffer s = sine(hz, 0.01, kRate, tone.frames());
        for (size_t i = 0; i < s.samples().size(); ++i) tone.samples()[i] += s.samples()[i];
    }
    EXPECT_TRUE(of(found(tone), Fault::Hiss).empty());
}

TEST(Diagnosis, RumbleOffsetPolarityDeadChannelDropoutBandwidth) {
    AudioBuffer rumble = talk();
    addRumble(rumble, kRate, -30, 4);
    EXPECT_EQ(of(found(rumble), Fault::Rumble).size(), 1u);
    AudioBuffer offset = talk(2);
    for (float& v : offset.channel(1)) v -= 0.01f;
    const auto dc = of(found(offset), Fault::DcOffset);
    ASSERT_EQ(dc.size(), 1u);
    EXPECT_EQ(dc[0].channel, 1);
    EXPECT_NEAR(dc[0].severity, -1, 0.02);
    AudioBuffer turned = talk();
    turnPolarity(turned);
    ASSERT_EQ(of(found(turned), Fault::Polarity).size(), 1u);
    AudioBuffer dead = talk(2);
    std::fill(dead.channel(0).begin(), dead.channel(0).end(), 0.0f);
    const auto gone = of(found(dead), Fault::DeadChannel);
    ASSERT_EQ(gone.size(), 1u);
    EXPECT_EQ(gone[0].channel, 0);
    AudioBuffer dropped = talk();
    ASSERT_TRUE(dropOut(dropped, kRate, 0.02, 6));
    const auto gaps = of(found(dropped), Fault::Dropout);
    ASSERT_EQ(gaps.size(), 1u);
    EXPECT_NEAR(gaps[0].severity, 20, 1);
    AudioBuffer narrow = talk();
    addNoise(narrow, -60, 8);
    shape(narrow, kRate, [](double hz) { return hz < 7000 ? 1.0 : 0.0; });
    const auto limit = of(found(narrow), Fault::Bandwidth);
    ASSERT_EQ(limit.size(), 1u);
    EXPECT_NEAR(limit[0].severity, 7000, 60);
    AudioBuffer silent = talk();
    std::fill(silent.channel(0).begin() + 3 * kRate, silent.channel(0).begin() + 6 * kRate, 0.0f);
    const auto silence = of(found(silent), Fault::Silence);
    ASSERT_EQ(silence.size(), 1u);
    EXPECT_NEAR(silence[0].from, 3, 0.05);
    EXPECT_NEAR(silence[0].to, 6, 0.05);
}

TEST(Diagnosis, AnyRateAndLengthAndCancelling) {
    for (int rate : {8000, 44100, 96000, 192000}) EXPECT_NO_THROW(found(programme(1, rate, rate * 2), rate)) << rate;
    for (int64_t frames : {0, 1, 100, 5000}) EXPECT_NO_THROW(found(noise(2, frames))) << frames;
    BufferSource source(talk(), kRate);
    Progress cancelled;
    cancelled.cancel();
    EXPECT_THROW(diagnose(source, cancelled), Error);
}

TEST(Diagnosis, TellsSpeechFromMusic) {
    // An announcement with water around it, and a made-up piece of music; `./rivlen bench content` has real speech by
    // itself.
    const auto content = [](const AudioBuffer& x) {
        BufferSource source(x, kRate);
        return diagnose(source, {}).content;
    };
    EXPECT_EQ(content(reel("reel-3-bridge.flac")), Content::Mixed);
    AudioBuffer chords(2, 12 * kRate);
    for (int64_t i = 0; i < chords.frames(); ++i) {
        const double t = double(i) / kRate, beat = std::fmod(t, 0.5);
        const double root = 220 * std::pow(2, std::floor(std::fmod(t, 8) / 2) * 5 / 12);
        double v = 0;
        for (double ratio : {1.0, 1.25, 1.5, 2.0})
            for (int h = 1; h < 8; ++h) v += std::sin(2 * std::numbers::pi * root * ratio * h * t) / (h * h);
        for (int c = 0; c < 2; ++c) chords.channel(c)[size_t(i)] = float(0.06 * v * (0.6 + 0.4 * std::exp(-6 * beat)));
    }
    EXPECT_EQ(content(chords), Content::Music);
    EXPECT_FALSE(content(AudioBuffer(1, 5 * kRate)));
}

TEST(Findings, AreWrittenAsTheContractSays) {
    const auto json = toJson(Finding{Fault::Hum, 0, 12, -1, -41.234, 0.9, 100, 50.01, 0, {1, 2, 3}});
    for (const char* key :
         {"kind", "from_s", "to_s", "channel", "severity", "unit", "confidence", "treatment", "amount"})
        EXPECT_TRUE(json.contains(key)) << key;
    EXPECT_EQ(json.at("kind"), "hum");
    EXPECT_TRUE(json.at("channel").is_null());
    EXPECT_EQ(json.at("treatment"), "de-hum");
    EXPECT_EQ(describe(Finding{Fault::Click, 1, 2, 0, 1, 1, 50, 0, 0, {}}), "1 click, channel 1");
}
