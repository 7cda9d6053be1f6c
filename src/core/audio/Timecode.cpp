#include "core/audio/Timecode.h"

#include <cmath>
#include <cstdio>
#include <regex>

#include "core/audio/Error.h"

namespace rivlen {

namespace {

// SMPTE ST 12-1: frame numbers 0 and 1 are left out each minute, except every tenth.
double dropFrameSeconds(int h, int m, int s, int f) {
    const int minutes = 60 * h + m;
    const long frames = 30L * (60L * minutes + s) + f - 2L * (minutes - minutes / 10);
    return double(frames) * 1001.0 / 30000.0;
}

}  // namespace

double parseTime(const std::string& text, double framesPerSecond) {
    static const std::regex seconds(R"(\s*(\d+(?:\.\d*)?|\.\d+)\s*)");
    static const std::regex clock(R"(\s*(\d{1,3}):([0-5]?\d):([0-5]?\d(?:\.\d+)?)\s*)");
    static const std::regex frames(R"(\s*(\d{1,3}):([0-5]?\d):([0-5]?\d)([:;])(\d{1,3})\s*)");
    std::smatch found;
    if (std::regex_match(text, found, seconds)) return std::stod(found[1]);
    if (std::regex_match(text, found, clock))
        return 3600.0 * std::stoi(found[1]) + 60.0 * std::stoi(found[2]) + std::stod(found[3]);
    if (std::regex_match(text, found, frames)) {
        const int h = std::stoi(found[1]), m = std::stoi(found[2]), s = std::stoi(found[3]), f = std::stoi(found[5]);
        const bool drop = found[4] == ";";
        const int perSecond = drop ? 30 : int(std::lround(framesPerSecond));
        const bool dropped = drop && s == 0 && f < 2 && m % 10 != 0;
        if (f < perSecond && !dropped)
            return drop ? dropFrameSeconds(h, m, s, f) : 3600.0 * h + 60.0 * m + s + f / framesPerSecond;
    }
    throw Error(Error::Kind::Usage, "\"" + text + "\" is not a time: give seconds (12.5) or HH:MM:SS:FF, HH:MM:SS;FF or HH:MM:SS.mmm.");
}

std::string formatTime(double seconds) {
    const long long ms = std::llround(std::fabs(seconds) * 1000.0);
    char text[48];
    std::snprintf(text, sizeof text, "%s%lld:%02lld:%02lld.%03lld", seconds < 0 && ms > 0 ? "-" : "", ms / 3600000,
                  ms / 60000 % 60, ms / 1000 % 60, ms % 1000);
    return text;
}

std::string formatDuration(double seconds) {
    const long long s = std::llround(std::max(0.0, seconds));
    char text[48];
    if (s >= 3600)
        std::snprintf(text, sizeof text, "%lld:%02lld:%02lld", s / 3600, s / 60 % 60, s % 60);
    else
        std::snprintf(text, sizeof text, "%lld:%02lld", s / 60, s % 60);
    return text;
}

}  // namespace rivlen
