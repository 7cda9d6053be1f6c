#include "core/isolation/WorstPlaces.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

namespace {

constexpr double kApart = 0.5, kLeast = 5;  // seconds, points

using Places = std::vector<WorstPlace>;

/// Damage counts as much as there is voice to be damaged.
WorstPlace damaged(const Moment& m, double at) {
    int worst = 0;
    for (int i = 1; i < Damage::kParts; ++i)
        if (m.damage.part(i) > m.damage.part(worst)) worst = i;
    return {at, Damage::partName(worst), m.damage.total * std::sqrt(m.voice), m.spillDb};
}

WorstPlace spilt(const Moment& m, double at) {
    return {at, "Spill", 100 * std::clamp((10 * std::log10(m.spill + 1e-12) + 40) / 40, 0.0, 1.0), m.spillDb};
}

void sort(Places& places) {
    std::stable_sort(places.begin(), places.end(),
                     [](const WorstPlace& a, const WorstPlace& b) { return a.points > b.points; });
}

/// The first ones that are not near any other; chosen grows to at most `most`.
void choose(const Places& from, int most, Places& chosen) {
    for (const auto& place : from) {
        if (int(chosen.size()) >= most || place.points < kLeast) return;
        if (std::none_of(chosen.begin(), chosen.end(),
                         [&](const WorstPlace& c) { return std::abs(c.seconds - place.seconds) < kApart; }))
            chosen.push_back(place);
    }
}

}  // namespace

std::vector<WorstPlace> worstPlaces(const Weighing& weighing, int most) {
    Places damage, spill, chosen;
    for (size_t i = 0; i < weighing.moments.size(); ++i) {
        const double at = (double(i) + 0.5) * kMomentSeconds;
        damage.push_back(damaged(weighing.moments[i], at));
        spill.push_back(spilt(weighing.moments[i], at));
    }
    sort(damage);
    sort(spill);
    choose(damage, (most + 1) / 2, chosen);
    choose(spill, most, chosen);
    choose(damage, most, chosen);  // when there was little spill
    std::stable_sort(chosen.begin(), chosen.end(),
                     [](const WorstPlace& a, const WorstPlace& b) { return a.seconds < b.seconds; });
    return chosen;
}

}  // namespace rivlen
