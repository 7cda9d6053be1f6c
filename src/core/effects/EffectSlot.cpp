#include "core/effects/EffectSlot.h"

#include <cmath>

#include "core/base/Error.h"

namespace rivlen {

namespace {

constexpr size_t kLongestState = size_t(4) << 20, kLongestName = 4096, kMostValues = 4096;

std::string bounded(const nlohmann::json& json, const char* key, size_t longest) {
    const std::string text = json.value(key, "");
    if (text.size() <= longest) return text;
    throw Error(Error::Kind::InputUnreadable, std::string("An effect's \"") + key + "\" is longer than any real one.");
}

}  // namespace

nlohmann::json toJson(const EffectSlot& slot) {
    nlohmann::json j{{"id", slot.id}, {"uri", slot.uri}, {"name", slot.name}};
    if (!slot.before.empty()) j["before"] = slot.before;
    if (!slot.on) j["on"] = false;
    if (!slot.values.empty()) j["values"] = slot.values;
    if (!slot.state.empty()) j["state"] = slot.state;
    return j;
}

EffectSlot effectSlotFromJson(const nlohmann::json& json) {
    EffectSlot slot;
    slot.id = bounded(json, "id", kLongestName);
    slot.uri = bounded(json, "uri", kLongestName);
    slot.name = bounded(json, "name", kLongestName);
    slot.before = bounded(json, "before", kLongestName);
    slot.on = json.value("on", true);
    if (json.contains("values")) slot.values = json.at("values").get<std::map<std::string, double>>();
    slot.state = bounded(json, "state", kLongestState);
    if (slot.id.empty() || slot.uri.empty() || slot.values.size() > kMostValues)
        throw Error(Error::Kind::InputUnreadable, "An effect of a chain has no id, no URI, or too many values.");
    for (const auto& [symbol, value] : slot.values)
        if (!std::isfinite(value))
            throw Error(Error::Kind::InputUnreadable, "The value of " + symbol + " of an effect is not a number.");
    return slot;
}

std::string effectCurve(const std::string& slot, const std::string& symbol) { return slot + ":" + symbol; }

}  // namespace rivlen
