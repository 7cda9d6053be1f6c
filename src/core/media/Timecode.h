#pragma once
#include <cstdint>
#include <string>

namespace rivlen {

/// Frames a second as the fraction that it is: 24000/1001, not 23.976.
struct FrameRate {
    int numerator = 25, denominator = 1;

    double perSecond() const { return double(numerator) / denominator; }
    int nominal() const {
        return (numerator + denominator / 2) / denominator;
    }  ///< what a timecode counts to: 24, 25, 30, 60, ...
    /// The rate in use that a number means: 23.976, 23.98 and 24000/1001 are one.
    static FrameRate nearest(double perSecond);
    bool operator==(const FrameRate&) const = default;
};

/// A timecode's place in frames from 00:00:00:00. ';' before the frames means drop-frame, at 29.97 and 59.94 frames a
/// second as SMPTE ST 12-1 has it. Throws Error (Usage) when the text is no timecode of this rate.
int64_t framesOfTimecode(const std::string& text, FrameRate rate);
/// "HH:MM:SS:FF", or "HH:MM:SS;FF" when numbers are dropped; goes on at 00:00:00:00 after 24 hours.
std::string timecodeOfFrames(int64_t frames, FrameRate rate, bool drop);

/// Parses a time given by a user: seconds ("12.5"), "HH:MM:SS.mmm", or timecode "HH:MM:SS:FF"
/// ("HH:MM:SS;FF" for drop-frame, counted as SMPTE ST 12-1 does at 30000/1001).
/// framesPerSecond is what FF counts in when the separator is ':' (default 25). A timecode's hour is as long as its
/// frames are: at 24000/1001 frames a second 01:00:00:00 is 3603.6 s. Returns seconds; throws Error (Usage) with a
/// sentence when the text is none of these.
double parseTime(const std::string& text, double framesPerSecond = 25.0);

/// "H:MM:SS.mmm", as used in the transport and in messages; negative times get a minus.
std::string formatTime(double seconds);

/// "MM:SS" or "H:MM:SS", for time left and lengths.
std::string formatDuration(double seconds);

}  // namespace rivlen
