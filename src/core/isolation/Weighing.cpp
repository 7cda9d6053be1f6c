#include "core/isolation/Weighing.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>

#include "core/audio/Decibel.h"

namespace rivlen {

double kOwner = getenv("OWNER") ? atof(getenv("OWNER")) : 1.5;

namespace {

/// Sums over a band's cells: power, and power times the gain and its square, of the wanted and of the bed.
struct Band {
    double v = 0, gv = 0, ggv = 0, b = 0, gb = 0, ggb = 0;
};

}  // namespace

std::vector<Cells> ownership(const IsolationSettings& settings, const SpanCells& cells) {
    std::vector<Cells> out;
    for (const auto& group : cells.groups) {
        const auto middle = [&](const Cells& all) { return looksAround(settings) ? all : Cells(all.begin() + kCellReach, all.end() - kCellReach); };
        out.push_back(strengthened(settings, middle(group.share), settings.onsetGuard > 0 ? group.power : Cells(), cells.frames, cells.binHz));
    }
    return out;
}

Weighing weigh(const IsolationSettings& settings, const SpanCells& cells, const std::vector<Cells>& now) {
    const double back = settings.depth >= kFullDepth ? 0.0 : fromDb(-settings.depth);
    const int width = std::max(1, int(std::lround(94 / cells.binHz)));
    double kept = 0, interference = 0, all = 0, fullB = 0, fullV = 0, warble = 0, gg = 0;
    for (size_t g = 0; g < cells.groups.size(); ++g) {
        const size_t bins = cells.groups[g].power[0].size();
        std::vector<Band> bands((bins + width - 1) / width);
        std::vector<float> before(bins, -1.f);
        for (int t = 0; t < cells.frames; ++t) {
            const auto& p = cells.groups[g].share[t + kCellReach];
            const auto& P = cells.groups[g].power[t + kCellReach];
            for (size_t k = 0; k < bins; ++k) {
                const double a = std::pow(double(p[k]), kOwner), c = std::pow(1 - double(p[k]), kOwner);
                const double v = a / (a + c + 1e-12) * P[k], b = P[k] - v;
                const double gain = back + (1 - back) * now[g][t][k];
                Band& band = bands[k / width];
                band.v += v; band.gv += gain * v; band.ggv += gain * gain * v;
                band.b += b; band.gb += gain * b; band.ggb += gain * gain * b;
                if (before[k] >= 0) warble += (gain - before[k]) * (gain - before[k]) * P[k];
                gg += gain * gain * P[k];
                before[k] = float(gain);
            }
        }
        for (const auto& x : bands) {
            kept += x.gv * x.gv / (x.v + 1e-30);
            interference += x.gb * x.gb / (x.b + 1e-30);
            all += x.ggv + x.ggb;
            fullB += x.ggb; fullV += x.ggv;
        }
    }
    Weighing w;
    w.spillDb = 10 * std::log10((interference + 1e-20) / (kept + 1e-20));
    w.artifactDb = 10 * std::log10((std::max(0.0, all - kept - interference) + 1e-20) / (kept + interference + 1e-20));
    w.damage.onsetLoss = 10 * std::log10((fullB + 1e-20) / (fullV + 1e-20));
    w.damage.warble = 10 * std::log10((warble + 1e-20) / (gg + 1e-20));
    return w;
}

Weighing weigh(const IsolationSettings& settings, const SpanCells& cells) { return weigh(settings, cells, ownership(settings, cells)); }

}  // namespace rivlen
