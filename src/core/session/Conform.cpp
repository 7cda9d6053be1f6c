#include "core/session/Conform.h"
#include "core/base/Text.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

namespace {

constexpr double kTouching = 0.05;  // seconds: pieces nearer than that are one

/// Where a stretch of the older version is in the newer one, in pieces.
std::vector<std::pair<double, double>> pieces(double from, double to, const std::vector<AlignedStretch>& stretches) {
    std::vector<std::pair<double, double>> all;
    for (const auto& s : stretches) {
        if (!s.found) continue;
        const double a = std::max(s.from, from - s.shift), b = std::min(s.to, to - s.shift);
        if (b <= a) continue;
        if (!all.empty() && a - all.back().second < kTouching) all.back().second = b;
        else all.push_back({a, b});
    }
    return all;
}

DrawnCurve follow(const DrawnCurve& curve, const std::vector<AlignedStretch>& stretches) {
    DrawnCurve out;
    const auto put = [&out](double at, double value) {
        if (out.empty() || at > out.back().first + 1e-6) out.push_back({at, value});
    };
    for (const auto& s : stretches) {
        if (!s.found) continue;
        put(s.from, drawnAt(curve, s.from + s.shift));
        for (const auto& [t, value] : curve)
            if (t - s.shift > s.from && t - s.shift < s.to) put(t - s.shift, value);
        put(s.to - 1e-3, drawnAt(curve, s.to - 1e-3 + s.shift));
    }
    // A level stretch needs no points between its ends.
    DrawnCurve few;
    for (size_t i = 0; i < out.size(); ++i)
        if (i == 0 || i + 1 == out.size() || out[i].second != out[i - 1].second || out[i].second != out[i + 1].second)
            few.push_back(out[i]);
    if (few.size() > kMostDrawnPoints) few.resize(kMostDrawnPoints);
    return few;
}

}  // namespace

Conformed conform(const Reel& reel, const std::vector<AlignedStretch>& stretches) {
    Conformed out{reel, 0, 0};
    for (auto& timeline : out.reel.strength) {
        const auto before = std::move(timeline.regions);
        timeline.regions.clear();
        for (const auto& region : before) {
            int kept = 0;
            for (const auto& [a, b] : pieces(region.from, region.to, stretches)) {
                if (b - a < kShortestRegion) continue;
                StrengthRegion piece = region;
                piece.from = a;
                piece.to = b;
                placeRegion(timeline, piece);
                ++kept;
            }
            ++(kept ? out.regionsKept : out.regionsLost);
        }
        for (auto& [id, curve] : timeline.drawn) curve = follow(curve, stretches);
        std::erase_if(timeline.drawn, [](const auto& d) { return d.second.empty(); });
    }
    out.reel.marks.clear();
    for (const Mark& mark : reel.marks)
        for (const auto& [a, b] : pieces(mark.from, mark.to, stretches))
            if (b - a >= kShortestMark) placeMark(out.reel.marks, {mark.stem, a, b});
    out.reel.region = -1;
    if (reel.loop) {
        const auto at = pieces(reel.loop->first, reel.loop->second, stretches);
        out.reel.loop = at.empty() ? std::nullopt : std::optional(at.front());
    }
    out.reel.dismissed.clear();
    for (const std::string& key : reel.dismissed) {
        const size_t at = key.find('@');
        if (at == std::string::npos) continue;
        char* rest = nullptr;
        const double seconds = std::strtod(key.c_str() + at + 1, &rest);
        if (seconds == 0) {  // of the whole reel
            out.reel.dismissed.push_back(key);
            continue;
        }
        for (const auto& [a, b] : pieces(seconds, seconds + 0.01, stretches)) {
            std::string text = formatted("@%.1f", a);
            out.reel.dismissed.push_back(key.substr(0, at) + text + rest);
        }
    }
    return out;
}

std::vector<AlignedStretch> alignedByTimecode(double olderStart, double olderSeconds, double newerStart,
                                              double newerSeconds) {
    const double shift = newerStart - olderStart, from = std::clamp(-shift, 0.0, newerSeconds),
                 to = std::clamp(olderSeconds - shift, 0.0, newerSeconds);
    std::vector<AlignedStretch> all;
    if (from > 0) all.push_back({0, from, 0, false, 0});
    if (to > from) all.push_back({from, to, shift, true, 1});
    if (to < newerSeconds && to >= from) all.push_back({std::max(from, to), newerSeconds, 0, false, 0});
    if (all.empty()) all.push_back({0, newerSeconds, 0, false, 0});
    return all;
}

}  // namespace rivlen
