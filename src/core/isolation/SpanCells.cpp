#include "core/isolation/SpanCells.h"

#include "core/isolation/Isolator.h"

namespace rivlen {

SpanCells readSpanCells(SampleSource& source, StemReaders& stems, const StrengthTimeline& timeline, int wanted,
                        int64_t first, int64_t count) {
    Isolator isolator(source.channels(), source.sampleRate());
    return isolator.cells(timeline, wanted, first,
                          stems.read(source, first - isolator.margin(), count + 2 * isolator.margin()));
}

}  // namespace rivlen
