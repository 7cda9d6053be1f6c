// Treatments of a whole recording and of single stems: what they take away and what stays sum to the recording.
#include "core/treatment/TreatedFile.h"

#include <gtest/gtest.h>

#include "Places.h"
#include "Support.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/isolation/StemNames.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

struct Treated : testing::Test {
    TempFolder folder;
    void SetUp() override { setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1); }
    fs::path recording() {
        MediaReader bridge(fs::path(test::kSourceFolder) / "demo" / "reel-3-bridge.flac");  // with clicks and hum
        const AudioBuffer one = bridge.read(0, 10 * kRate);
        AudioBuffer x(2, one.frames());
        for (int c = 0; c < 2; ++c) std::copy(one.channel(0).begin(), one.channel(0).end(), x.channel(c).begin());
        writeWav(folder / "reel.wav", x, kRate);
        return folder / "reel.wav";
    }
    static AudioBuffer whole(const fs::path& file) {
        MediaReader reader(file);
        return reader.read(0, reader.frames());
    }
    static double rms(const AudioBuffer& a, const AudioBuffer& b) {
        double sum = 0;
        for (size_t i = 0; i < a.samples().size(); ++i) sum += std::pow(double(a.samples()[i]) - b.samples()[i], 2);
        return powerDb(sum / double(a.samples().size()));
    }
};

}  // namespace

TEST_F(Treated, IsMadeOnceFoundAgainAndMadeAnewForAnotherChain) {
    const fs::path source = recording();
    const AudioBuffer before = whole(source);
    const std::vector<Treatment> chain = parseTreatments("de-click=50,de-hum=100");
    EXPECT_FALSE(TreatedFile::find(source, chain));
    const TreatedFile made = TreatedFile::make(source, chain, {}, {});
    const auto found = TreatedFile::find(source, chain);
    ASSERT_TRUE(found);
    EXPECT_EQ(found->file, made.file);
    ASSERT_TRUE(found->levels());
    EXPECT_EQ(found->levels()->blocks(), (before.frames() + LevelTrack::kBlock - 1) / LevelTrack::kBlock);
    ASSERT_EQ(found->effects.size(), 2u);
    EXPECT_TRUE(found->effects[0].any());
    EXPECT_NEAR(found->effects[1].removedDb, -40, 4) << "the hum that diagnosis finds in it";
    const AudioBuffer after = whole(made.file);
    ASSERT_EQ(after.frames(), before.frames());
    EXPECT_GT(rms(before, after), -50);
    EXPECT_EQ(rms(before, whole(source)), -300.0) << "the recording is as it was";
    EXPECT_FALSE(TreatedFile::find(source, parseTreatments("de-click=60,de-hum=100")));
    writeWav(folder / "reel2.wav", noise(2, kRate * 10), kRate);
    fs::rename(folder / "reel2.wav", source);
    EXPECT_FALSE(TreatedFile::find(source, chain)) << "another recording of that name";
}

TEST_F(Treated, OnlyTheNewestFilesStay) {
    const fs::path source = recording();
    for (int amount : {20, 40, 60, 80, 100}) {
        const auto made =
            TreatedFile::make(source, parseTreatments("de-hum=" + std::to_string(amount)), std::vector<Finding>{}, {});
        fs::last_write_time(made.file, fs::file_time_type::clock::now() - std::chrono::seconds(1000 - amount));
    }
    EXPECT_FALSE(TreatedFile::find(source, parseTreatments("de-hum=20")));
    EXPECT_TRUE(TreatedFile::find(source, parseTreatments("de-hum=100")));
}

TEST_F(Treated, CancellingLeavesNoFile) {
    const fs::path source = recording();
    Progress progress;
    progress.cancel();
    EXPECT_THROW(TreatedFile::make(source, parseTreatments("de-hum"), {}, progress), Error);
    EXPECT_FALSE(TreatedFile::find(source, parseTreatments("de-hum")));
}

TEST_F(Treated, APreviewIsWhatTheWholeWillBe) {
    const fs::path source = recording();
    const auto chain = parseTreatments("de-click=50,de-rumble=80");
    const AudioBuffer after = whole(TreatedFile::make(source, chain, std::vector<Finding>{}, {}).file);
    MediaReader reader(source);
    const TreatmentFacts facts{2, kRate, {}, {}};
    const auto preview = previewTreatments(reader, chain, facts, 2 * kRate, 2 * kRate, {});
    ASSERT_EQ(preview.treated.frames(), 2 * kRate);
    EXPECT_LT(rms(preview.treated, after.slice(2 * kRate, 2 * kRate)), -60);
    // What each took away and what is left are the recording again.
    ASSERT_EQ(preview.removed.size(), 2u);
    AudioBuffer sum = preview.treated;
    for (const auto& r : preview.removed)
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += r.samples()[i];
    EXPECT_LT(rms(sum, reader.read(2 * kRate, 2 * kRate)), -120);
}

TEST_F(Treated, StemsKeepTheirSumWithWhatWasTakenFromOne) {
    const fs::path source = recording();
    const AudioBuffer x = whole(source);
    auto store = StemStore::create(folder / "cache" / "stems" / "s", {kStemNames, kRate, 2, x.frames()});
    std::vector<AudioBuffer> parts(3, x);
    for (size_t i = 0; i < x.samples().size(); ++i) {
        parts[0].samples()[i] = 0.5f * x.samples()[i];
        parts[1].samples()[i] = 0.25f * x.samples()[i];
        parts[2].samples()[i] = x.samples()[i] - parts[0].samples()[i] - parts[1].samples()[i];
    }
    store->append(parts);
    store->finish();
    std::vector<Treatment> treatments = parseTreatments("de-hum=100,de-click=50");
    treatments[0].place = "dialogue";
    treatments[1].place = "ambience";
    EXPECT_FALSE(TreatedStems::find(*store, treatments));
    const auto made = [&] {
        MediaReader reader(source);
        return TreatedStems::make(source, *store, treatments, diagnose(reader, {}).findings, {});
    }();
    const auto found = TreatedStems::find(*store, treatments);
    ASSERT_TRUE(found);
    ASSERT_EQ(found->effects.size(), 2u);
    EXPECT_EQ(found->effects[0].id, "de-hum");
    EXPECT_TRUE(found->effects[0].any());
    auto readers = found->stems->openAll();
    MediaReader work(found->recording);
    const StemBlock all = readers.read(work, 0, x.frames());
    AudioBuffer sum(2, x.frames());
    for (const auto& stem : all.stems)
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += stem.samples()[i];
    EXPECT_LT(rms(sum, all.source), -120);
    EXPECT_EQ(rms(all.stems[1], parts[1]), -300.0) << "no treatment works on the music";
    EXPECT_GT(rms(all.source, x), -60) << "hum and clicks are gone from the sum";
}
