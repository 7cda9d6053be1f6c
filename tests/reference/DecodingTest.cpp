// Decoding against FFmpeg's own program: same samples, same start, same length, also after seeking.
#include <gtest/gtest.h>

#include <fstream>

#include "Places.h"
#include "Support.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Format {
    const char* file;
    const char* encode;  ///< ffmpeg output options
};

void PrintTo(const Format& f, std::ostream* os) { *os << f.file << " " << f.encode; }

AudioBuffer decodedByFfmpeg(const fs::path& file, int channels, const fs::path& raw) {
    const auto r =
        run("ffmpeg -v error -y -i '" + file.string() + "' -map 0:a:0 -f f32le -c:a pcm_f32le '" + raw.string() + "'");
    EXPECT_EQ(r.code, 0) << r.out;
    std::ifstream in(raw, std::ios::binary);
    std::vector<char> bytes((std::istreambuf_iterator<char>(in)), {});
    const auto* samples = reinterpret_cast<const float*>(bytes.data());
    AudioBuffer b(channels, int64_t(bytes.size() / sizeof(float)) / channels);
    for (int64_t i = 0; i < b.frames(); ++i)
        for (int c = 0; c < channels; ++c) b.channel(c)[size_t(i)] = samples[i * channels + c];
    return b;
}

}  // namespace

class Formats : public testing::TestWithParam<Format> {};

TEST_P(Formats, DecodeLikeFfmpegFromAnyPlace) {
    const TempFolder folder;
    const int channels = std::string(GetParam().encode).find("-ac 6") != std::string::npos   ? 6
                         : std::string(GetParam().encode).find("-ac 1") != std::string::npos ? 1
                                                                                             : 2;
    writeWav(folder / "in.wav", programme(2, 48000, 48000 * 31 + 333), 48000);
    const fs::path file = folder / GetParam().file;
    const auto made = run("ffmpeg -v error -y -f lavfi -i testsrc=s=64x48:r=25:d=31 -i '" +
                          (folder / "in.wav").string() + "' " + GetParam().encode + " '" + file.string() + "'");
    ASSERT_EQ(made.code, 0) << made.out;
    const AudioBuffer expected = decodedByFfmpeg(file, channels, folder / "raw");
    MediaReader reader(file);
    EXPECT_EQ(reader.channels(), channels);
    ASSERT_EQ(reader.frames(), expected.frames());
    AudioBuffer whole(channels, 0);
    for (int64_t at = 0; at < reader.frames(); at += 30000)
        whole.append(reader.read(at, std::min<int64_t>(30000, reader.frames() - at)));
    EXPECT_LT(differenceDb(whole, expected), -120) << "from start to end";
    std::mt19937 random(5);
    double worst = -200;
    for (int i = 0; i < 12; ++i) {
        const int64_t at = int64_t(random() % uint64_t(expected.frames()));
        worst = std::max(worst, differenceDb(reader.read(at, 5000), expected.slice(at, 5000)));
    }
    // AC-3 decoders fill empty bands with random noise, which no seek can repeat (AAC's own is switched off above).
    EXPECT_LT(worst, file.extension() == ".ac3" ? -40 : -60) << "after seeking";
}

INSTANTIATE_TEST_SUITE_P(
    All, Formats,
    testing::Values(Format{"a.wav", "-map 1:a -c:a pcm_s16le"}, Format{"b.wav", "-map 1:a -c:a pcm_s24le -ac 6"},
                    Format{"c.wav", "-map 1:a -c:a pcm_f32le -ar 192000 -ac 1"},
                    Format{"d.8k.wav", "-map 1:a -c:a pcm_u8 -ar 8000"}, Format{"e.aiff", "-map 1:a -c:a pcm_s24be"},
                    Format{"f.flac", "-map 1:a -c:a flac"}, Format{"g.mp3", "-map 1:a -c:a libmp3lame -b:a 160k"},
                    Format{"h.m4a", "-map 1:a -c:a aac -aac_pns 0"}, Format{"i.ogg", "-map 1:a -c:a libvorbis"},
                    Format{"j.opus", "-map 1:a -c:a libopus"},
                    Format{"k.mkv", "-map 0:v -map 1:a -c:v mpeg4 -c:a aac -aac_pns 0"},
                    Format{"l.mp4", "-map 0:v -map 1:a -c:v mpeg4 -c:a aac -aac_pns 0"},
                    Format{"m.mov", "-map 0:v -map 1:a -c:v mpeg4 -c:a pcm_s16le"},
                    Format{"n.mkv", "-map 1:a -c:a flac"}, Format{"o.aac", "-map 1:a -c:a aac -aac_pns 0 -f adts"},
                    Format{"p.ac3", "-map 1:a -c:a ac3 -ac 6"}, Format{"q.webm", "-map 1:a -c:a libopus"},
                    Format{"r.avi", "-map 0:v -map 1:a -c:v mpeg4 -c:a pcm_s16le"}));

