#pragma once
#include <nlohmann/json.hpp>
#include <string>
#include <utility>
#include <vector>

namespace rivlen {

/// A curve over frequency that strengthens or weakens isolation per region: points (Hz, -100 ... +100), linear over the
/// logarithm of frequency between them, level outside. Empty: 0 everywhere.
using BandBias = std::vector<std::pair<double, double>>;

inline constexpr size_t kMostBiasPoints = 32;

/// The curve at a frequency in Hz.
double biasAt(const BandBias& curve, double hz);
bool isNeutral(const BandBias& curve);
/// The wanted share p (0 ... 1) at a bias b: above 0 isolation is stronger, p^(1 + b / 50); below 0 weaker, p + |b| /
/// 100 (1 - p), so that at -100 everything passes.
float biased(float p, double b);

/// "F:V,F:V,..." as on the command line, and the session file's [[F, V], ...]. Throw Error (Usage, InputUnreadable)
/// that names the range: 20 to 24000 Hz ascending, -100 to 100, at most kMostBiasPoints points.
BandBias parseBandBias(const std::string& text);
BandBias bandBiasFromJson(const nlohmann::json& json);
nlohmann::json toJson(const BandBias& curve);

inline constexpr const char* kBandBiasExplanation =
    "Isolates more in some regions and less in others. Too much: a region rings, or the bed stays in it.";

}  // namespace rivlen
