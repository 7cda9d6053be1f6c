#pragma once
#include "core/isolation/Weighing.h"

namespace rivlen {

/// Gains by which a result that was made elsewhere differs from its source, for Weigher::weighGains(): in each group,
/// frame and bin of the cells the root of the result's power over the source's, 4 at most. The result lies as the
/// source does, sample by sample. Throws Error (InputUnreadable).
std::vector<Cells> gainsOf(SampleSource& result, const SpanCells& cells, int64_t first, int64_t count);

}  // namespace rivlen
