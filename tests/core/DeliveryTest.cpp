#include <gtest/gtest.h>

#include "Support.h"
#include "core/delivery/DeliveryRender.h"
#include "core/delivery/Inspection.h"
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
        std::vector<AudioBuffer> stems{programme(2, kRate, source.frames()), sine(330, 0.05, kRate, source.frames(), 2), noise(2, source.frames(), 0.01f)};
        source = sumOf(stems);
        store = StemStore::create(folder / "s", {kStemNames, kRate, 2, source.frames()});
        store->append(StemBlock{source, stems, {}});
        store->finish();
        ReelMaterial material{[this] { return std::make_unique<BufferSource>(source, kRate); }, store, StrengthCourse(), kRate, 2, source.frames()};
        reel = {"The Night Ferry", "Reel 1", plainRebuild(double(source.frames()) / kRate, false), std::make_shared<Materials>(material, true), 2, 3600.0};
    }
    Deliverable one(const char* holds = "mix") {
        Deliverable d;
        d.name = d.holds = holds;
        return d;
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
    EXPECT_LT(differenceDb(sumOf({parts[0], parts[1], parts[2]}), read(make(d).path)), -110) << "below its ceiling the limiter does nothing";
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
    for (int64_t i = kRate; i < source.frames(); i += kRate) source.channel(0)[size_t(i)] = source.channel(1)[size_t(i)] = 0.9f;
    Rebuild r = plainRebuild(6, false);
    for (auto& l : r.lanes) l.edit().clips.clear();
    Clip c;
    c.id = "clip-90", c.material = "source", c.length = 6;
    r.lanes[0].edit().clips = {c};
    reel.rebuild = r;
    reel.materials = std::make_shared<Materials>(reel.materials->reel(), true);
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
    Rebuild r = plainRebuild(6, false);
    for (auto& l : r.lanes) l.edit().clips.clear();
    Clip c;
    c.id = "clip-90", c.material = "source", c.length = 6;
    r.lanes[0].edit().clips = {c};
    reel.rebuild = r;
    reel.materials = std::make_shared<Materials>(reel.materials->reel(), true);
    const DeliveryReport clipped = make(one());
    EXPECT_TRUE(clipped.heldBack);
    EXPECT_FALSE(check(clipped, "no clipping").passed);
    EXPECT_FALSE(fs::exists(clipped.path));
    for (int64_t i = 0; i < source.frames(); ++i) source.channel(1)[size_t(i)] = -source.channel(0)[size_t(i)] / 20, source.channel(0)[size_t(i)] /= 20;
    reel.materials = std::make_shared<Materials>(reel.materials->reel(), true);
    EXPECT_FALSE(check(make(one()), "phase").passed) << "the sides cancel";
    size_t left = 0;
    for ([[maybe_unused]] const auto& entry : fs::directory_iterator(folder / "out")) ++left;
    EXPECT_EQ(left, 0u);
}

TEST_F(Delivery, SteadyDcIsFoundAndBassIsNotTakenForIt) {
    Rebuild r = plainRebuild(6, false);
    for (auto& l : r.lanes) l.edit().clips.clear();
    Clip c;
    c.id = "clip-90", c.material = "source", c.length = 6;
    r.lanes[0].edit().clips = {c};
    reel.rebuild = r;
    const auto with = [&](double hz, double offset) {
        for (int64_t i = 0; i < source.frames(); ++i)
            for (int ch = 0; ch < 2; ++ch) source.channel(ch)[size_t(i)] = float(0.2 * std::sin(2 * std::numbers::pi * hz * double(i) / kRate) + offset);
        reel.materials = std::make_shared<Materials>(reel.materials->reel(), true);
        Deliverable d = one();
        d.name = text("%g %g", hz, offset);
        return check(make(d), "no DC").passed;
    };
    EXPECT_TRUE(with(100, 0));
    EXPECT_TRUE(with(0.3, 0)) << "slow, but no DC";
    EXPECT_FALSE(with(100, 0.01));
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
    for ([[maybe_unused]] const auto& entry : fs::directory_iterator(folder / "out")) ++files;
    EXPECT_EQ(files, 1u);
    d.span = {100, 200};
    EXPECT_THROW(make(d), Error) << "behind the end";
    d.span = {1, 2.5};
    const DeliveryReport part = make(d);
    EXPECT_EQ(read(part.path).frames(), kRate * 3 / 2);
    EXPECT_LT(differenceDb(read(part.path), source.slice(kRate, kRate * 3 / 2)), -120 + 20) << "24 bit";
}

TEST(Deliverables, NamesAreMadeOfTokensAndCleaned) {
    Deliverable d;
    d.name = "M&E";
    d.fileName = "{session}/{reel}_{name}_{loudness}";
    EXPECT_EQ(deliveryFileName(d, "Night", "Reel: 1"), "Night-Reel- 1_M&E_as is.wav");
    d.loudness = -23;
    d.storage = Storage::Flac;
    d.fileName = "../{name} {loudness}";
    EXPECT_EQ(deliveryFileName(d, "", ""), "-M&E -23 LUFS.flac");
    d.fileName = "{nobody}";
    EXPECT_THROW(deliveryFileName(d, "", ""), Error);
    d.fileName = "{reel}";
    EXPECT_THROW(deliveryFileName(d, "", " . "), Error);
}

TEST(Deliverables, AreSavedAndComeBackAndNonsenseIsRefused) {
    for (const auto& set : shippedDeliveries())
        for (const auto& d : set.deliverables) EXPECT_EQ(deliverableFromJson(toJson(d)), d) << d.name;
    EXPECT_THROW(deliverableFromJson({{"name", "x"}, {"holds", "everything"}}), Error);
    EXPECT_THROW(deliverableFromJson({{"name", "x"}, {"format", "cassette"}}), Error);
    EXPECT_THROW(deliverableFromJson({{"name", "x"}, {"loudness", 3}}), Error);
    EXPECT_THROW(deliverableFromJson({{"name", "x"}, {"span", {4, 2}}}), Error);
}
