#include <CLI/CLI.hpp>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <set>

#include "cli/Commands.h"
#include "cli/ManyFiles.h"
#include "cli/Mistakes.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "core/delivery/ReelDelivery.h"
#include "core/media/MediaReader.h"
#include "core/media/OutputPlace.h"
#include "core/media/RecordingFiles.h"
#include "core/session/CleanVoice.h"
#include "core/session/NamedFolders.h"
#include "core/session/SessionDelivery.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

struct CleanOptions {
    std::vector<std::string> files;
    std::string out, purpose, set, network, quality = "fine";
    bool force = false, json = false, tolerateDamage = false;
};

/// By its name, or from a file.
std::optional<DeliverySet> chosenSet(const std::string& name) {
    if (name.empty()) return std::nullopt;
    if (fs::path(name).extension() == ".json") return readDeliverySet(name);
    std::string known;
    for (const auto& sets : {shippedDeliveries(), ownDeliverySets()})
        for (const auto& set : sets) {
            if (set.name == name) return set;
            known += (known.empty() ? "\"" : ", \"") + set.name + "\"";
        }
    throw Error(Error::Kind::Usage, "There is no set of deliverables \"" + name + "\": choose one of " + known +
                                        ", or a file ending in .json.");
}

/// What was named, folders as the recordings in them.
std::vector<std::string> allFiles(const std::vector<std::string>& named) {
    std::vector<std::string> files;
    std::set<std::string> names;
    for (const auto& name : named) {
        if (std::error_code none; fs::is_directory(name, none)) {
            const auto inside = recordingsIn(name);
            if (inside.empty())
                throw Error(Error::Kind::Usage, "There are no recordings in \"" + name +
                                                    "\": choose a folder that holds audio or video files.");
            for (const auto& file : inside) files.push_back(file.string());
        } else {
            files.push_back(name);
        }
    }
    for (const auto& file : files)
        if (!names.insert(fs::path(file).stem().string()).second)
            throw Error(Error::Kind::Usage,
                        "Two of the files are called \"" + fs::path(file).stem().string() +
                            "\" and would write the same names: clean them into different folders.");
    return files;
}

/// Reels that are delivered alike stand in one session: what a session delivers is made of each of its reels.
using Sessions = std::vector<Session>;

Session& sessionFor(Sessions& sessions, const std::vector<Deliverable>& wanted) {
    for (Session& s : sessions)
        if (s.deliverables == wanted) return s;
    Session& s = sessions.emplace_back();
    s.name = "clean";
    s.deliverables = wanted;
    return s;
}

nlohmann::json cleanOne(const std::string& file, const CleanOptions& o, const std::optional<DeliverySet>& set,
                        Sessions& sessions, bool& held, Progress& progress) {
    const auto start = std::chrono::steady_clock::now();
    const MediaInfo info = MediaReader(file).info();
    const auto wanted = voiceDeliverables(info, set);
    Session session;
    session.name = "clean";
    Reel reel = makeReel(session, fs::absolute(file));
    reel.network = o.network;
    reel.quality = o.quality;
    reel.tolerateDamage = o.tolerateDamage;
    checkNames(session, {&reel}, wanted, o.out, o.force);
    ProgressLine line("cleaning " + fs::path(file).filename().string());
    progress.onProgress = [&line](double f) { line.show(f); };
    CleanVoice clean = cleanVoice(std::move(reel), o.purpose, Progress(progress, 0, 0.85));
    const auto reports = deliverReel(
        wanted, [&](const Deliverable& d) { return deliverySource(session, clean.reel, d, clean.material); }, o.out,
        o.force, {}, Progress(progress, 0.85, 1));
    progress.onProgress = nullptr;
    nlohmann::json json{{"file", file},
                        {"content", clean.diagnosis.content ? nlohmann::json(contentName(*clean.diagnosis.content))
                                                            : nlohmann::json(nullptr)},
                        {"treatments", toJson(clean.reel.treatments)},
                        {"settings", toJson(clean.reel.timeline().base)},
                        {"spill_db", std::round(clean.spillDb * 100) / 100},
                        {"damage", std::round(clean.damage.total * 10) / 10},
                        {"reason", clean.reason},
                        {"deliverables", nlohmann::json::array()}};
    for (const auto& report : reports) {
        json["deliverables"].push_back(toJson(report));
        held |= report.heldBack;
    }
    json["seconds_audio"] = info.duration();
    json["seconds_wall"] = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    Session& all = sessionFor(sessions, wanted);
    clean.reel.id = makeReel(all, clean.reel.source).id;
    all.reels.push_back(clean.reel);
    return json;
}

