#pragma once
#include <functional>

#include "core/base/Progress.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

/// What the treatments of a chain need to know of a recording: its findings, and its noise when one of them lowers it.
/// Throws Error (Cancelled, InputUnreadable).
TreatmentFacts factsFor(SampleSource& source, const std::vector<Treatment>& treatments, std::vector<Finding> findings,
                        const Progress& progress);

/// Runs a recording through a chain of treatments, block by block; sink gets the treated sound in order, as long as the
/// source and aligned with it. Returns what each treatment took away. Throws Error (Cancelled, InputUnreadable) and
/// what sink throws.
std::vector<TreatmentChain::Effect> treat(SampleSource& source, const std::vector<Treatment>& treatments,
                                          const TreatmentFacts& facts,
                                          const std::function<void(const AudioBuffer&)>& sink,
                                          const Progress& progress);

}  // namespace rivlen
