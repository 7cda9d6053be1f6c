#pragma once
#include "core/delivery/DeliverySets.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/isolation/TradeOff.h"
#include "core/media/MediaInfo.h"
#include "core/rebuild/Materials.h"
#include "core/session/Session.h"

// A recording becomes a clean voice in one go. What is chosen on the way stands in the reel as ordinary settings.
namespace rivlen {

/// What a clean voice is for, and the shipped preset whose strength it gets then.
struct VoicePurpose {
    const char* id;  ///< on the command line
    const char* preset;
    const char* name;  ///< in the window
};
const std::vector<VoicePurpose>& voicePurposes();
/// Throws Error (Usage) that names the known ones.
const VoicePurpose& findVoicePurpose(const std::string& id);

/// How sure diagnosis must be of a fault for its treatment to be taken without asking, 0 ... 1.
inline constexpr double kSureEnough = 0.75;
/// The treatments that diagnosis proposes for those findings that it is sure of and the user has not dismissed.
std::vector<Treatment> sureTreatments(const Reel& reel, const Diagnosis& diagnosis);

/// A reel whose voice was cleaned.
struct CleanVoice {
    Reel reel;              ///< as it was, with treatments and the dialogue's strength
    ReelMaterial material;  ///< ready to be delivered
    Diagnosis diagnosis;
    double spillDb = 0;  ///< what weighing says of the strength
    Damage damage;
    std::string reason;  ///< why this strength, one sentence
};

/// Looks for faults, takes the treatments that are sure, splits, weighs, and gives the dialogue its strength: the
/// suggested Depth where purpose is empty, else that of the purpose's preset. The suggestion is the middle one of up to
/// three spans of 40 s with the most voice (a shorter reel is weighed whole). Uses what was made before, and keeps what
/// it makes, as the window does. known: what diagnosis said of the recording before. Throws Error (Usage) where there
/// is nothing to weigh, else as prepareReel().
CleanVoice cleanVoice(Reel reel, const std::string& purpose, const Progress& progress,
                      std::optional<Diagnosis> known = {});

/// What is delivered of it, named {reel}.clean: of a set its mixes, holding the voice alone. Without one a picture with
/// the new sound and its own as a second track, where there is a picture, else a 24-bit wave; at -23 LUFS (EBU R 128).
/// Throws Error (Usage) for a set without a mix or a dialogue.
std::vector<Deliverable> voiceDeliverables(const MediaInfo& info, const std::optional<DeliverySet>& set);

}  // namespace rivlen
