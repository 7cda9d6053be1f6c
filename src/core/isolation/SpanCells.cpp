#include "core/isolation/SpanCells.h"

#include "core/isolation/Isolator.h"

namespace rivlen {

SpanCells readSpanCells(SampleSource& source, const std::vector<std::unique_ptr<SampleSource>>& stems, int wanted, int64_t first, int64_t count) {
    Isolator isolator(source.channels(), source.sampleRate());
    const int64_t from = first - isolator.margin(), length = count + 2 * isolator.margin();
    std::vector<AudioBuffer> parts;
    for (const auto& stem : stems) parts.push_back(stem->read(from, length));
    return isolator.cells(wanted, first, count, source.read(from, length), parts);
}

}  // namespace rivlen
