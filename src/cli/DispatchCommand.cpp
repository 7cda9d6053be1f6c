#include <CLI/CLI.hpp>
#include <algorithm>
#include <cmath>
#include <cstdio>
#include <functional>

#include "cli/Commands.h"
#include "cli/Mistakes.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "core/base/Text.h"
#include "core/delivery/DeliverySets.h"
#include "core/exchange/HandOver.h"
#include "core/session/DeliveryQueue.h"
#include "core/session/NamedFolders.h"
#include "core/session/SessionDelivery.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr const char* kAnywhere =
    "Read recordings that a session names outside of its folder, where nobody has worked here before.";

struct DispatchOptions {
    std::vector<std::string> sessions;
    std::string out, set;
    std::vector<std::string> only, leaveOut, reels;
    bool force = false, json = false, tolerateDamage = false, anywhere = false;
    double handles = 2;

    /// The same command gives the same one: it goes on where an interrupted one stopped.
    std::string key() const {
        std::string all = set;
        for (const auto& s : sessions) all += "|" + fs::absolute(s).string();
        for (const auto& r : reels) all += "|reel " + r;
        for (const auto& n : only) all += "|only " + n;
        for (const auto& n : leaveOut) all += "|leave out " + n;
        std::string digits = formatted("%016zx", std::hash<std::string>()(all));
        return digits;
    }
};

std::vector<const Reel*> chosenReels(const Session& session, const std::string& file,
                                     const std::vector<std::string>& names) {
    if (session.reels.empty())
        throw Error(Error::Kind::Usage, "The session \"" + file + "\" has no reels: add a recording first.");
    std::vector<const Reel*> reels;
    for (const Reel& reel : session.reels)
        if (names.empty() || std::find(names.begin(), names.end(), reel.name) != names.end()) reels.push_back(&reel);
    for (const auto& name : names)
        if (std::none_of(reels.begin(), reels.end(), [&](const Reel* r) { return r->name == name; }))
            throw Error(Error::Kind::Usage, "The session \"" + file + "\" has no reel called \"" + name +
                                                "\": see its \"reels\", or leave --reel out.");
    return reels;
}

std::vector<Deliverable> chosenDeliverables(const Session& session, const DispatchOptions& o) {
    const auto& all = !o.set.empty()                 ? readDeliverySet(o.set).deliverables
                      : session.deliverables.empty() ? usualDeliverables()
                                                     : session.deliverables;
    std::vector<Deliverable> wanted;
    for (const Deliverable& d : all)
        if (o.only.empty() ? d.on : std::find(o.only.begin(), o.only.end(), d.name) != o.only.end())
            wanted.push_back(d);
    for (const auto& name : o.only)
        if (std::none_of(wanted.begin(), wanted.end(), [&](const Deliverable& d) { return d.name == name; }))
            throw Error(Error::Kind::Usage, "The session has no deliverable called \"" + name +
                                                "\": see its \"deliverables\", or leave --only out.");
    const size_t chosen = wanted.size();
    std::erase_if(wanted, [&](const Deliverable& d) {
        return std::find(o.leaveOut.begin(), o.leaveOut.end(), d.name) != o.leaveOut.end();
    });
    if (chosen == 0)
        throw Error(Error::Kind::Usage, "None of the session's deliverables is switched on: name them with --only.");
    return wanted;
}

/// The session of a file; with --tolerate-damage as if each of its reels said so.
Session opened(const std::string& file, const DispatchOptions& o) {
    Session session = loadOwnSession(file, o.anywhere);
    for (Reel& reel : session.reels) reel.tolerateDamage |= o.tolerateDamage;
    return session;
}

/// Fills the queue from the sessions; where it holds just that already, from an interrupted dispatch, it is left as it
/// is.
void fill(DeliveryQueue& queue, const DispatchOptions& o, const fs::path& journal) {
    std::vector<std::function<void(DeliveryQueue&)>> adding;
    const auto earlier = queue.tasks();
    size_t same = 0;
    std::vector<Session> sessions;
    for (const auto& file : o.sessions) sessions.push_back(opened(file, o));
    for (size_t i = 0; i < sessions.size(); ++i) {
        const Session& session = sessions[i];
        const auto wanted = chosenDeliverables(session, o);
        if (wanted.empty()) continue;
        const auto reels = chosenReels(session, o.sessions[i], o.reels);
        for (const Reel* reel : reels) {
            same += adding.size() < earlier.size() && earlier[adding.size()].reel() == *reel &&
                    earlier[adding.size()].session.deliverables == wanted &&
                    earlier[adding.size()].session.name == session.name;
            adding.push_back(
                [&session, reel, wanted, &o](DeliveryQueue& q) { q.add(session, *reel, wanted, o.out, o.force); });
        }
    }
    if (!earlier.empty() && same == adding.size() && same == earlier.size()) {
        std::fprintf(stderr, "rivlen-cli: going on with a dispatch that was interrupted.\n");
        for (const auto& t : earlier) queue.retry(t.id);
        return;
    }
    queue.clear();
    std::error_code ignored;
    fs::create_directories(journal, ignored);
    for (const auto& add : adding) add(queue);
}

