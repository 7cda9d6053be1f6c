#include <CLI/CLI.hpp>
#include <cmath>
#include <cstdio>

#include "cli/Commands.h"
#include "cli/ProgressLine.h"
#include "core/audio/Error.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/treatment/Treater.h"

namespace rivlen {

namespace {

struct Options {
    std::string file, out, set, bits;
    bool automatic = false, force = false, json = false;
};

/// What is set by hand stands in place of what is proposed; both together are in the table's order.
std::vector<Treatment> chosen(const Options& o, const std::vector<Finding>& findings) {
    std::vector<Treatment> byHand = parseTreatments(o.set);
    if (!o.automatic) return byHand;
    std::vector<Treatment> all;
    const auto ours = proposed(findings);
    for (const auto& entry : treatmentTable()) {
        for (const auto& list : {byHand, ours}) {
            const auto found = std::find_if(list.begin(), list.end(), [&](const Treatment& t) { return t.id == entry.id; });
            if (found == list.end()) continue;
            all.push_back(*found);
            break;
        }
    }
    return all;
}

void run(const Options& o, Progress& progress) {
    if (!o.automatic && o.set.empty()) throw Error(Error::Kind::Usage, "Nothing is to be done: give --auto for what diagnosis proposes, or --set NAME=AMOUNT,....");
    parseTreatments(o.set);
    const bool flac = std::filesystem::path(o.out).extension() == ".flac";
    const AudioFormat format = AudioFormat::parse(flac ? "flac" : "wav", o.bits.empty() ? (flac ? "24" : "32f") : o.bits);
    MediaReader reader(o.file);
    std::error_code ignored;
    if (std::filesystem::equivalent(o.file, o.out, ignored)) throw Error(Error::Kind::Usage, "\"" + o.out + "\" is the source itself, which is never written to: give another name.");
    AudioWriter writer(o.out, reader.sampleRate(), reader.channels(), format, o.force);
    ProgressLine line("treating " + std::filesystem::path(o.file).filename().string());
    double from = 0;
    progress.onProgress = [&](double f) { line.show(from + f / 2); };
    const auto findings = diagnose(reader, progress).findings;
    const auto treatments = chosen(o, findings);
    from = 0.5;
    const RepairFacts facts = factsFor(reader, treatments, findings, progress);
    const auto effects = treat(reader, treatments, facts, [&](const AudioBuffer& x) { writer.write(x); }, progress);
    progress.throwIfCancelled();
    writer.commit();
    nlohmann::json done = nlohmann::json::array();
    for (size_t i = 0; i < effects.size(); ++i)
        done.push_back({{"treatment", effects[i].id}, {"amount", treatments[i].amount}, {"unit", findTreatment(effects[i].id).unit},
                        {"removed_dbfs", effects[i].any() ? nlohmann::json(std::round(effects[i].removedDb * 100) / 100) : nlohmann::json(nullptr)}});
    if (o.json) {
        nlohmann::json all{{"file", o.file}, {"out", o.out}, {"findings", nlohmann::json::array()}, {"treatments", done}};
        for (const auto& f : findings) all["findings"].push_back(toJson(f));
        std::printf("%s\n", all.dump(1).c_str());
        return;
    }
    for (size_t i = 0; i < effects.size(); ++i) {
        const auto& entry = findTreatment(effects[i].id);
        if (effects[i].any()) std::printf("%s %g %s: took away %.1f dBFS\n", entry.name, treatments[i].amount, entry.unit, effects[i].removedDb);
        else std::printf("%s %g %s: does nothing here\n", entry.name, treatments[i].amount, entry.unit);
    }
    if (effects.empty()) std::printf("Nothing was found that a treatment is known for: the sound is written as it is.\n");
    std::printf("%s\n", o.out.c_str());
}

}  // namespace

void addTreat(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<Options>();
    auto* command = program.add_subcommand("treat", "Repairs a recording: what diagnosis proposes, or what is named.");
    std::string known;
    for (const auto& t : treatmentTable()) known += (known.empty() ? "" : ", ") + std::string(t.id) + " (" + t.unit + ")";
    command->add_option("FILE", o->file, "An audio or video file.")->required();
    command->add_option("--out", o->out, "The file to write, .wav or .flac.")->required();
    command->add_flag("--auto", o->automatic, "Whatever diagnosis proposes, in the sensible order.");
    command->add_option("--set", o->set, "NAME=AMOUNT,... in the order of work: " + known + ".");
    command->add_option("--bits", o->bits, "16, 24 or 32f (default for .wav; .flac: 24).");
    command->add_flag("--force", o->force, "Overwrite a file that is there.");
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });
}

}  // namespace rivlen
