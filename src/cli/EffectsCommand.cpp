#include <CLI/CLI.hpp>
#include <cmath>
#include <cstdio>
#include <optional>

#include "cli/Commands.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "core/base/Text.h"
#include "core/effects/EffectTrial.h"

namespace rivlen {

namespace {

struct EffectsOptions {
    std::string search, controls;
    bool trial = false, json = false;
    int rate = 48000, channels = 2;
};

bool holds(const std::string& text, const std::string& wanted) {
    const auto same = [](char a, char b) { return std::tolower(uint8_t(a)) == std::tolower(uint8_t(b)); };
    return std::search(text.begin(), text.end(), wanted.begin(), wanted.end(), same) != text.end();
}

/// Tries one and adds what it did to its row. Returns the row's last columns.
std::string tried(const EffectFacts& facts, const EffectsOptions& o, const Progress& progress, nlohmann::json& row) {
    const EffectTrial trial = tryEffect(facts, o.rate, o.channels, progress);
    row["usable"] = trial.refused.empty();
    if (!trial.refused.empty()) row["refused"] = trial.refused;
    row["latency_frames"] = trial.latency;
    row["real_time"] = std::round(trial.realTime);
    return trial.refused.empty() ? formatted("  works, latency %d, %.0fx", trial.latency, trial.realTime)
                                 : "  " + trial.refused;
}

void list(const EffectsOptions& o, Progress& progress) {
    nlohmann::json rows = nlohmann::json::array();
    std::vector<EffectFacts> chosen;
    for (const auto& f : installedEffects())
        if (holds(f.name, o.search) || holds(f.kind, o.search) || holds(f.maker, o.search) || f.uri == o.search)
            chosen.push_back(f);
    std::optional<ProgressLine> line;  // a list that is read as it comes needs none
    if (o.trial && o.json) line.emplace("Trying effects");
    for (size_t i = 0; i < chosen.size(); ++i) {
        progress.throwIfCancelled();
        const EffectFacts& f = chosen[i];
        nlohmann::json row = toJson(f);
        std::string end = f.problem.empty() ? "" : "  " + f.problem;
        if (o.trial) {
            if (line) line->show(double(i) / double(chosen.size()), f.name);
            end = tried(f, o, progress, row);
        }
        rows.push_back(row);
        if (!o.json)
            std::printf("%-44s %-14s %d>%d  %s%s\n", f.name.c_str(), f.kind.c_str(), f.inputs, f.outputs, f.uri.c_str(),
                        end.c_str());
    }
    if (o.json) printJson(rows);
    else if (rows.empty())
        std::printf("No effect%s is installed here: Debian's packages that end in -lv2 bring them.\n",
                    o.search.empty() ? "" : (" of that name (" + o.search + ")").c_str());
}

void describe(const EffectsOptions& o) {
    const EffectFacts facts = EffectProcess(o.controls, "").describe();
    if (o.json) return printJson(toJson(facts));
    std::printf("%s, %s, %d>%d, by %s\n", facts.name.c_str(), facts.kind.c_str(), facts.inputs, facts.outputs,
                facts.maker.empty() ? "an unnamed maker" : facts.maker.c_str());
    for (const auto& c : facts.controls)
        std::printf("  %-20s %-28s %s ... %s, usually %s\n", c.symbol.c_str(), c.name.c_str(),
                    c.text(c.minimum).c_str(), c.text(c.maximum).c_str(), c.text(c.usual).c_str());
    for (const auto& p : facts.presets) std::printf("  preset: %s\n", p.name.c_str());
}

}  // namespace

void addEffects(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<EffectsOptions>();
    auto* command = program.add_subcommand(
        "effects",
        "Lists the LV2 effects of this machine that chains can take, and tries them in a process of their own.");
    command->add_option("search", o->search, "Part of a name, a class or a maker; or a whole URI.");
    command->add_flag("--try", o->trial,
                      "Try each: does it crash, hang, give no numbers; how late and how fast is it?");
    command->add_option("--controls", o->controls, "URI of one: its controls with ranges and units, and its presets.");
    command->add_option("--rate", o->rate, "To try at, Hz.")->check(CLI::Range(8000, 192000))->capture_default_str();
    command->add_option("--channels", o->channels, "Of the strip that it is tried for.")
        ->check(CLI::Range(1, 16))
        ->capture_default_str();
    command->add_flag("--json", o->json, "One JSON document.");
    command->callback([o, &progress] {
        if (o->controls.empty()) list(*o, progress);
        else describe(*o);
    });
}

}  // namespace rivlen
