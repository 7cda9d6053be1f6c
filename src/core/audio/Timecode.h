#pragma once
#include <string>

namespace rivlen {

/// Parses a time given by a user: seconds ("12.5"), "HH:MM:SS.mmm", or timecode "HH:MM:SS:FF"
/// ("HH:MM:SS;FF" for drop-frame, counted as SMPTE ST 12-1 does at 30000/1001).
/// framesPerSecond is what FF counts in when the separator is ':' (default 25).
/// Returns seconds; throws Error (Usage) with a sentence when the text is none of these.
double parseTime(const std::string& text, double framesPerSecond = 25.0);

/// "H:MM:SS.mmm", as used in the transport and in messages; negative times get a minus.
std::string formatTime(double seconds);

/// "MM:SS" or "H:MM:SS", for time left and lengths.
std::string formatDuration(double seconds);

}  // namespace rivlen
