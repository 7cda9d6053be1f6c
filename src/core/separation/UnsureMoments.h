#pragma once
#include <vector>

#include "core/spectral/LevelTrack.h"

namespace rivlen {

/// A stretch in which the network did not know whose the sound is.
struct UnsureMoment {
    double from = 0, to = 0;  ///< seconds
    double confidence = 0;    ///< lowest in it, 0 ... 1 (Confidence.h)
};

/// Where a split should be listened to: stretches of half seconds whose confidence lies below kUnsure and that are
/// within 30 dB of the recording's loudest, joined where they touch. At most so many, those that count most (unsure and
/// loud) first chosen; given in order of time. The bound is our own choice: docs/design-notes.md says how confidence
/// goes with errors.
std::vector<UnsureMoment> unsureMoments(const LevelTrack& stems, const LevelTrack& source, int sampleRate,
                                        int64_t frames, size_t most = 12);

inline constexpr double kUnsure = 0.5;

}  // namespace rivlen
