#pragma once
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

#include "core/isolation/BandBias.h"

namespace rivlen {

/// Depth from here on means "full": nothing of the unwanted is left.
inline constexpr double kFullDepth = 61.0;
inline constexpr double kMostDepth = 60.0;  ///< the last figure before full
/// Of Distractions and Place: those sounds go down as far as everything else.
inline constexpr double kAsDepth = -60.0;

/// How strongly one stem is isolated. Neutral values give the network's plain answer.
struct IsolationSettings {
    std::string stem = "dialogue";  ///< the wanted one
    double depth = kFullDepth;      ///< dB, 0 ... 60, kFullDepth = full
    double firmness = 0.0;          ///< -100 ... +100
    double onsetGuard = 0.0;        ///< %, 0 ... 100
    double roomKeep = 100.0;        ///< %, 0 ... 100: of the dialogue's room; 100 is the network's plain answer
    double steadiness = 0.0;        ///< %, 0 ... 100
    double balance = 0.0;           ///< dB, -24 ... +24: wanted sound against what is left of the rest, afterwards
    /// dB, kAsDepth ... 0, of the ambience taken further apart: how loud what distracts (its events), and what tells
    /// the place (its bed), stay in the result. Never less than Depth leaves.
    double distractions = kAsDepth, place = kAsDepth;
    BandBias bandBias = {};  ///< isolation stronger or weaker by region
    BandBias bandBypassed =
        {};  ///< values that points of bandBias have when they are switched on again; they stand at 0 meanwhile

    bool operator==(const IsolationSettings&) const = default;
};

/// Equal but for the stem.
inline bool sameStrength(IsolationSettings a, const IsolationSettings& b) {
    a.stem = b.stem;
    return a == b;
}

/// One row of the table from which the session file, the command line and the window take a setting's name,
/// range, unit, default and explanation.
struct IsolationParameter {
    const char* id;    ///< in files
    const char* flag;  ///< on the command line; empty: of sessions alone
    const char* name;  ///< in the window
    const char* unit;
    double minimum, maximum, neutral, step;
    const char* explanation;  ///< what it does to the sound, and how one hears too much of it
    double IsolationSettings::*value;
};

const std::vector<IsolationParameter>& isolationParameters();

/// The value as a user reads it: "12.0 dB", "full", "+20".
std::string describeValue(const IsolationParameter& parameter, double value);
/// The reverse, for typed input; throws Error (Usage) that names the parameter and its range.
double parseValue(const IsolationParameter& parameter, const std::string& text);

/// The value that a control may leave a setting at when it comes from another one: nothing lies between a Depth of 60
/// dB and full.
double settledValue(const IsolationParameter& parameter, double value, double before);

nlohmann::json toJson(const IsolationSettings& settings);
/// Missing fields keep their neutral value; throws Error (InputUnreadable) for values out of range.
IsolationSettings isolationFromJson(const nlohmann::json& json);

}  // namespace rivlen
