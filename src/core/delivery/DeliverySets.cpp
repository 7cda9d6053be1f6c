#include "core/delivery/DeliverySets.h"

#include <algorithm>
#include <fstream>
#include <functional>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/Resources.h"
#include "core/media/WholeFile.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

Deliverable made(const char* name, const char* holds, std::optional<double> loudness = {}, double tolerance = 0.5,
                 double ceiling = -1, Storage storage = Storage::Wav, int bits = 24) {
    Deliverable d;
    d.name = name;
    d.holds = holds;
    d.loudness = loudness;
    d.tolerance = tolerance;
    d.ceiling = ceiling;
    d.storage = storage;
    d.bits = bits;
    return d;
}

Deliverable with(Deliverable d, const std::function<void(Deliverable&)>& change) {
    change(d);
    return d;
}

/// A mix and its parts.
std::vector<Deliverable> withParts(Deliverable mix) {
    std::vector<Deliverable> all{std::move(mix)};
    for (const char* part : {"music-and-effects", "dialogue", "music", "ambience"}) all.push_back(made(part, part));
    return all;
}

Deliverable picture(double loudness, double ceiling) {
    return with(made("picture", "mix", loudness, 0.7, ceiling, Storage::Mp4),
                [](Deliverable& d) { d.keepOriginal = true; });
}

}  // namespace

const std::vector<DeliverySet>& shippedDeliveries() {
    static const std::vector<DeliverySet> sets = {
        {"Broadcast, EBU R 128", "-23.0 LUFS within 0.5 LU, at most -1 dBTP (EBU R 128), M&E and stems",
         withParts(made("mix", "mix", -23.0, 0.5, -1))},
        {"Broadcast, ATSC A/85",
         "-24 LKFS within 2 dB, at most -2 dBTP (ATSC A/85), measured where somebody speaks, M&E and stems",
         withParts(with(made("mix", "mix", -24.0, 2, -2), [](Deliverable& d) { d.dialogueGated = true; }))},
        {"Streaming, series and films",
         "-27 LUFS within 2 LU where somebody speaks, at most -2 dBTP (common practice of some services), M&E and "
         "stems",
         withParts(with(made("mix", "mix", -27.0, 2, -2), [](Deliverable& d) { d.dialogueGated = true; }))},
        {"Streaming, speech",
         "-18 LUFS within 1 LU, at most -1 dBTP (AES TD1008 for speech, from memory)",
         {made("streaming", "mix", -18.0, 1, -1, Storage::Flac)}},
        {"Web and podcast",
         "-16 LUFS, at most -1 dBTP (common practice); a FLAC, and an MP3 and an AAC to listen to",
         {made("web", "mix", -16.0, 0.5, -1, Storage::Flac, 16),
          made("listening copy", "mix", -16.0, 1, -1, Storage::Mp3),
          made("phone copy", "mix", -16.0, 1, -1, Storage::Aac)}},
        {"Picture with its new sound",
         "the reel's picture as it is, with the mix at -23.0 LUFS and at most -1 dBTP (EBU R 128), its own sound as a "
         "second track",
         {picture(-23.0, -1)}},
        {"Natural and isolated",
         "the dialogue twice: with some of its surroundings, and with nothing of them",
         {with(made("natural", "dialogue"), [](Deliverable& d) { d.candidate = "natural"; }),
          with(made("isolated", "dialogue"), [](Deliverable& d) { d.candidate = "isolated"; })}},
        {"Music library",
         "full mix, mix without dialogue, instrumental and music, as they are",
         {made("mix", "mix"), made("without dialogue", "mix-without-dialogue"), made("instrumental", "instrumental"),
          made("music", "music")}},
        {"Parts of the music",
         "the instrumental, the music without drums, and each part; the music must be taken apart",
         {made("instrumental", "instrumental"), made("music without drums", "music-without-drums"),
          made("vocals", "vocals"), made("drums", "drums"), made("bass", "bass"), made("guitar", "guitar"),
          made("other instruments", "other")}},
    };
    return sets;
}

