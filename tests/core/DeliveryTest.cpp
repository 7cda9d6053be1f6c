#include <gtest/gtest.h>
#include <sys/wait.h>
#include <unistd.h>

#include "Support.h"
#include "core/delivery/DeliverySets.h"
#include "core/delivery/Inspection.h"
#include "core/delivery/ReelDelivery.h"
#include "core/delivery/ScratchFolder.h"
#include "core/isolation/StemNames.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/ClipEdits.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

/// A reel whose parts are known: words, a bed of music, surroundings.
struct Delivery : testing::Test {
    TempFolder folder;
    AudioBuffer source{2, 6 * kRate + 77};
    std::shared_ptr<StemStore> store;
    DeliverySource reel;

    void SetUp() override {
        setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
        std::vector<AudioBuffer> stems{programme(2, kRate, source.frames()), sine(330, 0.05, kRate, source.frames(), 2),
                                       noise(2, source.frames(), 0.01f)};
        source = sumOf(stems);
        store = StemStore::create(folder / "s", {kStemNames, kRate, 2, source.frames()});
        store->append(StemBlock{source, stems, {}});
        store->finish();
        ReelMaterial material{[this] { return std::make_unique<BufferSource>(source, kRate); },
                              store,
                              StrengthTimeline(),
                              kRate,
                              2,
                              source.frames()};
        reel = {"The Night Ferry",
                "Reel 1",
                plainRebuild(double(source.frames()) / kRate, false),
                std::make_shared<Materials>(material, true),
                2,
                3600.0,
                {}};
    }
    Deliverable one(const char* holds = "mix") {
        Deliverable d;
        d.name = d.holds = holds;
        return d;
    }
    std::vector<DeliveryReport> makeAll(const std::vector<Deliverable>& all) {
        return deliverReel(all, [this](const Deliverable&) { return reel; }, folder / "out", false, {}, {});
    }
    /// The source itself on one lane, whatever it holds.
    void plainSource() {
        Rebuild r = plainRebuild(6, false);
        for (auto& l : r.lanes) l.edit().clips.clear();
        Clip c;
        c.id = "clip-90", c.material = "source", c.length = 6;
        r.lanes[0].edit().clips = {c};
        reel.rebuild = r;
        reel.materials = std::make_shared<Materials>(reel.materials->reel(), true);
    }
    DeliveryReport make(const Deliverable& d) { return deliver(d, reel, folder / "out", false, {}); }
    AudioBuffer read(const fs::path& file) {
        MediaReader reader(file);
        return reader.read(0, reader.frames());
    }
    static const DeliveryCheck& check(const DeliveryReport& r, const std::string& name) {
        static const DeliveryCheck none{"missing", false, ""};
        for (const auto& c : r.checks)
            if (c.name == name) return c;
        return none;
    }
};

}  // namespace

TEST_F(Delivery, TheMixIsTheRecordingAndThePartsSumToIt) {
    Deliverable d = one();
    d.bits = 32;
    const DeliveryReport mix = make(d);
    EXPECT_TRUE(mix.passed()) << toJson(mix).dump(1);
    EXPECT_EQ(mix.path.filename(), "Reel 1.mix.wav");
    EXPECT_LT(differenceDb(read(mix.path), source), -120);
    // Music is ducked by a dialogue that is not heard in its file: the parts still sum to the mix.
    Rebuild r = *reel.rebuild;
    r.lanes[1].edit().duck.on = true;
    r.lanes[1].edit().duck.key = r.lanes[0]->id;
    r.mix.chain.limiter = true;
    reel.rebuild = r;
    std::vector<AudioBuffer> parts;
    for (const char* part : {"dialogue", "music", "ambience", "music-and-effects"}) {
        Deliverable p = one(part);
        p.bits = 32;
        parts.push_back(read(make(p).path));
    }
    EXPECT_LT(differenceDb(sumOf({parts[1], parts[2]}), parts[3]), -120);
    d.name = "ducked";
    EXPECT_LT(differenceDb(sumOf({parts[0], parts[1], parts[2]}), read(make(d).path)), -110)
        << "below its ceiling the limiter does nothing";
    EXPECT_GT(levelDb(sine(330, 0.05, kRate, kRate, 2)), levelDb(parts[1]) + 0.5) << "it is ducked";
}

