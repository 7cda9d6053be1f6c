#include <CLI/CLI.hpp>
#include <cmath>
#include <cstdio>
#include <nlohmann/json.hpp>

#include "cli/Commands.h"
#include "cli/Output.h"
#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/measures/SeparationMeasures.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace {

struct ScoreOptions {
    std::vector<std::string> references, estimates;
    std::string mixture;
    bool json = false;
};

nlohmann::json figure(double value) {
    if (!std::isfinite(value)) return nullptr;
    return std::round(value * 1000) / 1000;
}

/// A silent reference or estimate has no ratio.
std::string decibels(double value) { return std::isfinite(value) ? formatted("%.2f dB", value) : "-"; }

struct Loaded {
    std::vector<AudioBuffer> sounds;
    int rate = 0;
};

/// All files whole; they must have one rate, length and channel count.
Loaded load(const std::vector<std::string>& files) {
    Loaded all;
    for (const auto& file : files) {
        MediaReader reader(file);
        AudioBuffer sound = reader.read(0, reader.frames());
        if (!all.sounds.empty() && (sound.frames() != all.sounds[0].frames() ||
                                    sound.channels() != all.sounds[0].channels() || reader.sampleRate() != all.rate))
            throw Error(Error::Kind::Usage, "\"" + file + "\" has another rate, length or channel count than \"" +
                                                files[0] + "\": only equal files can be compared.");
        all.rate = reader.sampleRate();
        all.sounds.push_back(std::move(sound));
    }
    return all;
}

void run(const ScoreOptions& o) {
    if (o.references.size() != o.estimates.size())
        throw Error(Error::Kind::Usage, "There are " + std::to_string(o.references.size()) + " references and " +
                                            std::to_string(o.estimates.size()) +
                                            " estimates: give one estimate for each reference, in the same order.");
    std::vector<std::string> files = o.references;
    files.insert(files.end(), o.estimates.begin(), o.estimates.end());
    if (!o.mixture.empty()) files.push_back(o.mixture);
    const Loaded all = load(files);
    const size_t n = o.references.size();
    const std::vector<AudioBuffer> references(all.sounds.begin(), all.sounds.begin() + long(n)),
        estimates(all.sounds.begin() + long(n), all.sounds.begin() + long(2 * n));
    const auto bss = bssEval(estimates, references);
    nlohmann::json rows = nlohmann::json::array();
    for (size_t s = 0; s < n; ++s) {
        nlohmann::json row{{"reference", o.references[s]},
                           {"estimate", o.estimates[s]},
                           {"si_sdr_db", figure(siSdr(estimates[s], references[s]))},
                           {"sdr_db", figure(bss[s].sdr)},
                           {"sir_db", figure(bss[s].sir)},
                           {"sar_db", figure(bss[s].sar)}};
        const auto clear = estoi(estimates[s], references[s], all.rate);
        row["estoi"] = clear ? figure(*clear) : nullptr;
        if (!o.mixture.empty()) {
            row["mixture_si_sdr_db"] = figure(siSdr(all.sounds.back(), references[s]));
            const auto before = estoi(all.sounds.back(), references[s], all.rate);
            row["mixture_estoi"] = before ? figure(*before) : nullptr;
        }
        rows.push_back(row);
        if (o.json) continue;
        std::printf("%s\n    SI-SDR %s, SDR %s, SIR %s, SAR %s, ESTOI %s\n", o.estimates[s].c_str(),
                    decibels(siSdr(estimates[s], references[s])).c_str(), decibels(bss[s].sdr).c_str(),
                    decibels(bss[s].sir).c_str(), decibels(bss[s].sar).c_str(),
                    clear && std::isfinite(*clear) ? formatted("%.3f", *clear).c_str() : "-");
    }
    if (o.json) printJson(nlohmann::json{{"scores", rows}});
}

}  // namespace

void addScore(CLI::App& program) {
    auto o = std::make_shared<ScoreOptions>();
    auto* command = program.add_subcommand(
        "score", "Measures separated stems against the true ones: SI-SDR, SDR/SIR/SAR of BSS Eval, ESTOI.");
    command->add_option("--reference", o->references, "The true stems.")->required();
    command->add_option("--estimate", o->estimates, "The separated stems, in the same order.")->required();
    command->add_option("--mixture", o->mixture, "The mixture: its own figures are added.");
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o] { run(*o); });
}

}  // namespace rivlen
