#include "core/isolation/IsolationSettings.h"

#include <cmath>
#include <cstdio>

#include "core/base/Error.h"
#include "core/base/Text.h"

namespace rivlen {

const std::vector<IsolationParameter>& isolationParameters() {
    static const std::vector<IsolationParameter> table = {
        {"depth_db", "--depth", "Depth", "dB", 0.0, kFullDepth, kFullDepth, 0.5,
         "How far down everything else is taken at most. Too much sounds sterile, as from a booth.",
         &IsolationSettings::depth},
        {"firmness", "--firmness", "Firmness", "", -100.0, 100.0, 0.0, 1.0,
         "How decisively an unsure sound goes to one stem. Too much: words lose t, s and x or ring like water.",
         &IsolationSettings::firmness},
        {"onset_guard", "--onset-guard", "Onset guard", "%", 0.0, 100.0, 0.0, 1.0,
         "Gives the beginnings of t, s and x back to the voice. Too much: the bed's clicks come along.",
         &IsolationSettings::onsetGuard},
        {"room_keep", "--room-keep", "Room keep", "%", 0.0, 100.0, 100.0, 1.0,
         "How much of the room stays with the voice. Too little sounds like a booth, too much far away.",
         &IsolationSettings::roomKeep},
        {"steadiness", "--steadiness", "Steadiness", "%", 0.0, 100.0, 0.0, 1.0,
         "Evens isolation out over time, against warble. Too much: the bed swells around each word.",
         &IsolationSettings::steadiness},
        {"balance", "--balance", "Balance", "dB", -24.0, 24.0, 0.0, 0.5,
         "The result's voice up and its remaining bed down, by half of this each. Too much: the bed drops out.",
         &IsolationSettings::balance},
        {"distractions_db", "", "Distractions", "dB", kAsDepth, 0.0, kAsDepth, 0.5,
         "How loud knocks, dishes, horns and steps stay, where the ambience is taken apart. Spill does not count them.",
         &IsolationSettings::distractions},
        {"place_db", "", "Place", "dB", kAsDepth, 0.0, kAsDepth, 0.5,
         "How loud the bed that tells where we are stays, where the ambience is taken apart. Spill does not count it.",
         &IsolationSettings::place},
    };
    return table;
}

std::string describeValue(const IsolationParameter& p, double value) {
    if (p.value == &IsolationSettings::depth && value > kMostDepth) return "full";
    if (p.minimum == kAsDepth && value <= kAsDepth) return "as Depth";
    std::string text;
    const bool tenths = p.step < 1.0;
    text = formatted(p.minimum < 0 ? (tenths ? "%+.1f" : "%+.0f") : (tenths ? "%.1f" : "%.0f"), value + 0.0);
    if (p.minimum < 0 && value == 0.0) text = formatted("0");
    return *p.unit ? std::string(text) + " " + p.unit : text;
}

double parseValue(const IsolationParameter& p, const std::string& text) {
    if (p.value == &IsolationSettings::depth && text == "full") return kFullDepth;
    if (p.minimum == kAsDepth && text == "as Depth") return kAsDepth;
    char* end = nullptr;
    const double value = std::strtod(text.c_str(), &end);
    while (end && *end == ' ') ++end;
    const double maximum = p.value == &IsolationSettings::depth ? kMostDepth : p.maximum;
    const bool clean = end && end != text.c_str() && (*end == 0 || std::string(end) == p.unit);
    if (!clean || !std::isfinite(value) || value < p.minimum || value > maximum) {
        std::string range = formatted("%g to %g%s%s", p.minimum, maximum, *p.unit ? " " : "", p.unit);
        throw Error(Error::Kind::Usage, "\"" + text + "\" is not a value for " + p.name + ": give " + range +
                                            (p.value == &IsolationSettings::depth ? ", or full." : "."));
    }
    return value;
}

double settledValue(const IsolationParameter& p, double value, double before) {
    if (p.value != &IsolationSettings::depth || value <= kMostDepth || value >= kFullDepth) return value;
    return before >= kFullDepth ? kMostDepth : kFullDepth;
}

nlohmann::json toJson(const IsolationSettings& settings) {
    nlohmann::json json{{"stem", settings.stem}};
    for (const auto& p : isolationParameters()) {
        const double value = settings.*p.value;
        if (p.value == &IsolationSettings::depth && value > kMostDepth) json[p.id] = "full";
        else json[p.id] = value;
    }
    if (!settings.bandBias.empty()) json["band_bias"] = toJson(settings.bandBias);
    if (!settings.bandBypassed.empty()) json["band_bypassed"] = toJson(settings.bandBypassed);
    return json;
}

IsolationSettings isolationFromJson(const nlohmann::json& json) {
    IsolationSettings settings;
    settings.stem = json.value("stem", settings.stem);
    for (const auto& p : isolationParameters()) {
        if (!json.contains(p.id)) continue;
        const auto& field = json.at(p.id);
        if (p.value == &IsolationSettings::depth && field.is_number() && field > kMostDepth && field <= kFullDepth) {
            settings.depth = kFullDepth;  // a slider between its last figure and full, as sessions had it
            continue;
        }
        try {
            settings.*p.value = parseValue(p, field.is_string() ? field.get<std::string>() : field.dump());
        } catch (const Error& e) {
            throw Error(Error::Kind::InputUnreadable, e.what());
        }
    }
    if (json.contains("band_bias")) settings.bandBias = bandBiasFromJson(json.at("band_bias"));
    if (json.contains("band_bypassed")) settings.bandBypassed = bandBiasFromJson(json.at("band_bypassed"));
    return settings;
}

}  // namespace rivlen
