#include "core/isolation/CellShares.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <optional>

#include "core/isolation/Onsets.h"

namespace rivlen {

namespace {

constexpr int kHold = 5;  // frames
static_assert(kHold - 1 + 6 <= kCellReach);  // Onsets looks back 6 frames

std::vector<float> averaged(const Cells& share, int at, int reach) {
    std::vector<float> mean(share[size_t(at)].size(), 0.0f);
    double total = 0;
    for (int j = -reach; j <= reach; ++j) total += 0.5 + 0.5 * std::cos(std::numbers::pi * j / (reach + 1));
    for (int j = -reach; j <= reach; ++j) {
        const float w = float((0.5 + 0.5 * std::cos(std::numbers::pi * j / (reach + 1))) / total);
        const auto& row = share[size_t(at + j)];
        for (size_t k = 0; k < mean.size(); ++k) mean[k] += w * row[k];
    }
    return mean;
}

/// Gives `amount` (0 ... 1) of what is missing in guarded bins of a frame to the wanted stem; lets go over kHold frames.
void guard(std::vector<float>& row, const Onsets& onsets, int at, double amount) {
    const double nearby = onsets.nearby(at);
    if (nearby <= 0) return;
    for (int b = 0; b < onsets.bands(); ++b) {
        double rise = 0;
        for (int j = 0; j < kHold; ++j) rise = std::max(rise, onsets.risen(at - j, b) * (1 - double(j) / kHold));
        const float g = float(amount * nearby * rise);
        if (g > 0)
            for (int k = onsets.firstBin(b); k < onsets.firstBin(b + 1); ++k) row[size_t(k)] += g * (1 - row[size_t(k)]);
    }
}

}  // namespace

Cells strengthened(const IsolationSettings& settings, const Cells& share, const Cells& power, int count, double binHz) {
    const int reach = looksAround(settings) ? kCellReach : 0;
    const int steady = int(std::lround(settings.steadiness / 100 * kCellReach));
    const double exponent = std::exp2(settings.firmness / 50);
    std::optional<Onsets> onsets;
    if (settings.onsetGuard > 0) onsets.emplace(share, power, binHz);
    std::vector<double> bias;  // by bin; empty when neutral
    if (!isNeutral(settings.bandBias))
        for (size_t k = 0; k < share[0].size(); ++k) bias.push_back(biasAt(settings.bandBias, double(k) * binHz));
    Cells out;
    for (int i = reach; i < reach + count; ++i) {
        std::vector<float> row = steady > 0 ? averaged(share, i, steady) : share[size_t(i)];
        if (settings.firmness != 0)
            for (float& p : row) {
                const double a = std::pow(double(p), exponent), b = std::pow(1 - double(p), exponent);
                p = a + b > 0 ? float(a / (a + b)) : p;
            }
        for (size_t k = 0; k < bias.size(); ++k)
            if (bias[k] != 0) row[k] = biased(row[k], bias[k]);
        if (onsets) guard(row, *onsets, i, settings.onsetGuard / 100);
        out.push_back(std::move(row));
    }
    return out;
}

}  // namespace rivlen
