#include <CLI/CLI.hpp>
#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <map>
#include <set>

#include "cli/Commands.h"
#include "cli/ManyFiles.h"
#include "cli/Mistakes.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "cli/StrengthOptions.h"
#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/delivery/StemFiles.h"
#include "core/media/MediaReader.h"
#include "core/media/OutputPlace.h"
#include "core/separation/Engine.h"
#include "core/separation/Parts.h"
#include "core/separation/Scene.h"
#include "core/separation/SpanFiles.h"

namespace rivlen {

namespace {

struct SplitOptions {
    std::vector<std::string> files, parts;
    std::string out, network, scene, quality = "fine", format = "wav", bits = "32f";
    SpanOptions span;
    std::string spanOfWhole, spansIn;  ///< a batch's own: see BatchSpans.h
    StrengthOptions strength;
    bool force = false, json = false, apart = false, result = false, tolerateDamage = false;
};

nlohmann::json levelNumber(double value) {
    if (!std::isfinite(value) || value <= kSilenceDb) return nullptr;
    return std::round(value * 100) / 100;
}

/// Networks are loaded once for all files.
struct LoadedNetworks {
    std::shared_ptr<Network> whole;
    std::map<std::string, std::shared_ptr<Network>> parts;  ///< by stem
};

nlohmann::json toJson(const StemReport::Stem& stem) {
    return {{"name", stem.name},
            {"path", stem.file.string()},
            {"peak_dbfs", levelNumber(stem.peakDbfs)},
            {"rms_dbfs", levelNumber(stem.rmsDbfs)},
            {"lufs", stem.lufs ? levelNumber(*stem.lufs) : nullptr}};
}

/// Takes the file that a stem was written to further apart.
nlohmann::json takeApart(const std::string& stem, const std::filesystem::path& written, StemFiles& files,
                         const SplitOptions& o, std::shared_ptr<Network>& network, Progress& progress) {
    if (!network) network = loadNetwork(partsNetwork(stem));
    MediaReader reader(written);
    EngineOptions options;
    options.quality = o.quality == "quick" ? EngineOptions::Quality::Quick : EngineOptions::Quality::Fine;
    options.stems = partsOf(stem);
    {
        ProgressLine line("taking apart " + written.filename().string());
        progress.onProgress = [&line](double f) { line.show(f); };
        separate(
            reader, network, options,
            [&](int64_t, const AudioBuffer& x, const std::vector<AudioBuffer>& parts) { files.add(x, parts); },
            progress);
    }
    progress.throwIfCancelled();
    nlohmann::json json = nlohmann::json::array();
    for (const auto& part : files.finish().stems) json.push_back(toJson(part));
    return json;
}

/// Separates one span as it is in the whole and keeps its stems as they are, for joinSpans().
nlohmann::json splitSpan(const std::string& file, const SplitOptions& o, MediaReader& reader, EngineOptions options,
                         const std::vector<std::string>& stems, const std::shared_ptr<Network>& network,
                         Progress& progress) {
    long long from = 0, to = 0;
    if (std::sscanf(o.spanOfWhole.c_str(), "%lld-%lld", &from, &to) != 2 || from < 0 || to <= from ||
        to > reader.frames())
        throw Error(Error::Kind::Usage, "--span-of-whole is no span of \"" + file + "\".");
    options.asInWhole = true;
    options.from = from, options.to = to;
    SpanFiles files(o.spansIn, from, to, stems, reader.sampleRate(), reader.channels(), o.force);
    ProgressLine line("splitting " + o.spanOfWhole + " of " + std::filesystem::path(file).filename().string());
    progress.onProgress = [&line](double f) { line.show(f); };
    separate(
        reader, network, options,
        [&](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>& given) { files.add(given); }, progress);
    progress.throwIfCancelled();
    nlohmann::json json{{"file", file}, {"stems", nlohmann::json::array()}};
    for (const auto& written : files.finish()) json["stems"].push_back({{"path", written.string()}});
    return json;
}

nlohmann::json splitOne(const std::string& file, const SplitOptions& o, const IsolationSettings& settings,
                        const NetworkCard& card, LoadedNetworks& networks, Progress& progress) {
    const auto start = std::chrono::steady_clock::now();
    MediaReader reader(file);
    if (!o.tolerateDamage) reader.refuseDamage();
    EngineOptions options;
    options.quality = o.quality == "quick" ? EngineOptions::Quality::Quick : EngineOptions::Quality::Fine;
    options.apart = o.apart;
    std::tie(options.from, options.to) = o.span.frames(reader, file);
    const std::vector<std::string> names = stemsGiven(card, options);
    const bool room = settings.roomKeep != 100;
    if (room) options.stems = withRoom(card, names);
    const StemFiles::Target target{
        o.out,   std::filesystem::path(file).stem().string(), AudioFormat::parse(o.format, o.bits),
        o.force, o.result || settings.balance != 0,           file};
    auto& network = networks.whole;
    const auto& given = room ? options.stems : names;
    if (!o.spanOfWhole.empty()) {
        // Now, and not only when all spans are done.
        for (const auto& name : names) checkOutputPlace(stemPath(target, name), target.overwrite, file);
        if (!network) network = loadNetwork(card);
        return splitSpan(file, o, reader, options, given, network, progress);
    }
    StemFiles files(target, names, reader.sampleRate(), reader.channels(), settings, o.json);
    std::map<std::string, std::unique_ptr<StemFiles>> parts;  // before the work: one that is there refuses it
    for (const auto& stem : o.parts) {
        if (std::find(names.begin(), names.end(), stem) == names.end())
            throw Error(Error::Kind::Usage, "--parts " + stem + ": the network \"" + card.id + "\" gives no " + stem +
                                                ": choose another network.");
        StemFiles::Target apart = target;
        apart.basename += "." + stem;
        apart.result = false;
        parts[stem] = std::make_unique<StemFiles>(apart, partsOf(stem), reader.sampleRate(), reader.channels(),
                                                  StrengthTimeline{}, o.json);
    }
    if (!network && o.spansIn.empty()) network = loadNetwork(card);
    {
        ProgressLine line((o.spansIn.empty() ? "splitting " : "putting together ") +
                          std::filesystem::path(file).filename().string());
        progress.onProgress = [&line](double f) { line.show(f); };
        const StemSink sink = [&](int64_t, const AudioBuffer& source, const std::vector<AudioBuffer>& stems) {
            if (room) files.add(gathered(source, stems, true));
            else files.add(source, stems);
        };
        if (o.spansIn.empty()) separate(reader, network, options, sink, progress);
        else joinSpans(reader, o.spansIn, given, sink, progress);
    }
    progress.throwIfCancelled();
    const StemReport report = files.finish();
    tellFaults(reader, file);
    nlohmann::json json{{"file", file}, {"network", card.id}, {"residual_dbfs", levelNumber(report.residualDbfs)}};
    for (const auto& stem : report.stems) {
        json["stems"].push_back(toJson(stem));
        const auto found = parts.find(stem.name);
        if (found == parts.end()) continue;
        const auto begun = std::chrono::steady_clock::now();
        json["parts"][stem.name] =
            takeApart(stem.name, stem.file, *found->second, o, networks.parts[stem.name], progress);
        json["parts_seconds_wall"][stem.name] =
            std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
    }
    json["seconds_audio"] = double(options.to - options.from) / reader.sampleRate();
    json["seconds_wall"] = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    json["settings"] = toJson(settings);
    json["settings"]["quality"] = o.quality;
    return json;
}

void run(const SplitOptions& o, Progress& progress) {
    const IsolationSettings settings = o.strength.settings();
    o.span.check();
    if (o.out.empty()) throw Error(Error::Kind::Usage, "--out is empty: name a folder for the stems.");
    if (o.apart && settings.roomKeep != 100)
        throw Error(Error::Kind::Usage,
                    "--room-keep says how much of the room the dialogue keeps, and --apart writes the room by itself: "
                    "choose one of them.");
    AudioFormat::parse(o.format, o.bits);
    const NetworkCard card = networkFor(o.network, o.quality, o.scene);
    std::set<std::string> names;
    for (const auto& file : o.files)
        if (!names.insert(std::filesystem::path(file).stem().string()).second)
            throw Error(Error::Kind::Usage,
                        "Two of the files are called \"" + std::filesystem::path(file).stem().string() +
                            "\" and would write the same stems: split them into different folders.");
    LoadedNetworks networks;
    nlohmann::json all = nlohmann::json::array();
    const auto print = [&] {
        if (o.json) printJson({{"files", all}});
    };
    try {
        forEachFile(o.files, "split", [&](const std::string& file) {
            const auto json = splitOne(file, o, settings, card, networks, progress);
            all.push_back(json);
            const auto show = [](const nlohmann::json& stems) {
                for (const auto& stem : stems) std::printf("%s\n", stem["path"].get<std::string>().c_str());
            };
            if (o.json) return;
            show(json["stems"]);
            for (const auto& parts : json.value("parts", nlohmann::json::object())) show(parts);
        });
    } catch (const Error&) {
        if (!all.empty()) print();
        throw;
    }
    print();
}

}  // namespace

void addSplit(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<SplitOptions>();
    auto* command = program.add_subcommand("split", "Separates recordings into stems that sum back to them.");
    command->add_option("FILE", o->files, "Audio or video files.")->required();
    command->add_option("--out", o->out, "Folder for the stems; made when missing.")->required();
    command->add_option("--network", o->network, "Network id, see `rivlen-cli networks`.");
    addScene(*command, o->scene);
    command->add_option("--quality", o->quality, "quick or fine (default).")->check(oneOf({"quick", "fine"}));
    o->span.addTo(*command);
    command->add_option("--span-of-whole", o->spanOfWhole)->group("");
    command->add_option("--spans-in", o->spansIn)->group("");
    o->strength.addTo(*command);
    command
        ->add_option("--parts", o->parts,
                     "Take a stem further apart as well: music into vocals, drums, bass, guitar and other, ambience "
                     "into events and bed; they sum to it.")
        ->delimiter(',')
        ->check(oneOf({"music", "ambience"}));
    command->add_option("--format", o->format, "wav (default) or flac.");
    command->add_option("--bits", o->bits, "16, 24 or 32f (default).");
    command->add_flag("--apart", o->apart, "Write every stem of the network by itself: the dialogue's room too.");
    command->add_flag("--result", o->result,
                      "Write the wanted stem with its Balance as well, as BASENAME.result; --balance implies it.");
    command->add_flag("--force", o->force, "Overwrite files that are there.");
    addTolerateDamage(*command, o->tolerateDamage);
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });
}

}  // namespace rivlen
