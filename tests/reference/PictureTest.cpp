// The picture, checked against FFmpeg's own tools: which frame is shown when, at every frame rate in use, and the
// demo's burnt-in timecode.
#include "core/media/PictureReader.h"

#include <gtest/gtest.h>

#include "Places.h"
#include "Support.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const fs::path kDemo = fs::path(test::kSourceFolder) / "demo" / "deck-video.mp4";

/// A video whose frames tell their number: 16 patches from left to right are its bits, the lowest first.
fs::path countingVideo(const TempFolder& folder, const std::string& name, const std::string& rate, int seconds,
                       const std::string& more = "") {
    std::string boxes;
    for (int bit = 0; bit < 16; ++bit)
        boxes += ",drawbox=x=" + std::to_string(16 * bit) + ":y=0:w=16:h=32:color=white:t=fill:enable='mod(floor(n/" +
                 std::to_string(1 << bit) + ")\\,2)'";
    const fs::path file = folder / name;
    const auto run =
        test::run("ffmpeg -v error -y -f lavfi -i \"color=black:s=256x32:r=" + rate + ":d=" + std::to_string(seconds) +
                  boxes + "\" -f lavfi -i sine=300:d=" + std::to_string(seconds) +
                  " -c:v libx264 -preset ultrafast -g 50 -bf 2 -pix_fmt yuv420p -c:a aac -shortest " + more + " " +
                  file.string());
    EXPECT_EQ(run.code, 0) << run.out;
    return file;
}

int64_t numberIn(const PictureFrame& f) {
    int64_t number = 0;
    for (int bit = 0; bit < 16; ++bit)
        if (f.rgba[size_t((16 * f.width) + 16 * bit + 8) * 4] > 128) number |= int64_t(1) << bit;
    return number;
}

}  // namespace

TEST(Picture, ShowsTheFrameOfTheTimeAtEveryRate) {
    TempFolder folder;
    for (const auto& [rate, perSecond] : {std::pair<std::string, double>{"24000/1001", 24000 / 1001.0},
                                          {"25", 25},
                                          {"30000/1001", 30000 / 1001.0},
                                          {"50", 50},
                                          {"60000/1001", 60000 / 1001.0},
                                          {"60", 60}}) {
        const fs::path file = countingVideo(folder, "count.mp4", rate, 12);
        PictureReader reader(file);
        EXPECT_NEAR(reader.info().rate.perSecond(), perSecond, 1e-9);
        const double offset = MediaReader(file).info().startOffset;
        // On, back, far, and just before and after borders.
        for (double t : {0.0, 0.5, 0.51, 7.7, 2.2, 11.0, 3.9999, 4.0, 0.1}) {
            const auto frame = reader.at(t);
            ASSERT_TRUE(frame);
            EXPECT_EQ(numberIn(*frame), int64_t(std::floor((t + offset) * perSecond + 1e-3))) << rate << " at " << t;
            EXPECT_EQ(frame->number, numberIn(*frame)) << rate << " at " << t;
            EXPECT_TRUE(frame->from <= t + 1e-3 && frame->to > t - 1e-3) << frame->from << " " << t;
        }
    }
}

// Over two hours the frame that is shown stays the one of the sound: at 29.97 frames a second the millionth of a
// difference would be seen.
TEST(Picture, DoesNotDriftOverTwoHours) {
    TempFolder folder;
    const fs::path file = folder / "long.mp4";
    const auto run = test::run(
        "ffmpeg -v error -f lavfi -i color=gray:s=32x32:r=30000/1001:d=7200 -f lavfi -i anullsrc=r=8000:cl=mono "
        "-shortest -c:v mpeg4 -g 300 -c:a aac -b:a 8k " +
        file.string());
    ASSERT_EQ(run.code, 0) << run.out;
    PictureReader reader(file);
    for (double t : {10.0, 3600.0, 7199.0}) {
        const auto frame = reader.at(t);
        ASSERT_TRUE(frame);
        EXPECT_EQ(frame->number, int64_t(std::floor(t * 30000 / 1001 + 1e-3)));
        EXPECT_LT(std::fabs(frame->from - double(frame->number) * 1001 / 30000), 0.002);
    }
}