// Knocks make Vorbis change between its block lengths; the page's clock then runs ahead for a block and comes back, and
// whoever converts such a file keeps that. Nothing is missing in any of them.
TEST(Decoding, ClocksThatRunAheadAndComeBackAreNoDamage) {
    const TempFolder folder;
    AudioBuffer knocks = noise(2, 48000 * 20, 0.003f, 5);
    std::mt19937 random(7);
    for (int64_t at = 0; at < knocks.frames() - 48000; at += 6000 + int64_t(random() % 16000))
        for (int i = 0; i < 400; ++i)
            for (int c = 0; c < 2; ++c)
                knocks.channel(c)[size_t(at + i)] += 0.8f * float(std::sin(0.3 * i)) * std::exp(-float(i) / 90);
    writeWav(folder / "in.wav", knocks, 48000);
    std::string from = "in.wav";
    for (const char* name : {"a.ogg", "b.m4a", "c.webm", "d.opus", "e.mkv"}) {
        const std::string options = std::string(name) == "e.mkv" ? " -c:a copy" : "";
        const auto made = run("ffmpeg -v error -i '" + (folder / from).string() + "'" + options + " '" +
                              (folder / name).string() + "'");
        ASSERT_EQ(made.code, 0) << made.out;
        from = "a.ogg";
        MediaReader reader(folder / name);
        const AudioBuffer expected = decodedByFfmpeg(folder / name, 2, folder / "raw");
        const AudioBuffer whole = reader.read(0, reader.frames());
        EXPECT_TRUE(reader.faults().empty()) << name;
        EXPECT_LT(differenceDb(whole, expected.slice(0, whole.frames())), -100) << name;
    }
}

TEST(Decoding, VideoWithoutSoundIsASentence) {
    const TempFolder folder;
    ASSERT_EQ(
        run("ffmpeg -v error -f lavfi -i testsrc=s=64x48:d=1 -c:v mpeg4 '" + (folder / "mute.mp4").string() + "'").code,
        0);
    try {
        const MediaReader reader(folder / "mute.mp4");
        FAIL();
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("no sound"), std::string::npos) << e.what();
    }
}

TEST(Decoding, CutCompressedFilesAreRefused) {
    const TempFolder folder;
    writeWav(folder / "in.wav", programme(2, 48000, 48000 * 30), 48000);
    for (const char* name : {"a.flac", "b.mp3", "c.m4a"}) {
        const fs::path file = folder / name;
        ASSERT_EQ(run("ffmpeg -v error -i '" + (folder / "in.wav").string() + "' '" + file.string() + "'").code, 0);
        fs::resize_file(file, fs::file_size(file) * 2 / 3);
        EXPECT_THROW(MediaReader reader(file), Error) << name;
    }
}

TEST(Decoding, PictureFactsAreFfprobes) {
    const fs::path file = fs::path(test::kSourceFolder) / "demo/deck-video.mp4";
    const MediaReader reader(file);
    ASSERT_TRUE(reader.info().picture);
    EXPECT_EQ(reader.info().picture->width, 480);
    EXPECT_EQ(reader.info().picture->height, 270);
    EXPECT_NEAR(reader.info().picture->fps, 25, 1e-9);
    const auto probe = run(
        "ffprobe -v error -select_streams v -show_entries stream=width,height,r_frame_rate,codec_name -of csv=p=0 '" +
        file.string() + "'");
    EXPECT_NE(probe.out.find(reader.info().picture->codec + ",480,270,25/1"), std::string::npos) << probe.out;
    EXPECT_EQ(reader.info().timecode.value_or(""), "10:00:00:00");
}
