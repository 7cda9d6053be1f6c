#include "core/session/DeliveryQueue.h"

#include <algorithm>
#include <chrono>
#include <cstdlib>
#include <fstream>

#include "core/base/Json.h"
#include "core/base/Unexpected.h"
#include "core/delivery/DeliveryEffort.h"
#include "core/delivery/DeliveryFiles.h"
#include "core/media/FileSum.h"
#include "core/media/MediaReader.h"
#include "core/media/WholeFile.h"
#include "core/session/SessionDelivery.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;
using State = DeliveryTask::State;
using Priority = DeliveryTask::Priority;

namespace {

constexpr const char* kStates[] = {"waiting", "running", "done", "held-back", "failed"};
constexpr const char* kPriorities[] = {"first", "usual", "later"};

template <typename Words, typename Kind>
Kind kindOf(const Words& words, const std::string& word, Kind otherwise) {
    const auto found = std::find(std::begin(words), std::end(words), word);
    return found == std::end(words) ? otherwise : Kind(found - std::begin(words));
}

bool ended(const DeliveryTask& t) { return t.state != State::Waiting && t.state != State::Running; }

json toJson(const DeliveryTask& t, const fs::path& folder) {
    json j{{"format", "rivlen-queued"},
           {"version", 1},
           {"id", t.id},
           {"session", json::parse(sessionText(t.session, folder))},
           {"folder", t.folder.string()},
           {"overwrite", t.overwrite},
           {"priority", kPriorities[size_t(t.priority)]},
           {"state", kStates[size_t(t.state == State::Running ? State::Waiting : t.state)]},
           {"error", t.error},
           {"cost", t.cost},
           {"reports", json::array()},
           {"begun", json::array()}};
    for (const auto& r : t.reports) j["reports"].push_back(toJson(r, true));
    for (const auto& r : t.begun) j["begun"].push_back(toJson(r, true));
    return j;
}

DeliveryTask taskFromJson(const json& j, const fs::path& file) {
    DeliveryTask t;
    t.id = j.at("id");
    t.session = parseSession(j.at("session").dump(-1, ' ', false, json::error_handler_t::replace), file);
    if (t.session.reels.size() != 1 || t.session.deliverables.empty())
        throw Error(Error::Kind::InputUnreadable, "a queued reel is missing");
    t.folder = j.at("folder").get<std::string>();
    t.overwrite = j.at("overwrite");
    t.priority = kindOf(kPriorities, j.at("priority"), Priority::Usual);
    t.state = kindOf(kStates, j.at("state"), State::Waiting);
    if (t.state == State::Running) t.state = State::Waiting;
    t.error = j.value("error", "");
    t.cost = std::max(0.1, j.value("cost", 1.0));
    for (const auto& r : j.at("reports")) t.reports.push_back(deliveryReportFromJson(r));
    for (const auto& r : j.at("begun")) t.begun.push_back(deliveryReportFromJson(r));
    return t;
}

struct Effort {
    double preparing = 0, making = 0;
};

/// Of what is still to be done.
Effort effortOf(const DeliveryTask& task) {
    try {
        const Reel& reel = task.reel();
        const double length = MediaReader(reel.source).info().duration();
        Effort effort{effortToPrepare(recipeOf(reel), length), 0.1};
        for (const Deliverable& d : task.session.deliverables)
            if (std::none_of(task.reports.begin(), task.reports.end(), [&](const auto& r) { return r.name == d.name; }))
                effort.making += effortToMake(d, length);
        return effort;
    } catch (const Error&) {  // it will fail at once
        return {0, 1};
    }
}

/// True where the files of a report are there and as they were.
bool stillThere(const DeliveryReport& r) {
    for (size_t i = 0; i < r.files.size(); ++i)
        if (i >= r.sha256.size() || fileSha256(r.files[i]) != r.sha256[i]) return false;
    return !r.files.empty() && !r.heldBack;
}

/// Takes away those of several files that got their names when work broke off before the last one had.
void clearOwn(const DeliveryReport& r) {
    std::error_code ignored;
    for (size_t i = 0; i < r.files.size() && i < r.sha256.size(); ++i)
        if (fileSha256(r.files[i]) == r.sha256[i]) fs::remove(r.files[i], ignored);
}

}  // namespace

