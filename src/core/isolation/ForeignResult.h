#pragma once
#include "core/isolation/Weighing.h"

namespace rivlen {

/// Gains by which a result that was made elsewhere differs from its source, for Weigher::weighGains(): in each group,
/// frame and bin of the cells the root of the result's power over the source's, 4 at most. The result lies as the
/// source does, sample by sample. Throws Error (InputUnreadable).
std::vector<Cells> gainsOf(SampleSource& result, const SpanCells& cells, int64_t first, int64_t count);

/// dB that bring a result made elsewhere to where the wanted sound is as loud as in our own, both weighed on the same
/// cells; 24 either way at most. 0 where less than a hundredth of the source is wanted (Weighing::wantedDb below -20):
/// what little the measures see of it there is mistaken music or noise. Ten-second spans of recordings with a voice in
/// them, down to 20 dB below the rest, had -17 or more with one exception (-27), 15 of 16 without one -21.5 or less.
double levelMatchDb(const Weighing& own, const Weighing& its);

}  // namespace rivlen
