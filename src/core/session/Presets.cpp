#include "core/session/Presets.h"

#include <algorithm>
#include <fstream>
#include <nlohmann/json.hpp>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/Resources.h"
#include "core/media/WholeFile.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

struct Ranked {
    Preset preset;
    int rank = 0;
};

std::vector<Preset> read(const fs::path& folder, bool shipped) {
    std::vector<Ranked> found;
    std::error_code problem;
    for (const auto& entry : fs::directory_iterator(folder, problem)) {
        if (entry.path().extension() != ".json") continue;
        try {
            std::ifstream in(entry.path());
            const json j = parsedJson(in);
            if (j.value("format", "") != "rivlen-preset" || j.at("version").get<int>() > 1) continue;
            found.push_back(
                {{j.at("name"), j.value("purpose", ""), isolationFromJson(j.at("isolation")), entry.path(), shipped},
                 j.value("rank", 0)});
        } catch (const std::exception&) {  // a broken preset must not hide the good ones
        }
    }
    std::sort(found.begin(), found.end(), [](const Ranked& a, const Ranked& b) {
        return a.rank != b.rank ? a.rank < b.rank : a.preset.name < b.preset.name;
    });
    std::vector<Preset> presets;
    for (auto& f : found) presets.push_back(std::move(f.preset));
    return presets;
}

/// A file name that any disk takes: letters, digits and dashes.
std::string fileName(const std::string& name) {
    std::string out;
    for (const char c : name) out += std::isalnum(static_cast<unsigned char>(c)) || (c & 0x80) ? c : '-';
    return out + ".json";
}

}  // namespace

fs::path ownPresetsFolder() { return dataFolder() / "presets"; }

std::vector<Preset> listPresets() {
    auto all = read(resourceFolder("presets"), true);
    for (auto& own : read(ownPresetsFolder(), false)) all.push_back(std::move(own));
    return all;
}

Preset savePreset(const std::string& name, const IsolationSettings& settings) {
    if (name.empty()) throw Error(Error::Kind::Usage, "A preset needs a name: type one.");
    const auto all = listPresets();
    if (std::any_of(all.begin(), all.end(), [&](const Preset& p) { return p.shipped && p.name == name; }))
        throw Error(Error::Kind::Usage, "\"" + name + "\" came with Rivlen and stays as it is: choose another name.");
    const Preset preset{name, "", settings, ownPresetsFolder() / fileName(name), false};
    const json j{
        {"format", "rivlen-preset"}, {"version", 1}, {"name", name}, {"purpose", ""}, {"isolation", toJson(settings)}};
    if (!writeWholeFile(preset.file, j.dump(1) + "\n"))
        throw Error(Error::Kind::OutputUnwritable, "The preset cannot be written to \"" + preset.file.string() +
                                                       "\": check that the folder may be written to and has space.");
    return preset;
}

void removePreset(const Preset& preset) {
    if (preset.shipped)
        throw Error(Error::Kind::Usage, "\"" + preset.name + "\" came with Rivlen and cannot be removed.");
    std::error_code ignored;
    fs::remove(preset.file, ignored);
}

}  // namespace rivlen
