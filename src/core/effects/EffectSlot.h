#pragma once
#include <map>
#include <nlohmann/json.hpp>
#include <string>

namespace rivlen {

/// An installed effect that stands in a chain, as the session keeps it. Values and state stay where the effect is
/// missing.
struct EffectSlot {
    std::string id;  ///< unique in its chain; its curves are those of "ID:SYMBOL"
    std::string uri, name;
    std::string before;  ///< id of the module that it stands in front of; empty: behind the limiter
    bool on = true;
    std::map<std::string, double> values;  ///< by symbol, where they differ from the effect's own
    std::string state;                     ///< what else the effect keeps, as it gave it (Turtle); empty: nothing

    bool operator==(const EffectSlot&) const = default;
    /// The same effect in the same place, begun from the same state: a running one can go on.
    bool continues(const EffectSlot& other) const {
        return id == other.id && uri == other.uri && before == other.before && state == other.state;
    }
};

nlohmann::json toJson(const EffectSlot& slot);
/// Throws Error (InputUnreadable) or nlohmann's exceptions for what is damaged.
EffectSlot effectSlotFromJson(const nlohmann::json& json);

/// The name of the curve that moves a control.
std::string effectCurve(const std::string& slot, const std::string& symbol);

}  // namespace rivlen
