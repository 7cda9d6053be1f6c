#include "core/audio/Timecode.h"

#include <gtest/gtest.h>

#include "core/audio/Error.h"

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
    for (const char* text : {"", "abc", "-3", "00:00:61.0", "00:00:00:25", "1:2", "12.5s"}) EXPECT_THROW(parseTime(text), Error) << text;
}

TEST(Timecode, Formats) {
    EXPECT_EQ(formatTime(3723.25), "1:02:03.250");
    EXPECT_EQ(formatTime(0.9996), "0:00:01.000");
    EXPECT_EQ(formatTime(-0.0001), "0:00:00.000");
    EXPECT_EQ(formatDuration(59.7), "1:00");
    EXPECT_EQ(formatDuration(3661), "1:01:01");
}
