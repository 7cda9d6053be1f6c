#pragma once
#include "core/session/Session.h"
#include "core/spectral/Alignment.h"

namespace rivlen {

/// What became of a reel's settings when a newer version of its recording was laid in.
struct Conformed {
    Reel reel;
    int regionsKept = 0, regionsLost = 0;  ///< over all stems; a region that is cut in two counts once
};

/// The settings of a reel in the times of a newer version: regions, marks, drawn values and the loop follow their
/// sound; what is gone with its sound is lost, what comes again comes again. Dismissed findings are matched anew.
/// reel.source stays.
Conformed conform(const Reel& reel, const std::vector<AlignedStretch>& stretches);

/// The one stretch that two timecodes mean: both first samples' places on the clock, in seconds.
std::vector<AlignedStretch> alignedByTimecode(double olderStart, double olderSeconds, double newerStart,
                                              double newerSeconds);

}  // namespace rivlen
