#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

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
