#include "core/effects/EffectFacts.h"

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"
#include "core/base/Text.h"

namespace rivlen {

using nlohmann::json;

namespace {

const std::pair<double, std::string>* pointAt(const EffectControl& control, double value) {
    const double near = 1e-4 * std::max(1e-6, control.maximum - control.minimum);
    for (const auto& p : control.points)
        if (std::abs(p.first - value) <= near) return &p;
    return nullptr;
}

std::string lowered(std::string text) {
    const auto first = text.find_first_not_of(' '), last = text.find_last_not_of(' ');
    text = first == std::string::npos ? "" : text.substr(first, last - first + 1);
    for (char& c : text) c = c >= 'A' && c <= 'Z' ? char(c + 32) : c;
    return text;
}

/// Figures that a slider of this width shows, behind the point.
int placesOf(const EffectControl& control) {
    if (control.integer) return 0;
    const double step = control.step();
    return step >= 1 ? 0 : step >= 0.1 ? 1 : step >= 0.01 ? 2 : step >= 0.001 ? 3 : 5;
}

}  // namespace

double EffectControl::step() const {
    if (toggled || integer) return 1;
    const double range = std::max(1e-9, maximum - minimum);
    return std::pow(10.0, std::floor(std::log10(range / (logarithmic ? 2000 : 150))));
}

std::string EffectControl::text(double value) const {
    if (toggled) return value > 0.5 * (minimum + maximum) ? "on" : "off";
    if (const auto* point = pointAt(*this, value)) return point->second;
    const std::string number = formatted("%.*f", placesOf(*this), value + 0.0);
    return unit.empty() ? number : number + " " + unit;
}

double EffectControl::parse(const std::string& typed) const {
    const std::string wanted = lowered(typed);
    if (toggled && (wanted == "on" || wanted == "off")) return wanted == "on" ? maximum : minimum;
    for (const auto& [value, name] : points)
        if (lowered(name) == wanted) return value;
    char* end = nullptr;
    double value = std::strtod(wanted.c_str(), &end);
    const bool number = end != wanted.c_str() && std::isfinite(value);
    std::string rest = number ? lowered(end) : "";
    if (rest == "k" || rest == "khz") value *= 1000, rest.clear();
    if (number && (rest.empty() || rest == lowered(unit)) && value >= minimum && value <= maximum)
        return integer ? std::round(value) : value;
    throw Error(Error::Kind::Usage,
                "\"" + typed + "\" is not a value for " + name + ": give " +
                    formatted("%g to %g%s%s.", minimum, maximum, unit.empty() ? "" : " ", unit.c_str()));
}

json toJson(const EffectFacts& facts) {
    json j{{"uri", facts.uri},       {"name", facts.name},       {"maker", facts.maker},    {"kind", facts.kind},
           {"inputs", facts.inputs}, {"outputs", facts.outputs}, {"problem", facts.problem}};
    for (const auto& c : facts.controls)
        j["controls"].push_back({{"symbol", c.symbol},
                                 {"name", c.name},
                                 {"unit", c.unit},
                                 {"minimum", c.minimum},
                                 {"maximum", c.maximum},
                                 {"usual", c.usual},
                                 {"toggled", c.toggled},
                                 {"integer", c.integer},
                                 {"logarithmic", c.logarithmic},
                                 {"named", c.named},
                                 {"points", c.points}});
    for (const auto& p : facts.presets) j["presets"].push_back({{"uri", p.uri}, {"name", p.name}});
    return j;
}

EffectFacts effectFromJson(const json& j) {
    EffectFacts facts{
        j.at("uri"), j.at("name"), j.at("maker"), j.at("kind"), j.at("inputs"), j.at("outputs"), j.at("problem"), {},
        {}};
    for (const auto& c : j.value("controls", json::array())) {
        EffectControl control{c.at("symbol"),      c.at("name"),  c.at("unit"),    c.at("minimum"),
                              c.at("maximum"),     c.at("usual"), c.at("toggled"), c.at("integer"),
                              c.at("logarithmic"), c.at("named"), c.at("points")};
        if (!(control.maximum > control.minimum)) continue;  // nothing to set
        facts.controls.push_back(std::move(control));
    }
    for (const auto& p : j.value("presets", json::array())) facts.presets.push_back({p.at("uri"), p.at("name")});
    return facts;
}

std::string misfit(const EffectFacts& facts, int channels) {
    if (!facts.problem.empty()) return facts.problem;
    if (facts.inputs == channels && facts.outputs == channels) return {};
    if (facts.inputs == 1 && facts.outputs == 1) return {};
    if (facts.inputs <= 2 && facts.outputs <= 2 && channels <= 2) return {};
    return formatted("it works from %d to %d channels, and this strip has %d", facts.inputs, facts.outputs, channels);
}

}  // namespace rivlen
