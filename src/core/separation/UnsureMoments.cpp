#include "core/separation/UnsureMoments.h"

#include <algorithm>

#include "core/separation/Confidence.h"

namespace rivlen {

namespace {
constexpr double kStep = 0.5;   // seconds
constexpr double kSoft = 1e-3;  // of the loudest step's energy
constexpr double kLongest = 6;  // seconds that one moment lasts at most: it is to be listened to
}  // namespace

std::vector<UnsureMoment> unsureMoments(const LevelTrack& stems, const LevelTrack& source, int rate, int64_t frames,
                                        size_t most) {
    const int64_t step = int64_t(kStep * rate);
    struct Found {
        UnsureMoment moment;
        double weight;
    };
    std::vector<Found> all;
    double loudest = 0;
    for (int64_t at = 0; at < frames; at += step)
        loudest = std::max(loudest, double(source.meanSquare(0, at, at + step)));
    for (int64_t at = 0; at + step / 2 < frames; at += step) {
        const double energy = double(source.meanSquare(0, at, at + step));
        if (energy <= kSoft * loudest) continue;
        const double sure = confidence(stems, source, at, at + step);
        if (sure >= kUnsure) continue;
        const double from = double(at) / rate, to = double(std::min(frames, at + step)) / rate,
                     weight = (kUnsure - sure) * energy;
        if (!all.empty() && from - all.back().moment.to < 0.01 && to - all.back().moment.from <= kLongest) {
            all.back().moment.to = to;
            all.back().moment.confidence = std::min(all.back().moment.confidence, sure);
            all.back().weight += weight;
        } else {
            all.push_back({{from, to, sure}, weight});
        }
    }
    std::stable_sort(all.begin(), all.end(), [](const Found& a, const Found& b) { return a.weight > b.weight; });
    if (all.size() > most) all.resize(most);
    std::vector<UnsureMoment> moments;
    for (const auto& f : all) moments.push_back(f.moment);
    std::sort(moments.begin(), moments.end(), [](const auto& a, const auto& b) { return a.from < b.from; });
    return moments;
}

}  // namespace rivlen
