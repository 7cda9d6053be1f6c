#include "core/isolation/Onsets.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

namespace {

constexpr int kNear = 10, kRiseFrom = 3, kRiseTo = 6;  // frames
static_assert(kNear <= kCellReach && kRiseTo <= kCellReach);

double ramp(double x, double none, double all) { return std::clamp((x - none) / (all - none), 0.0, 1.0); }

}  // namespace

Onsets::Onsets(const Cells& share, const Cells& power, double binHz) {
    const int bins = int(power[0].size());
    for (double hz = 1500; hz < 18000 && int(hz / binHz) < bins - 1; hz *= std::exp2(1.0 / 3))
        m_edges.push_back(int(hz / binHz));
    m_edges.push_back(bins);
    const int low = std::max(1, int(120 / binHz)),
              high = std::min(bins, m_edges[0]);  // a burst itself does not hide the voice
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

double Onsets::powerBefore(int at, int band) const {
    double before = 0;
    for (int j = kRiseFrom; j <= kRiseTo; ++j) before += bandPower(at - j, band) / (kRiseTo - kRiseFrom + 1);
    return before;
}

double Onsets::risen(int at, int band) const {
    return ramp(10 * std::log10((bandPower(at, band) + 1e-12) / (powerBefore(at, band) + 1e-12)), 6, 12);
}

double Onsets::nearby(int at) const {
    double wanted = 0, all = 1e-20;
    for (int j = -kNear; j <= kNear; ++j) {
        wanted = std::max(wanted, m_wanted[size_t(at + j)]);
        all = std::max(all, m_all[size_t(at + j)]);
    }
    return ramp(wanted / all, 0.1, 0.4);
}

}  // namespace rivlen