void run(const DispatchOptions& o, Progress& progress) {
    const fs::path journal = fs::path(o.out) / (".rivlen-queue-" + o.key());
    DeliveryQueue queue(journal);
    if (!o.reels.empty()) {
        queue.reportName = "delivery";
        for (const auto& r : o.reels) queue.reportName += "." + r;
        std::replace(queue.reportName.begin(), queue.reportName.end(), '/', '-');
    }
    std::vector<DeliveryTask> tasks;
    try {
        fill(queue, o, journal);
        ProgressLine line("dispatching");
        progress.onProgress = [&](double f) { line.show(f, queue.at()); };
        queue.run(progress);
        progress.onProgress = nullptr;
        tasks = queue.tasks();
        queue.clear();
    } catch (...) {
        progress.onProgress = nullptr;
        queue.clear();
        throw;
    }
    nlohmann::json list = nlohmann::json::array();
    const DeliveryTask* failed = nullptr;
    bool held = false;
    for (const auto& t : tasks) {
        for (const auto& report : t.reports) {
            list.push_back(toJson(report));
            if (!o.json && !report.heldBack)
                for (const auto& file : report.files) std::printf("%s\n", file.c_str());
            for (const auto& c : report.checks)
                if (!c.passed)
                    std::fprintf(stderr, "rivlen-cli: \"%s\" is held back: %s failed (%s).\n",
                                 report.path.filename().c_str(), c.name.c_str(), c.detail.c_str());
            held = held || report.heldBack;
        }
        if (t.state == DeliveryTask::State::Failed) {
            if (failed) std::fprintf(stderr, "rivlen-cli: %s\n", failed->error.c_str());
            failed = &t;
        }
    }
    if (o.json) printJson(nlohmann::json{{"deliverables", list}});
    if (failed) throw Error(failed->errorKind, failed->error);
    if (held)
        throw Error(Error::Kind::Other,
                    "Some deliverables failed their checks and were held back; the others are in \"" + o.out + "\".");
}

void handOver(const DispatchOptions& o, Progress& progress) {
    nlohmann::json list = nlohmann::json::array();
    for (const auto& file : o.sessions) {
        const Session session = opened(file, o);
        for (const Reel* reel : chosenReels(session, file, o.reels)) {
            ProgressLine line("handing over " + reel->name);
            progress.onProgress = [&](double f) { line.show(f); };
            const ReelMaterial material = prepareReel(recipeOf(*reel), Progress(progress, 0, 0.5));
            const fs::path made = handOverReel(session, *reel, material, o.handles, o.out, Progress(progress, 0.5, 1));
            progress.onProgress = nullptr;
            list.push_back({{"reel", reel->name}, {"path", made.string()}});
            if (!o.json) std::printf("%s\n", made.c_str());
        }
    }
    if (o.json) printJson(nlohmann::json{{"handovers", list}});
}

}  // namespace

void addDispatch(CLI::App& program, Progress& progress) {
    auto o = std::make_shared<DispatchOptions>();
    auto* command = program.add_subcommand("dispatch",
                                           "Makes sessions' deliverables: rendered, brought to their loudness, "
                                           "checked. Given again after a crash it goes on where it stopped.");
    command->add_option("SESSION", o->sessions, "One or more .rivlen files.")->required();
    command->add_option("--out", o->out, "Folder for the files; made when missing.")->required();
    command->add_option("--only", o->only, "Only the deliverable of this name; may be given several times.");
    command->add_option("--leave-out", o->leaveOut, "Not the deliverable of this name; may be given several times.");
    command->add_option("--reel", o->reels, "Only the reel of this name; may be given several times.");
    command->add_option("--set", o->set, "Deliverables of this file instead of the session's own.");
    addTolerateDamage(*command, o->tolerateDamage);
    command->add_flag("--anywhere", o->anywhere, kAnywhere);
    command->add_flag("--force", o->force, "Overwrite files that are there.");
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] { run(*o, progress); });

    auto h = std::make_shared<DispatchOptions>();
    auto* hand = program.add_subcommand(
        "handover",
        "Writes the rebuilt lanes for the next department: clips with handles, event lists, stems, markers.");
    hand->add_option("SESSION", h->sessions, "One or more .rivlen files.")->required();
    hand->add_option("--out", h->out, "Folder for the folders; made when missing.")->required();
    hand->add_option("--reel", h->reels, "Only the reel of this name; may be given several times.");
    hand->add_option("--handles", h->handles, "Seconds of sound before and after each clip, as far as there is any.")
        ->check(between(0, 600));
    addTolerateDamage(*hand, h->tolerateDamage);
    hand->add_flag("--anywhere", h->anywhere, kAnywhere);
    hand->add_flag("--json", h->json, "Print one JSON document.");
    hand->callback([h, &progress] {
        if (!std::isfinite(h->handles))
            throw Error(Error::Kind::Usage, "--handles is no number of seconds: give 0 to 600.");
        handOver(*h, progress);
    });
}

}  // namespace rivlen
