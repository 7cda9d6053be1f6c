#include "core/rebuild/Mend.h"

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"
#include "core/isolation/StemNames.h"

namespace rivlen {

namespace {

/// Whether a point lies inside an outline, in seconds and octaves (even-odd rule).
bool insideOutline(const std::vector<std::pair<double, double>>& outline, double second, double octave) {
    bool inside = false;
    for (size_t i = 0, j = outline.size() - 1; i < outline.size(); j = i++) {
        const double yi = std::log2(std::max(1.0, outline[i].second)), yj = std::log2(std::max(1.0, outline[j].second));
        if ((yi > octave) != (yj > octave) &&
            second < (outline[j].first - outline[i].first) * (octave - yi) / (yj - yi) + outline[i].first)
            inside = !inside;
    }
    return inside;
}

}  // namespace

std::pair<double, double> Area::span() const {
    if (points.empty()) return {0, 0};
    const auto [a, b] = std::minmax_element(points.begin(), points.end());
    const double more = kind == Kind::Brush ? brushSeconds : 0;
    return {a->first - more, b->first + more};
}

bool Area::contains(double second, double hz) const {
    if (points.empty()) return false;
    for (int h = 1; h <= std::max(1, harmonics); ++h) {
        const double f = hz / h, octave = std::log2(std::max(1e-3, f));
        switch (kind) {
            case Kind::Rectangle: {
                if (points.size() < 2) return false;
                // Multiples keep the area's width in Hz, as harmonics of a tone do.
                const auto [low, high] = std::minmax(points[0].second, points[1].second);
                const double centre = (low + high) / 2 * h, half = (high - low) / 2;
                const auto [from, to] = std::minmax(points[0].first, points[1].first);
                if (second >= from && second <= to && std::fabs(hz - centre) <= half) return true;
                break;
            }
            case Kind::Lasso:
                if (insideOutline(points, second, octave)) return true;
                break;
            case Kind::Brush:
                for (size_t i = 0; i < points.size(); ++i) {
                    // Distance to the way from this point to the next, in units of the brush.
                    const auto& a = points[i];
                    const auto& b = points[std::min(i + 1, points.size() - 1)];
                    const double ax = a.first / brushSeconds, ay = std::log2(std::max(1.0, a.second)) / brushOctaves,
                                 bx = b.first / brushSeconds, by = std::log2(std::max(1.0, b.second)) / brushOctaves;
                    const double x = second / brushSeconds, y = octave / brushOctaves, dx = bx - ax, dy = by - ay,
                                 length = dx * dx + dy * dy;
                    const double at = length > 0 ? std::clamp(((x - ax) * dx + (y - ay) * dy) / length, 0.0, 1.0) : 0;
                    if (std::hypot(x - ax - at * dx, y - ay - at * dy) <= 1) return true;
                }
                break;
        }
    }
    return false;
}

nlohmann::json toJson(const Mend& r) {
    static constexpr const char* kinds[] = {"rectangle", "lasso", "brush"};
    static constexpr const char* actions[] = {"give", "lower", "heal"};
    nlohmann::json j{{"area", kinds[int(r.area.kind)]},
                     {"points", r.area.points},
                     {"stem", kStemNames[size_t(r.stem)]},
                     {"action", actions[int(r.action)]},
                     {"amount", r.amount}};
    if (r.action == Mend::Action::Give) j["to"] = kStemNames[size_t(r.to)];
    if (r.area.harmonics > 1) j["harmonics"] = r.area.harmonics;
    if (r.area.kind == Area::Kind::Brush) j["brush"] = {r.area.brushSeconds, r.area.brushOctaves};
    if (!r.on) j["on"] = false;
    return j;
}

Mend mendFromJson(const nlohmann::json& j) {
    Mend r;
    const std::string kind = j.at("area"), action = j.at("action");
    r.area.kind = kind == "lasso" ? Area::Kind::Lasso : kind == "brush" ? Area::Kind::Brush : Area::Kind::Rectangle;
    r.area.points = j.at("points").get<std::vector<std::pair<double, double>>>();
    r.area.harmonics = std::clamp(j.value("harmonics", 1), 1, 60);
    if (j.contains("brush")) r.area.brushSeconds = j.at("brush").at(0), r.area.brushOctaves = j.at("brush").at(1);
    r.stem = int(stemPlace(j.at("stem")));
    r.action = action == "lower" || action == "attenuate" ? Mend::Action::Lower
               : action == "heal"                         ? Mend::Action::Heal
                                                          : Mend::Action::Give;
    r.to = int(stemPlace(j.value("to", "ambience")));
    r.amount = j.value("amount", 100.0);
    r.on = j.value("on", true);
    if (!(r.amount >= 0 && r.amount <= 100) || !(r.area.brushSeconds > 0) || !(r.area.brushOctaves > 0) ||
        r.area.points.size() > 5000)
        throw Error(Error::Kind::InputUnreadable, "A mend has an amount or an area out of range.");
    return r;
}

}  // namespace rivlen
