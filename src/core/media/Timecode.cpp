#include "core/media/Timecode.h"

#include <cmath>
#include <cstdio>
#include <regex>

#include "core/base/Error.h"
#include "core/base/Text.h"

namespace rivlen {

namespace {

[[noreturn]] void noTime(const std::string& text) {
    throw Error(Error::Kind::Usage,
                "\"" + text + "\" is not a time: give seconds (12.5) or HH:MM:SS:FF, HH:MM:SS;FF or HH:MM:SS.mmm.");
}

constexpr size_t kLongest = 40;  // letters: more digits than numbers hold

// SMPTE ST 12-1: of each minute, except every tenth, the first two frame numbers are left out at 30 frames a second,
// four at 60.
int dropped(FrameRate rate) { return 2 * (rate.nominal() / 30); }

}  // namespace

FrameRate FrameRate::nearest(double perSecond) {
    for (const FrameRate known : {FrameRate{24000, 1001},
                                  {24, 1},
                                  {25, 1},
                                  {30000, 1001},
                                  {30, 1},
                                  {48000, 1001},
                                  {48, 1},
                                  {50, 1},
                                  {60000, 1001},
                                  {60, 1}})
        if (std::fabs(known.perSecond() - perSecond) < 0.006) return known;
    return {int(std::lround(perSecond * 1000)), 1000};
}

int64_t framesOfTimecode(const std::string& text, FrameRate rate) {
    static const std::regex form(R"(\s*(\d{1,3}):([0-5]?\d):([0-5]?\d)([:;])(\d{1,3})\s*)");
    std::smatch found;
    if (text.size() > kLongest || !std::regex_match(text, found, form)) noTime(text);
    const int h = std::stoi(found[1]), m = std::stoi(found[2]), s = std::stoi(found[3]), f = std::stoi(found[5]);
    const bool drop = found[4] == ";";
    const int skip = dropped(rate), minutes = 60 * h + m;
    if (f >= rate.nominal() || (drop && (skip == 0 || (s == 0 && f < skip && m % 10 != 0)))) noTime(text);
    return int64_t(rate.nominal()) * (60LL * minutes + s) + f - (drop ? int64_t(skip) * (minutes - minutes / 10) : 0);
}

std::string timecodeOfFrames(int64_t frames, FrameRate rate, bool drop) {
    const int64_t n = rate.nominal(), skip = drop ? dropped(rate) : 0, day = 86400 * n - skip * 24 * 54;
    frames = ((frames % day) + day) % day;
    if (skip > 0) {  // puts the left-out numbers back
        const int64_t ten = 600 * n - 9 * skip, one = 60 * n - skip, rest = frames % ten;
        frames += 9 * skip * (frames / ten) + (rest >= 60 * n ? skip * ((rest - 60 * n) / one + 1) : 0);
    }
    std::string text =
        formatted("%02lld:%02lld:%02lld%c%02lld", (long long)(frames / n / 3600), (long long)(frames / n / 60 % 60),
                  (long long)(frames / n % 60), skip > 0 ? ';' : ':', (long long)(frames % n));
    return text;
}

double parseTime(const std::string& text, double framesPerSecond) {
    static const std::regex seconds(R"(\s*(\d+(?:\.\d*)?|\.\d+)\s*)");
    static const std::regex clock(R"(\s*(\d{1,3}):([0-5]?\d):([0-5]?\d(?:\.\d+)?)\s*)");
    std::smatch found;
    if (text.size() > kLongest) noTime(text.substr(0, kLongest) + "...");
    if (std::regex_match(text, found, seconds)) return std::stod(found[1]);
    if (std::regex_match(text, found, clock))
        return 3600.0 * std::stoi(found[1]) + 60.0 * std::stoi(found[2]) + std::stod(found[3]);
    FrameRate rate = FrameRate::nearest(framesPerSecond);
    if (text.find(';') != std::string::npos && dropped(rate) == 0) rate = {30000, 1001};
    return double(framesOfTimecode(text, rate)) / rate.perSecond();
}

std::string formatTime(double seconds) {
    const long long ms = std::llround(std::fabs(seconds) * 1000.0);
    std::string text = formatted("%s%lld:%02lld:%02lld.%03lld", seconds < 0 && ms > 0 ? "-" : "", ms / 3600000,
                                 ms / 60000 % 60, ms / 1000 % 60, ms % 1000);
    return text;
}

std::string formatDuration(double seconds) {
    const long long s = std::llround(std::max(0.0, seconds));
    std::string text;
    if (s >= 3600) text = formatted("%lld:%02lld:%02lld", s / 3600, s / 60 % 60, s % 60);
    else text = formatted("%lld:%02lld", s / 60, s % 60);
    return text;
}

}  // namespace rivlen
