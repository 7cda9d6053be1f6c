// Faults of voices, put into the recorded speech of the committed excerpt at known sizes: found, named rightly, and
// treated. `./rivlen bench diagnosis` and `treatments` do the same over many clips.
#include "VoiceFaults.h"

#include <gtest/gtest.h>

#include "Places.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/MediaReader.h"
#include "core/treatment/Treat.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

/// Both speakers of the excerpt one after the other, mono, at a tenth of full scale.
const AudioBuffer& speech() {
    static const AudioBuffer made = [] {
        AudioBuffer x(1, 0);
        for (const char* name : {"1-dialogue.flac", "2-dialogue.flac"}) {
            MediaReader reader(fs::path(test::kSourceFolder) / "tests/data/excerpt" / name);
            const AudioBuffer two = reader.read(0, reader.frames());
            AudioBuffer one(1, two.frames());
            std::copy(two.channel(0).begin(), two.channel(0).end(), one.channel(0).begin());
            x.append(one);
        }
        const double scale = 0.5 / peak(x);
        for (float& v : x.samples()) v = float(v * scale);
        return x;
    }();
    return made;
}

std::vector<Finding> found(const AudioBuffer& x) {
    BufferSource source(x, kRate);
    return diagnose(source, {}).findings;
}

const Finding* of(const std::vector<Finding>& all, Fault kind) {
    const auto f = std::find_if(all.begin(), all.end(), [kind](const Finding& g) { return g.kind == kind; });
    return f == all.end() ? nullptr : &*f;
}

AudioBuffer treated(const AudioBuffer& x, const std::string& what) {
    BufferSource source(x, kRate);
    const auto treatments = parseTreatments(what);
    AudioBuffer out(x.channels(), 0);
    treat(source, treatments, factsFor(source, treatments, found(x), {}), [&](const AudioBuffer& b) { out.append(b); },
          {});
    return out;
}

double rmsDb(const AudioBuffer& a, const AudioBuffer& b) {
    AudioBuffer d = a;
    for (size_t i = 0; i < d.samples().size(); ++i) d.samples()[i] -= b.samples()[i];
    return levelDb(d);
}

}  // namespace

TEST(VoiceFaults, SpeechAloneHasNone) {
    const auto all = found(speech());
    for (Fault kind : {Fault::Plosive, Fault::Wind, Fault::Sibilance, Fault::Reverberation, Fault::MusicUnder})
        EXPECT_EQ(of(all, kind), nullptr) << entryOf(kind).name;
}

TEST(VoiceFaults, PopsAreFoundWhereTheyAreAndTakenOut) {
    AudioBuffer x = speech();
    const auto places = addPops(x, kRate, 4, 10, 2);
    const auto all = found(x);
    const Finding* pops = of(all, Fault::Plosive);
    ASSERT_TRUE(pops);
    EXPECT_EQ(pops->severity, 4);
    for (double at : places)
        EXPECT_TRUE(std::any_of(pops->places.begin(), pops->places.end(), [at](double p) {
            return std::fabs(p - at) < 0.08;
        })) << at;
    const auto proposes = [&](Content content) {
        const auto list = proposed(all, content);
        return std::any_of(list.begin(), list.end(), [](const Treatment& t) { return t.id == "de-plosive"; });
    };
    EXPECT_TRUE(proposes(Content::Speech));
    EXPECT_FALSE(proposes(Content::Music)) << "a drum is no plosive";
    const AudioBuffer y = treated(x, "de-plosive=24");
    EXPECT_LT(rmsDb(y, speech()), rmsDb(x, speech()) - 10) << "the speech comes back";
    // Between the pops nothing changes.
    EXPECT_LT(rmsDb(y.slice(0, int64_t((places[0] - 0.4) * kRate)), x.slice(0, int64_t((places[0] - 0.4) * kRate))),
              -100);
}

TEST(VoiceFaults, WindIsFoundInItsTimeAndPushedDown) {
    AudioBuffer x = speech();
    const double voice = voiceDb(x, kRate), length = double(x.frames()) / kRate;
    addWind(x, kRate, 0, 3);
    const auto all = found(x);
    const Finding* wind = of(all, Fault::Wind);
    ASSERT_TRUE(wind);
    EXPECT_NEAR(wind->severity, voice, 4);
    EXPECT_NEAR(wind->from, length / 4, 1.5);
    EXPECT_EQ(of(all, Fault::Rumble), nullptr);
    const AudioBuffer y = treated(x, "de-wind=30");
    EXPECT_LT(rmsDb(y, speech()), rmsDb(x, speech()) - 10);
}

TEST(VoiceFaults, SteadyRumbleIsNoWind) {
    AudioBuffer x = speech();
    addRumble(x, kRate, -22, 4);
    const auto all = found(x);
    EXPECT_TRUE(of(all, Fault::Rumble));
    EXPECT_EQ(of(all, Fault::Wind), nullptr);
}

