#pragma once
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace rivlen {

/// A setting of an effect, as the effect describes it (LV2: a control input).
struct EffectControl {
    std::string symbol;  ///< in files
    std::string name, unit;
    double minimum = 0, maximum = 1, usual = 0;
    bool toggled = false, integer = false, logarithmic = false;
    bool named = false;                                  ///< only the values of points mean anything
    std::vector<std::pair<double, std::string>> points;  ///< values that have a name, from the lowest

    /// "-24.0 dB", or the name of a point.
    std::string text(double value) const;
    /// The reverse. Throws Error (Usage) with the range.
    double parse(const std::string& typed) const;
    double step() const;  ///< of a slider
};

struct EffectPreset {
    std::string uri, name;
};

/// An effect that is installed on this machine.
struct EffectFacts {
    std::string uri, name, maker;
    std::string kind;             ///< its class: "Compressor"
    int inputs = 0, outputs = 0;  ///< audio, without side chains
    std::string problem;          ///< why it cannot be used here; empty: it can be tried

    // Only of effects that were asked for alone, EffectProcess::describe().
    std::vector<EffectControl> controls;
    std::vector<EffectPreset> presets;
};

nlohmann::json toJson(const EffectFacts& facts);
/// Throws nlohmann's exceptions for what is damaged.
EffectFacts effectFromJson(const nlohmann::json& json);

/// Why an effect cannot stand in a strip of so many channels; empty when it can. It can where it has the strip's
/// channels, where it has one (then there is one for each channel), and where both have one or two (the channels are
/// doubled, or their mean is taken).
std::string misfit(const EffectFacts& facts, int channels);

}  // namespace rivlen
