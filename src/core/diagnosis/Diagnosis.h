#pragma once
#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"
#include "core/diagnosis/Content.h"
#include "core/diagnosis/Finding.h"

namespace rivlen {

/// What is wrong with a recording, and what it holds.
struct Diagnosis {
    std::vector<Finding> findings;   ///< in the order of Fault, then of time
    std::optional<Content> content;  ///< nothing when it is too short or silent
};

/// Looks through a whole recording for every kind of fault, in one pass. Each kind's
/// method is described where its detector is made; `./rivlen bench diagnosis` measures how often they are right. Throws
/// Error (Cancelled, InputUnreadable).
Diagnosis diagnose(SampleSource& source, const Progress& progress);

}  // namespace rivlen
