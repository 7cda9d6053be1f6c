// Cue points as independent readers see them: RIFF's "cue " and "adtl" chunks (Multimedia Programming Interface and
// Data Specifications 1.0, 1991; the layout from memory).
#include <gtest/gtest.h>

#include <fstream>
#include <iterator>

#include "Support.h"
#include "core/media/AudioWriter.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

AudioNotes manyMarkers(int count, int64_t frames) {
    AudioNotes notes;
    notes.description = "The Night Ferry, Saloon, mix";
    notes.frames = frames;
    for (int i = 0; i < count; ++i) notes.cues.emplace_back(i * 100 + 7, "marker " + std::to_string(i + 1));
    return notes;
}

uint32_t numberAt(const std::string& bytes, size_t at) {
    uint32_t v = 0;
    for (int i = 3; i >= 0; --i) v = v << 8 | uint8_t(bytes.at(at + size_t(i)));
    return v;
}

}  // namespace

// More than a hundred, where libsndfile's own cues end, and names of all lengths: lists of odd ones must not throw a
// reader off the chunks behind them.
TEST(Cues, AllOfManyMarkersAreRead) {
    const TempFolder folder;
    for (const int64_t known : {int64_t(16000), int64_t(0)})  // a length that is not known beforehand begins as RF64
        for (const int count : {1, 9, 20, 150}) {
            const std::string file = (folder / (std::to_string(count) + (known ? ".wav" : ".rf64.wav"))).string();
            const AudioNotes notes = manyMarkers(count, known);
            AudioWriter writer(file, 48000, 2, {}, false, &notes);
            writer.write(noise(2, 16000, 0.1f));
            writer.commit();
            const std::string info = run("sndfile-info '" + file + "'").out;
            EXPECT_NE(info.find("Frames      : 16000"), std::string::npos) << info;
            EXPECT_EQ(info.find("too big"), std::string::npos) << info;
            EXPECT_NE(info.find("labl : 1 : marker 1"), std::string::npos) << info;
            EXPECT_NE(run("soxi -s '" + file + "'").out.find("16000\n"), std::string::npos);
            EXPECT_NE(run("mediainfo '" + file + "'").out.find("The Night Ferry, Saloon, mix"), std::string::npos);
            std::ifstream in(file, std::ios::binary);
            const std::string bytes((std::istreambuf_iterator<char>(in)), {});
            const size_t cue = bytes.find("cue "), list = bytes.find("LIST");
            ASSERT_NE(cue, std::string::npos);
            EXPECT_EQ(numberAt(bytes, cue + 4), 4u + 24 * uint32_t(count)) << "the chunk's length";
            const uint32_t last = uint32_t(count) - 1;
            EXPECT_EQ(numberAt(bytes, cue + 12 + 24 * last), last + 1);
            EXPECT_EQ(numberAt(bytes, cue + 12 + 24 * last + 20), last * 100 + 7) << "its frame";
            EXPECT_EQ(bytes.substr(list + 8 + numberAt(bytes, list + 4), 4), "data") << "the list ends where it says";
            EXPECT_NE(bytes.find("marker " + std::to_string(count) + '\0', list), std::string::npos);
        }
}
