#pragma once
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"

namespace rivlen {

/// A stretch of a newer version of a recording and where its sound was before.
struct AlignedStretch {
    double from = 0, to = 0;  ///< seconds in the newer version
    double shift = 0;         ///< seconds: what sounds at t there was at t + shift before
    bool found = false;       ///< false: this sound was not there before
    double likeness = 0;      ///< how alike both are, -1 ... 1 (correlation of how their bands move)

    bool operator==(const AlignedStretch&) const = default;
};

/// Finds the older version of a recording in a newer one that was shifted, trimmed or cut anew, by its sound: the
/// levels of eight bands over time, without their slow means, so that another gain, equalisation or codec does no harm.
/// Windows of some seconds of the newer version are searched in the older one by cross-correlation; neighbours that
/// agree become one stretch; the border between two lies where both together fit best; each shift is refined to the
/// sample by cross-correlation of the waveforms. Returns stretches in order without gaps that cover the newer version.
/// Throws Error (Cancelled, InputUnreadable).
std::vector<AlignedStretch> align(SampleSource& older, SampleSource& newer, const Progress& progress);

}  // namespace rivlen