DeliveryQueue::DeliveryQueue(fs::path folder) : m_folder(fs::absolute(folder).lexically_normal()) {
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(m_folder, ignored)) {
        if (entry.path().extension() != ".json") continue;
        try {
            std::ifstream in(entry.path());
            const json j = parsedJson(in);
            if (j.value("format", "") != "rivlen-queued" || j.at("version").get<int>() > 1) continue;
            DeliveryTask task = taskFromJson(j, entry.path());
            if (entry.path().stem() == task.id) m_tasks.push_back(std::move(task));
        } catch (const std::exception&) {  // what was queued there is lost, what was delivered is not
        }
    }
    const auto number = [](const DeliveryTask& t) {
        return std::atoi(t.id.c_str() + std::min(t.id.size(), t.id.find('-') + 1));
    };
    std::sort(m_tasks.begin(), m_tasks.end(), [&](const auto& a, const auto& b) { return number(a) < number(b); });
    if (!m_tasks.empty()) m_number = number(m_tasks.back());
}

std::string DeliveryQueue::add(const Session& session, const Reel& reel, const std::vector<Deliverable>& deliverables,
                               const fs::path& folder, bool overwrite) {
    if (deliverables.empty())
        throw Error(Error::Kind::Usage, "Nothing is ticked: tick the deliverables that are to be made.");
    checkNames(session, {&reel}, deliverables, folder, overwrite);
    DeliveryTask t;
    t.session.name = session.name;
    t.session.current = reel.id;
    t.session.reels = {reel};
    t.session.deliverables = deliverables;
    t.folder = fs::absolute(folder).lexically_normal();
    t.overwrite = overwrite;
    const Effort effort = effortOf(t);
    t.cost = effort.preparing + effort.making;
    const auto names = [](const DeliveryTask& x) {
        std::vector<std::string> all;
        for (const auto& d : x.session.deliverables)
            for (auto& name : deliveryFileNames(d, x.session.name, x.reel().name, mixNamesOf(x.reel())))
                all.push_back(std::move(name));
        return all;
    };
    const auto mine = names(t);
    std::string id;
    {
        const std::lock_guard lock(m_guard);
        for (const auto& other : m_tasks) {
            if (other.folder != t.folder || ended(other)) continue;
            for (const auto& name : names(other))
                if (std::find(mine.begin(), mine.end(), name) != mine.end())
                    throw Error(Error::Kind::Usage,
                                "\"" + name + "\" is already queued for \"" + t.folder.string() +
                                    "\": choose another folder, or put {session} and {reel} into the names.");
        }
        t.id = id = "task-" + std::to_string(++m_number);
        m_tasks.push_back(std::move(t));
    }
    changed(id);
    return id;
}

DeliveryTask* DeliveryQueue::find(const std::string& id) {
    for (auto& t : m_tasks)
        if (t.id == id) return &t;
    return nullptr;
}

void DeliveryQueue::setPriority(const std::string& id, Priority priority) {
    {
        const std::lock_guard lock(m_guard);
        if (DeliveryTask* t = find(id)) t->priority = priority;
    }
    changed(id);
}

void DeliveryQueue::remove(const std::string& id) {
    {
        const std::lock_guard lock(m_guard);
        DeliveryTask* t = find(id);
        if (t && t->state == State::Running) m_cancelled = id;  // it goes when its work has stopped
        else forget([&](const auto& x) { return x.id == id; });
    }
    m_wake.notify_all();
    changed(id);
}

