#include "core/isolation/CellShares.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <optional>

namespace rivlen {

namespace {

constexpr int kNear = 10, kRiseFrom = 3, kRiseTo = 6, kHold = 5;  // frames

double ramp(double x, double none, double all) { return std::clamp((x - none) / (all - none), 0.0, 1.0); }

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

/// Finds short noisy beginnings near the wanted sound.
class OnsetGuard {
public:
    OnsetGuard(const Cells& share, const Cells& power, double binHz) {
        const int bins = int(power[0].size());
        for (double hz = 1500; hz < 18000 && int(hz / binHz) < bins - 1; hz *= std::exp2(1.0 / 3)) m_edges.push_back(int(hz / binHz));
        m_edges.push_back(bins);
        const int low = std::max(1, int(120 / binHz)), high = std::min(bins, m_edges[0]);  // a burst itself does not hide the voice
        for (size_t i = 0; i < power.size(); ++i) {
            double wanted = 0, all = 0;
            for (int k = low; k < high; ++k) {
                all += power[i][size_t(k)];
                wanted += double(power[i][size_t(k)]) * share[i][size_t(k)] * share[i][size_t(k)];
            }
            m_wanted.push_back(wanted);
            m_all.push_back(all);
            std::vector<double> rows;
            for (size_t b = 0; b + 1 < m_edges.size(); ++b) {
                double sum = 0;
                for (int k = m_edges[b]; k < m_edges[b + 1]; ++k) sum += power[i][size_t(k)];
                rows.push_back(sum);
            }
            m_bands.push_back(rows);
        }
    }

    /// Gives share of what is missing in each guarded bin of a frame.
    void apply(std::vector<float>& row, int at, double amount) const {
        double wanted = 0, all = 1e-20;
        for (int j = -kNear; j <= kNear; ++j) {
            wanted = std::max(wanted, m_wanted[size_t(at + j)]);
            all = std::max(all, m_all[size_t(at + j)]);
        }
        const double nearby = ramp(wanted / all, 0.1, 0.4);
        if (nearby <= 0) return;
        for (size_t b = 0; b + 1 < m_edges.size(); ++b) {
            double rise = 0;
            for (int j = 0; j < kHold; ++j) rise = std::max(rise, risen(at - j, b) * (1 - double(j) / kHold));
            const float g = float(amount * nearby * rise);
            if (g > 0)
                for (int k = m_edges[b]; k < m_edges[b + 1]; ++k) row[size_t(k)] += g * (1 - row[size_t(k)]);
        }
    }

private:
    double risen(int at, size_t band) const {
        double before = 0;
        for (int j = kRiseFrom; j <= kRiseTo; ++j) before += m_bands[size_t(at - j)][band] / (kRiseTo - kRiseFrom + 1);
        return ramp(10 * std::log10((m_bands[size_t(at)][band] + 1e-12) / (before + 1e-12)), 6, 12);
    }

    std::vector<int> m_edges;             ///< first bins of the bands
    std::vector<double> m_wanted, m_all;  ///< power from 120 Hz to 1.5 kHz, by frame
    std::vector<std::vector<double>> m_bands;
};

static_assert(kNear <= kCellReach && kHold - 1 + kRiseTo <= kCellReach);

}  // namespace

Cells strengthened(const IsolationSettings& settings, const Cells& share, const Cells& power, int count, double binHz) {
    const int reach = looksAround(settings) ? kCellReach : 0;
    const int steady = int(std::lround(settings.steadiness / 100 * kCellReach));
    const double exponent = std::exp2(settings.firmness / 50);
    std::optional<OnsetGuard> guard;
    if (settings.onsetGuard > 0) guard.emplace(share, power, binHz);
    Cells out;
    for (int i = reach; i < reach + count; ++i) {
        std::vector<float> row = steady > 0 ? averaged(share, i, steady) : share[size_t(i)];
        if (settings.firmness != 0)
            for (float& p : row) {
                const double a = std::pow(double(p), exponent), b = std::pow(1 - double(p), exponent);
                p = a + b > 0 ? float(a / (a + b)) : p;
            }
        if (guard) guard->apply(row, i, settings.onsetGuard / 100);
        out.push_back(std::move(row));
    }
    return out;
}

}  // namespace rivlen
