#include "core/isolation/Likeness.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

Likeness likenessOf(const SpanCells& cells) {
    std::array<double, Likeness::kBands> wanted{}, rest{};
    for (const auto& group : cells.groups)
        for (int t = 0; t < cells.frames; ++t) {
            const auto &p = group.share[size_t(t + kCellReach)], &P = group.power[size_t(t + kCellReach)];
            for (size_t k = 1; k < P.size(); ++k) {
                const int band = int(std::lround(std::log2(double(k) * cells.binHz / 125)));
                if (band < 0 || band >= Likeness::kBands) continue;
                wanted[size_t(band)] += double(p[k]) * p[k] * P[k];
                rest[size_t(band)] += double(1 - p[k]) * (1 - p[k]) * P[k];
            }
        }
    Likeness out;
    double mean = 0;
    for (size_t b = 0; b < out.kBands; ++b) {
        out.wantedOverRest[b] = std::clamp(10 * std::log10((wanted[b] + 1e-12) / (rest[b] + 1e-12)), -30.0, 30.0);
        mean += out.restSpectrum[b] = 10 * std::log10(rest[b] + 1e-12);
    }
    for (double& v : out.restSpectrum) v -= mean / Likeness::kBands;
    return out;
}

double distance(const Likeness& a, const Likeness& b) {
    double sum = 0;
    for (size_t i = 0; i < Likeness::kBands; ++i)
        sum +=
            std::pow(a.wantedOverRest[i] - b.wantedOverRest[i], 2) + std::pow(a.restSpectrum[i] - b.restSpectrum[i], 2);
    return std::sqrt(sum / (2 * Likeness::kBands));
}

}  // namespace rivlen
