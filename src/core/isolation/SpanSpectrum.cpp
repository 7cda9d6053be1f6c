#include "core/isolation/SpanSpectrum.h"

#include <cmath>

#include "core/isolation/Weighing.h"

namespace rivlen {

SpanSpectrum spanSpectrum(const SpanCells& cells) {
    SpanSpectrum out;
    const int bins = int(cells.groups[0].power[0].size());
    std::vector<int> edges{std::max(1, int(50 / cells.binHz))};
    while (edges.back() < bins && edges.back() * cells.binHz < 20000)
        edges.push_back(
            std::min(bins, std::max(edges.back() + 1, int(std::lround(edges.back() * std::exp2(1.0 / 6))))));
    const size_t bands = edges.size() - 1;
    for (size_t b = 0; b < bands; ++b)
        out.hz.push_back(std::sqrt(double(edges[b]) * (edges[b + 1] - 1 + 1e-9)) * cells.binHz);
    const auto momentOf = [&](int t) { return size_t(double(t) * cells.hop / cells.rate / kMomentSeconds); };
    const size_t moments = cells.frames > 0 ? momentOf(cells.frames - 1) + 1 : 0;
    out.source.assign(moments, std::vector<float>(bands, 0.0f));
    out.wanted = out.source;
    const double frames = kMomentSeconds * cells.rate / cells.hop;
    for (const auto& group : cells.groups)
        for (int t = 0; t < cells.frames; ++t) {
            const auto &p = group.share[size_t(t + kCellReach)], &P = group.power[size_t(t + kCellReach)];
            for (size_t b = 0; b < bands; ++b)
                for (int k = edges[b]; k < edges[b + 1]; ++k) {
                    out.source[momentOf(t)][b] += float(P[size_t(k)] / frames);
                    out.wanted[momentOf(t)][b] += float(P[size_t(k)] * p[size_t(k)] * p[size_t(k)] / frames);
                }
        }
    for (auto* rows : {&out.source, &out.wanted})
        for (auto& row : *rows)
            for (float& v : row) v = 10 * std::log10(v + 1e-12f);
    return out;
}

}  // namespace rivlen
