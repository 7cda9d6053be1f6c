#include "core/rebuild/Automation.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

namespace {

constexpr double kStep = 0.01;  // seconds between the two sides of a step

double valueOr(const DrawnCurve& curve, double second, double usual) {
    return curve.empty() ? usual : drawnAt(curve, second);
}

/// The curve's points strictly inside a span.
DrawnCurve inside(const DrawnCurve& curve, double from, double to) {
    DrawnCurve out;
    for (const auto& p : curve)
        if (p.first > from && p.first < to) out.push_back(p);
    return out;
}

void keepEnds(const DrawnCurve& curve, size_t from, size_t to, double tolerance, std::vector<bool>& keep) {
    if (to <= from + 1) return;
    const double x0 = curve[from].first, y0 = curve[from].second,
                 slope = (curve[to].second - y0) / std::max(1e-12, curve[to].first - x0);
    size_t worst = from;
    double most = tolerance;
    for (size_t i = from + 1; i < to; ++i)
        if (const double off = std::fabs(curve[i].second - (y0 + slope * (curve[i].first - x0))); off > most)
            most = off, worst = i;
    if (worst == from) return;
    keep[worst] = true;
    keepEnds(curve, from, worst, tolerance, keep);
    keepEnds(curve, worst, to, tolerance, keep);
}

}  // namespace

DrawnCurve drawnInto(const DrawnCurve& curve, DrawnCurve stroke) {
    if (stroke.empty()) return curve;
    std::stable_sort(stroke.begin(), stroke.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    stroke.erase(std::unique(stroke.begin(), stroke.end(),
                             [](const auto& a, const auto& b) { return b.first - a.first < 1e-9; }),
                 stroke.end());
    DrawnCurve out;
    for (const auto& p : curve)
        if (p.first < stroke.front().first) out.push_back(p);
    out.insert(out.end(), stroke.begin(), stroke.end());
    for (const auto& p : curve)
        if (p.first > stroke.back().first) out.push_back(p);
    return out;
}

DrawnCurve trimmed(const DrawnCurve& curve, double from, double to, double delta, double minimum, double maximum,
                   double usual) {
    if (to - from <= 2 * kStep) return curve;
    const auto moved = [&](double v) { return std::clamp(v + delta, minimum, maximum); };
    const double before = valueOr(curve, from, usual), after = valueOr(curve, to, usual);
    DrawnCurve span{{from, before}, {from + kStep, moved(valueOr(curve, from + kStep, usual))}};
    for (const auto& [t, v] : inside(curve, from + kStep, to - kStep)) span.emplace_back(t, moved(v));
    span.emplace_back(to - kStep, moved(valueOr(curve, to - kStep, usual)));
    span.emplace_back(to, after);
    return drawnInto(curve, span);
}

DrawnCurve copiedTo(const DrawnCurve& curve, double from, double to, double at, double usual) {
    if (to - from <= 2 * kStep) return curve;
    const double end = at + to - from;
    DrawnCurve span{{at, valueOr(curve, at, usual)}, {at + kStep, valueOr(curve, from + kStep, usual)}};
    for (const auto& [t, v] : inside(curve, from + kStep, to - kStep)) span.emplace_back(t - from + at, v);
    span.emplace_back(end - kStep, valueOr(curve, to - kStep, usual));
    span.emplace_back(end, valueOr(curve, end, usual));
    return drawnInto(curve, span);
}

DrawnCurve thinned(const DrawnCurve& curve, double tolerance) {
    if (curve.size() < 3) return curve;
    std::vector<bool> keep(curve.size(), false);
    keep.front() = keep.back() = true;
    keepEnds(curve, 0, curve.size() - 1, tolerance, keep);
    DrawnCurve out;
    for (size_t i = 0; i < curve.size(); ++i)
        if (keep[i]) out.push_back(curve[i]);
    return out;
}

}  // namespace rivlen
