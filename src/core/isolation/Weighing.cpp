#include "core/isolation/Weighing.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/isolation/DamageParts.h"
#include "core/isolation/SpillModel.h"

namespace rivlen {

namespace {

constexpr double kTiny = 1e-20, kBandHz = 94, kArtifactBias = 2.4;
// For the knee, chosen on the clips that SpillModel was fitted on: a correction that is wrong by some dB is believed
// half.
constexpr double kBelief = 0.5, kMovedWeight = 1.5;

double db(double a, double b) { return 10 * std::log10((a + kTiny) / (b + kTiny)); }
/// Points of damage at an estimated SAR in dB.
double totalPoints(double sar) { return 100 / (1 + std::pow(10, (sar - 6) / 10)); }

/// Of one band: power, and power times the gain, of the wanted and of the bed.
struct Band {
    double v = 0, gv = 0, b = 0, gb = 0;
    float meanV = 0, meanB = 0;
};

/// Of one moment: result's power of wanted and bed, and what moves.
struct Passing {
    double v = 0, b = 0, wanted = 0, artifacts = 0;
};

}  // namespace

Weigher::Weigher(const SpanCells& cells) : m_cells(cells), m_correctionDb(spillCorrection(cells)) {
    for (const auto& group : cells.groups) {
        m_counters.push_back(std::make_shared<DamageCounter>(cells, m_counters.size()));
        m_wanted.emplace_back();
        for (int t = 0; t < cells.frames; ++t) {
            const auto &p = group.share[size_t(t + kCellReach)], &P = group.power[size_t(t + kCellReach)];
            std::vector<float> row(p.size());
            for (size_t k = 0; k < row.size(); ++k) {
                const float q = 1 - p[k], a = p[k] * std::sqrt(p[k]), b = q * std::sqrt(std::max(0.0f, q));
                row[k] = a / (a + b + 1e-12f) * P[k];
            }
            m_wanted.back().push_back(std::move(row));
        }
    }
}

void Weigher::findOwnership(const StrengthTimeline& timeline) {
    StrengthTimeline but = timeline;
    if (timeline.constant()) but.base.depth = m_timeline.base.depth, but.base.balance = m_timeline.base.balance;
    if (!m_now.empty() && but == m_timeline) return;
    m_timeline = timeline;
    m_now.clear();
    std::vector<Blend> strength{timeline.at(0)};
    if (!timeline.constant()) {
        strength.clear();
        for (int t = 0; t < m_cells.frames; ++t) strength.push_back(timeline.at(m_cells.secondOf(t)));
    }
    const bool around = looksAround(strength);
    for (const auto& group : m_cells.groups) {
        const auto span = [&](const Cells& all) {
            return around ? all : Cells(all.begin() + kCellReach, all.end() - kCellReach);
        };
        m_now.push_back(
            strengthened(strength, span(group.share), around ? group.power : Cells(), m_cells.frames, m_cells.binHz));
    }
}

std::vector<float> Weigher::backs(const StrengthTimeline& timeline) const {
    const auto back = [](const StrengthLevels& l) { return float(l.back * l.rest / l.wanted); };
    std::vector<float> all(size_t(m_cells.frames), back(timeline.levels(0)));
    if (!timeline.constant())
        for (int t = 0; t < m_cells.frames; ++t) all[size_t(t)] = back(timeline.levels(m_cells.secondOf(t)));
    return all;
}

Weighing Weigher::weigh(const StrengthTimeline& timeline) {
    findOwnership(timeline);
    const std::vector<float> allBacks = backs(timeline);
    std::vector<Cells> all = m_now;
    for (Cells& gains : all)
        for (int t = 0; t < m_cells.frames; ++t)
            for (float& g : gains[size_t(t)]) g += allBacks[size_t(t)] * (1 - g);
    return weighGains(all);
}

Weighing Weigher::weighGains(const std::vector<Cells>& groups) {
    const size_t width = size_t(std::max(1L, std::lround(kBandHz / m_cells.binHz)));
    std::vector<int> momentOf;
    for (int t = 0; t < m_cells.frames; ++t)
        momentOf.push_back(int(double(t) * m_cells.hop / m_cells.rate / kMomentSeconds));
    const size_t count = momentOf.empty() ? 0 : size_t(momentOf.back()) + 1;
    std::vector<Passing> passing(count);
    std::vector<DamageSums> sums(count);
    double voice = 0, whole = 0, voiceKept = 0, kept = 0, interference = 0, all = 0;
    for (size_t group = 0; group < m_cells.groups.size(); ++group) {
        const Cells& gains = groups[group];
        const size_t bins = m_cells.groups[group].power[0].size();
        std::vector<Band> bands((bins + width - 1) / width);
        for (int t = 0; t < m_cells.frames; ++t) {
            const auto &P = m_cells.groups[group].power[size_t(t + kCellReach)], &V = m_wanted[group][size_t(t)];
            const auto& g = gains[size_t(t)];
            for (size_t k = 0; k < bins; ++k) {
                Band& band = bands[k / width];
                band.v += V[k], band.gv += g[k] * V[k];
                band.b += P[k] - V[k], band.gb += g[k] * (P[k] - V[k]);
                all += g[k] * g[k] * P[k];
            }
        }
        for (Band& x : bands) {
            x.meanV = float(x.gv / (x.v + kTiny)), x.meanB = float(x.gb / (x.b + kTiny));
            voice += x.v, whole += x.v + x.b, voiceKept += x.gv;
            kept += x.meanV * x.gv, interference += x.meanB * x.gb;
        }
        for (int t = 0; t < m_cells.frames; ++t) {
            const auto &P = m_cells.groups[group].power[size_t(t + kCellReach)], &V = m_wanted[group][size_t(t)],
                       &g = gains[size_t(t)];
            Passing& m = passing[size_t(momentOf[size_t(t)])];
            for (size_t k = 0; k < bins; ++k) {
                const Band& band = bands[k / width];
                const float B = P[k] - V[k], dv = g[k] - band.meanV, dB = g[k] - band.meanB;
                m.v += g[k] * g[k] * V[k], m.b += g[k] * g[k] * B, m.wanted += V[k];
                m.artifacts += dv * dv * V[k] + dB * dB * B;
            }
        }
        m_counters[group]->count(gains, m_wanted[group], momentOf, sums);
    }
    Weighing w;
    const double artifacts = std::max(0.0, all - kept - interference);
    DamageSums total;
    for (const auto& m : sums) total += m;
    w.damage = total.parts();
    w.damage.pumping = pumping(sums);
    w.damage.total = totalPoints(db(kept + interference, artifacts) - kArtifactBias);
    w.spillDb = db(interference, kept) + m_correctionDb;
    w.wantedDb = db(voice, whole);
    w.gain = voiceKept / (voice + kTiny);
    const double level = voiceKept * voiceKept / (voice + kTiny) + kTiny;  // the wanted sound at its mean gain
    w.bent = std::max(0.0, kept - level) / level;
    w.spilt = std::pow(10, w.spillDb / 10) * kept / level;
    w.moved = std::pow(10, kArtifactBias / 10) * artifacts / level;
    w.sdrDb = -10 * std::log10(w.bent + w.spilt * std::pow(10, (kBelief - 1) * m_correctionDb / 10) +
                               kMovedWeight * w.moved + kTiny);
    double loudest = kTiny;
    for (const auto& m : passing) loudest = std::max(loudest, m.wanted);
    for (size_t i = 0; i < count; ++i) {
        Moment moment{db(passing[i].b, passing[i].v) + m_correctionDb, sums[i].parts(), passing[i].wanted / loudest,
                      passing[i].b * std::pow(10, m_correctionDb / 10) / loudest};
        const double change = db(sums[i].bedKept, sums[i].bed) - db(total.bedKept, total.bed);  // against the span's
        moment.damage.pumping = sums[i].bed < 1e-4 * loudest ? 0 : 100 * std::clamp(std::abs(change) / 20, 0.0, 1.0);
        moment.damage.total = totalPoints(db(passing[i].v + passing[i].b, passing[i].artifacts) - kArtifactBias);
        w.moments.push_back(moment);
    }
    return w;
}

}  // namespace rivlen
