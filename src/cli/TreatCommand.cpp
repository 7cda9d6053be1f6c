#include <CLI/CLI.hpp>
#include <algorithm>
#include <cctype>
#include <cmath>
#include <cstdio>

#include "cli/Commands.h"
#include "cli/ManyFiles.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/media/OutputPlace.h"
#include "core/treatment/Treat.h"

namespace rivlen {

namespace {

struct TreatOptions {
    std::vector<std::string> files;
    std::string file, out, folder, set, bits;
    bool automatic = false, force = false, json = false, tolerateDamage = false;
};

/// "clicks, hum": what was found that a treatment is known for.
std::string kindsOf(const std::vector<Finding>& findings) {
    std::string kinds;
    for (const auto& f : findings)
        if (const std::string id = entryOf(f.kind).id;
            *entryOf(f.kind).treatment && (", " + kinds + ",").find(", " + id + ",") == std::string::npos)
            kinds += (kinds.empty() ? "" : ", ") + id;
    return kinds.empty() ? "nothing" : kinds;
}

/// What is set by hand stands in place of what is proposed; both together are in the table's order.
std::vector<Treatment> chosen(const TreatOptions& o, const std::vector<Finding>& findings,
                              std::optional<Content> content) {
    std::vector<Treatment> byHand = parseTreatments(o.set);
    if (!o.automatic) return byHand;
    std::vector<Treatment> all;
    const auto ours = proposed(findings, content);
    for (const auto& entry : treatmentTable()) {
        for (const auto& list : {byHand, ours}) {
            const auto found =
                std::find_if(list.begin(), list.end(), [&](const Treatment& t) { return t.id == entry.id; });
            if (found == list.end()) continue;
            all.push_back(*found);
            break;
        }
    }
    return all;
}

/// What was found in a file and done to it.
nlohmann::json treatOne(const TreatOptions& o, Progress& progress) {
    const AudioFormat format = formatBySuffix(o.out, o.bits, "treat");
    MediaReader reader(o.file);
    if (!o.tolerateDamage) reader.refuseDamage();
    checkOutputPlace(o.out, o.force, o.file);
    AudioWriter writer(o.out, reader.sampleRate(), reader.channels(), format, o.force);
    ProgressLine line("treating " + std::filesystem::path(o.file).filename().string());
    double from = 0;
    progress.onProgress = [&](double f) { line.show(from + f / 2); };
    const auto diagnosis = diagnose(reader, progress);
    const auto& findings = diagnosis.findings;
    const auto treatments = chosen(o, findings, diagnosis.content);
    from = 0.5;
    const TreatmentFacts facts = factsFor(reader, treatments, findings, progress);
    const auto effects = treat(
        reader, treatments, facts, [&](const AudioBuffer& x) { writer.write(x); }, progress);
    progress.throwIfCancelled();
    writer.commit();
    tellFaults(reader, o.file);
    nlohmann::json done = nlohmann::json::array();
    for (size_t i = 0; i < effects.size(); ++i)
        done.push_back({{"treatment", effects[i].id},
                        {"amount", treatments[i].amount},
                        {"unit", findTreatment(effects[i].id).unit},
                        {"removed_dbfs", effects[i].any() ? nlohmann::json(std::round(effects[i].removedDb * 100) / 100)
                                                          : nlohmann::json(nullptr)}});
    nlohmann::json all{{"file", o.file},
                       {"out", o.out},
                       {"content",
                        diagnosis.content ? nlohmann::json(contentName(*diagnosis.content)) : nlohmann::json(nullptr)},
                       {"findings", nlohmann::json::array()},
                       {"treatments", done}};
    for (const auto& f : findings) all["findings"].push_back(toJson(f));
    if (o.json) return all;
    if (!o.folder.empty()) {  // a line of a table
        std::string work;
        for (size_t i = 0; i < effects.size(); ++i) {
            std::string effect = formatted(effects[i].any() ? "%s (%.1f dBFS)" : "%s (does nothing)",
                                           effects[i].id.c_str(), effects[i].removedDb);
            work += (work.empty() ? "" : ", ") + std::string(effect);
        }
        std::printf("| %s | %s | %s | %s |\n", o.file.c_str(), kindsOf(findings).c_str(),
                    work.empty() ? "nothing" : work.c_str(), o.out.c_str());
        return all;
    }
    for (size_t i = 0; i < effects.size(); ++i) {
        const auto& entry = findTreatment(effects[i].id);
        if (effects[i].any())
            std::printf("%s %g %s: took away %.1f dBFS\n", entry.name, treatments[i].amount, entry.unit,
                        effects[i].removedDb);
        else std::printf("%s %g %s: does nothing here\n", entry.name, treatments[i].amount, entry.unit);
    }
    if (effects.empty())
        std::printf("Nothing was found that a treatment is known for: the sound is written as it is.\n");
    std::printf("%s\n", o.out.c_str());
    return all;
}

void run(const TreatOptions& given, Progress& progress) {
    if (!given.automatic && given.set.empty())
        throw Error(Error::Kind::Usage,
                    "Nothing is to be done: give --auto for what diagnosis proposes, or --set NAME=AMOUNT,....");
    parseTreatments(given.set);
    if (given.out.empty() == given.folder.empty())
        throw Error(Error::Kind::Usage, "Say where to: --out FILE for one file, or --folder FOLDER for several.");
    if (given.files.size() > 1 && given.folder.empty())
        throw Error(Error::Kind::Usage, "Several files can't become one: give --folder in place of --out.");
    TreatOptions o = given;
    if (!o.folder.empty()) makeFolder(o.folder);
    if (!o.folder.empty() && !o.json) std::printf("| file | found | done | written |\n|---|---|---|---|\n");
    nlohmann::json all = nlohmann::json::array();
    const auto print = [&] {
        if (o.json) printJson(o.folder.empty() ? all[0] : all);
    };
    const auto one = [&](const std::string& file) {
        o.file = file;
        if (!o.folder.empty())
            o.out = (std::filesystem::path(o.folder) / (std::filesystem::path(file).stem().string() + ".treated.wav"))
                        .string();
        all.push_back(treatOne(o, progress));
    };
    try {
        forEachFile(given.files, "treated", one);
    } catch (const Error&) {
        if (!all.empty()) print();
        throw;
    }
    print();
}

}  // namespace

void addTreat(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<TreatOptions>();
    auto* command = program.add_subcommand("treat", "Treats a recording: what diagnosis proposes, or what is named.");
    std::string known;
    for (const auto& t : treatmentTable())
        known += (known.empty() ? "" : ", ") + std::string(t.id) + " (" + t.unit + ")";
    command->add_option("FILE", o->files, "Audio or video files.")->required();
    command->add_option("--out", o->out, "The file to write, .wav or .flac; for one file.");
    command->add_option("--folder", o->folder,
                        "The folder to write BASENAME.treated.wav to; for any number of files. Prints a table.");
    command->add_flag("--auto", o->automatic, "Whatever diagnosis proposes, in the sensible order.");
    command->add_option("--set", o->set, "NAME=AMOUNT,... in the order of work: " + known + ".");
    command->add_option("--bits", o->bits, "16, 24 or 32f (default for .wav; .flac: 24).");
    command->add_flag("--force", o->force, "Overwrite a file that is there.");
    addTolerateDamage(*command, o->tolerateDamage);
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });
}

}  // namespace rivlen