TEST(VoiceFaults, SharpSIsFoundAndLowered) {
    // Hissed consonants of 80 ms, so many dB above the vowels.
    const auto hissing = [](double overDb) {
        AudioBuffer x = speech(), s = noise(1, x.frames(), 1, 8);
        shape(s, kRate, [](double hz) { return hz > 5000 && hz < 9500 ? 1.0 : 0.0; });
        const double scale = fromDb(voiceDb(x, kRate) + overDb - levelDb(s));
        for (int64_t at = kRate / 3; at + kRate / 12 < x.frames(); at += kRate / 2)
            for (int64_t i = 0; i < kRate / 12; ++i)
                x.channel(0)[size_t(at + i)] += float(scale * std::sin(std::numbers::pi * double(i) / (kRate / 12.0)) *
                                                      s.channel(0)[size_t(at + i)]);
        return x;
    };
    const auto none = found(hissing(-12)), all = found(hissing(10)), more = found(hissing(13));
    EXPECT_EQ(of(none, Fault::Sibilance), nullptr) << "an s as it should be";
    const Finding *sharp = of(all, Fault::Sibilance), *sharper = of(more, Fault::Sibilance);
    ASSERT_TRUE(sharp && sharper);
    EXPECT_GE(sharp->places.size(), 10u);
    EXPECT_NEAR(sharper->severity, sharp->severity + 3, 1) << "3 dB more is 3 dB worse";
    const auto less = found(treated(hissing(13), "de-ess=12"));
    EXPECT_TRUE(!of(less, Fault::Sibilance) || of(less, Fault::Sibilance)->severity < sharper->severity - 3);
}

TEST(VoiceFaults, ARoomIsFoundWithItsDecayTime) {
    AudioBuffer x = speech();
    convolve(x, roomResponse(kRate, 0.9, 0, 5));
    const auto all = found(x);
    const Finding* room = of(all, Fault::Reverberation);
    ASSERT_TRUE(room);
    EXPECT_NEAR(room->severity, 0.9, 0.35);
    EXPECT_NEAR(room->level, 0, 6) << "direct to reverberant";
}

// The filter's gains, followed on the direct sound and on the room's answer apart: 5 dB more between them at RT60 0.7
// s.
TEST(VoiceFaults, TheRoomIsTurnedDownAndTheVoiceStays) {
    const AudioBuffer& dry = speech();
    AudioBuffer wet = dry;
    convolve(wet, roomResponse(kRate, 0.7, 0, 6));
    AudioBuffer room = wet;
    for (size_t i = 0; i < room.samples().size(); ++i) room.samples()[i] -= dry.samples()[i];
    const auto before = followed(wet, dry, room, kRate, 0.7, 0, 0),
               after = followed(wet, dry, room, kRate, 0.7, 0, 100);
    EXPECT_GT(powerDb(after.first / after.second) - powerDb(before.first / before.second), 4.5);
    EXPECT_GT(powerDb(after.first / before.first), -6) << "of the direct sound";
    // As a treatment: as long as before, nothing at 0 %, quieter tails at 100 %.
    const AudioBuffer y = treated(wet, "de-reverb=100");
    ASSERT_EQ(y.frames(), wet.frames());
    EXPECT_LT(rmsDb(treated(wet, "de-reverb=0"), wet), -100);
    EXPECT_LT(levelDb(y), levelDb(wet) - 2);
}

TEST(VoiceFaults, MusicUnderTheVoiceIsTold) {
    MediaReader reader(fs::path(test::kSourceFolder) / "tests/data/excerpt" / "1-music.flac");
    const AudioBuffer music = reader.read(0, reader.frames());
    AudioBuffer x = speech();
    const double scale = fromDb(levelDb(x) - 10 - levelDb(music));
    for (int64_t i = 0; i < x.frames(); ++i)
        x.channel(0)[size_t(i)] += float(scale * music.channel(0)[size_t(i % music.frames())]);
    const auto all = found(x);
    const Finding* under = of(all, Fault::MusicUnder);
    ASSERT_TRUE(under);
    EXPECT_LT(under->severity, -5);
    EXPECT_STREQ(entryOf(Fault::MusicUnder).treatment, "") << "Split takes them apart";
}

TEST(VoiceFaults, ADriftingHumSaysSo) {
    AudioBuffer x(1, kRate * 90);
    for (int64_t i = 0; i < x.frames(); ++i)
        x.channel(0)[size_t(i)] = speech().channel(0)[size_t(i % speech().frames())];
    addHum(x, kRate, 49.95, -40, 10, 0.1);
    const auto all = found(x);
    const Finding* hum = of(all, Fault::Hum);
    ASSERT_TRUE(hum);
    EXPECT_NEAR(hum->hz, 50, 0.06);
    EXPECT_NEAR(hum->level, 0.067, 0.04) << "between the middles of its half minutes";
    EXPECT_NE(describe(*hum).find("drifts"), std::string::npos);
}
