#pragma once
#include <memory>

#include "core/audio/SampleSource.h"
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

/// The cells of [first, first + count) of a recording and its stems, all of one rate and layout; wanted: index of the wanted
/// stem. Takes some 2 MB a second. Throws Error (InputUnreadable).
SpanCells readSpanCells(SampleSource& source, const std::vector<std::unique_ptr<SampleSource>>& stems, int wanted, int64_t first, int64_t count);

}  // namespace rivlen