// EBU R 128: -23.0 LUFS within 0.5 LU, at most -1 dBTP.
TEST_F(Delivery, IsBroughtToItsLoudnessByGainAndLimitedOnlyWhereItMust) {
    Deliverable d = one();
    d.loudness = -23.0;
    const DeliveryReport quiet = make(d);
    EXPECT_TRUE(quiet.passed()) << toJson(quiet).dump(1);
    EXPECT_NEAR(*quiet.integrated, -23.0, 0.1);
    EXPECT_EQ(quiet.limited, 0);
    EXPECT_NEAR(*quiet.noiseAfter - *quiet.noiseBefore, quiet.gain, 0.3) << "the noise floor moves along";
    // Short loud peaks in a soft programme: raised, they would pass the ceiling.
    for (int64_t i = kRate; i < source.frames(); i += kRate)
        source.channel(0)[size_t(i)] = source.channel(1)[size_t(i)] = 0.9f;
    plainSource();
    d.name = "loud";
    d.loudness = -12;
    d.ceiling = -2;
    const DeliveryReport loud = make(d);
    EXPECT_TRUE(loud.passed()) << toJson(loud).dump(1);
    EXPECT_LT(loud.limited, -1);
    EXPECT_LE(*loud.truePeak, -2 + 0.05);
    EXPECT_NEAR(*loud.integrated, -12, 0.3);
    EXPECT_EQ(MediaReader(loud.path).frames(), source.frames()) << "the limiter's delay is given back";
}

TEST_F(Delivery, EveryStorageHoldsWhatItShould) {
    for (const auto& storage : storageTable()) {
        if (storage.picture) continue;
        Deliverable d = one();
        d.name = storage.id;
        d.storage = storage.storage;
        d.loudness = -20;
        d.bits = 16;
        const DeliveryReport r = make(d);
        EXPECT_TRUE(r.passed()) << toJson(r).dump(1);
        EXPECT_TRUE(fs::exists(r.path)) << storage.id;
        EXPECT_NEAR(*r.integrated, -20, 0.3) << storage.id;
    }
    Deliverable other = one();
    other.name = "rate";
    other.sampleRate = 44100;
    const DeliveryReport r = make(other);
    EXPECT_TRUE(r.passed()) << toJson(r).dump(1);
    EXPECT_EQ(MediaReader(r.path).sampleRate(), 44100);
}

TEST_F(Delivery, WhatFailsIsHeldBackAndNothingIsLeftBehind) {
    for (float& v : source.samples()) v *= 6;  // far over full scale
    plainSource();
    const DeliveryReport clipped = make(one());
    EXPECT_TRUE(clipped.heldBack);
    EXPECT_FALSE(check(clipped, "no clipping").passed);
    EXPECT_FALSE(fs::exists(clipped.path));
    for (int64_t i = 0; i < source.frames(); ++i)
        source.channel(1)[size_t(i)] = -source.channel(0)[size_t(i)] / 20, source.channel(0)[size_t(i)] /= 20;
    reel.materials = std::make_shared<Materials>(reel.materials->reel(), true);
    EXPECT_FALSE(check(make(one()), "phase").passed) << "the sides cancel";
    size_t left = 0;
    left += entries(folder / "out").size();
    EXPECT_EQ(left, 0u);
}

