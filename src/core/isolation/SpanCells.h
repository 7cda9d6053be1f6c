#pragma once
#include <memory>

#include "core/audio/SampleSource.h"
#include "core/isolation/CellShares.h"
#include "core/separation/StemBlock.h"

namespace rivlen {

/// What the strength of isolation works on in a stretch of a recording: for each group of channels the wanted stem's
/// share (0 ... 1) and the source's power in every frame and bin, with kCellReach frames more on both sides. Made by
/// Isolator::cells().
struct SpanCells {
    struct Group {
        Cells share, power;
    };
    std::vector<Group> groups;
    int frames = 0;     ///< without those on both sides
    int64_t first = 0;  ///< sample that the first of them begins with
    int hop = 0;        ///< samples from frame to frame
    int rate = 0;       ///< Hz
    double binHz = 0;   ///< width of a bin

    /// The middle of a frame, from the recording's first sample.
    double secondOf(int frame) const { return (double(first) + double(frame) * hop + double(rate) / binHz / 2) / rate; }
    double seconds() const { return double(frames) * hop / rate; }
};

/// The cells of [first, first + count) of a recording and its stems, all of one rate and layout; wanted: index of the
/// wanted stem, or of the stem whose part is; of the timeline only Room keep counts. Takes some 2 MB a second. Throws
/// Error (InputUnreadable).
SpanCells readSpanCells(SampleSource& source, StemReaders& stems, const StrengthTimeline& timeline, int wanted,
                        int64_t first, int64_t count);

}  // namespace rivlen
