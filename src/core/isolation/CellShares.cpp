#include "core/isolation/CellShares.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <optional>

#include "core/isolation/Onsets.h"

namespace rivlen {

namespace {

constexpr int kHold = 5;                     // frames
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

/// Gives `amount` (0 ... 1) of what is missing in guarded bins of a frame to the wanted stem; lets go over kHold
/// frames.
void guard(std::vector<float>& row, const Onsets& onsets, int at, double amount) {
    const double nearby = onsets.nearby(at);
    if (nearby <= 0) return;
    for (int b = 0; b < onsets.bands(); ++b) {
        double rise = 0;
        for (int j = 0; j < kHold; ++j) rise = std::max(rise, onsets.risen(at - j, b) * (1 - double(j) / kHold));
        const float g = float(amount * nearby * rise);
        if (g > 0)
            for (int k = onsets.firstBin(b); k < onsets.firstBin(b + 1); ++k)
                row[size_t(k)] += g * (1 - row[size_t(k)]);
    }
}

/// Band bias by bin, kept from frame to frame.
class BinBias {
public:
    BinBias(size_t bins, double binHz) : m_bins(bins), m_binHz(binHz) {}
    /// Empty when neutral.
    const std::vector<double>& of(const BandBias& curve) {
        if (m_known && curve == m_curve) return m_bias;
        m_known = true;
        m_curve = curve;
        m_bias.clear();
        if (!isNeutral(curve))
            for (size_t k = 0; k < m_bins; ++k) m_bias.push_back(biasAt(curve, double(k) * m_binHz));
        return m_bias;
    }

private:
    size_t m_bins;
    double m_binHz;
    bool m_known = false;
    BandBias m_curve;
    std::vector<double> m_bias;
};

template <typename Test>
bool any(const std::vector<Blend>& blends, Test&& test) {
    return std::any_of(blends.begin(), blends.end(), [&](const Blend& b) {
        return std::any_of(b.begin(), b.end(), [&](const auto& one) { return test(one.first); });
    });
}

}  // namespace

bool looksAround(const std::vector<Blend>& blends) {
    return any(blends, [](const auto& s) { return looksAround(s); });
}
bool movesCells(const std::vector<Blend>& blends) {
    return any(blends, [](const auto& s) { return movesCells(s); });
}

Cells strengthened(const std::vector<Blend>& blends, const Cells& share, const Cells& power, int count, double binHz) {
    const int reach = looksAround(blends) ? kCellReach : 0;
    std::optional<Onsets> onsets;
    if (any(blends, [](const auto& s) { return s.onsetGuard > 0; })) onsets.emplace(share, power, binHz);
    BinBias bias(share[0].size(), binHz);
    const auto one = [&](const IsolationSettings& settings, int i) {
        const int steady = int(std::lround(settings.steadiness / 100 * kCellReach));
        std::vector<float> row = steady > 0 ? averaged(share, i, steady) : share[size_t(i)];
        if (settings.firmness != 0) {
            const double exponent = std::exp2(settings.firmness / 50);
            for (float& p : row) {
                const double a = std::pow(double(p), exponent), b = std::pow(1 - double(p), exponent);
                p = a + b > 0 ? float(a / (a + b)) : p;
            }
        }
        const auto& curve = bias.of(settings.bandBias);
        for (size_t k = 0; k < curve.size(); ++k)
            if (curve[k] != 0) row[k] = biased(row[k], curve[k]);
        if (settings.onsetGuard > 0) guard(row, *onsets, i, settings.onsetGuard / 100);
        return row;
    };
    Cells out;
    for (int i = 0; i < count; ++i) {
        const Blend& blend = blends[blends.size() == 1 ? 0 : size_t(i)];
        std::vector<float> row = one(blend[0].first, reach + i);
        if (blend.size() > 1) {
            for (float& p : row) p *= float(blend[0].second);
            for (size_t b = 1; b < blend.size(); ++b) {
                const auto more = one(blend[b].first, reach + i);
                for (size_t k = 0; k < row.size(); ++k) row[k] += float(blend[b].second) * more[k];
            }
        }
        out.push_back(std::move(row));
    }
    return out;
}

}  // namespace rivlen
