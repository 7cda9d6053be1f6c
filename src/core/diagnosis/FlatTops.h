#pragma once
#include <cstdint>
#include <span>
#include <utility>
#include <vector>

namespace rivlen {

/// Peaks of a stretch that were cut flat.
struct FlatTops {
    float level = 0;                            ///< magnitude that they were cut at
    std::vector<std::pair<int64_t, int>> runs;  ///< where each begins and its length; none: the stretch is not clipped
};

/// Looks in one polarity (sign +1 or -1) of a stretch of about a second for runs of three or more samples that stay
/// within 0.02 % of the greatest value (or one step of 16 bit) and fall from it by five times as much or more on both
/// sides. A round peak cannot do that: its fall grows with the square of the distance, so that a run of three within a
/// tolerance falls by four tolerances at most. One short run alone is chance. Where there are more, every sample at
/// that level counts.
FlatTops flatTops(std::span<const float> x, float sign);

}  // namespace rivlen