const std::vector<Deliverable>& usualDeliverables() {
    static const std::vector<Deliverable> usual = [] {
        std::vector<Deliverable> all;
        for (const char* part : {"mix", "music-and-effects", "dialogue", "music", "ambience"})
            all.push_back(made(part, part));
        return all;
    }();
    return usual;
}

fs::path ownSetsFolder() { return dataFolder() / "deliveries"; }

void writeDeliverySet(const DeliverySet& set, const fs::path& file) {
    nlohmann::json list = nlohmann::json::array();
    for (const auto& d : set.deliverables) list.push_back(toJson(d));
    const nlohmann::json j{{"format", "rivlen-deliveries"},
                           {"version", 1},
                           {"name", set.name},
                           {"purpose", set.purpose},
                           {"deliverables", list}};
    if (!writeWholeFile(file, j.dump(1) + "\n"))
        throw Error(Error::Kind::OutputUnwritable, "The set cannot be written to \"" + file.string() +
                                                       "\": check that the folder may be written to and has space.");
}

DeliverySet parseDeliverySet(const std::string& text, const std::string& file) {
    const auto damaged = [&](const std::string& why) {
        return Error(Error::Kind::InputUnreadable, "The set \"" + file + "\" cannot be read: " + why);
    };
    try {
        const auto j = parsedJson(text);
        if (j.value("format", "") != "rivlen-deliveries")
            throw damaged("it is no set of deliverables; choose another file.");
        if (j.at("version").get<int>() > 1) throw damaged("it was written by a newer version; update Rivlen.");
        DeliverySet set{j.value("name", ""), j.value("purpose", ""), {}};
        std::vector<std::string> names;
        for (const auto& d : j.at("deliverables")) {
            set.deliverables.push_back(deliverableFromJson(d));
            const std::string& name = set.deliverables.back().name;
            if (std::find(names.begin(), names.end(), name) != names.end())
                throw damaged("two of its deliverables are called \"" + name + "\".");
            names.push_back(name);
        }
        if (set.deliverables.empty()) throw damaged("it has no deliverables.");
        return set;
    } catch (const nlohmann::json::exception&) {
        throw damaged("it is damaged; take an older copy.");
    }
}

DeliverySet readDeliverySet(const fs::path& file) {
    std::ifstream in(file);
    if (!in)
        throw Error(Error::Kind::InputUnreadable,
                    "The set \"" + file.string() + "\" cannot be opened: check the path.");
    return parseDeliverySet(std::string(std::istreambuf_iterator<char>(in), {}), file.string());
}

std::vector<DeliverySet> ownDeliverySets() {
    std::vector<DeliverySet> sets;
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(ownSetsFolder(), ignored)) {
        if (entry.path().extension() != ".json") continue;
        try {
            sets.push_back(readDeliverySet(entry.path()));
        } catch (const Error&) {  // a broken set must not hide the good ones
        }
    }
    std::sort(sets.begin(), sets.end(), [](const auto& a, const auto& b) { return a.name < b.name; });
    return sets;
}

void saveOwnDeliverySet(const DeliverySet& set) {
    if (set.name.empty()) throw Error(Error::Kind::Usage, "A set needs a name: type one.");
    if (std::any_of(shippedDeliveries().begin(), shippedDeliveries().end(),
                    [&](const auto& s) { return s.name == set.name; }))
        throw Error(Error::Kind::Usage,
                    "\"" + set.name + "\" came with Rivlen and stays as it is: choose another name.");
    std::string name;
    for (const char c : set.name) name += std::isalnum(static_cast<unsigned char>(c)) || (c & 0x80) ? c : '-';
    writeDeliverySet(set, ownSetsFolder() / (name + ".json"));
}

}  // namespace rivlen
