// What a clean voice is made of, before anything is computed; the work itself is tested by the command and the window.
#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/media/RecordingFiles.h"
#include "core/session/CleanVoice.h"
#include "core/session/Presets.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

Finding finding(Fault kind, double confidence, double amount) {
    Finding f;
    f.kind = kind;
    f.confidence = confidence;
    f.amount = amount;
    f.from = 1;
    return f;
}

}  // namespace

TEST(CleanVoice, EachPurposeHasAShippedPreset) {
    const auto presets = listPresets();
    for (const auto& purpose : voicePurposes()) {
        EXPECT_EQ(std::count_if(presets.begin(), presets.end(),
                                [&](const Preset& p) { return p.shipped && p.name == purpose.preset; }),
                  1)
            << purpose.id;
        EXPECT_EQ(&findVoicePurpose(purpose.id), &purpose);
    }
    try {
        findVoicePurpose("singing");
        ADD_FAILURE();
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::Usage);
        EXPECT_NE(std::string(e.what()).find("\"singing\""), std::string::npos);
        EXPECT_NE(std::string(e.what()).find("keep-room"), std::string::npos);
    }
}

TEST(CleanVoice, OnlyWhatIsSureAndNotDismissedIsTreated) {
    Diagnosis diagnosis;
    diagnosis.content = Content::Speech;
    diagnosis.findings = {finding(Fault::Hum, 0.9, 80), finding(Fault::Click, kSureEnough - 0.01, 50),
                          finding(Fault::Sibilance, 0.95, 6)};
    Reel reel;
    const auto ids = [&] {
        std::vector<std::string> all;
        for (const auto& t : sureTreatments(reel, diagnosis)) all.push_back(t.id);
        return all;
    };
    EXPECT_EQ(ids(), (std::vector<std::string>{"de-hum", "de-ess"}));
    EXPECT_DOUBLE_EQ(sureTreatments(reel, diagnosis)[0].amount, 80);
    reel.dismissed = {findingKey(diagnosis.findings[0])};
    EXPECT_EQ(ids(), std::vector<std::string>{"de-ess"});
    reel.content = contentName(Content::Music);  // as the user says: then nothing is a fault of a voice
    EXPECT_EQ(ids(), std::vector<std::string>{});
}

TEST(CleanVoice, APictureStaysInItsKindOfFileAndSoundsBecomeWaves) {
    MediaInfo info;
    const auto storage = [&](const char* file) {
        info.file = file;
        const auto all = voiceDeliverables(info, std::nullopt);
        EXPECT_EQ(all.size(), 1u);
        EXPECT_EQ(all[0].holds, "dialogue");
        EXPECT_EQ(all[0].loudness, -23.0);  // EBU R 128
        EXPECT_EQ(all[0].name, info.picture ? std::string("clean picture, ") + storageFacts(all[0].storage).id
                                            : std::string("clean voice"));
        EXPECT_EQ(all[0].keepOriginal, info.picture.has_value());
        return all[0].storage;
    };
    EXPECT_EQ(storage("a.mp4"), Storage::Wav) << "a sound alone";
    info.picture = PictureInfo{};
    EXPECT_EQ(storage("a.MP4"), Storage::Mp4);
    EXPECT_EQ(storage("a.m4v"), Storage::Mp4);
    EXPECT_EQ(storage("a.mov"), Storage::Mov);
    EXPECT_EQ(storage("a.webm"), Storage::Mkv);
    EXPECT_EQ(deliveryFileName(voiceDeliverables(info, std::nullopt)[0], "s", "deck"), "deck.clean.mkv");
}

TEST(CleanVoice, ASetsMixesHoldTheVoice) {
    const auto named = [](const std::string& name) -> const DeliverySet& {
        for (const auto& set : shippedDeliveries())
            if (set.name == name) return set;
        throw std::runtime_error(name);
    };
    MediaInfo info;
    auto all = voiceDeliverables(info, named("Web and podcast"));
    ASSERT_EQ(all.size(), 3u);
    std::set<std::string> names;
    for (const auto& d : all) {
        EXPECT_EQ(d.holds, "dialogue");
        EXPECT_EQ(d.loudness, -16.0);
        names.insert(deliveryFileName(d, "s", "deck"));
    }
    EXPECT_EQ(names.size(), 3u);
    EXPECT_TRUE(names.count("deck.clean.web.flac"));
    all = voiceDeliverables(info, named("Broadcast, EBU R 128"));
    ASSERT_EQ(all.size(), 1u) << "M&E and stems are no voice";
    EXPECT_EQ(voiceDeliverables(info, named("Picture with its new sound"))[0].storage, Storage::Wav)
        << "there is no picture";
    EXPECT_EQ(voiceDeliverables(info, named("Natural and isolated")).size(), 2u);
    EXPECT_THROW(voiceDeliverables(info, named("Parts of the music")), Error);
}

TEST(RecordingFiles, AreFoundInFoldersWithoutWhatCannotBeOne) {
    const TempFolder folder;
    fs::create_directories(folder / "b/c");
    for (const char* name : {"b/two.MP4", "b/c/three.flac", "one.wav", "notes.txt", ".hidden.wav", "b/noending"})
        std::ofstream(folder / name) << "x";
    fs::create_directory_symlink(folder.path(), folder / "b/round");  // is not followed
    fs::create_directory(folder / "folder.wav");
    EXPECT_EQ(recordingsIn(folder.path()),
              (std::vector<fs::path>{folder / "b/c/three.flac", folder / "b/two.MP4", folder / "one.wav"}));
    EXPECT_THROW(recordingsIn(folder / "nowhere"), Error);
}
