#pragma once
#include "core/isolation/CellShares.h"

namespace rivlen {

/// What the strength of isolation works on in a stretch of a recording: for each group of channels the wanted stem's share
/// (0 ... 1) and the source's power in every frame and bin, with kCellReach frames more on both sides. Made by Isolator::cells().
struct SpanCells {
    struct Group {
        Cells share, power;
    };
    std::vector<Group> groups;
    int frames = 0;       ///< without those on both sides
    int64_t first = 0;    ///< sample that the first of them begins with
    int hop = 0;          ///< samples from frame to frame
    int rate = 0;         ///< Hz
    double binHz = 0;     ///< width of a bin

    double seconds() const { return double(frames) * hop / rate; }
};

}  // namespace rivlen
