#pragma once
#include <optional>

#include "core/base/Progress.h"
#include "core/rebuild/Mend.h"
#include "core/separation/StemBlock.h"

namespace rivlen {

/// Longest area, seconds: its cells are held in memory.
inline constexpr double kLongestMend = 120;

/// What mends do to stems, as sounds to be added to them. Cells of a short-time spectrum (2048 frames at 48 kHz, Hann,
/// a quarter's hop) are weighed by how much of each lies in the area. Give moves them to another stem: what one gains
/// the other loses, sample by sample. Lower scales them. Heal gives them the level that the same frequencies have
/// before and after the area and goes on with the phases from before; these two change what the stems sum to by as
/// much. Each mend sees what those before it left. stems are the readers of a split; source what they sum to. Throws
/// Error (Cancelled, InputUnreadable).
std::shared_ptr<const StemPatches> mendPatches(const std::vector<Mend>& mends, StemReaders& stems, SampleSource& source,
                                               const Progress& progress);

}  // namespace rivlen
