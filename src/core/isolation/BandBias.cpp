#include "core/isolation/BandBias.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <sstream>

#include "core/base/Error.h"

namespace rivlen {

namespace {

/// Throws a sentence of the given kind unless the curve is as BandBias.h says.
BandBias checked(BandBias curve, Error::Kind kind) {
    bool good = curve.size() <= kMostBiasPoints;
    for (size_t i = 0; i < curve.size(); ++i) {
        const auto& [hz, value] = curve[i];
        good = good && hz >= 20 && hz <= 24000 && value >= -100 && value <= 100 && (i == 0 || hz > curve[i - 1].first);
    }
    if (!good)
        throw Error(kind,
                    "This is no Band bias: give at most 32 points of a frequency from 20 to 24000 Hz, rising, and a "
                    "value from -100 to 100, like 100:20,1000:-30.");
    return curve;
}

}  // namespace

double biasAt(const BandBias& curve, double hz) {
    if (curve.empty()) return 0;
    if (hz <= curve.front().first) return curve.front().second;
    if (hz >= curve.back().first) return curve.back().second;
    const auto after =
        std::upper_bound(curve.begin(), curve.end(), hz, [](double f, const auto& point) { return f < point.first; });
    const auto before = after - 1;
    const double t = std::log(hz / before->first) / std::log(after->first / before->first);
    return before->second + t * (after->second - before->second);
}

bool isNeutral(const BandBias& curve) {
    return std::all_of(curve.begin(), curve.end(), [](const auto& point) { return point.second == 0; });
}

float biased(float p, double b) {
    if (b > 0) return float(std::pow(double(p), 1 + b / 50));
    return float(p - b / 100 * (1 - p));
}

BandBias parseBandBias(const std::string& text) {
    BandBias curve;
    std::istringstream in(text);
    for (std::string point; std::getline(in, point, ',');) {
        char *middle = nullptr, *end = nullptr;
        const double hz = std::strtod(point.c_str(), &middle);
        const double value = *middle == ':' ? std::strtod(middle + 1, &end) : NAN;
        if (*middle != ':' || end == middle + 1 || *end != 0) curve.assign(1, {0, 0});  // refused below
        else curve.emplace_back(hz, value);
        if (curve.back().first == 0) break;
    }
    return checked(std::move(curve), Error::Kind::Usage);
}

BandBias bandBiasFromJson(const nlohmann::json& json) {
    BandBias curve;
    for (const auto& point : json) curve.emplace_back(point.at(0).get<double>(), point.at(1).get<double>());
    return checked(std::move(curve), Error::Kind::InputUnreadable);
}

nlohmann::json toJson(const BandBias& curve) {
    nlohmann::json json = nlohmann::json::array();
    for (const auto& [hz, value] : curve) json.push_back({hz, value});
    return json;
}

}  // namespace rivlen
