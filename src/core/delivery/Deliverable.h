#pragma once
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/audio/SpeakerLayout.h"
#include "core/media/Quantiser.h"

namespace rivlen {

/// How a deliverable is stored. Mp4, Mov and Mkv are the reel's own picture with the new sound; Adm is a WAV whose
/// lanes that have been placed are objects (AdmTracks.h).
enum class Storage { Wav, Flac, Aiff, Vorbis, Opus, Mp3, Aac, Mp4, Mov, Mkv, Adm };

/// One file that leaves the house: what it holds and how it is made. Values are those of the file's name, loudness and
/// format.
struct Deliverable {
    std::string name;           ///< unique in the session
    std::string holds = "mix";  ///< id in deliveryContents()
    std::string candidate;  ///< "A" to "D": at that strength; "natural", "isolated": of deliveryStrengths(); empty: the
                            ///< reel's own
    std::optional<std::pair<double, double>> span;  ///< seconds; nothing: the whole reel
    std::optional<double> loudness;                 ///< LUFS integrated that it is brought to; nothing: as it is
    double tolerance = 0.5;                         ///< LU that the loudness may be off
    bool dialogueGated = false;                     ///< the loudness is that of the stretches where somebody speaks
    double ceiling = -1;  ///< dBTP that it must not pass; a limiter holds it where gain alone would not
    Storage storage = Storage::Wav;
    int bits = 24;       ///< 16 or 24, or 32 for float; lossy storage ignores it
    int sampleRate = 0;  ///< Hz; 0: the reel's own
    Dither dither = Dither::Triangular;
    ChannelLayout layout = ChannelLayout::Own;
    bool monoFiles = false;                  ///< a mono file for each channel, with its name before the ending
    bool keepOriginal = false;               ///< with a picture: its own sound stays as a second track
    std::string language;                    ///< with a picture: ISO 639-2, as "eng"; empty: not said
    std::string fileName = "{reel}.{name}";  ///< tokens of fileNameTokens(), without ending
    bool on = true;

    bool operator==(const Deliverable&) const = default;
};

/// What a deliverable can hold.
struct DeliveryContent {
    const char* id;
    const char* name;
    const char* explanation;
    std::vector<int> stems;  ///< lanes of these hues (by kStemNames; -1: added sounds without a hue)
    bool mixChain;           ///< through the mix's chain; parts leave it out, so that they sum to the mix before it
    bool ducked = true;      ///< false: nothing makes way for a voice that is not there
    /// Parts of a stem (core/separation/Parts.h) that are left out.
    std::vector<std::string> without = {};
    std::string only = {};    ///< the one part that it is; empty: all that is not left out
    bool needsParts = false;  ///< false: where the stem is not taken apart, nothing of it is left out
};
const std::vector<DeliveryContent>& deliveryContents();
const DeliveryContent& deliveryContent(const std::string& id);  ///< the mix for ids that there are not

/// How a storage is called, its file's ending, and whether it keeps every sample.
struct StorageFacts {
    Storage storage;
    const char* id;
    const char* name;
    const char* ending;
    bool lossless;
    bool picture = false;
};
const std::vector<StorageFacts>& storageTable();
const StorageFacts& storageFacts(Storage storage);

/// Strengths that a deliverable can ask for whatever the reel's own is.
struct DeliveryStrength {
    const char* id;
    const char* name;
    const char* explanation;
};
const std::vector<DeliveryStrength>& deliveryStrengths();

/// Deliverables that belong together, to begin with.
struct DeliverySet {
    std::string name;
    std::string purpose;  ///< with the source of its figures
    std::vector<Deliverable> deliverables;
};
const std::vector<DeliverySet>& shippedDeliveries();
/// What a session delivers that says nothing else: mix, M&E and the parts as they are, 24 bit.
const std::vector<Deliverable>& usualDeliverables();

/// What a file name can be made of, with an explanation each.
const std::vector<std::pair<const char*, const char*>>& fileNameTokens();
/// The name that a pattern makes, with ending; signs that file systems do not take become "-". Throws Error (Usage) for
/// a token that there is not, or an empty name.
std::string deliveryFileName(const Deliverable& deliverable, const std::string& session, const std::string& reel);
/// All files of a deliverable: itself, or one for each channel. own: names of the mix's channels, where the layout is
/// its own.
std::vector<std::string> deliveryFileNames(const Deliverable& deliverable, const std::string& session,
                                           const std::string& reel, const std::vector<std::string>& own);

nlohmann::json toJson(const Deliverable& deliverable);
/// Throws nlohmann's exceptions or Error (InputUnreadable) for values out of range.
Deliverable deliverableFromJson(const nlohmann::json& json);

}  // namespace rivlen