// The digits that are burnt into the demo are read by comparing them with those of frames whose timecode is known.
TEST(Picture, BurntInTimecodeOfTheDemoIsThatOfTheSound) {
    PictureReader reader(kDemo);
    constexpr int kLeft = 12, kTop = 12, kHeight = 24;
    const auto strip = [&](const PictureFrame& f, int x, int width) {
        std::vector<int> grey;
        for (int y = kTop; y < kTop + kHeight; ++y)
            for (int i = x; i < x + width; ++i) grey.push_back(f.rgba[size_t(y * f.width + i) * 4]);
        return grey;
    };
    const auto difference = [](const std::vector<int>& a, const std::vector<int>& b) {
        double sum = 0;
        for (size_t i = 0; i < a.size(); ++i) sum += std::abs(a[i] - b[i]);
        return sum / double(a.size());
    };
    // FFmpeg's own extraction of the frame that the timecode names, against ours at that time of the sound.
    TempFolder folder;
    for (int n : {0, 1, 24, 25, 99, 137, 299}) {
        const auto raw = folder / "frame.rgba";
        ASSERT_EQ(test::run("ffmpeg -v error -y -i " + kDemo.string() + " -vf \"select=eq(n\\," + std::to_string(n) +
                            ")\" -frames:v 1 -f rawvideo -pix_fmt rgba " + raw.string())
                      .code,
                  0);
        PictureFrame theirs{480, 270, n, 0, 0, std::vector<uint8_t>(480 * 270 * 4)};
        FILE* in = fopen(raw.c_str(), "rb");
        ASSERT_EQ(fread(theirs.rgba.data(), 1, theirs.rgba.size(), in), theirs.rgba.size());
        fclose(in);
        const auto ours = reader.at((n + 0.5) / 25 - MediaReader(kDemo).info().startOffset);
        ASSERT_TRUE(ours);
        EXPECT_LT(difference(strip(*ours, kLeft, 140), strip(theirs, kLeft, 140)), 3) << n;
        const auto next = reader.at((n == 299 ? n - 0.5 : n + 1.5) / 25);
        EXPECT_GT(difference(strip(*next, kLeft, 140), strip(theirs, kLeft, 140)),
                  difference(strip(*ours, kLeft, 140), strip(theirs, kLeft, 140)))
            << "the neighbour has other digits";
    }
}

TEST(Picture, ASoundThatBeginsLaterKeepsItsFrame) {
    TempFolder folder;
    const fs::path plain = countingVideo(folder, "plain.mp4", "25", 6), late = folder / "late.mkv";
    ASSERT_EQ(test::run("ffmpeg -v error -i " + plain.string() + " -itsoffset 1.0 -i " + plain.string() +
                        " -map 0:v -map 1:a -c copy " + late.string())
                  .code,
              0);
    const double offset = MediaReader(late).info().startOffset;
    EXPECT_NEAR(offset, 1.0, 0.05);
    PictureReader reader(late);
    const auto frame = reader.at(2.0);
    ASSERT_TRUE(frame);
    EXPECT_EQ(numberIn(*frame), int64_t(std::floor((2.0 + offset) * 25 + 1e-3)));
}

TEST(Picture, TimecodesOfFilesAreRead) {
    TempFolder folder;
    const fs::path drop = countingVideo(folder, "drop.mov", "30000/1001", 3, "-timecode \"01:00:00;02\"");
    const MediaInfo info = MediaReader(drop).info();
    ASSERT_TRUE(info.timecode);
    EXPECT_EQ(*info.timecode, "01:00:00;02");
    EXPECT_TRUE(info.dropFrame());
    EXPECT_NEAR(*info.timecodeSeconds, 107894 * 1001 / 30000.0, 0.05);
    ASSERT_EQ(test::run(
                  "ffmpeg -v error -f lavfi -i sine=300:d=1:r=48000 -write_bext 1 -metadata time_reference=172800000 " +
                  (folder / "bext.wav").string())
                  .code,
              0);
    const MediaInfo wave = MediaReader(folder / "bext.wav").info();
    ASSERT_TRUE(wave.timecodeSeconds);
    EXPECT_NEAR(*wave.timecodeSeconds, 3600, 1e-6);  // EBU Tech 3285: samples since midnight
    EXPECT_EQ(*wave.timecode, "01:00:00:00");
}

TEST(Picture, WhatHasNoneSaysSo) {
    TempFolder folder;
    writeWav(folder / "sound.wav", noise(1, 8000), 8000);
    try {
        PictureReader reader(folder / "sound.wav");
        FAIL();
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("sound.wav"), std::string::npos);
    }
    EXPECT_THROW(PictureReader(folder / "missing.mp4"), Error);
}
