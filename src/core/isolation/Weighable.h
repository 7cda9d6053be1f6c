#pragma once
#include <string>

#include "core/audio/SampleSource.h"

namespace rivlen {

/// Why a span cannot be weighed, as a sentence; empty where it can. There must be half a second at least, and sound in
/// it above -70 dBFS RMS that moves: a constant offset is no sound. Throws what the source throws.
std::string hindranceToWeighing(SampleSource& source, int64_t first, int64_t count);

}  // namespace rivlen
