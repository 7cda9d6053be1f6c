#include "core/separation/CardFigures.h"

#include <nlohmann/json.hpp>

namespace rivlen {

namespace {

using nlohmann::json;

/// The value at a path of keys, or null.
const json* find(const json& card, std::initializer_list<const char*> path) {
    const json* at = &card;
    for (const char* key : path) {
        if (!at->is_object() || !at->contains(key)) return nullptr;
        at = &(*at)[key];
    }
    return at;
}

std::optional<CardFigures::Stem> stemOf(const json& quality, const char* kind, const char* stem) {
    if (const json* field = find(quality, {"field", kind, "all", stem}))
        return CardFigures::Stem{field->at("gain").get<double>(), field->at("share").get<double>(),
                                 std::pair(field->at("worse").get<int>(), field->at("of").get<int>())};
    const json* gain = find(quality, {kind, "gain", stem});
    if (!gain) return {};
    CardFigures::Stem found{gain->get<double>(), {}, {}};
    if (const json* share = find(quality, {kind, "share_of_oracle_gain", stem})) found.share = share->get<double>();
    return found;
}

CardFigures read(const NetworkCard& card, const std::string& quality) {
    CardFigures f;
    const json& all = card.all;
    const json* own = quality == "quick" ? find(all, {"quality", "quick"}) : nullptr;
    if (!own) own = find(all, {"quality"});
    if (!own) own = &all;
    for (const char* kind : {"stereo", "mono"})
        for (const auto& name : card.shown)
            if (const auto found = stemOf(*own, kind, name.c_str())) f.stems[kind][name] = *found;
    f.inTheField = find(*own, {"field"});
    if (const json* gain = find(*own, {"field", "stereo", "all", "estoi_gain"})) f.estoiGain = gain->get<double>();
    if (const json* e = find(*own, {"stereo", "estoi"}))
        f.estoi = {e->at("network").get<double>(), e->at("mixture").get<double>()};
    if (const json* table = find(all, {"cross_talk", "db"}))
        for (const auto& alone : card.shown)
            for (const auto& stem : card.shown) f.crossTalkDb[alone][stem] = table->at(alone).at(stem).get<double>();
    for (const char* which : {"fine", "quick"})
        if (const json* speed = find(all, {"speed", which})) f.speed[which] = speed->get<double>();
    if (const json* data = find(all, {"training", "data"})) f.trainedWith = data->get<std::string>();
    return f;
}

}  // namespace

CardFigures figuresOf(const NetworkCard& card, const std::string& quality) {
    try {
        return read(card, quality);
    } catch (const json::exception&) {
        CardFigures nothing;
        nothing.understood = false;
        return nothing;
    }
}

}  // namespace rivlen