void DeliveryQueue::retry(const std::string& id) {
    {
        const std::lock_guard lock(m_guard);
        DeliveryTask* t = find(id);
        if (!t || !ended(*t)) return;
        std::erase_if(t->reports, [](const DeliveryReport& r) { return r.heldBack; });
        t->state = State::Waiting;
        t->error.clear();
    }
    changed(id);
}

void DeliveryQueue::clearEnded() {
    {
        const std::lock_guard lock(m_guard);
        forget(ended);
        m_spent = 0;
    }
    changed({});
}

void DeliveryQueue::clear() {
    const std::lock_guard lock(m_guard);
    m_tasks.clear();
    m_spent = 0;
    std::error_code ignored;
    fs::remove_all(m_folder, ignored);
}

void DeliveryQueue::setPaused(bool paused) {
    m_paused = paused;
    m_wake.notify_all();
    if (onChange) onChange();
}

std::vector<DeliveryTask> DeliveryQueue::tasks() const {
    const std::lock_guard lock(m_guard);
    return m_tasks;
}

bool DeliveryQueue::waiting() const {
    const std::lock_guard lock(m_guard);
    return std::any_of(m_tasks.begin(), m_tasks.end(), [](const auto& t) { return !ended(t); });
}

double DeliveryQueue::fraction() const {
    const std::lock_guard lock(m_guard);
    double left = 0, running = 0;
    for (const auto& t : m_tasks) {
        if (!ended(t)) left += t.cost;
        if (t.state == State::Running) running = t.cost * m_within;
    }
    return m_spent + left > 0 ? std::clamp((m_spent + running) / (m_spent + left), 0.0, 1.0) : 1.0;
}

std::string DeliveryQueue::at() const {
    const std::lock_guard lock(m_guard);
    return m_at;
}

DeliveryTask* DeliveryQueue::next() {
    DeliveryTask* best = nullptr;
    for (auto& t : m_tasks)
        if (t.state == State::Waiting && (!best || t.priority < best->priority)) best = &t;
    return best;
}

void DeliveryQueue::save(const std::string& id) {
    const std::lock_guard oneAfterTheOther(m_saving);  // so that the last state is the one that stays
    std::optional<DeliveryTask> task;
    {
        const std::lock_guard lock(m_guard);
        if (const DeliveryTask* t = find(id)) task = *t;
    }
    if (!task) return;
    writeWholeFile(fileOf(id), toJson(*task, m_folder).dump(-1, ' ', false, json::error_handler_t::replace) + "\n");
    const std::lock_guard lock(m_guard);
    std::error_code ignored;
    if (!find(id)) fs::remove(fileOf(id), ignored);  // it was forgotten meanwhile
}

void DeliveryQueue::forget(const std::function<bool(const DeliveryTask&)>& which) {
    std::error_code ignored;
    for (const auto& t : m_tasks)
        if (which(t)) fs::remove(fileOf(t.id), ignored);
    std::erase_if(m_tasks, which);
}

void DeliveryQueue::changed(const std::string& id) {
    save(id);
    if (onChange) onChange();
}

void DeliveryQueue::finish(const std::string& id, State state, const std::string& error, Error::Kind kind) {
    fs::path folder;
    {
        const std::lock_guard lock(m_guard);
        DeliveryTask* t = find(id);
        if (!t) return;
        t->state = state;
        t->error = error;
        t->errorKind = kind;
        m_at.clear();
        m_within = 0;
        if (ended(*t)) m_spent += t->cost;
        if (m_cancelled == id) forget([&](const auto& x) { return x.id == id; });
        else if (ended(*t)) folder = t->folder;
        m_cancelled.clear();
    }
    changed(id);
    if (!folder.empty()) report(folder);
}

void DeliveryQueue::report(const fs::path& folder) {
    std::vector<DeliveryReport> all;
    std::string names;
    for (const auto& t : tasks()) {
        if (t.folder != folder) continue;
        if (!ended(t)) return;  // another one will report
        all.insert(all.end(), t.reports.begin(), t.reports.end());
        if (names.find(t.session.name) == std::string::npos) names += (names.empty() ? "" : ", ") + t.session.name;
    }
    if (all.empty()) return;
    std::string name = reportName;
    for (int n = 2; fs::exists(folder / (name + ".json")); ++n) name = reportName + "-" + std::to_string(n);
    writeDeliveryReport(all, names, folder, name);
}

