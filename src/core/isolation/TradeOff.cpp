#include "core/isolation/TradeOff.h"
#include "core/base/Text.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <future>

namespace rivlen {

namespace {

constexpr double kDepths[] = {0, 2, 4, 6, 8, 10, 12, 15, 18, 21, 24, 30, 36, 48, kFullDepth};
constexpr double kFirmnessStep = 25, kNearlyBest = 0.1;

/// What going from one point to a stronger one costs, in words.
std::string costBeyond(const TradePoint& from, const TradePoint& to) {
    const double cleaner = from.spillDb - to.spillDb;
    int worst = 0;
    for (int i = 1; i < Damage::kParts; ++i)
        if (to.damage.part(i) - from.damage.part(i) > to.damage.part(worst) - from.damage.part(worst)) worst = i;
    std::string part = Damage::partName(worst);
    part[0] = char(std::tolower(part[0]));
    std::string text;
    if (cleaner < 0.5) {
        text = formatted("Beyond it more strength only adds damage, mostly %s.", part.c_str());
    } else {
        const double points = std::max(0.0, to.damage.total - from.damage.total) / cleaner;
        text = formatted("Beyond it, 1 dB less spill costs %.1f points of damage, mostly %s.", points, part.c_str());
    }
    return text;
}

}  // namespace

TradeOff tradeOff(const IsolationSettings& settings, Weigher& weigher, const Progress& progress) {
    std::vector<IsolationSettings> path;
    for (double depth : kDepths) {
        path.push_back(settings);
        path.back().depth = depth;
    }
    for (double f = settings.firmness + kFirmnessStep; f <= 100; f += kFirmnessStep) {
        path.push_back(path.back());
        path.back().firmness = f;
    }
    // Points do not depend on each other: every second one is weighed on a thread of its own.
    TradeOff out;
    out.curve.resize(path.size());
    const auto weighEverySecond = [&](Weigher& with, size_t first, bool reporting) {
        for (size_t i = first; i < path.size(); i += 2) {
            progress.throwIfCancelled();
            const Weighing w = with.weigh(path[i]);
            out.curve[i] = {path[i].depth, path[i].firmness, w.spillDb, w.damage, w.sdrDb};
            if (reporting) progress.report(double(i + 1) / double(path.size()));
        }
    };
    Weigher second = weigher;
    auto helper = std::async(std::launch::async, [&] { weighEverySecond(second, 1, false); });
    weighEverySecond(weigher, 0, true);  // should it throw, the helper is waited for, and stops as well
    helper.get();
    const auto depths =
        out.curve.begin() + std::size(kDepths);  // more firmness than the network's own hardly ever gains
    const auto best = std::max_element(out.curve.begin(), depths, [](const TradePoint& a, const TradePoint& b) {
                          return a.sdrDb < b.sdrDb;
                      })->sdrDb;
    while (out.curve[size_t(out.knee)].sdrDb < best - kNearlyBest) ++out.knee;
    const TradePoint &knee = out.curve[size_t(out.knee)], &strongest = out.curve.back();
    if (out.knee == 0) {
        out.reason = "There is so little to take away that any strength does more harm than good.";
    } else {
        // Some way beyond, so that the slope is not that of two neighbours.
        const int beyond = std::min<int>(out.knee + 3, int(out.curve.size()) - 1);
        const TradePoint& next = out.curve[size_t(beyond)];
        out.reason = costBeyond(knee, next.spillDb < knee.spillDb ? next : strongest);
    }
    return out;
}

}  // namespace rivlen
