#pragma once
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace rivlen {

/// How a deliverable is stored.
enum class Storage { Wav, Flac, Aiff, Vorbis, Opus, Mp3 };

/// One file that leaves the house: what it holds and how it is made. Values are those of the file's name, loudness and format.
struct Deliverable {
    std::string name;                ///< unique in the session
    std::string holds = "mix";       ///< id in deliveryContents()
    std::string candidate;           ///< "A" to "D": at that strength; empty: at the reel's own
    std::optional<std::pair<double, double>> span;  ///< seconds; nothing: the whole reel
    std::optional<double> loudness;  ///< LUFS integrated that it is brought to; nothing: as it is
    double tolerance = 0.5;          ///< LU that the loudness may be off
    double ceiling = -1;             ///< dBTP that it must not pass; a limiter holds it where gain alone would not
    Storage storage = Storage::Wav;
    int bits = 24;                   ///< 16 or 24, or 32 for float; lossy storage ignores it
    int sampleRate = 0;              ///< Hz; 0: the reel's own
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
};
const std::vector<StorageFacts>& storageTable();
const StorageFacts& storageFacts(Storage storage);

/// Deliverables that belong together, to begin with.
struct DeliverySet {
    const char* name;
    const char* purpose;  ///< with the source of its figures
    std::vector<Deliverable> deliverables;
};
const std::vector<DeliverySet>& shippedDeliveries();
/// What a session delivers that says nothing else: mix, M&E and the parts as they are, 24 bit.
const std::vector<Deliverable>& usualDeliverables();

/// What a file name can be made of, with an explanation each.
const std::vector<std::pair<const char*, const char*>>& fileNameTokens();
/// The name that a pattern makes, with ending; signs that file systems do not take become "-". Throws Error (Usage) for a token that there is not,
/// or an empty name.
std::string deliveryFileName(const Deliverable& deliverable, const std::string& session, const std::string& reel);

nlohmann::json toJson(const Deliverable& deliverable);
/// Throws nlohmann's exceptions or Error (InputUnreadable) for values out of range.
Deliverable deliverableFromJson(const nlohmann::json& json);

}  // namespace rivlen
