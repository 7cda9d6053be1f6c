#include <CLI/CLI.hpp>
#include <algorithm>
#include <cstdio>

#include "cli/Commands.h"
#include "cli/ProgressLine.h"
#include "core/delivery/DeliveryFiles.h"
#include "core/session/SessionDelivery.h"

namespace rivlen {

namespace {

struct Options {
    std::string session, out;
    std::vector<std::string> only;
    bool force = false, json = false;
};

/// All deliverables of one reel.
void dispatchReel(const Session& session, const Reel& reel, const std::vector<Deliverable>& wanted, const Options& o, Progress& progress, std::vector<DeliveryReport>& all) {
    ReelMaterial material;
    {
        ProgressLine line("preparing " + reel.name);
        progress.onProgress = [&line](double f) { line.show(f); };
        material = prepareReel(recipeOf(reel), progress);
    }
    for (const Deliverable& d : wanted) {
        const DeliverySource source = deliverySource(session, reel, d, material);
        ProgressLine line("dispatching " + reel.name + ", " + d.name);
        progress.onProgress = [&line](double f) { line.show(f); };
        const DeliveryReport report = deliver(d, source, o.out, o.force, progress);
        all.push_back(report);
        if (!o.json && !report.heldBack) std::printf("%s\n", report.path.c_str());
        for (const auto& c : report.checks)
            if (!c.passed) std::fprintf(stderr, "rivlen-cli: \"%s\" is held back: %s failed (%s).\n", report.path.filename().c_str(), c.name.c_str(), c.detail.c_str());
        progress.onProgress = nullptr;
    }
}

void run(const Options& o, Progress& progress) {
    const Session session = loadSession(o.session);
    std::vector<Deliverable> wanted;
    for (const Deliverable& d : session.deliverables.empty() ? usualDeliverables() : session.deliverables)
        if (o.only.empty() ? d.on : std::find(o.only.begin(), o.only.end(), d.name) != o.only.end()) wanted.push_back(d);
    for (const auto& name : o.only)
        if (std::none_of(wanted.begin(), wanted.end(), [&](const Deliverable& d) { return d.name == name; }))
            throw Error(Error::Kind::Usage, "The session has no deliverable called \"" + name + "\": see its \"deliverables\", or leave --only out.");
    if (session.reels.empty()) throw Error(Error::Kind::Usage, "The session \"" + o.session + "\" has no reels: add a recording first.");
    std::vector<const Reel*> reels;
    for (const Reel& reel : session.reels) reels.push_back(&reel);
    checkNames(session, reels, wanted, o.out, o.force);  // before anything is made
    std::vector<DeliveryReport> all;
    for (const Reel& reel : session.reels) dispatchReel(session, reel, wanted, o, progress, all);
    writeDeliveryReport(all, session.name, o.out);
    if (o.json) {
        nlohmann::json list = nlohmann::json::array();
        for (const auto& r : all) list.push_back(toJson(r));
        std::printf("%s\n", nlohmann::json{{"deliverables", list}}.dump(1).c_str());
    }
    if (std::any_of(all.begin(), all.end(), [](const DeliveryReport& r) { return r.heldBack; })) throw Error(Error::Kind::Other, "Some deliverables failed their checks and were held back; the others are in \"" + o.out + "\".");
}

}  // namespace

void addDispatch(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<Options>();
    auto* command = program.add_subcommand("dispatch", "Makes a session's deliverables: rendered, brought to their loudness, checked.");
    command->add_option("SESSION", o->session, "A .rivlen file.")->required();
    command->add_option("--out", o->out, "Folder for the files; made when missing.")->required();
    command->add_option("--only", o->only, "Only the deliverable of this name; may be given several times.");
    command->add_flag("--force", o->force, "Overwrite files that are there.");
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });
}

}  // namespace rivlen
