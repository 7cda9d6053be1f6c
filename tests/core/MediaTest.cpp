#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

std::string refusal(const fs::path& file) {
    try {
        const MediaReader reader(file);
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::InputUnreadable);
        EXPECT_NE(std::string(e.what()).find(file.filename().string()), std::string::npos) << e.what();
        return e.what();
    }
    return "";
}

}  // namespace

TEST(MediaReader, BadFilesGetOneSentence) {
    const TempFolder folder;
    EXPECT_NE(refusal(folder / "missing.wav").find("is not there"), std::string::npos);
    EXPECT_NE(refusal(folder.path()).find("is a folder"), std::string::npos);
    std::ofstream(folder / "empty.wav").flush();
    EXPECT_NE(refusal(folder / "empty.wav").find("is empty"), std::string::npos);
    std::ofstream(folder / "letter.wav") << "Dear ferry company, your chain kept me awake.";
    EXPECT_NE(refusal(folder / "letter.wav").find("not a recording"), std::string::npos);
}

TEST(MediaReader, ATruncatedFileIsRefusedAndSaysHowMuchIsLeft) {
    const TempFolder folder;
    for (double seconds : {3.0, 40.0}) {
        const fs::path file = folder / "cut.wav";
        fs::remove(file);
        writeWav(file, noise(1, int64_t(seconds * 8000)), 8000);
        fs::resize_file(file, fs::file_size(file) / 2);
        const std::string why = refusal(file);
        EXPECT_NE(why.find("cut short"), std::string::npos) << why;
    }
}

TEST(MediaReader, KeepsRateChannelsAndEverySample) {
    const TempFolder folder;
    int number = 0;
    for (int rate : {8000, 44100, 96000, 192000})
        for (int channels : {1, 2, 6}) {
            const fs::path file = folder / (std::to_string(++number) + ".wav");
            const AudioBuffer x = noise(channels, 5000);
            writeWav(file, x, rate);
            MediaReader reader(file);
            EXPECT_EQ(reader.sampleRate(), rate);
            EXPECT_EQ(reader.channels(), channels);
            ASSERT_EQ(reader.frames(), 5000);
            EXPECT_LE(differenceDb(reader.read(0, 5000), x), kSilenceDb);
            EXPECT_TRUE(reader.info().isFloat);
        }
}

TEST(MediaReader, ReadsAnyPlaceInAnyOrder) {
    const TempFolder folder;
    const int64_t frames = 48000 * 60;
    const AudioBuffer x = noise(2, frames);
    writeWav(folder / "long.wav", x, 48000);
    MediaReader reader(folder / "long.wav");
    std::mt19937 random(3);
    for (int i = 0; i < 60; ++i) {
        const int64_t at = int64_t(random() % uint64_t(frames)) - 2000, count = int64_t(random() % 20000) + 1;
        ASSERT_LE(differenceDb(reader.read(at, count), x.slice(at, count)), kSilenceDb) << at;
    }
    EXPECT_LE(peakOf(reader.read(frames + 5, 100).samples()), 0.0f) << "outside is silence";
}

TEST(MediaReader, WhatIsNotANumberIsSilence) {
    const TempFolder folder;
    AudioBuffer x = noise(1, 1000);
    x.channel(0)[10] = NAN;
    x.channel(0)[20] = INFINITY;
    writeWav(folder / "nan.wav", x, 48000);
    MediaReader reader(folder / "nan.wav");
    for (float v : reader.read(0, 1000).samples()) EXPECT_TRUE(std::isfinite(v));
}

TEST(AudioWriter, TheNameAppearsOnlyWhenTheFileIsComplete) {
    const TempFolder folder;
    const fs::path file = folder / "deep/down/a.wav";
    {
        AudioWriter writer(file, 48000, 1, {});
        writer.write(noise(1, 100));
        EXPECT_FALSE(fs::exists(file));
        writer.commit();
        EXPECT_TRUE(fs::exists(file));
    }
    {
        AudioWriter writer(folder / "b.wav", 48000, 1, {});
        writer.write(noise(1, 100));
    }
    EXPECT_FALSE(fs::exists(folder / "b.wav"));
    int left = 0;
    left += entries(folder.path()).size();
    EXPECT_EQ(left, 1) << "no partial file stays behind";
}

TEST(AudioWriter, NeverOverwritesUnasked) {
    const TempFolder folder;
    writeWav(folder / "a.wav", noise(1, 10), 48000);
    EXPECT_THROW(AudioWriter(folder / "a.wav", 48000, 1, {}), Error);
    AudioWriter late(folder / "c.wav", 48000, 1, {});
    writeWav(folder / "c.wav", noise(1, 77), 48000);  // somebody was faster
    late.write(noise(1, 10));
    EXPECT_THROW(late.commit(), Error);
    EXPECT_EQ(MediaReader(folder / "c.wav").frames(), 77);
    AudioWriter replace(folder / "a.wav", 48000, 1, {}, true);
    replace.write(noise(1, 20));
    replace.commit();
    EXPECT_EQ(MediaReader(folder / "a.wav").frames(), 20);
}

TEST(AudioWriter, FormatsHoldWhatTheyCan) {
    const TempFolder folder;
    const AudioBuffer x = noise(2, 4000, 0.1f);
    int number = 0;
    for (const auto& [container, bits, floor] : {std::tuple{"wav", "16", -84.0},
                                                 {"wav", "24", -134.5},
                                                 {"wav", "32f", -199.0},
                                                 {"flac", "16", -84.0},
                                                 {"flac", "24", -134.5}}) {
        const AudioFormat format = AudioFormat::parse(container, bits);
        const fs::path file = folder / (std::to_string(++number) + "." + format.extension());
        AudioWriter writer(file, 44100, 2, format);
        writer.write(x);
        writer.commit();
        EXPECT_LT(differenceDb(MediaReader(file).read(0, 4000), x), floor) << container << bits;
    }
    EXPECT_THROW(AudioFormat::parse("flac", "32f"), Error);
    EXPECT_THROW(AudioFormat::parse("mp9", "16"), Error);
}