// Killed between the making of the folder and its lock, or between the lock's removal and the folder's.
TEST(ScratchFolders, AnEmptyOneOfAProcessThatIsGoneIsCleared) {
    const TempFolder folder;
    const pid_t gone = fork();
    if (gone == 0) _exit(0);
    waitpid(gone, nullptr, 0);
    const fs::path left = folder / (".rivlen-work-" + std::to_string(gone) + "-1"),
                   ours = folder / (".rivlen-work-" + std::to_string(getpid()) + "-99"),
                   full = folder / (".rivlen-work-" + std::to_string(gone) + "-2");
    for (const auto& f : {left, ours, full}) fs::create_directory(f);
    std::ofstream(full / "something") << "not ours to judge";
    ScratchFolder::clearAbandoned(folder.path());
    EXPECT_FALSE(fs::exists(left));
    EXPECT_TRUE(fs::exists(ours)) << "it may be just being made";
    EXPECT_TRUE(fs::exists(full / "something"));
    {
        ScratchFolder used(folder.path());
        ScratchFolder::clearAbandoned(folder.path());
        EXPECT_TRUE(fs::exists(used / "lock"));
    }
}

TEST_F(Delivery, SteadyDcIsFoundAndBassIsNotTakenForIt) {
    plainSource();
    const auto with = [&](double hz, double offset) {
        for (int64_t i = 0; i < source.frames(); ++i)
            for (int ch = 0; ch < 2; ++ch)
                source.channel(ch)[size_t(i)] =
                    float(0.2 * std::sin(2 * std::numbers::pi * hz * double(i) / kRate) + offset);
        reel.materials = std::make_shared<Materials>(reel.materials->reel(), true);
        Deliverable d = one();
        d.name = text("%g %g", hz, offset);
        return check(make(d), "no DC").passed;
    };
    EXPECT_TRUE(with(100, 0));
    EXPECT_TRUE(with(0.3, 0)) << "slow, but no DC";
    EXPECT_FALSE(with(100, 0.01));
}

TEST_F(Delivery, LayoutsHaveTheirChannelsAndMasks) {
    const auto made = [&](ChannelLayout layout, bool apart = false) {
        Deliverable d = one();
        d.name = text("%s %d", layoutFacts(layout).id, apart);
        d.layout = layout;
        d.monoFiles = apart;
        d.bits = 32;
        const DeliveryReport r = make(d);
        EXPECT_TRUE(r.passed()) << toJson(r).dump(1);
        return r;
    };
    const AudioBuffer five = read(made(ChannelLayout::Surround51).path),
                      seven = read(made(ChannelLayout::Surround71).path), mono = read(made(ChannelLayout::Mono).path);
    ASSERT_EQ(five.channels(), 6);
    ASSERT_EQ(seven.channels(), 8);
    ASSERT_EQ(mono.channels(), 1);
    for (int64_t i = 0; i < source.frames(); i += 101) {
        const auto at = size_t(i);
        ASSERT_NEAR(five.channel(1)[at], source.channel(1)[at], 1e-6) << "nothing is invented";
        ASSERT_EQ(five.channel(4)[at], 0);
        ASSERT_EQ(seven.channel(6)[at], 0);
        ASSERT_NEAR(mono.channel(0)[at], (source.channel(0)[at] + source.channel(1)[at]) / 2, 1e-6);
    }
    const MediaInfo info = MediaReader(folder / "out" / "Reel 1.7.1 0.wav").info();
    EXPECT_EQ(info.layout, "7.1") << "the mask of WAVE_FORMAT_EXTENSIBLE";
    const DeliveryReport apart = made(ChannelLayout::Stereo, true);
    ASSERT_EQ(apart.files.size(), 2u);
    EXPECT_EQ(apart.files[1].filename(), "Reel 1.stereo 1.R.wav");
    const AudioBuffer right = read(apart.files[1]);
    for (int64_t i = 0; i < source.frames(); i += 101)
        ASSERT_NEAR(right.channel(0)[size_t(i)], source.channel(1)[size_t(i)], 1e-6);
}

