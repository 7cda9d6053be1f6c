#include "core/rebuild/ChainSettings.h"

#include <algorithm>

namespace rivlen {

namespace {
constexpr size_t kMostEffects = 32;
}

const std::vector<ChainModule>& chainModules() {
    using C = ChainSettings;
    static const std::vector<ChainModule> table = {
        {"gate",
         "Expander",
         "Takes down what lies below the words. Too much: words begin and end as if cut.",
         &C::gate,
         {{"threshold", "Threshold", "dB", -80, -10, -50, 1,
           "Where it begins. Too high: soft endings of words fade away.", &C::gateThreshold},
          {"ratio", "Ratio", ":1", 1, 10, 2, 0.1,
           "How fast it falls below the threshold. Too much sounds like a switch.", &C::gateRatio},
          {"range", "Range", "dB", 0, 60, 12, 1, "How far down at most. Too much: the pauses go dead.", &C::gateRange},
          {"attack", "Attack", "ms", 0.1, 50, 2, 0.1, "How fast it opens. Too slow: t, k and p lose their beginnings.",
           &C::gateAttack},
          {"hold", "Hold", "ms", 0, 500, 80, 5, "How long it stays open. Too short: it flutters between syllables.",
           &C::gateHold},
          {"release", "Release", "ms", 5, 2000, 150, 5,
           "How slowly it closes. Too long: the bed breathes after each word.", &C::gateRelease}}},
        {"de-esser",
         "De-esser",
         "Takes sharp s sounds down in their own band. Too much lisps.",
         &C::deEsser,
         {{"threshold", "Threshold", "dB", -24, 6, -3, 0.5,
           "How much of the voice an s may be before it counts as sharp. Too low: everything is dulled.",
           &C::deEsserThreshold},
          {"range", "Range", "dB", 0, 12, 2, 0.5, "How far down at most. Beyond 4 dB voices begin to lisp.",
           &C::deEsserRange},
          {"from", "From", "Hz", 2000, 12000, 6000, 100, "Lower end of the band. Too low: vowels are dulled as well.",
           &C::deEsserFrom},
          {"to", "To", "Hz", 4000, 20000, 10000, 100, "Upper end of the band. Too high costs air.", &C::deEsserTo}}},
        {"high-pass",
         "High-pass",
         "Takes rumble and thumps out below the voice. Too high: the voice gets thin.",
         &C::highPass,
         {{"frequency", "Frequency", "Hz", 20, 400, 80, 1,
           "Where it is 3 dB down. Above 120 Hz low voices lose their body.", &C::highPassHz},
          {"slope", "Slope", "dB/oct", 12, 24, 12, 12,
           "How steep it falls: 12 or 24 dB an octave. Steep ones ring on thumps.", &C::highPassSlope}}},
        {"equaliser",
         "Equaliser",
         "Bends the tone colour. Too much sounds like a telephone or a tub.",
         &C::equaliser,
         {{"low_hz", "Low shelf", "Hz", 40, 800, 150, 1, "Everything below is raised or lowered.", &C::lowHz},
          {"low_db", "", "dB", -18, 18, 0, 0.5, "Warmth. Too much booms, too little is thin.", &C::lowDb},
          {"mud_hz", "Low bell", "Hz", 80, 2000, 350, 1, "Where boxiness sits.", &C::mudHz},
          {"mud_db", "", "dB", -18, 18, 0, 0.5, "Lowered it clears the voice. Too much hollows it out.", &C::mudDb},
          {"mud_q", "Low bell Q", "", 0.2, 10, 1, 0.1, "How narrow. Narrow and raised it rings.", &C::mudQ},
          {"mid_hz", "Mid bell", "Hz", 500, 10000, 2500, 10, "Where words are told apart.", &C::midHz},
          {"mid_db", "", "dB", -18, 18, 2, 0.5, "Presence. Too much is sharp and tiring.", &C::midDb},
          {"mid_q", "Mid bell Q", "", 0.2, 10, 0.8, 0.1, "How narrow. Narrow and raised it honks.", &C::midQ},
          {"high_hz", "High shelf", "Hz", 2000, 16000, 8000, 100, "Everything above is raised or lowered.", &C::highHz},
          {"high_db", "", "dB", -18, 18, 0, 0.5, "Air. Too much brings back hiss and sharp s.", &C::highDb}}},
        {"compressor",
         "Compressor",
         "Evens out loud and soft words. Too much sounds pressed, and the bed rises.",
         &C::compressor,
         {{"threshold", "Threshold", "dB", -60, 0, -24, 0.5,
           "Where it begins. Too low: nothing is left of the expression.", &C::threshold},
          {"ratio", "Ratio", ":1", 1, 20, 3, 0.1,
           "How much is left above: 3 dB become one. Beyond 6 it works like a wall.", &C::ratio},
          {"knee", "Knee", "dB", 0, 24, 6, 0.5, "How softly it sets in. None at all is heard as a switch.", &C::knee},
          {"attack", "Attack", "ms", 0.1, 200, 10, 0.1,
           "How fast it takes hold. Too fast dulls consonants, too slow lets them jump out.", &C::attack},
          {"release", "Release", "ms", 1, 2000, 10, 1,
           "How fast it lets go. Too fast distorts low voices, too slow pumps.", &C::release},
          {"make_up", "Make-up", "dB", -12, 24, 0, 0.5, "Gain afterwards. It lifts the noise floor by as much.",
           &C::makeUp}}},
        {"room",
         "Room",
         "Puts the sound into a room, to match the scene. Too much: the voice moves away.",
         &C::room,
         {{"decay", "Decay", "s", 0.1, 4, 0.5, 0.05, "Time for 60 dB. Too long: words run into each other.",
           &C::roomDecay},
          {"level", "Level", "dB", -40, 6, -12, 0.5, "The room's energy against the direct sound. Too much: far away.",
           &C::roomLevel},
          {"delay", "Delay", "ms", 6, 100, 12, 1, "Before the room answers. Too long is heard as an echo.",
           &C::roomDelay},
          {"tone", "Tone", "", -100, 100, 0, 1, "Dark to bright. Too bright hisses on s.", &C::roomTone}}},
        {"limiter",
         "Limiter",
         "No peak goes over the ceiling, not even between samples. Too much pressing distorts.",
         &C::limiter,
         {{"ceiling", "Ceiling", "dBTP", -24, 0, -0.5, 0.1, "The highest true peak that leaves it.", &C::ceiling},
          {"release", "Release", "ms", 5, 1000, 80, 5,
           "How fast it lets go. Too fast distorts, too slow ducks what follows.", &C::limiterRelease}}},
    };
    return table;
}

ChainSettings voiceChain() {
    ChainSettings chain;
    chain.deEsser = chain.highPass = chain.equaliser = chain.compressor = chain.limiter = true;
    return chain;
}

const std::vector<ChainPreset>& shippedChains() {
    static const std::vector<ChainPreset> presets = [] {
        std::vector<ChainPreset> all = {
            {"Voice", "the chain most voices get: de-esser, high-pass, small mid lift, 3:1 from -24 dB, limiter",
             voiceChain()}};
        ChainSettings remote = voiceChain();
        remote.gate = true;
        remote.highPassHz = 100;
        remote.mudDb = -3;
        remote.ratio = 4;
        remote.makeUp = 3;
        all.push_back({"Remote guest", "a cheap microphone far away: clearer, closer, quieter pauses", remote});
        ChainSettings bed;
        bed.highPass = bed.compressor = true;
        bed.highPassHz = 40;
        bed.threshold = -30, bed.ratio = 1.5, bed.knee = 12, bed.attack = 40, bed.release = 400;
        all.push_back({"Bed", "music and ambience under a voice: slow and gentle", bed});
        ChainSettings safe;
        safe.limiter = true;
        safe.ceiling = -1;
        all.push_back({"Peaks only", "nothing but a limiter at -1 dBTP", safe});
        return all;
    }();
    return presets;
}

bool ChainSettings::any() const {
    return std::any_of(chainModules().begin(), chainModules().end(), [&](const auto& m) { return this->*m.on; }) ||
           std::any_of(effects.begin(), effects.end(), [](const auto& e) { return e.on; });
}

const EffectSlot* ChainSettings::effect(const std::string& id) const {
    const auto found = std::find_if(effects.begin(), effects.end(), [&](const auto& e) { return e.id == id; });
    return found == effects.end() ? nullptr : &*found;
}

std::vector<std::pair<std::string, std::vector<const EffectSlot*>>> ChainSettings::order() const {
    std::vector<std::pair<std::string, std::vector<const EffectSlot*>>> places;
    for (const auto& m : chainModules()) places.push_back({m.id, {}});
    places.push_back({"", {}});
    for (const auto& e : effects)
        for (auto& [id, slots] : places)
            if (id == e.before) slots.push_back(&e);
    return places;
}

nlohmann::json toJson(const ChainSettings& chain) {
    nlohmann::json json = nlohmann::json::object();
    for (const auto& m : chainModules()) {
        nlohmann::json module = nlohmann::json::object();
        parametersToJson(m.parameters, chain, module);
        if (chain.*m.on) module["on"] = true;
        if (!module.empty()) json[m.id] = module;
    }
    if (!chain.roomImpulse.empty()) json["room"]["impulse"] = chain.roomImpulse;
    for (const auto& e : chain.effects) json["effects"].push_back(toJson(e));
    return json;
}

ChainSettings chainFromJson(const nlohmann::json& json) {
    ChainSettings chain;
    for (const auto& m : chainModules()) {
        if (!json.contains(m.id)) continue;
        chain.*m.on = json.at(m.id).value("on", false);
        parametersFromJson(m.parameters, json.at(m.id), chain);
    }
    if (json.contains("room")) chain.roomImpulse = json.at("room").value("impulse", "");
    if (json.contains("effects"))
        for (const auto& e : json.at("effects")) {
            EffectSlot slot = effectSlotFromJson(e);
            const bool place = slot.before.empty() || std::any_of(chainModules().begin(), chainModules().end(),
                                                                  [&](const auto& m) { return slot.before == m.id; });
            if (!place || chain.effect(slot.id) || chain.effects.size() >= kMostEffects)
                throw Error(Error::Kind::InputUnreadable,
                            "The effect \"" + slot.name +
                                "\" stands in a place that there is not, twice, or beside too many others.");
            chain.effects.push_back(std::move(slot));
        }
    return chain;
}

}  // namespace rivlen
