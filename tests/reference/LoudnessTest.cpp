// Loudness against EBU Tech 3341 (v3, minimum requirement signals, table 1) and FFmpeg's ebur128 filter.
#include <gtest/gtest.h>

#include <regex>

#include "Support.h"
#include "core/delivery/Inspection.h"
#include "core/delivery/Loudness.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

/// Segments of a stereo 1 kHz sine: {level dBFS, seconds}.
double integrated(const std::vector<std::pair<double, double>>& segments) {
    LoudnessMeter meter(2, 48000);
    for (const auto& [db, seconds] : segments) meter.add(sine(1000, fromDb(db), 48000, int64_t(seconds * 48000), 2));
    return meter.integrated();
}

}  // namespace

TEST(EbuTech3341, IntegratedLoudness) {
    EXPECT_NEAR(integrated({{-23, 20}}), -23.0, 0.1);                                     // case 1
    EXPECT_NEAR(integrated({{-33, 20}}), -33.0, 0.1);                                     // case 2
    EXPECT_NEAR(integrated({{-36, 10}, {-23, 60}, {-36, 10}}), -23.0, 0.1);               // case 3
    EXPECT_NEAR(integrated({{-72, 10}, {-36, 10}, {-23, 60}, {-36, 10}, {-72, 10}}), -23.0, 0.1);  // case 4
    EXPECT_NEAR(integrated({{-26, 20}, {-20, 20.1}, {-26, 20}}), -23.0, 0.1);             // case 5
}

TEST(EbuTech3341, FiveChannels) {  // case 6
    LoudnessMeter meter(6, 48000);
    AudioBuffer x(6, 48000 * 20);
    const double level[] = {-28, -28, -24, -200, -30, -30};
    for (int c = 0; c < 6; ++c) {
        const AudioBuffer s = sine(1000, fromDb(level[c]), 48000, x.frames());
        std::copy(s.channel(0).begin(), s.channel(0).end(), x.channel(c).begin());
    }
    meter.add(x);
    EXPECT_NEAR(meter.integrated(), -23.0, 0.1);
}

TEST(EbuTech3341, TruePeak) {  // cases 15 to 18 in kind: fs/4 sines whose samples miss the peak
    for (const auto& [phase, amplitude] : {std::pair{0.0, 0.5}, {45.0, 0.5}, {60.0, 0.5}}) {
        AudioBuffer x(2, 48000);
        for (int64_t i = 0; i < x.frames(); ++i) {
            const double fade = std::min({1.0, double(i) / 4800, double(x.frames() - i) / 4800});
            for (int c = 0; c < 2; ++c) x.channel(c)[size_t(i)] = float(fade * amplitude * std::sin(2 * std::numbers::pi * (double(i) / 4 + phase / 360)));
        }
        LoudnessMeter meter(2, 48000);
        meter.add(x);
        EXPECT_LT(meter.truePeak(), -6.0 + 0.2) << phase;
        EXPECT_GT(meter.truePeak(), -6.0 - 0.4) << phase;
    }
}

TEST(Inspection, AgreesWithFfmpegOnTheDemo) {
    const fs::path file = fs::path(RIVLEN_SOURCE_DIR) / "demo/reel-1-deck.flac";
    MediaReader reader(file);
    const Inspection found = inspect(reader, Progress());
    const auto r = run("ffmpeg -hide_banner -nostats -i '" + file.string() + "' -af ebur128=peak=true -f null -");
    std::smatch m;
    const std::string summary = r.out.substr(r.out.rfind("Summary"));
    ASSERT_TRUE(std::regex_search(summary, m, std::regex(R"(I:\s+(-?[0-9.]+) LUFS)")));
    EXPECT_NEAR(found.integratedLufs, std::stod(m[1]), 0.11);
    ASSERT_TRUE(std::regex_search(summary, m, std::regex(R"(LRA:\s+(-?[0-9.]+) LU)")));
    EXPECT_NEAR(found.rangeLu, std::stod(m[1]), 1.0);  // EBU Tech 3342 allows 1 LU
    ASSERT_TRUE(std::regex_search(summary, m, std::regex(R"(Peak:\s+(-?[0-9.]+) dBFS)")));
    EXPECT_NEAR(found.truePeakDbtp, std::stod(m[1]), 0.2);
}

TEST(Inspection, NoiseFloorIsTheQuietTenth) {
    AudioBuffer x = noise(1, 48000 * 10, float(fromDb(-60)));
    for (int64_t i = 48000 * 2; i < x.frames(); ++i) x.channel(0)[size_t(i)] *= 100;  // 8 s loud, 2 s of floor
    BufferSource source(x, 48000);
    EXPECT_NEAR(inspect(source, Progress()).noiseFloorDbfs, -60, 0.5);
    BufferSource silent(AudioBuffer(1, 48000), 48000);
    EXPECT_TRUE(toJson(MediaInfo{}, inspect(silent, Progress())).at("peak_dbfs").is_null());
}
