#include "core/isolation/StrengthTimeline.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/base/Error.h"

namespace rivlen {

namespace {

constexpr double kTouching = 0.001;  // seconds: regions nearer than this have one border together

const IsolationParameter* parameter(const std::string& id) {
    for (const auto& p : isolationParameters())
        if (id == p.id) return &p;
    return nullptr;
}

/// How much of a region counts at a moment, 0 ... 1.
double weight(const std::vector<StrengthRegion>& regions, size_t i, double seconds) {
    const StrengthRegion& r = regions[i];
    const auto half = [&](const StrengthRegion* neighbour) {
        const double fade = std::min(r.fade, r.to - r.from);
        return (neighbour ? std::min({fade, neighbour->fade, neighbour->to - neighbour->from}) : fade) / 2;
    };
    const bool before = i > 0 && r.from - regions[i - 1].to < kTouching,
               after = i + 1 < regions.size() && regions[i + 1].from - r.to < kTouching;
    const double rise = half(before ? &regions[i - 1] : nullptr), fall = half(after ? &regions[i + 1] : nullptr);
    return std::clamp(std::min((seconds - r.from + rise) / (2 * rise), (r.to + fall - seconds) / (2 * fall)), 0.0, 1.0);
}

Error damaged(const std::string& what) {
    return Error(Error::Kind::InputUnreadable,
                 "The strength over time " + what + "; the session was damaged or edited by hand.");
}

}  // namespace

StrengthLevels levelsOf(const IsolationSettings& s) {
    const double back = s.depth >= kFullDepth ? 0.0 : fromDb(-s.depth);
    const auto kept = [back](double db) { return db <= kAsDepth ? back : std::max(back, fromDb(db)); };
    return {back, fromDb(s.balance / 2), fromDb(-s.balance / 2), s.roomKeep / 100, kept(s.distractions), kept(s.place)};
}

double drawnAt(const DrawnCurve& curve, double seconds) {
    const auto next =
        std::upper_bound(curve.begin(), curve.end(), seconds, [](double t, const auto& p) { return t < p.first; });
    if (next == curve.begin()) return curve.front().second;
    if (next == curve.end()) return curve.back().second;
    const auto& [t0, v0] = *std::prev(next);
    return v0 + (next->second - v0) * (seconds - t0) / (next->first - t0);
}

Blend StrengthTimeline::at(double seconds) const {
    Blend blend{{base, 1.0}};
    for (const auto& [id, curve] : drawn)
        if (const auto* p = parameter(id); p && !curve.empty()) blend[0].first.*p->value = drawnAt(curve, seconds);
    double sum = 0;
    for (size_t i = 0; i < regions.size(); ++i)
        if (const double w = weight(regions, i, seconds); w > 0) {
            blend.emplace_back(regions[i].settings, w);
            sum += w;
        }
    if (sum > 1)  // two fades reach into each other
        for (size_t i = 1; i < blend.size(); ++i) blend[i].second /= sum;
    blend[0].second = std::max(0.0, 1 - sum);
    if (blend[0].second < 1e-9 && blend.size() > 1) blend.erase(blend.begin());
    return blend;
}

StrengthLevels StrengthTimeline::levels(double seconds) const {
    if (constant()) return levelsOf(base);
    StrengthLevels sum{0, 0, 0, 0};
    for (const auto& [settings, w] : at(seconds)) {
        const StrengthLevels l = levelsOf(settings);
        sum.back += w * l.back;
        sum.wanted += w * l.wanted;
        sum.rest += w * l.rest;
        sum.room += w * l.room;
        sum.events += w * l.events;
        sum.bed += w * l.bed;
    }
    return sum;
}

bool StrengthTimeline::uses(const char* id) const {
    const IsolationParameter& p = *parameter(id);
    const auto curve = drawn.find(id);
    const auto other = [&](double value) { return value != p.neutral; };
    if (curve == drawn.end() ? other(base.*p.value)
                             : std::any_of(curve->second.begin(), curve->second.end(),
                                           [&](const auto& point) { return other(point.second); }))
        return true;
    return std::any_of(regions.begin(), regions.end(), [&](const auto& r) { return other(r.settings.*p.value); });
}

bool keepsOfAmbience(const StrengthTimeline& timeline) {
    return timeline.uses("distractions_db") || timeline.uses("place_db");
}

int placeRegion(StrengthTimeline& timeline, StrengthRegion region) {
    if (region.to - region.from < kShortestRegion)
        throw Error(Error::Kind::Usage, "A region must be at least 0.05 s long: set a longer loop.");
    std::vector<StrengthRegion> kept;
    for (const StrengthRegion& r : timeline.regions) {
        StrengthRegion left = r, right = r;
        left.to = std::min(r.to, region.from);
        right.from = std::max(r.from, region.to);
        if (left.to - left.from >= kShortestRegion) kept.push_back(left);
        if (right.to - right.from >= kShortestRegion) kept.push_back(right);
    }
    const auto after = std::find_if(kept.begin(), kept.end(), [&](const auto& r) { return r.from >= region.to; });
    const int place = int(after - kept.begin());
    kept.insert(after, std::move(region));
    timeline.regions = std::move(kept);
    return place;
}

nlohmann::json toJson(const StrengthTimeline& timeline) {
    nlohmann::json json = toJson(timeline.base);
    for (const auto& [id, curve] : timeline.drawn)
        for (const auto& [t, v] : curve) json["drawn"][id].push_back({t, v});
    for (const auto& r : timeline.regions)
        json["regions"].push_back(
            {{"name", r.name}, {"from", r.from}, {"to", r.to}, {"fade", r.fade}, {"isolation", toJson(r.settings)}});
    return json;
}

StrengthTimeline timelineFromJson(const nlohmann::json& json) {
    StrengthTimeline timeline(isolationFromJson(json));
    const auto drawn = json.value("drawn", nlohmann::json::object());
    for (const auto& [id, points] : drawn.items()) {
        const auto* p = parameter(id);
        if (!p) throw damaged("draws \"" + id + "\", which is no setting");
        DrawnCurve curve;
        for (const auto& point : points) {
            curve.emplace_back(point.at(0).get<double>(), point.at(1).get<double>());
            const auto [t, v] = curve.back();
            if (!(v >= p->minimum && v <= p->maximum))
                throw damaged("draws " + std::string(p->name) + " beyond its range");
            if (!(t >= 0) || (curve.size() > 1 && !(t > curve[curve.size() - 2].first)))
                throw damaged("has points of " + std::string(p->name) + " that are not in order");
        }
        if (curve.size() > kMostDrawnPoints) throw damaged("has more than 2000 points of " + std::string(p->name));
        if (!curve.empty()) timeline.drawn[id] = std::move(curve);
    }
    const auto regions = json.value("regions", nlohmann::json::array());
    for (const auto& r : regions) {
        StrengthRegion region{r.value("name", ""), r.at("from"), r.at("to"), r.value("fade", 0.1),
                              isolationFromJson(r.at("isolation"))};
        region.settings.stem = timeline.base.stem;
        if (!(region.from >= 0 && region.to - region.from >= kShortestRegion / 2))
            throw damaged("has a region that is too short");
        if (!(region.fade >= kShortestFade && region.fade <= kLongestFade))
            throw damaged("has a region whose fade is not between 0.01 and 5 s");
        if (!timeline.regions.empty() && region.from < timeline.regions.back().to - 1e-6)
            throw damaged("has regions that overlap");
        timeline.regions.push_back(std::move(region));
    }
    return timeline;
}

}  // namespace rivlen
