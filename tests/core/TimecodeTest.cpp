#include "core/media/Timecode.h"

#include <gtest/gtest.h>

#include "core/base/Error.h"

using namespace rivlen;

TEST(Timecode, ReadsSecondsAndClockTimes) {
    EXPECT_DOUBLE_EQ(parseTime("12.5"), 12.5);
    EXPECT_DOUBLE_EQ(parseTime(" 0 "), 0);
    EXPECT_DOUBLE_EQ(parseTime("01:02:03.250"), 3723.25);
    EXPECT_DOUBLE_EQ(parseTime("00:00:10:12", 25), 10.48);
    EXPECT_DOUBLE_EQ(parseTime("00:00:01:12", 24), 1.5);
}

// SMPTE ST 12-1: at 29.97 drop-frame, 01:00:00;00 is frame 107892.
TEST(Timecode, DropFrameFollowsSmpte) {
    const double perFrame = 1001.0 / 30000.0;
    EXPECT_NEAR(parseTime("01:00:00;00"), 107892 * perFrame, 1e-9);
    EXPECT_NEAR(parseTime("00:01:00;02"), 1800 * perFrame, 1e-9);  // the frame after 00:00:59;29
    EXPECT_NEAR(parseTime("00:10:00;00"), 17982 * perFrame, 1e-9);
    EXPECT_THROW(parseTime("00:01:00;00"), Error);  // a dropped number
}

TEST(Timecode, RefusesWhatIsNoTime) {
    for (const char* text : {"", "abc", "-3", "00:00:61.0", "00:00:00:25", "1:2", "12.5s"})
        EXPECT_THROW(parseTime(text), Error) << text;
}

TEST(Timecode, Formats) {
    EXPECT_EQ(formatTime(3723.25), "1:02:03.250");
    EXPECT_EQ(formatTime(0.9996), "0:00:01.000");
    EXPECT_EQ(formatTime(-0.0001), "0:00:00.000");
    EXPECT_EQ(formatDuration(59.7), "1:00");
    EXPECT_EQ(formatDuration(3661), "1:01:01");
}

// SMPTE ST 12-1: the count of 29.97 drop-frame skips 108 numbers an hour, that of 59.94 twice as many; other rates skip
// none.
TEST(Timecode, CountsEveryRateThereAndBack) {
    struct Case {
        FrameRate rate;
        bool drop;
        const char* text;
        int64_t frames;
    };
    for (const Case& c : {Case{{24000, 1001}, false, "01:00:00:00", 86400},
                          {{24, 1}, false, "00:00:01:12", 36},
                          {{25, 1}, false, "10:00:00:00", 900000},
                          {{30000, 1001}, true, "01:00:00;00", 107892},
                          {{30000, 1001}, true, "00:01:00;02", 1800},
                          {{30000, 1001}, true, "00:09:59;29", 17981},
                          {{30000, 1001}, false, "01:00:00:00", 108000},
                          {{60000, 1001}, true, "01:00:00;00", 215784},
                          {{60000, 1001}, true, "00:01:00;04", 3600},
                          {{50, 1}, false, "00:00:02:49", 149},
                          {{60, 1}, false, "23:59:59:59", 5183999}}) {
        EXPECT_EQ(framesOfTimecode(c.text, c.rate), c.frames) << c.text;
        EXPECT_EQ(timecodeOfFrames(c.frames, c.rate, c.drop), c.text);
    }
    for (const FrameRate rate : {FrameRate{30000, 1001}, {60000, 1001}})
        for (int64_t n = 0; n < 40000; n += 7) EXPECT_EQ(framesOfTimecode(timecodeOfFrames(n, rate, true), rate), n);
    EXPECT_EQ(timecodeOfFrames(-1, {25, 1}, false), "23:59:59:24");
}

TEST(Timecode, KnowsTheRatesInUse) {
    EXPECT_EQ(FrameRate::nearest(23.976), (FrameRate{24000, 1001}));
    EXPECT_EQ(FrameRate::nearest(23.98), (FrameRate{24000, 1001}));
    EXPECT_EQ(FrameRate::nearest(24), (FrameRate{24, 1}));
    EXPECT_EQ(FrameRate::nearest(59.94).nominal(), 60);
    EXPECT_EQ(FrameRate::nearest(12.5).perSecond(), 12.5);
    // An hour of timecode at 23.976 is 3.6 s longer than an hour.
    EXPECT_NEAR(parseTime("01:00:00:00", 23.976), 3603.6, 1e-9);
    EXPECT_THROW(framesOfTimecode("00:00:00;00", {25, 1}), Error) << "nothing is dropped at 25";
    EXPECT_THROW(framesOfTimecode("00:01:00;02", {60000, 1001}), Error) << "four numbers are";
}
