#include "core/isolation/SpillModel.h"

#include <algorithm>
#include <cmath>

#include "core/isolation/Weighing.h"

namespace rivlen {

namespace {

// Fitted by training/fit_spill.py on 58 clips with the main network.
constexpr double kBase = 3.63, kUnsure = -16.09, kLow = 1.09, kWanted = -2.38, kBed = 7.4;
constexpr double kMostSpill = 12;  // dB: what lies beyond, the fit has not seen
constexpr double kLowHz = 300;

double deviation(const std::vector<double>& energies) {
    double mean = 0, squares = 0;
    for (double e : energies) {
        const double level = std::log10(e + 1e-12);
        mean += level / double(energies.size());
        squares += level * level / double(energies.size());
    }
    return std::sqrt(std::max(0.0, squares - mean * mean));
}

}  // namespace

SpillFeatures spillFeatures(const SpanCells& cells) {
    const int moment = std::max(1, int(std::lround(kMomentSeconds * cells.rate / cells.hop)));
    double unsure = 0, shares = 1e-20, low = 0, energy = 1e-20;
    std::vector<double> wanted(size_t(cells.frames / moment), 0.0), bed = wanted;
    for (const auto& group : cells.groups)
        for (int t = 0; t < cells.frames; ++t) {
            const auto &p = group.share[size_t(t + kCellReach)], &P = group.power[size_t(t + kCellReach)];
            double own = 0, others = 0;
            for (size_t k = 0; k < P.size(); ++k) {
                const double q = 1.0 - p[k];
                unsure += P[k] * p[k] * q;
                shares += P[k] * p[k];
                own += P[k] * p[k] * p[k];
                others += P[k] * q * q;
                if (double(k) * cells.binHz < kLowHz) low += P[k] * p[k] * p[k];
            }
            energy += own;
            if (size_t(t / moment) < bed.size()) wanted[size_t(t / moment)] += own, bed[size_t(t / moment)] += others;
        }
    return {unsure / shares, low / energy, deviation(wanted), deviation(bed)};
}

double spillCorrection(const SpanCells& cells) {
    const SpillFeatures f = spillFeatures(cells);
    return std::clamp(kBase + kUnsure * f.unsure + kLow * f.low + kWanted * f.wantedMoves + kBed * f.bedMoves,
                      -kMostSpill, kMostSpill);
}

}  // namespace rivlen
