#include "core/diagnosis/FlatTops.h"

#include <algorithm>

namespace rivlen {

namespace {
constexpr float kLeastLevel = 0.05f, kTolerance = 2e-4f,
                kStep = 3.2e-5f;  // kStep: a little more than one step of 16 bit
constexpr int kShortestRun = 3, kSureRun = 6;
}  // namespace

FlatTops flatTops(std::span<const float> x, float sign) {
    FlatTops tops;
    for (float v : x) tops.level = std::max(tops.level, sign * v);
    if (tops.level < kLeastLevel) return tops;
    const float tolerance = std::max(kStep, kTolerance * tops.level), near = tops.level - tolerance,
                far = tops.level - 5 * tolerance;
    int longest = 0, sure = 0;
    for (size_t i = 1; i + 1 < x.size(); ++i) {
        if (sign * x[i] < near) continue;
        size_t end = i;
        while (end < x.size() && sign * x[end] >= near) ++end;
        const int length = int(end - i);
        tops.runs.emplace_back(int64_t(i), length);
        if (end < x.size() && length >= kShortestRun && sign * x[i - 1] < far && sign * x[end] < far) {
            ++sure;
            longest = std::max(longest, length);
        }
        i = end;
    }
    // Where tops are cut flat, shorter touches of the level were cut as well.
    if (sure < 2 && longest < kSureRun) tops.runs.clear();
    return tops;
}

}  // namespace rivlen
