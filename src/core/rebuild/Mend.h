#pragma once
#include <nlohmann/json.hpp>
#include <string>
#include <utility>
#include <vector>

namespace rivlen {

/// An area of time and frequency.
struct Area {
    enum class Kind { Rectangle, Lasso, Brush };
    Kind kind = Kind::Rectangle;
    std::vector<std::pair<double, double>> points;   ///< (seconds, Hz): two corners, the outline, or the brush's way
    double brushSeconds = 0.05, brushOctaves = 0.2;  ///< half width and half height of the brush
    int harmonics = 1;                               ///< so many multiples of the area's frequencies belong to it

    /// Seconds that it covers.
    std::pair<double, double> span() const;
    /// 1 inside, 0 outside; multiples count.
    bool contains(double second, double hz) const;
    bool operator==(const Area&) const = default;
};

/// One touch on the Ownership picture: what one stem holds in an area changes.
struct Mend {
    enum class Action { Give, Lower, Heal };
    Area area;
    int stem = 0;  ///< whose sound is touched, by kStemNames
    Action action = Action::Give;
    int to = 2;           ///< Give: who gets it
    double amount = 100;  ///< Give: %; Lower: dB; Heal: %
    bool on = true;
    bool operator==(const Mend&) const = default;
};

nlohmann::json toJson(const Mend& mend);
Mend mendFromJson(const nlohmann::json& json);  ///< throws nlohmann's or Error (InputUnreadable)

}  // namespace rivlen
