#include "core/delivery/Deliverable.h"

#include <algorithm>
#include <cmath>
#include <ctime>

#include "core/audio/Error.h"

namespace rivlen {

namespace {

template <typename Table, typename Same>
const auto& rowOr(const Table& table, Same same) {
    const auto found = std::find_if(table.begin(), table.end(), same);
    return found == table.end() ? table.front() : *found;
}

Deliverable made(const char* name, const char* holds, std::optional<double> loudness = {}, double tolerance = 0.5, double ceiling = -1, Storage storage = Storage::Wav, int bits = 24) {
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

}  // namespace

const std::vector<DeliveryContent>& deliveryContents() {
    static const std::vector<DeliveryContent> table = {
        {"mix", "Full mix", "All lanes, through the chain of the mix.", {0, 1, 2, -1}, true},
        {"music-and-effects", "M&E", "Everything but the dialogue, for another language.", {1, 2, -1}, false},
        {"dialogue", "Dialogue", "The lanes of the dialogue alone.", {0}, false},
        {"music", "Music", "The lanes of the music alone.", {1}, false},
        {"ambience", "Ambience and effects", "The lanes of the ambience and added sounds.", {2, -1}, false},
        {"mix-without-music", "Mix without music", "Dialogue, ambience and effects, through the chain of the mix.", {0, 2, -1}, true},
        {"mix-without-dialogue", "Mix without dialogue", "Music, ambience and effects, through the chain of the mix.", {1, 2, -1}, true},
    };
    return table;
}

const DeliveryContent& deliveryContent(const std::string& id) {
    return rowOr(deliveryContents(), [&](const auto& c) { return id == c.id; });
}

const std::vector<StorageFacts>& storageTable() {
    static const std::vector<StorageFacts> table = {
        {Storage::Wav, "wav", "WAV", "wav", true},          {Storage::Flac, "flac", "FLAC", "flac", true},    {Storage::Aiff, "aiff", "AIFF", "aiff", true},
        {Storage::Vorbis, "vorbis", "Ogg Vorbis", "ogg", false}, {Storage::Opus, "opus", "Ogg Opus", "opus", false}, {Storage::Mp3, "mp3", "MP3", "mp3", false},
    };
    return table;
}

const StorageFacts& storageFacts(Storage storage) {
    return rowOr(storageTable(), [&](const auto& f) { return f.storage == storage; });
}

const std::vector<DeliverySet>& shippedDeliveries() {
    static const std::vector<DeliverySet> sets = [] {
        std::vector<DeliverySet> all;
        const auto parts = [](std::vector<Deliverable> first) {
            for (const char* part : {"music-and-effects", "dialogue", "music", "ambience"}) first.push_back(made(part, part));
            return first;
        };
        all.push_back({"Broadcast, EBU R 128", "-23.0 LUFS within 0.5 LU, at most -1 dBTP (EBU R 128), M&E and stems", parts({made("mix", "mix", -23.0, 0.5, -1)})});
        all.push_back({"Broadcast, ATSC A/85", "-24 LKFS within 2 dB, at most -2 dBTP (ATSC A/85), M&E and stems", parts({made("mix", "mix", -24.0, 2, -2)})});
        all.push_back({"Streaming", "-27 LUFS within 2 LU, at most -2 dBTP: common practice of some services, no published source; they measure the dialogue alone, this the whole", parts({made("mix", "mix", -27.0, 2, -2)})});
        all.push_back({"Web and podcast", "-16 LUFS, at most -1 dBTP: common practice; a FLAC and an MP3 to listen to", {made("web", "mix", -16.0, 0.5, -1, Storage::Flac, 16), made("listening copy", "mix", -16.0, 1, -1, Storage::Mp3)}});
        all.push_back({"Music library", "full mix, mix without dialogue and music, as they are", {made("mix", "mix"), made("without dialogue", "mix-without-dialogue"), made("music", "music")}});
        return all;
    }();
    return sets;
}

const std::vector<Deliverable>& usualDeliverables() {
    static const std::vector<Deliverable> usual = [] {
        std::vector<Deliverable> all;
        for (const char* part : {"mix", "music-and-effects", "dialogue", "music", "ambience"}) all.push_back(made(part, part));
        return all;
    }();
    return usual;
}

const std::vector<std::pair<const char*, const char*>>& fileNameTokens() {
    static const std::vector<std::pair<const char*, const char*>> tokens = {
        {"session", "the session's name"}, {"reel", "the reel's name"}, {"name", "the deliverable's name"}, {"holds", "what it holds"},
        {"loudness", "the loudness it is brought to, or \"as is\""}, {"date", "today, as 2026-11-25"},
    };
    return tokens;
}

std::string deliveryFileName(const Deliverable& d, const std::string& session, const std::string& reel) {
    std::string out;
    for (size_t i = 0; i < d.fileName.size(); ++i) {
        if (d.fileName[i] != '{') {
            out += d.fileName[i];
            continue;
        }
        const size_t end = d.fileName.find('}', i);
        const std::string token = d.fileName.substr(i + 1, end == std::string::npos ? std::string::npos : end - i - 1);
        if (end == std::string::npos) throw Error(Error::Kind::Usage, "The name \"" + d.fileName + "\" opens a brace that it does not close.");
        i = end;
        if (token == "session") out += session;
        else if (token == "reel") out += reel;
        else if (token == "name") out += d.name;
        else if (token == "holds") out += d.holds;
        else if (token == "loudness") {
            char text[24] = "as is";
            if (d.loudness) std::snprintf(text, sizeof text, "%.0f LUFS", *d.loudness);
            out += text;
        } else if (token == "date") {
            const std::time_t now = std::time(nullptr);
            char text[16];
            std::strftime(text, sizeof text, "%Y-%m-%d", std::localtime(&now));
            out += text;
        } else {
            throw Error(Error::Kind::Usage, "The name \"" + d.fileName + "\" uses {" + token + "}, which does not stand for anything.");
        }
    }
    for (char& c : out)
        if (std::string("/\\:*?\"<>|").find(c) != std::string::npos || static_cast<unsigned char>(c) < 32) c = '-';
    while (!out.empty() && (out.front() == '.' || out.front() == ' ')) out.erase(out.begin());
    while (!out.empty() && (out.back() == '.' || out.back() == ' ')) out.pop_back();
    if (out.empty()) throw Error(Error::Kind::Usage, "The name pattern of \"" + d.name + "\" makes an empty name: give it some text or a token.");
    return out + "." + storageFacts(d.storage).ending;
}

nlohmann::json toJson(const Deliverable& d) {
    nlohmann::json j{{"name", d.name}, {"holds", d.holds}, {"format", storageFacts(d.storage).id}, {"bits", d.bits}, {"ceiling", d.ceiling}, {"file_name", d.fileName}};
    if (!d.candidate.empty()) j["candidate"] = d.candidate;
    if (d.span) j["span"] = {d.span->first, d.span->second};
    if (d.loudness) j["loudness"] = *d.loudness, j["tolerance"] = d.tolerance;
    if (d.sampleRate) j["sample_rate"] = d.sampleRate;
    if (!d.on) j["on"] = false;
    return j;
}

Deliverable deliverableFromJson(const nlohmann::json& j) {
    Deliverable d;
    d.name = j.at("name");
    d.holds = j.value("holds", d.holds);
    const auto wrong = [&d](const std::string& what) { return Error(Error::Kind::InputUnreadable, "The deliverable \"" + d.name + "\" " + what); };
    if (std::none_of(deliveryContents().begin(), deliveryContents().end(), [&](const auto& c) { return d.holds == c.id; })) throw wrong("holds \"" + d.holds + "\", which is not known here.");
    d.candidate = j.value("candidate", "");
    if (j.contains("span")) d.span = {j.at("span").at(0), j.at("span").at(1)};
    if (j.contains("loudness")) d.loudness = j.at("loudness").get<double>();
    d.tolerance = j.value("tolerance", d.tolerance);
    d.ceiling = j.value("ceiling", d.ceiling);
    const std::string format = j.value("format", "wav");
    const auto known = std::find_if(storageTable().begin(), storageTable().end(), [&](const auto& f) { return format == f.id; });
    if (known == storageTable().end()) throw wrong("asks for the format \"" + format + "\", which is not known here.");
    d.storage = known->storage;
    d.bits = j.value("bits", d.bits);
    d.sampleRate = j.value("sample_rate", 0);
    d.fileName = j.value("file_name", d.fileName);
    d.on = j.value("on", true);
    if (d.name.empty()) throw wrong("has no name.");
    if (d.bits != 16 && d.bits != 24 && d.bits != 32) throw wrong("asks for " + std::to_string(d.bits) + " bits: 16, 24 and 32 (float) are known.");
    if (d.sampleRate != 0 && (d.sampleRate < 8000 || d.sampleRate > 192000)) throw wrong("asks for a sample rate out of range.");
    if (d.loudness && !(*d.loudness >= -60 && *d.loudness <= 0)) throw wrong("asks for a loudness out of range: -60 to 0 LUFS.");
    if (!(d.ceiling >= -30 && d.ceiling <= 0) || !(d.tolerance >= 0 && d.tolerance <= 10)) throw wrong("has a ceiling or tolerance out of range.");
    if (d.span && !(d.span->second > d.span->first)) throw wrong("has a span that ends before it begins.");
    return d;
}

}  // namespace rivlen
