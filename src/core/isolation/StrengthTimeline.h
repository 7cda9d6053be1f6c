#pragma once
#include <map>
#include <string>
#include <utility>
#include <vector>

#include "core/isolation/IsolationSettings.h"

namespace rivlen {

/// A stretch of a recording with a strength of its own, in seconds from the first sample.
struct StrengthRegion {
    std::string name;
    double from = 0, to = 0;
    double fade =
        0.1;  ///< over which its strength comes and goes, centred on its borders; kShortestFade ... kLongestFade
    IsolationSettings settings;

    bool operator==(const StrengthRegion&) const = default;
};

inline constexpr double kShortestFade = 0.01, kLongestFade = 5.0, kShortestRegion = 0.05;  // seconds

/// A setting drawn over time: points (seconds, value), straight between them, level outside.
using DrawnCurve = std::vector<std::pair<double, double>>;
inline constexpr size_t kMostDrawnPoints = 2000;

/// The settings that hold at one moment, each with its weight; the weights sum to 1.
using Blend = std::vector<std::pair<IsolationSettings, double>>;

/// What a strength does to amplitudes, in time: see Isolator.
struct StrengthLevels {
    double back = 0;             ///< of the unwanted, that Depth lets back
    double wanted = 1;           ///< gain of the wanted sound by Balance
    double rest = 1;             ///< gain of what is left of the rest by Balance
    double room = 1;             ///< of the room, that stays
    double events = 0, bed = 0;  ///< of the ambience's, that stay; back or more
};

/// The strength of one stem over the whole of a recording: one setting, values drawn over time in place of its own, and
/// regions with settings of their own, which the drawn values do not touch.
struct StrengthTimeline {
    IsolationSettings base;
    std::map<std::string, DrawnCurve> drawn;  ///< by the parameter's id
    std::vector<StrengthRegion> regions;      ///< in order, apart from each other

    StrengthTimeline() = default;
    StrengthTimeline(IsolationSettings settings) : base(std::move(settings)) {}

    bool constant() const { return drawn.empty() && regions.empty(); }
    Blend at(double seconds) const;
    StrengthLevels levels(double seconds) const;
    /// True when a setting is not neutral at some moment; id: its name in isolationParameters().
    bool uses(const char* id) const;
    bool operator==(const StrengthTimeline&) const = default;
};

/// Distractions or Place are used: the ambience must be taken further apart for them.
bool keepsOfAmbience(const StrengthTimeline& timeline);

StrengthLevels levelsOf(const IsolationSettings& settings);

/// The curve's value at a moment; curve must not be empty.
double drawnAt(const DrawnCurve& curve, double seconds);

/// Puts a region in its place; others give way to it: they are shortened, cut in two or, when hardly anything is left,
/// removed. Returns its index. Throws Error (Usage) when it is shorter than kShortestRegion.
int placeRegion(StrengthTimeline& timeline, StrengthRegion region);

nlohmann::json toJson(const StrengthTimeline& timeline);
/// Throws Error (InputUnreadable) for values out of range or regions that overlap.
StrengthTimeline timelineFromJson(const nlohmann::json& json);

}  // namespace rivlen
