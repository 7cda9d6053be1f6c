#pragma once
#include <utility>
#include <vector>

#include "core/base/Parameter.h"
#include "core/effects/EffectSlot.h"

namespace rivlen {

/// The voice chain of a lane or bus. Its modules work in this order: gate, de-esser, high-pass, equaliser, compressor,
/// room, limiter. The usual values are those of common practice for a voice.
struct ChainSettings {
    bool gate = false;
    double gateThreshold = -50;                               ///< dBFS
    double gateRatio = 2;                                     ///< 2 = each dB below the threshold becomes two
    double gateRange = 12;                                    ///< dB it takes down at most
    double gateAttack = 2, gateHold = 80, gateRelease = 150;  ///< ms

    bool deEsser = false;
    double deEsserThreshold = -3;                  ///< dB: level of the band against the whole voice
    double deEsserRange = 2;                       ///< dB it takes down at most
    double deEsserFrom = 6000, deEsserTo = 10000;  ///< Hz

    bool highPass = false;
    double highPassHz = 80;     ///< Hz, -3 dB
    double highPassSlope = 12;  ///< dB an octave: 12 or 24

    bool equaliser = false;
    double lowHz = 150, lowDb = 0;               ///< low shelf
    double mudHz = 350, mudDb = 0, mudQ = 1;     ///< bell
    double midHz = 2500, midDb = 2, midQ = 0.8;  ///< bell: the small mid lift that most voices get
    double highHz = 8000, highDb = 0;            ///< high shelf

    bool compressor = false;
    double threshold = -24;  ///< dBFS
    double ratio = 3;
    double knee = 6;                   ///< dB, centred on the threshold
    double attack = 10, release = 10;  ///< ms to 1 - 1/e
    double makeUp = 0;                 ///< dB

    bool room = false;
    double roomDecay = 0.5;  ///< s for 60 dB
    double roomLevel = -12;  ///< dB: the room's energy against the direct sound
    double roomDelay = 12;   ///< ms before it begins
    double roomTone = 0;     ///< -100 dark ... +100 bright
    std::string
        roomImpulse;  ///< id of one of the rebuild's sounds that stands for the room; empty: the room of decay and tone

    bool limiter = false;
    double ceiling = -0.5;       ///< dBTP
    double limiterRelease = 80;  ///< ms

    std::vector<EffectSlot> effects;  ///< installed ones between the modules; those in one place work in this order

    bool any() const;
    const EffectSlot* effect(const std::string& id) const;
    /// In the order of work: each module's id with the slots in front of it; at the end "" with those behind the
    /// limiter.
    std::vector<std::pair<std::string, std::vector<const EffectSlot*>>> order() const;
    bool operator==(const ChainSettings&) const = default;
};

/// A module of the chain: its switch and its settings.
struct ChainModule {
    const char* id;
    const char* name;
    const char* explanation;
    bool ChainSettings::*on;
    std::vector<Parameter<ChainSettings>> parameters;
};

/// In the order of work.
const std::vector<ChainModule>& chainModules();

/// The common-practice chain for a voice: de-esser, high-pass, small mid lift, compressor, limiter.
ChainSettings voiceChain();

nlohmann::json toJson(const ChainSettings& chain);
/// Throws Error (InputUnreadable) for values out of range.
ChainSettings chainFromJson(const nlohmann::json& json);

/// A chain kept under a name.
struct ChainPreset {
    std::string name, purpose;
    ChainSettings chain;
};
/// Shipped ones: common practice for voices and beds, no published source.
const std::vector<ChainPreset>& shippedChains();

}  // namespace rivlen
