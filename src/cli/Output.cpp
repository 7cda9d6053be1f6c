#include "cli/Output.h"

#include <CLI/CLI.hpp>
#include <algorithm>
#include <cctype>
#include <cstdio>
#include <filesystem>

#include "core/base/Error.h"
#include "core/media/Timecode.h"

namespace rivlen {

void printJson(const nlohmann::json& json) {
    std::printf("%s\n", json.dump(1, ' ', false, nlohmann::json::error_handler_t::replace).c_str());
}

void tellFaults(const SampleSource& source, const std::string& file) {
    int64_t lost = 0, numbers = 0;
    size_t places = 0;
    double at = -1;
    for (const auto& f : source.faults()) {
        if (f.kind == SourceFault::Kind::NotNumbers) {
            numbers += f.count;
        } else {
            lost += f.count;
            ++places;
        }
        if (at < 0) at = double(f.first) / source.sampleRate();
    }
    if (lost > 0)
        std::fprintf(stderr,
                     "rivlen-cli: \"%s\" lacks %.0f ms at %zu place%s, the first at %s: silence stands there.\n",
                     file.c_str(), 1000.0 * double(lost) / source.sampleRate(), places, places == 1 ? "" : "s",
                     formatTime(at).c_str());
    if (numbers > 0)
        std::fprintf(
            stderr,
            "rivlen-cli: \"%s\" has %lld samples that are no numbers: a line was drawn over them; see inspect.\n",
            file.c_str(), static_cast<long long>(numbers));
}

void addTolerateDamage(CLI::App& command, bool& flag) {
    command.add_flag("--tolerate-damage", flag,
                     "Go on where a file cannot be decoded, with silence of the right length there.");
}

void addScene(CLI::App& command, std::string& file) {
    command.add_option("--scene", file, "What the network learned from a scene, see `rivlen-cli learn`.");
}

AudioFormat formatBySuffix(const std::string& out, const std::string& bits, const std::string& command) {
    std::string suffix = std::filesystem::path(out).extension().string();
    std::transform(suffix.begin(), suffix.end(), suffix.begin(), [](unsigned char c) { return char(std::tolower(c)); });
    if (suffix != ".flac" && suffix != ".wav")
        throw Error(Error::Kind::Usage,
                    "\"" + out + "\" has " + (suffix.empty() ? "no suffix" : "the suffix \"" + suffix + "\"") +
                        ", which says no format that " + command + " writes: end the name in .wav or .flac.");
    const bool flac = suffix == ".flac";
    return AudioFormat::parse(flac ? "flac" : "wav", bits.empty() ? (flac ? "24" : "32f") : bits);
}

}  // namespace rivlen
