#pragma once
#include "core/batch/BatchWork.h"

namespace rivlen {

/// Says of long recordings that are to be split in which spans that is done: nothing in request.spanSeconds changes
/// nothing. A recording is cut when it is longer than one and a half of a span; what is left at its end goes to the
/// last one. Throws Error (Usage): the command or its options do not go with spans.
void cutIntoSpans(const BatchRequest& request, std::vector<BatchUnit>& units);

/// Does a list of units and says how each ended, as doBatch() and doBatchOnSlurm() do.
using BatchDoer = std::function<BatchOutcome(const std::vector<BatchUnit>&, const Progress&)>;

/// Does units of which some are put together from spans: first all spans and what has none, then what is put together.
/// A unit fails with the first of its spans that does; given again, only the spans that are missing are done. The spans
/// are kept in the folder of the records until their unit is done.
BatchOutcome doBatchInSpans(const std::filesystem::path& out, const std::vector<BatchUnit>& units, const BatchDoer& all,
                            const Progress& progress);

}  // namespace rivlen
