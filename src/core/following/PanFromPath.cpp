#include "core/following/PanFromPath.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace rivlen {

namespace {

constexpr double kJump =
    0.12;  // of the picture's width between two frames: no thing moves like that, the shot is another one
constexpr double kDegrees = 0.5, kShare = 0.02;

struct Point {
    double second, azimuth, elevation, size;
};

/// Smoothed by a Gaussian within one stretch.
void smooth(std::vector<Point>& part, double seconds) {
    if (seconds <= 0 || part.size() < 3) return;
    const std::vector<Point> was = part;
    size_t first = 0;
    for (size_t i = 0; i < was.size(); ++i) {
        // The same reach to both sides: the ends stay where they are, and nothing is drawn towards the inside.
        const double reach =
            std::min({3 * seconds, was[i].second - was.front().second, was.back().second - was[i].second});
        double sum = 0, azimuth = 0, elevation = 0, size = 0;
        while (was[first].second < was[i].second - 3 * seconds) ++first;
        for (size_t k = first; k < was.size() && was[k].second <= was[i].second + reach + 1e-9; ++k) {
            const double d = was[k].second - was[i].second;
            if (d < -reach - 1e-9) continue;
            const double w = std::exp(-d * d / (2 * seconds * seconds));
            sum += w, azimuth += w * was[k].azimuth, elevation += w * was[k].elevation,
                size += w * std::log(was[k].size);
        }
        part[i].azimuth = azimuth / sum, part[i].elevation = elevation / sum, part[i].size = std::exp(size / sum);
    }
}

/// Leaves out points that a straight line tells as well (Douglas and Peucker, 1973).
template <typename Off>
DrawnCurve thinned(const DrawnCurve& all, const Off& tolerance) {
    if (all.size() < 3) return all;
    std::vector<bool> kept(all.size(), false);
    kept.front() = kept.back() = true;
    std::vector<std::pair<size_t, size_t>> open{{0, all.size() - 1}};
    while (!open.empty()) {
        const auto [a, b] = open.back();
        open.pop_back();
        double worst = 1;
        size_t at = 0;
        for (size_t i = a + 1; i < b; ++i) {
            const double w = (all[i].first - all[a].first) / (all[b].first - all[a].first);
            const double off = std::fabs(all[i].second - (all[a].second + w * (all[b].second - all[a].second))) /
                               tolerance(all[i].second);
            if (off > worst) worst = off, at = i;
        }
        if (at == 0) continue;
        kept[at] = true;
        open.emplace_back(a, at);
        open.emplace_back(at, b);
    }
    DrawnCurve out;
    for (size_t i = 0; i < all.size(); ++i)
        if (kept[i]) out.push_back(all[i]);
    return out;
}

}  // namespace

FollowedPan panFromPath(const std::vector<FollowedFrame>& frames, const PanFromPath& how) {
    FollowedPan pan;
    const double wide = 2 * std::tan(how.viewAngle / 2 * kDegree);
    std::vector<std::vector<Point>> parts;
    bool apart = true;
    double x = 0;
    for (const auto& f : frames) {
        if (!f.seen) {
            apart = true;
            continue;
        }
        if (apart || std::fabs(f.box.middleX() - x) > kJump) parts.emplace_back();
        apart = false;
        x = f.box.middleX();
        const double right = (x - 0.5) * wide, up = (0.5 - f.box.middleY()) * wide / how.aspect;
        parts.back().push_back({f.second, -std::atan(right) / kDegree, std::atan2(up, std::hypot(1.0, right)) / kDegree,
                                std::sqrt(std::max(1e-8, f.box.width * f.box.height))});
    }
    if (parts.empty()) return pan;
    const double first = parts[0][0].size;
    for (auto& part : parts) {
        smooth(part, how.smoothing);
        for (const Point& p : part) {
            if (how.leftRight) pan.azimuth.emplace_back(p.second, p.azimuth);
            if (how.upDown) pan.elevation.emplace_back(p.second, p.elevation);
            if (how.nearFar) pan.distance.emplace_back(p.second, std::clamp(how.distance * first / p.size, 0.5, 60.0));
        }
    }
    const auto degrees = [](double) { return kDegrees; };
    pan.azimuth = thinned(pan.azimuth, degrees);
    pan.elevation = thinned(pan.elevation, degrees);
    pan.distance = thinned(pan.distance, [](double metres) { return kShare * metres; });
    return pan;
}

void writePan(Strip& strip, const FollowedPan& pan) {
    const auto lay = [&strip](const char* id, const DrawnCurve& fresh) {
        if (fresh.empty()) return;
        DrawnCurve& curve = strip.automation[id];
        std::erase_if(curve,
                      [&](const auto& p) { return p.first >= fresh.front().first && p.first <= fresh.back().first; });
        curve.insert(curve.end(), fresh.begin(), fresh.end());
        std::sort(curve.begin(), curve.end());
    };
    lay("azimuth", pan.azimuth);
    lay("elevation", pan.elevation);
    lay("distance", pan.distance);
}

}  // namespace rivlen
