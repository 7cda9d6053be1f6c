#include <CLI/CLI.hpp>
#include <algorithm>
#include <cstdio>
#include <thread>

#include "cli/Commands.h"
#include "cli/Mistakes.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "core/base/Resources.h"
#include "core/batch/BatchSpans.h"
#include "core/batch/SlurmBatch.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr const char* kProgram = "rivlen-cli";

struct BatchOptions {
    std::string out;
    int jobs = 0;
    bool slurm = false, json = false;
    std::string spans;
    SlurmRequest cluster;
};

fs::path program() { return programFolder() / kProgram; }

/// The line's words are the batch's inputs and the command's options in any order; the command knows which of its
/// options take a value.
BatchRequest requestFrom(const CLI::App& all, const std::vector<std::string>& words, const std::string& out) {
    BatchRequest request;
    request.out = out;
    if (words.empty() || !isBatchCommand(words[0]))
        throw Error(Error::Kind::Usage,
                    (words.empty() ? "No command is given" : "\"" + words[0] + "\" is no command for a batch") +
                        std::string(": split, treat, clean, weigh and dispatch are known; see rivlen-cli batch "
                                    "--help."));
    request.command = words[0];
    const CLI::App* command = all.get_subcommand(request.command);
    bool onlyFiles = false;
    for (size_t i = 1; i < words.size(); ++i) {
        const std::string& word = words[i];
        if (word == "--" && !onlyFiles) {
            onlyFiles = true;
            continue;
        }
        if (onlyFiles || word.size() < 2 || word[0] != '-') {
            request.inputs.emplace_back(word);
            continue;
        }
        const std::string name = word.substr(0, word.find('='));
        const CLI::Option* option = command->get_option_no_throw(name);
        if (!option)
            throw Error(Error::Kind::Usage, "\"" + name + "\" is not known here: see rivlen-cli batch --help and " +
                                                "rivlen-cli " + request.command + " --help.");
        if (name == "--folder" || name == "--reel")
            throw Error(Error::Kind::Usage,
                        name + " is said by the batch itself: give --out alone; see rivlen-cli batch --help.");
        request.options.push_back(word);
        if (option->get_items_expected_max() == 0 || word.find('=') != std::string::npos) continue;
        if (i + 1 == words.size())
            throw Error(Error::Kind::Usage, name + " has no value: see rivlen-cli " + request.command + " --help.");
        request.options.push_back(words[++i]);
    }
    if (request.inputs.empty()) throw Error(Error::Kind::Usage, "FILE is missing: see rivlen-cli batch --help.");
    return request;
}

void tell(const BatchUnit& unit, BatchEnd end, const fs::path& out) {
    std::string name = unit.input.string();
    for (const auto& more : {unit.reel, unit.span})
        if (!more.empty()) name += ", " + more;
    switch (end) {
        case BatchEnd::Done: std::fprintf(stderr, "done: %s\n", name.c_str()); break;
        case BatchEnd::Skipped: std::fprintf(stderr, "done before: %s\n", name.c_str()); break;
        case BatchEnd::Failed:
            std::fprintf(stderr, "failed: %s: %s\n", name.c_str(), readBatchRecord(out, unit).reason.c_str());
    }
}

void run(const CLI::App& all, const std::vector<std::string>& words, const BatchOptions& o, Progress& progress) {
    if (o.out.empty()) throw Error(Error::Kind::Usage, "--out is empty: name a folder for the files.");
    BatchRequest request = requestFrom(all, words, o.out);
    if (!o.spans.empty()) request.spanSeconds = parseTime(o.spans);
    const auto units = planBatch(request);
    const int processors = int(std::max(1u, std::thread::hardware_concurrency()));
    const int jobs = o.jobs > 0 ? o.jobs : std::max(1, processors / 2);
    BatchOutcome outcome;
    {
        ProgressLine line("batch of " + std::to_string(units.size()));
        progress.onProgress = [&line](double f) { line.show(f); };
        const auto told = [&](const BatchUnit& unit, BatchEnd end) { tell(unit, end, o.out); };
        const BatchDoer doAll = [&](const std::vector<BatchUnit>& some, const Progress& part) {
            return o.slurm ? doBatchOnSlurm(program(), o.out, some, o.cluster, part, told)
                           : doBatch(program(), o.out, some, jobs, part, told);
        };
        outcome = doBatchInSpans(o.out, units, doAll, progress);
        progress.onProgress = nullptr;
    }
    writeBatchReport(o.out, outcome);
    if (o.json) printJson(outcome.report);
    const size_t failed = outcome.report["failed"].size();
    if (!o.json)
        std::printf("%zu done, %zu done before, %zu failed: \"%s\" tells of each.\n", outcome.report["done"].size(),
                    outcome.report["skipped"].size(), failed, (fs::path(o.out) / "batch.json").c_str());
    if (failed == 0) return;
    const Error::Kind kind = outcome.exitCode == 2   ? Error::Kind::Usage
                             : outcome.exitCode == 3 ? Error::Kind::InputUnreadable
                             : outcome.exitCode == 4 ? Error::Kind::OutputUnwritable
                                                     : Error::Kind::Other;
    throw Error(kind, std::to_string(failed) + " of " + std::to_string(units.size()) +
                          " failed, as said above; the others are done. Given again, the batch does only these.");
}

}  // namespace

void addBatch(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<BatchOptions>();
    auto* command = program.add_subcommand(
        "batch",
        "Runs a command (split, treat, clean, weigh or dispatch) over recordings, folders and sessions: COMMAND "
        "FILE|FOLDER|SESSION... and the command's own options. Each gets its own outcome; given again, only what is "
        "missing is done.");
    command
        ->add_option("--out", o->out, "Folder for the files; made when missing. What lies in a folder keeps its place.")
        ->required();
    command->add_option("--jobs", o->jobs, "So many at once on this machine; by itself half of the processors.")
        ->check(between(1, 1024));
    auto* slurm = command->add_flag("--slurm", o->slurm, "On the Slurm cluster that this machine belongs to.");
    slurm->excludes(command->get_option("--jobs"));
    command->add_option("--partition", o->cluster.partition, "Of the cluster.")->needs(slurm);
    command->add_option("--time", o->cluster.time, "At most so long for each, in Slurm's words, such as 2:00:00.")
        ->needs(slurm);
    command->add_option("--memory", o->cluster.memory, "For each, such as 4G.")->needs(slurm);
    command->add_option("--spans", o->spans,
                        "Of split: recordings that are much longer than this are cut into spans of it (seconds or "
                        "h:mm:ss, a minute or more), done apart, also on several nodes, and put together without a "
                        "seam.");
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->allow_extras();
    command->callback([o, command, &program, &progress] { run(program, command->remaining(), *o, progress); });

    // What an array of the cluster runs on its nodes.
    auto array = std::make_shared<std::pair<std::string, int>>();
    auto* unit = program.add_subcommand("batch-unit", "One piece of a batch, on a node of a cluster.");
    unit->group("");
    unit->add_option("ARRAY", array->first)->required();
    unit->add_option("NUMBER", array->second)->required();
    unit->callback([array, &progress] {
        if (doBatchUnitOfArray(rivlen::program(), array->first, array->second, progress) == BatchEnd::Failed)
            throw Error(Error::Kind::Other, "It failed; the batch tells why.");
    });
}

}  // namespace rivlen
