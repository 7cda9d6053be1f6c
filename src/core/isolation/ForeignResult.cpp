#include "core/isolation/ForeignResult.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/isolation/Isolator.h"

namespace rivlen {

namespace {

constexpr float kMost = 4;  // where the source has hardly anything the result is something else, not the source louder

}  // namespace

std::vector<Cells> gainsOf(SampleSource& result, const SpanCells& cells, int64_t first, int64_t count) {
    Isolator isolator(result.channels(), result.sampleRate());
    const int64_t margin = isolator.margin();
    StemBlock block;
    block.source = result.read(first - margin, count + 2 * margin);
    block.stems = {block.source};
    for (size_t i = 1; i < kStemCount; ++i) block.stems.emplace_back(block.source.channels(), block.source.frames());
    const SpanCells its = isolator.cells(IsolationSettings(), 0, first, std::move(block));
    std::vector<Cells> gains;
    for (size_t g = 0; g < cells.groups.size(); ++g) {
        gains.emplace_back();
        for (int t = 0; t < cells.frames; ++t) {
            const auto &P = cells.groups[g].power[size_t(t + kCellReach)],
                       &R = its.groups[g].power[size_t(t + kCellReach)];
            std::vector<float> row(P.size());
            for (size_t k = 0; k < row.size(); ++k)
                row[k] = R[k] <= 0 ? 0 : std::min(kMost, std::sqrt(R[k] / std::max(P[k], 1e-20f)));
            gains.back().push_back(std::move(row));
        }
    }
    return gains;
}

double levelMatchDb(const Weighing& own, const Weighing& its) {
    constexpr double kHardlyAny = -20, kFurthest = 24;
    if (own.wantedDb < kHardlyAny) return 0;
    return std::clamp(toDb(own.gain) - toDb(its.gain), -kFurthest, kFurthest);
}

}  // namespace rivlen