void print(const nlohmann::json& json) {
    const IsolationSettings settings = isolationFromJson(json["settings"]);
    std::string treatments;
    for (const auto& t : json["treatments"])
        treatments += (treatments.empty() ? "" : ", ") + std::string(findTreatment(t["id"].get<std::string>()).name);
    std::printf("%s: %s; Depth %s, spill %.1f dB, damage %.0f of 100. %s\n", json["file"].get<std::string>().c_str(),
                treatments.empty() ? "no treatment" : treatments.c_str(),
                describeValue(isolationParameters()[0], settings.depth).c_str(), json["spill_db"].get<double>(),
                json["damage"].get<double>(), json["reason"].get<std::string>().c_str());
    for (const auto& d : json["deliverables"]) {
        if (!d.value("held_back", false)) std::printf("  %s\n", d["path"].get<std::string>().c_str());
        for (const auto& check : d["checks"])
            if (!check["passed"].get<bool>())
                std::printf("  held back: %s\n", check["detail"].get<std::string>().c_str());
    }
}

/// A name that is not there yet, unless overwriting is allowed.
fs::path sessionName(const CleanOptions& o, size_t before) {
    const auto named = [&](size_t i) {
        return fs::path(o.out) / (i == 1 ? std::string("clean.rivlen") : "clean-" + std::to_string(i) + ".rivlen");
    };
    size_t i = before + 1;
    while (!o.force && fs::exists(named(i))) ++i;
    return named(i);
}

void run(const CleanOptions& o, Progress& progress) {
    if (o.out.empty()) throw Error(Error::Kind::Usage, "--out is empty: name a folder for the clean voices.");
    const auto set = chosenSet(o.set);
    const auto files = allFiles(o.files);
    makeFolder(o.out);
    Sessions sessions;
    nlohmann::json all = nlohmann::json::array(), written = nlohmann::json::array();
    bool held = false;
    const auto finish = [&] {
        for (Session& session : sessions) {
            session.current = session.reels.front().id;
            const fs::path name = sessionName(o, written.size());
            saveSession(session, name);
            rememberFolders(session);
            written.push_back(name.string());
            if (!o.json) std::printf("%s\n", name.c_str());
        }
        if (o.json) printJson({{"files", all}, {"sessions", written}});
    };
    try {
        forEachFile(files, "cleaned", [&](const std::string& file) {
            all.push_back(cleanOne(file, o, set, sessions, held, progress));
            if (!o.json) print(all.back());
        });
    } catch (const Error&) {
        progress.onProgress = nullptr;
        finish();
        throw;
    }
    finish();
    if (held)
        throw Error(Error::Kind::Other,
                    "Some clean voices failed their checks and were held back; the others are in \"" + o.out + "\".");
}

}  // namespace

void addClean(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<CleanOptions>();
    auto* command = program.add_subcommand(
        "clean",
        "Makes clean voices: treats what diagnosis is sure of, splits, takes the suggested strength, brings it to its "
        "loudness and delivers it, a picture with its new sound. All settings stand in the session beside them.");
    command->add_option("FILE", o->files, "Audio or video files, or folders of them.")->required();
    command->add_option("--out", o->out, "Folder for the files; made when missing.")->required();
    std::vector<std::string> purposes;
    for (const auto& p : voicePurposes()) purposes.push_back(p.id);
    command
        ->add_option("--for", o->purpose,
                     "What the voice is for: natural, under-music or keep-room; without it the strength is suggested "
                     "by weighing.")
        ->check(oneOf(purposes));
    command->add_option("--set", o->set,
                        "Deliver as the mixes of this set of deliverables: its name, or a file. Without it a picture "
                        "with its new sound, or a wave, at -23 LUFS.");
    command->add_option("--network", o->network, "Network id, see `rivlen-cli networks`.");
    command->add_option("--quality", o->quality, "quick or fine (default).")->check(oneOf({"quick", "fine"}));
    command->add_flag("--force", o->force, "Overwrite files that are there.");
    addTolerateDamage(*command, o->tolerateDamage);
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });
}

}  // namespace rivlen
