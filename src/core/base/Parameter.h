#pragma once
#include <cmath>
#include <cstdio>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

#include "core/base/Error.h"
#include "core/base/Text.h"

namespace rivlen {

/// One row of a table of settings: the session file, undo, presets and the window all take a setting's name, range,
/// unit, usual value and explanation from it.
template <typename T>
struct Parameter {
    const char* id;    ///< in files
    const char* name;  ///< in the window
    const char* unit;
    double minimum, maximum, usual, step;
    const char* explanation;  ///< what it does to the sound, and how one hears too much of it
    double T::*value;
};

/// The value as a user reads it: "-24.0 dB".
template <typename T>
std::string describeValue(const Parameter<T>& p, double value) {
    std::string text = formatted(p.step < 0.05 ? "%.2f" : p.step < 1 ? "%.1f" : "%.0f", value + 0.0);
    return *p.unit ? std::string(text) + " " + p.unit : text;
}

/// The reverse, for typed input; throws Error (Usage) that names the setting and its range.
template <typename T>
double parseValue(const Parameter<T>& p, const std::string& text) {
    char* end = nullptr;
    double value = std::strtod(text.c_str(), &end);
    const bool number = end && end != text.c_str() && std::isfinite(value);
    while (end && *end == ' ') ++end;
    if (number && (std::string(end) == "k" || std::string(end) == "kHz")) value *= 1000, end += std::string(end).size();
    if (!number || (*end != 0 && std::string(end) != p.unit) || value < p.minimum || value > p.maximum) {
        std::string range = formatted("%g to %g%s%s.", p.minimum, p.maximum, *p.unit ? " " : "", p.unit);
        throw Error(Error::Kind::Usage, "\"" + text + "\" is not a value for " + p.name + ": give " + range);
    }
    return value;
}

/// Writes the values that differ from the usual ones.
template <typename T>
void parametersToJson(const std::vector<Parameter<T>>& table, const T& from, nlohmann::json& json) {
    for (const auto& p : table)
        if (from.*p.value != p.usual) json[p.id] = from.*p.value;
}

/// Reads what is there, the rest stays as it is; throws Error (InputUnreadable) for values out of range.
template <typename T>
void parametersFromJson(const std::vector<Parameter<T>>& table, const nlohmann::json& json, T& to) {
    for (const auto& p : table) {
        if (!json.contains(p.id)) continue;
        const double value = json.at(p.id);
        if (!(value >= p.minimum && value <= p.maximum))
            throw Error(Error::Kind::InputUnreadable,
                        std::string("The setting ") + p.id + " is out of range: " + json.at(p.id).dump() + " is not " +
                            std::to_string(p.minimum) + " to " + std::to_string(p.maximum) + ".");
        to.*p.value = value;
    }
}

}  // namespace rivlen
