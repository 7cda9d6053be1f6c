#include "core/delivery/Deliverable.h"

#include <algorithm>
#include <cmath>

#include "core/base/Error.h"

namespace rivlen {

namespace {

template <typename Table, typename Same>
const auto& rowOr(const Table& table, Same same) {
    const auto found = std::find_if(table.begin(), table.end(), same);
    return found == table.end() ? table.front() : *found;
}

}  // namespace

const std::vector<DeliveryContent>& deliveryContents() {
    static const std::vector<DeliveryContent> table = {
        {"mix", "Full mix", "All lanes, through the chain of the mix.", {0, 1, 2, -1}, true},
        {"music-and-effects", "M&E", "Everything but the dialogue, for another language.", {1, 2, -1}, false},
        {"dialogue", "Dialogue", "The lanes of the dialogue alone.", {0}, false},
        {"music", "Music", "The lanes of the music alone.", {1}, false},
        {"ambience", "Ambience and effects", "The lanes of the ambience and added sounds.", {2, -1}, false},
        {"mix-without-music",
         "Mix without music",
         "Dialogue, ambience and effects, through the chain of the mix.",
         {0, 2, -1},
         true},
        {"mix-without-dialogue",
         "Mix without dialogue",
         "Music, ambience and effects, through the chain of the mix.",
         {1, 2, -1},
         true},
        {"instrumental",
         "Instrumental",
         "The music without the voice over it and, where it is taken apart, without its singing, through the chain of "
         "the "
         "mix; nothing is ducked, since nobody speaks.",
         {1},
         true,
         false,
         {"vocals"}},
        {"music-without-drums",
         "Music without drums",
         "The music but for its drums, to lie under a voice.",
         {1},
         false,
         true,
         {"drums"},
         {},
         true},
        {"vocals", "Vocals", "The singing in the music alone.", {1}, false, true, {}, "vocals", true},
        {"drums", "Drums", "The drums of the music alone.", {1}, false, true, {}, "drums", true},
        {"bass", "Bass", "The bass of the music alone.", {1}, false, true, {}, "bass", true},
        {"guitar", "Guitar", "The guitars of the music alone.", {1}, false, true, {}, "guitar", true},
        {"other", "Other instruments", "What else plays in the music.", {1}, false, true, {}, "other", true},
        {"events",
         "Events",
         "What distracts in the surroundings: knocks, steps, barks.",
         {2},
         false,
         true,
         {},
         "events",
         true},
        {"bed", "Bed", "What goes on in the surroundings and tells where we are.", {2}, false, true, {}, "bed", true},
    };
    return table;
}

const DeliveryContent& deliveryContent(const std::string& id) {
    return rowOr(deliveryContents(), [&](const auto& c) { return id == c.id; });
}

const std::vector<StorageFacts>& storageTable() {
    static const std::vector<StorageFacts> table = {
        {Storage::Wav, "wav", "WAV", "wav", true},
        {Storage::Flac, "flac", "FLAC", "flac", true},
        {Storage::Aiff, "aiff", "AIFF", "aiff", true},
        {Storage::Vorbis, "vorbis", "Ogg Vorbis", "ogg", false},
        {Storage::Opus, "opus", "Ogg Opus", "opus", false},
        {Storage::Mp3, "mp3", "MP3", "mp3", false},
        {Storage::Aac, "aac", "AAC", "m4a", false},
        {Storage::Mp4, "mp4", "Picture, MP4 with AAC", "mp4", false, true},
        {Storage::Mov, "mov", "Picture, MOV with PCM", "mov", true, true},
        {Storage::Adm, "adm", "ADM BWF, bed and objects", "wav", true},
        {Storage::Mkv, "mkv", "Picture, MKV with PCM", "mkv", true, true},
    };
    return table;
}

const StorageFacts& storageFacts(Storage storage) {
    return rowOr(storageTable(), [&](const auto& f) { return f.storage == storage; });
}

const std::vector<DeliveryStrength>& deliveryStrengths() {
    static const std::vector<DeliveryStrength> table = {
        {"natural", "natural",
         "As the preset \"Natural playback\": what surrounds the voice is some 9 dB down (common practice: 60 to 70 % "
         "isolation)."},
        {"isolated", "fully isolated", "Full depth: nothing of the rest is left."},
    };
    return table;
}

namespace {

constexpr std::pair<Dither, const char*> kDithers[] = {
    {Dither::Triangular, "triangular"}, {Dither::Shaped, "shaped"}, {Dither::None, "none"}};

const char* wordOf(Dither dither) {
    return std::find_if(std::begin(kDithers), std::end(kDithers), [&](const auto& d) { return d.first == dither; })
        ->second;
}

}  // namespace

nlohmann::json toJson(const Deliverable& d) {
    nlohmann::json j{{"name", d.name}, {"holds", d.holds},     {"format", storageFacts(d.storage).id},
                     {"bits", d.bits}, {"ceiling", d.ceiling}, {"file_name", d.fileName}};
    if (!d.candidate.empty()) j["candidate"] = d.candidate;
    if (d.span) j["span"] = {d.span->first, d.span->second};
    if (d.loudness) j["loudness"] = *d.loudness, j["tolerance"] = d.tolerance;
    if (d.sampleRate) j["sample_rate"] = d.sampleRate;
    if (d.dialogueGated) j["gated_by"] = "dialogue";
    if (d.dither != Dither::Triangular) j["dither"] = wordOf(d.dither);
    if (d.layout != ChannelLayout::Own) j["layout"] = layoutFacts(d.layout).id;
    if (d.monoFiles) j["mono_files"] = true;
    if (d.keepOriginal) j["keep_original"] = true;
    if (!d.language.empty()) j["language"] = d.language;
    if (!d.on) j["on"] = false;
    return j;
}

Deliverable deliverableFromJson(const nlohmann::json& j) {
    Deliverable d;
    d.name = j.at("name");
    d.holds = j.value("holds", d.holds);
    const auto wrong = [&d](const std::string& what) {
        return Error(Error::Kind::InputUnreadable, "The deliverable \"" + d.name + "\" " + what);
    };
    if (std::none_of(deliveryContents().begin(), deliveryContents().end(),
                     [&](const auto& c) { return d.holds == c.id; }))
        throw wrong("holds \"" + d.holds + "\", which is not known here.");
    d.candidate = j.value("candidate", "");
    const bool kept = d.candidate.size() == 1 && d.candidate[0] >= 'A' && d.candidate[0] <= 'D';
    if (!d.candidate.empty() && !kept &&
        std::none_of(deliveryStrengths().begin(), deliveryStrengths().end(),
                     [&](const auto& x) { return d.candidate == x.id; }))
        throw wrong("asks for the strength \"" + d.candidate + "\", which is not known here.");
    if (j.contains("span")) d.span = {j.at("span").at(0), j.at("span").at(1)};
    if (j.contains("loudness")) d.loudness = j.at("loudness").get<double>();
    d.tolerance = j.value("tolerance", d.tolerance);
    d.ceiling = j.value("ceiling", d.ceiling);
    const std::string format = j.value("format", "wav");
    const auto known =
        std::find_if(storageTable().begin(), storageTable().end(), [&](const auto& f) { return format == f.id; });
    if (known == storageTable().end()) throw wrong("asks for the format \"" + format + "\", which is not known here.");
    d.storage = known->storage;
    d.bits = j.value("bits", d.bits);
    d.sampleRate = j.value("sample_rate", 0);
    d.dialogueGated = j.value("gated_by", "") == "dialogue";
    const std::string dither = j.value("dither", "triangular"), layout = j.value("layout", "own");
    const auto kind =
        std::find_if(std::begin(kDithers), std::end(kDithers), [&](const auto& x) { return dither == x.second; });
    if (kind == std::end(kDithers)) throw wrong("asks for the dither \"" + dither + "\", which is not known here.");
    d.dither = kind->first;
    const auto channels =
        std::find_if(channelLayouts().begin(), channelLayouts().end(), [&](const auto& x) { return layout == x.id; });
    if (channels == channelLayouts().end())
        throw wrong("asks for the layout \"" + layout + "\", which is not known here.");
    d.layout = channels->layout;
    d.monoFiles = j.value("mono_files", false);
    d.keepOriginal = j.value("keep_original", false);
    d.language = j.value("language", "");
    if (!d.language.empty() && (d.language.size() != 3 || std::any_of(d.language.begin(), d.language.end(),
                                                                      [](char c) { return c < 'a' || c > 'z'; })))
        throw wrong("has a language that is not three small letters, as \"eng\" (ISO 639-2).");
    d.fileName = j.value("file_name", d.fileName);
    d.on = j.value("on", true);
    if (d.name.empty()) throw wrong("has no name.");
    if (d.bits != 16 && d.bits != 24 && d.bits != 32)
        throw wrong("asks for " + std::to_string(d.bits) + " bits: 16, 24 and 32 (float) are known.");
    if (d.sampleRate != 0 && (d.sampleRate < 8000 || d.sampleRate > 192000))
        throw wrong("asks for a sample rate out of range.");
    if (d.loudness && !(*d.loudness >= -60 && *d.loudness <= 0))
        throw wrong("asks for a loudness out of range: -60 to 0 LUFS.");
    if (!(d.ceiling >= -30 && d.ceiling <= 0) || !(d.tolerance >= 0 && d.tolerance <= 10))
        throw wrong("has a ceiling or tolerance out of range.");
    if (d.span && !(d.span->second > d.span->first)) throw wrong("has a span that ends before it begins.");
    return d;
}

}  // namespace rivlen