TEST_F(Delivery, PartsAreSummedBeforeTheyGetTheirNames) {
    std::vector<Deliverable> all;
    for (const char* holds : {"mix", "dialogue", "music", "ambience", "music-and-effects"}) all.push_back(one(holds));
    all[2].loudness = -30;  // its gain is undone for the sum
    const auto reports = makeAll(all);
    ASSERT_EQ(reports.size(), 5u);
    for (const auto& r : reports) EXPECT_TRUE(r.passed()) << toJson(r).dump(1);
    for (size_t i : {1u, 2u, 3u, 4u}) EXPECT_TRUE(check(reports[i], "sum").passed) << i;
    EXPECT_EQ(check(reports[0], "sum").name, "missing");
    // A compressor over lanes of several parts: no part alone is what it was in the mix.
    Rebuild r = *reel.rebuild;
    Group g;
    g.id = "group-50", g.name = "all";
    g.strip.chain.compressor = true;
    g.strip.chain.threshold = -40;
    g.strip.chain.ratio = 8;
    r.groups = {g};
    for (auto& l : r.lanes) l.edit().group = g.id;
    reel.rebuild = r;
    for (auto& d : all) d.fileName = "{reel}.together.{name}";
    const auto held = makeAll(all);
    EXPECT_TRUE(held[0].passed());
    for (size_t i : {1u, 2u, 3u}) {
        EXPECT_TRUE(held[i].heldBack) << i;
        EXPECT_FALSE(fs::exists(held[i].path));
    }
    EXPECT_NE(check(held[1], "sum").detail.find("group"), std::string::npos);
}

// -27 LUFS dialogue-gated is common practice of some streaming services.
TEST_F(Delivery, LoudnessCanBeThatOfTheSpeech) {
    // Two seconds of words, then four of music that is 12 dB louder.
    std::vector<AudioBuffer> stems{AudioBuffer(2, source.frames()), AudioBuffer(2, source.frames()),
                                   AudioBuffer(2, source.frames())};
    for (int c = 0; c < 2; ++c)
        for (int64_t i = 0; i < source.frames(); ++i)
            stems[i < 5 * kRate / 2 ? 0 : 1].channel(c)[size_t(i)] =
                float((i < 5 * kRate / 2 ? 0.05 : 0.2) * std::sin(2 * std::numbers::pi * 1000 * double(i) / kRate));
    source = sumOf(stems);
    store = StemStore::create(folder / "s2", {kStemNames, kRate, 2, source.frames()});
    store->append(StemBlock{source, stems, {}});
    store->finish();
    ReelMaterial material{[this] { return std::make_unique<BufferSource>(source, kRate); },
                          store,
                          StrengthTimeline(),
                          kRate,
                          2,
                          source.frames()};
    reel.materials = std::make_shared<Materials>(material, true);
    Deliverable d = one();
    d.loudness = -27;
    d.dialogueGated = true;
    const DeliveryReport r = make(d);
    EXPECT_TRUE(r.passed()) << toJson(r).dump(1);
    EXPECT_NEAR(*r.dialogue, -27, 0.1);
    EXPECT_GT(*r.integrated, -27 + 7) << "the whole is louder";
    // A stereo 1 kHz sine of 0.05 has -26.0 dBFS and as many LUFS (EBU Tech 3341, case 1).
    EXPECT_NEAR(r.gain, -27 - 20 * std::log10(0.05), 0.15);
}

TEST_F(Delivery, ReplacesNothingAndCanBeCancelled) {
    const DeliveryReport first = make(one());
    EXPECT_THROW(make(one()), Error);
    Deliverable d = one();
    d.name = "other";
    Progress stop;
    stop.cancel();
    EXPECT_THROW(deliver(d, reel, folder / "out", false, stop), Error);
    size_t files = 0;
    files += entries(folder / "out").size();
    EXPECT_EQ(files, 1u);
    d.span = {100, 200};
    EXPECT_THROW(make(d), Error) << "behind the end";
    d.span = {1, 2.5};
    const DeliveryReport part = make(d);
    EXPECT_EQ(read(part.path).frames(), kRate * 3 / 2);
    EXPECT_LT(differenceDb(read(part.path), source.slice(kRate, kRate * 3 / 2)), -120 + 20) << "24 bit";
}