void DeliveryQueue::work(DeliveryTask task, const Progress& progress) {
    const Reel& reel = task.reel();
    const auto say = [&](const std::string& what) {
        const std::lock_guard lock(m_guard);
        m_at = reel.name + ", " + what;
    };
    const auto change = [&](const std::function<void(DeliveryTask&)>& f) {
        {
            const std::lock_guard lock(m_guard);
            if (DeliveryTask* t = find(task.id)) f(*t);
        }
        changed(task.id);
    };
    say("stems");
    ScratchFolder::clearAbandoned(task.folder);
    const Effort effort = effortOf(task);
    const double prepared = effort.preparing / (effort.preparing + effort.making);
    const ReelMaterial material = prepareReel(recipeOf(reel), Progress(progress, 0, prepared));
    DeliveryWatch watch;
    watch.known = [&](const Deliverable& d) -> std::optional<DeliveryReport> {
        for (const auto& r : task.reports)
            if (r.name == d.name && stillThere(r)) return r;
        for (const auto& r : task.begun)  // work broke off between its name and the note that it has it
            if (r.name == d.name) {
                if (stillThere(r)) {
                    watch.ended(r);
                    return r;
                }
                clearOwn(r);
            }
        return std::nullopt;
    };
    watch.making = [&](const Deliverable& d) { say(d.name); };
    watch.naming = [&](const DeliveryReport& r) { change([&](DeliveryTask& t) { t.begun.push_back(r); }); };
    watch.ended = [&](const DeliveryReport& r) {
        change([&](DeliveryTask& t) {
            std::erase_if(t.begun, [&](const auto& x) { return x.name == r.name; });
            std::erase_if(t.reports, [&](const auto& x) { return x.name == r.name; });
            t.reports.push_back(r);
        });
    };
    const auto reports = deliverReel(
        task.session.deliverables,
        [&](const Deliverable& d) { return deliverySource(task.session, reel, d, material); }, task.folder,
        task.overwrite, watch, Progress(progress, prepared, 1));
    const bool held = std::any_of(reports.begin(), reports.end(), [](const auto& r) { return r.heldBack; });
    {
        const std::lock_guard lock(m_guard);
        if (DeliveryTask* t = find(task.id)) t->reports = reports;  // in the order of the deliverables
    }
    finish(task.id, held ? State::HeldBack : State::Done);
}

void DeliveryQueue::run(const Progress& progress) {
    while (true) {
        DeliveryTask task;
        {
            std::unique_lock lock(m_guard);
            DeliveryTask* found = next();
            if (!found) break;
            found->state = State::Running;
            m_within = 0;
            task = *found;
        }
        if (onChange) onChange();
        Progress inner(progress, 0, 1);
        inner.onProgress = [&](double within) {
            {
                std::unique_lock lock(m_guard);
                m_within = within;
                while (m_paused && !progress.cancelled() && m_cancelled != task.id)
                    m_wake.wait_for(lock, std::chrono::milliseconds(100));
                if (m_cancelled == task.id) inner.cancel();
            }
            progress.report(fraction());
        };
        try {
            inner.report(0);
            inner.throwIfCancelled();
            work(task, inner);
        } catch (const Error& e) {
            if (e.kind() != Error::Kind::Cancelled) {
                finish(task.id, State::Failed, e.what(), e.kind());
                continue;
            }
            finish(task.id, State::Waiting);
            progress.throwIfCancelled();
        } catch (const std::exception& e) {
            finish(task.id, State::Failed, unexpected(e, "delivering \"" + task.reel().name + "\"").what());
        }
    }
    progress.report(1);
}

}  // namespace rivlen
