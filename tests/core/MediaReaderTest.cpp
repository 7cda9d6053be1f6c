#include <gtest/gtest.h>

#include <fstream>
#include <random>

#include "DamagedFile.h"
#include "Support.h"
#include "core/base/Error.h"
#include "core/media/AudioWriter.h"
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

TEST(MediaReader, DamageIsSilenceOfTheRightLengthAndNothingMoves) {
    const TempFolder folder;
    damagedFlac(folder.path(), 10);
    MediaReader good(folder / "good.flac"), bad(folder / "bad.flac");
    ASSERT_EQ(bad.frames(), good.frames());
    const AudioBuffer a = good.read(0, 480000), b = bad.read(0, 480000);
    const auto faults = bad.faults();
    ASSERT_EQ(faults.size(), 1u);
    EXPECT_EQ(faults[0].kind, SourceFault::Kind::Damage);
    EXPECT_LT(faults[0].count, 48000 / 2);
    for (int64_t i = 0; i < 480000; ++i) {
        const bool hole = i >= faults[0].first && i < faults[0].first + faults[0].count;
        ASSERT_EQ(b.channel(0)[size_t(i)], hole ? 0.0f : a.channel(0)[size_t(i)]) << i;
    }
    // The same from any place that reading begins at.
    for (int64_t at : {int64_t(0), faults[0].first - 3000, faults[0].first + faults[0].count + 100, int64_t(400000)}) {
        MediaReader again(folder / "bad.flac");
        const AudioBuffer c = again.read(at, 20000);
        EXPECT_LT(differenceDb(c, b.slice(at, 20000)), -140) << at;
    }
    MediaReader strict(folder / "bad.flac");
    strict.refuseDamage();
    EXPECT_NO_THROW(strict.read(0, 10000));
    EXPECT_THROW(strict.read(faults[0].first - 100, 1000), Error);
}

// Vorbis has short blocks where something begins; the page's clock then runs ahead for a block and comes back.
TEST(MediaReader, BlocksOfOtherLengthsAreNoDamageAndEveryPlaceIsFound) {
    const TempFolder folder;
    constexpr int kRate = 44100;
    AudioBuffer knocks = noise(2, 20 * kRate, 0.003f, 5);
    std::mt19937 random(7);
    for (int64_t at = 0; at < knocks.frames() - kRate; at += kRate / 8 + int64_t(random() % (kRate / 3)))
        for (int i = 0; i < 400; ++i)
            for (int c = 0; c < 2; ++c)
                knocks.channel(c)[size_t(at + i)] += 0.8f * float(std::sin(0.3 * i)) * std::exp(-float(i) / 90);
    const fs::path file = folder / "knocks.ogg";
    AudioWriter writer(file, kRate, 2, {AudioFormat::Container::Vorbis, AudioFormat::Bits::Int16});
    writer.write(knocks);
    writer.commit();
    MediaReader reader(file);
    reader.refuseDamage();
    const AudioBuffer whole = reader.read(0, reader.frames());
    EXPECT_TRUE(reader.faults().empty());
    MediaReader again(file);
    for (int i = 0; i < 20; ++i) {
        const int64_t at = int64_t(random() % uint64_t(whole.frames() - 3000));
        const AudioBuffer part = again.read(at, 3000);
        float worst = 0;
        for (int64_t k = 0; k < 3000; ++k)
            worst = std::max(worst, std::fabs(part.channel(1)[size_t(k)] - whole.channel(1)[size_t(at + k)]));
        EXPECT_LT(worst, 1e-4f) << "at " << at;
    }
}

TEST(MediaReader, AFreshReaderGoesToAFarPlaceAtOnce) {
    const TempFolder folder;
    damagedFlac(folder.path(), 40);
    MediaReader far(folder / "bad.flac");
    far.read(35 * 48000, 48000);
    EXPECT_TRUE(far.faults().empty()) << "what lies before was decoded";
    far.read(0, 40 * 48000);
    EXPECT_EQ(far.faults().size(), 1u);
}

TEST(MediaReader, SamplesWithoutAValueAreBridgedAndCounted) {
    const TempFolder folder;
    AudioBuffer x = sine(100, 0.5, 48000, 48000, 2);
    const AudioBuffer whole = x;
    for (int i = 0; i < 3; ++i) x.channel(0)[size_t(1000 + i)] = NAN;
    x.channel(1)[2000] = -INFINITY;
    writeWav(folder / "odd.wav", x, 48000);
    MediaReader reader(folder / "odd.wav");
    const AudioBuffer y = reader.read(0, 48000);
    EXPECT_LT(differenceDb(y, whole), -50) << "a line over three samples of 100 Hz is nearly the sine";
    int64_t count = 0;
    for (const auto& f : reader.faults()) {
        EXPECT_EQ(f.kind, SourceFault::Kind::NotNumbers);
        count += f.count;
    }
    EXPECT_EQ(count, 4);
    EXPECT_EQ(reader.faults().front().first, 1000);
    EXPECT_EQ(reader.faults().front().channel, 0);
}

TEST(MediaReader, AFileThatIsChangedWhileItIsReadIsASentence) {
    const TempFolder folder;
    const fs::path file = folder / "grows.wav";
    const AudioBuffer x = sine(440, 0.4, 48000, 48000 * 30, 1);
    for (const char* how : {"cut", "overwritten", "replaced", "touched by nobody"}) {
        fs::remove(file);
        writeWav(file, x, 48000);
        MediaReader reader(file);
        reader.read(0, 48000);
        if (how == std::string("cut")) fs::resize_file(file, 48000);
        if (how == std::string("overwritten")) std::ofstream(file, std::ios::binary | std::ios::in) << "RIFFx";
        if (how == std::string("replaced")) {
            writeWav(folder / "new.wav", x, 48000);
            fs::rename(folder / "new.wav", file);
        }
        std::string said;
        try {
            for (int64_t at = 48000; at < reader.frames(); at += 48000) reader.read(at, 48000);
        } catch (const Error& e) {
            EXPECT_EQ(e.kind(), Error::Kind::InputUnreadable);
            said = e.what();
        }
        if (how == std::string("touched by nobody")) EXPECT_EQ(said, "");
        else EXPECT_NE(said.find("was changed while it was being read"), std::string::npos) << how << ": " << said;
    }
}

TEST(MediaReader, AWaveThatPromisesMoreThanThereIsIsCutShort) {
    const TempFolder folder;
    writeWav(folder / "whole.wav", sine(440, 0.4, 48000, 96000, 2), 48000);
    std::string bytes;
    {
        std::ifstream in(folder / "whole.wav", std::ios::binary);
        bytes.assign(std::istreambuf_iterator<char>(in), {});
    }
    for (const int missing : {8 * 96, 8 * 4800, 8 * 90000}) {  // 2 ms, 100 ms, nearly all
        std::ofstream(folder / "cut.wav", std::ios::binary) << bytes.substr(0, bytes.size() - size_t(missing));
        EXPECT_NE(refusal(folder / "cut.wav").find("cut short"), std::string::npos) << missing;
    }
    // A program that writes into a pipe cannot come back to say how long it became.
    std::string streamed = bytes;
    const size_t data = streamed.find("data");
    for (size_t i = 0; i < 4; ++i) streamed[data + 4 + i] = char(0xff);
    std::ofstream(folder / "streamed.wav", std::ios::binary) << streamed;
    EXPECT_EQ(refusal(folder / "streamed.wav"), "");
}
