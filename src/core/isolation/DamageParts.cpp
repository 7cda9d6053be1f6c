#include "core/isolation/DamageParts.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

constexpr double kNearlyNothing = 1e-20;

double points(double value, double none, double all) {
    return 100 * std::clamp((value - none) / (all - none), 0.0, 1.0);
}
double db(double a, double b) { return 10 * std::log10((a + kNearlyNothing) / (b + kNearlyNothing)); }

}  // namespace

const char* Damage::partName(int i) {
    return std::array{"Onset loss", "Dulling", "Warble", "Pumping", "Holes"}[size_t(i)];
}

DamageSums& DamageSums::operator+=(const DamageSums& o) {
    onset += o.onset, onsetLost += o.onsetLost;
    middle += o.middle, middleKept += o.middleKept, treble += o.treble, trebleKept += o.trebleKept;
    flutter += o.flutter, kept += o.kept;
    bed += o.bed, bedKept += o.bedKept;
    words += o.words, gaps += o.gaps;
    return *this;
}

Damage DamageSums::parts() const {
    Damage d;
    if (onset > kNearlyNothing) d.onsetLoss = 100 * onsetLost / onset;
    if (treble > kNearlyNothing && middle > kNearlyNothing)
        d.dulling = points(db(middleKept, middle) - db(trebleKept, treble), 0, 12);
    if (kept > kNearlyNothing) d.warble = points(db(flutter, kept), -35, -5);
    if (words > kNearlyNothing) d.holes = 100 * std::sqrt(std::min(1.0, gaps / words));
    return d;
}

double pumping(const std::vector<DamageSums>& moments) {
    double loud = 0;
    for (const auto& m : moments) loud = std::max(loud, m.kept);
    double n = 0, sum = 0, squares = 0;
    for (const auto& m : moments) {
        if (m.bed < 1e-4 * loud) continue;  // no bed to hear
        const double level =
            std::max(db(m.bedKept, m.bed), db(1e-4 * loud, m.bed));  // below -40 dB nobody hears it move
        n += 1, sum += level, squares += level * level;
    }
    return n < 2 ? 0 : points(std::sqrt(std::max(0.0, squares / n - sum / n * sum / n)), 0, 20);
}

DamageCounter::DamageCounter(const SpanCells& cells, size_t group)
    : m_cells(cells), m_group(cells.groups[group]), m_onsets(m_group.share, m_group.power, cells.binHz) {}

void DamageCounter::count(const Cells& gains, const Cells& wanted, const std::vector<int>& momentOf,
                          std::vector<DamageSums>& moments) const {
    const size_t bins = m_group.power[0].size();
    const auto bin = [&](double hz) { return std::min(bins, size_t(hz / m_cells.binHz)); };
    const size_t middleFrom = bin(500), middleTo = bin(3000), trebleFrom = bin(4000), trebleTo = bin(12000);
    const int near = std::max(1, int(std::lround(0.06 * m_cells.rate / m_cells.hop)));
    const float hole = float(fromDb(-14)), open = float(fromDb(-6));
    std::vector<int> lastOpen(bins, -1000);
    std::vector<std::vector<std::pair<int, float>>> pending(bins);  // holes that wait for the gain to come back
    for (int t = 0; t < m_cells.frames; ++t) {
        DamageSums& m = moments[size_t(momentOf[size_t(t)])];
        const auto &g = gains[size_t(t)], &V = wanted[size_t(t)], &P = m_group.power[size_t(t + kCellReach)];
        const auto &before = gains[size_t(std::max(0, t - 1))],
                   &after = gains[size_t(std::min(m_cells.frames - 1, t + 1))];
        for (size_t k = 0; k < bins; ++k) {
            const float gg = g[k] * g[k], bend = g[k] - (before[k] + after[k]) / 2;
            m.flutter += bend * bend * P[k];
            m.kept += gg * P[k];
            m.bed += P[k] - V[k];
            m.bedKept += gg * (P[k] - V[k]);
            m.words += V[k];
            if (k >= middleFrom && k < middleTo) m.middle += V[k], m.middleKept += gg * V[k];
            if (k >= trebleFrom && k < trebleTo) m.treble += V[k], m.trebleKept += gg * V[k];
            if (g[k] > open) {
                for (const auto& [at, power] : pending[k])
                    if (t - at <= near) moments[size_t(momentOf[size_t(at)])].gaps += power;
                pending[k].clear();
                lastOpen[k] = t;
            } else if (g[k] < hole && t - lastOpen[k] <= near) {
                pending[k].emplace_back(t, P[k]);
            }
        }
        const int at = t + kCellReach;
        const double nearby = m_onsets.nearby(at);
        if (nearby <= 0) continue;
        for (int b = 0; b < m_onsets.bands(); ++b) {
            const double risen = nearby * m_onsets.risen(at, b);
            if (risen <= 0) continue;
            double share = 0, kept = 0, total = kNearlyNothing;
            for (int k = m_onsets.firstBin(b); k < m_onsets.firstBin(b + 1); ++k) {
                const double power = P[size_t(k)];
                total += power;
                share += m_group.share[size_t(at)][size_t(k)] * power;
                kept += g[size_t(k)] * g[size_t(k)] * power;
            }
            const double fresh = risen * (total - std::min(total, m_onsets.powerBefore(at, b))) * share / total;
            m.onset += fresh;
            m.onsetLost += fresh * std::max(0.0, 1 - kept / total);
        }
    }
}

}  // namespace rivlen
