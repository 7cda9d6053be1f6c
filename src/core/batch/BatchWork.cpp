#include "core/batch/BatchWork.h"

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <chrono>
#include <cstdio>
#include <mutex>
#include <sstream>
#include <thread>

#include "core/base/ChildProcess.h"
#include "core/base/Json.h"
#include "core/media/WholeFile.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr auto kLook = std::chrono::milliseconds(50);
constexpr auto kPatience = std::chrono::seconds(30);  // for a child that was asked to end

/// Only one process at a time works on a unit: on another machine it may still be running after it was given up.
class UnitLock {
public:
    UnitLock(const fs::path& file, const Progress& progress)
        : m_file(open(file.c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0644)) {
        if (m_file < 0)
            throw Error(Error::Kind::OutputUnwritable,
                        "\"" + file.string() + "\" cannot be written: check that the folder may be written to.");
        while (flock(m_file, LOCK_EX | LOCK_NB) != 0) {
            const bool held = errno == EWOULDBLOCK || errno == EINTR;
            if (held && !progress.cancelled()) {
                std::this_thread::sleep_for(kLook);
                continue;
            }
            close(m_file);
            progress.throwIfCancelled();
            throw Error(Error::Kind::OutputUnwritable,
                        "\"" + file.string() + "\" cannot be locked: choose a folder on a file system with " +
                            "locks (NFS 4 and Lustre have them).");
        }
    }
    ~UnitLock() { close(m_file); }
    UnitLock(const UnitLock&) = delete;

private:
    int m_file;
};

bool anythingThere(const BatchUnit& unit) {
    if (unit.begins.empty()) return true;  // deliverables have names of their own: dispatch itself goes on
    std::error_code gone;
    for (fs::directory_iterator it(unit.folder, gone), end; !gone && it != end; it.increment(gone))
        if (it->path().filename().string().rfind(unit.begins + ".", 0) == 0 && it->path() != unit.input) return true;
    return false;
}

/// Every file that a command's answer names as written.
void collectOutputs(const nlohmann::json& json, std::vector<fs::path>& into) {
    if (json.is_array() || json.is_object())
        for (const auto& [key, value] : json.items()) {
            std::error_code unknown;
            if ((key == "path" || key == "out") && value.is_string()) {
                const fs::path file = value.get<std::string>();
                if (fs::is_regular_file(file, unknown) &&
                    std::find(into.begin(), into.end(), fs::absolute(file)) == into.end())
                    into.push_back(fs::absolute(file));
            } else {
                collectOutputs(value, into);
            }
        }
}

/// Deliverables of a failed dispatch that it made before it failed, and that are still there: only the others are made
/// when it is done again.
nlohmann::json madeBefore(const BatchUnit& unit, const BatchRecord& before) {
    nlohmann::json made = nlohmann::json::array();
    if (unit.command != "dispatch" || before.key != unit.key || !before.result.is_object()) return made;
    for (const auto& d : before.result.value("deliverables", nlohmann::json::array())) {
        std::vector<fs::path> files;
        collectOutputs(d, files);
        if (!d.value("held_back", true) && !files.empty()) made.push_back(d);
    }
    return made;
}

/// The command's last sentence, without its name.
std::string reasonIn(const std::string& said, int code) {
    const std::string name = "rivlen-cli: ";
    std::string reason;
    std::istringstream lines(said);
    for (std::string line; std::getline(lines, line);)
        if (line.rfind(name, 0) == 0) reason = line.substr(name.size());
    if (!reason.empty()) return reason;
    return code < 0 ? "It was ended from outside (signal " + std::to_string(-code) + "): give the batch again."
                    : "It ended without a word: run the command by itself.";
}

/// The newest share of the work that a command told of.
double shareIn(const std::string& said) {
    const size_t percent = said.rfind(" %");
    if (percent == std::string::npos) return 0;
    const size_t begin = said.find_last_of(": ", percent - 1);
    return begin == std::string::npos ? 0 : std::clamp(std::atof(said.c_str() + begin + 1) / 100, 0.0, 1.0);
}

nlohmann::json lineOf(const BatchUnit& unit) {
    nlohmann::json line{{"file", unit.input.string()}};
    if (!unit.reel.empty()) line["reel"] = unit.reel;
    return line;
}

}  // namespace

BatchEnd doBatchUnit(const fs::path& program, const fs::path& out, const BatchUnit& unit, bool gently,
                     const Progress& progress) {
    std::error_code ignored;
    fs::create_directories(besideBatchRecord(out, unit, "").parent_path(), ignored);
    const UnitLock lock(besideBatchRecord(out, unit, ".lock"), progress);
    const BatchRecord before = readBatchRecord(out, unit);
    if (before.holds(unit)) return BatchEnd::Skipped;
    using State = BatchRecord::State;
    // What an earlier try of just this work left behind, interrupted or failed after some of its files: its own.
    const bool ours = before.key == unit.key && before.clean &&
                      (before.state == State::Begun || before.state == State::Failed),
               done = before.key == unit.key && before.state == State::Done;  // and a file of it is gone
    BatchRecord record;
    record.state = State::Begun;
    record.key = unit.key;
    record.begun = before.key == unit.key ? before.begun + 1 : 1;
    record.clean = ours || !anythingThere(unit);
    const nlohmann::json made = before.state == State::Done ? nlohmann::json::array() : madeBefore(unit, before);
    if (!made.empty()) record.result = {{"deliverables", made}};
    writeBatchRecord(out, unit, record);

    const fs::path answer = besideBatchRecord(out, unit, ".answer"), log = besideBatchRecord(out, unit, ".log");
    std::vector<std::string> words{program.string(), unit.command};
    words.insert(words.end(), unit.arguments.begin(), unit.arguments.end());
    const bool writes = unit.command != "weigh";
    if (writes && (ours || done) && std::find(words.begin(), words.end(), "--force") == words.end())
        words.emplace_back("--force");
    for (const auto& d : made) words.insert(words.end(), {"--leave-out", d.value("name", "")});
    const auto begun = std::chrono::steady_clock::now();
    ChildProcess child(words, answer, log, gently);
    auto asked = begun;
    while (child.running()) {
        if (progress.cancelled() && asked == begun) {
            child.ask();
            asked = std::chrono::steady_clock::now();
        }
        if (asked != begun && std::chrono::steady_clock::now() - asked > kPatience) break;
        progress.report(shareIn(textOf(log)));
        std::this_thread::sleep_for(kLook);
    }
    if (progress.cancelled()) {
        dropBatchRecord(out, unit);
        progress.throwIfCancelled();
    }
    record.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
    record.exitCode = child.code();
    const std::string said = textOf(log), answered = textOf(answer);
    try {
        record.result = parsedJson(answered);
    } catch (const nlohmann::json::exception&) {
        record.result = nullptr;
    }
    if (!made.empty()) {
        nlohmann::json all = made;
        if (record.result.is_object())
            for (const auto& d : record.result.value("deliverables", nlohmann::json::array())) all.push_back(d);
        record.result = {{"deliverables", all}};
    }
    record.state = child.code() == 0 ? State::Done : State::Failed;
    if (record.state == State::Failed) record.reason = reasonIn(said, child.code());
    else if (!writes) {
        const fs::path file = unit.folder / (unit.begins + ".weigh.json");
        if (!writeWholeFile(file, answered))
            throw Error(Error::Kind::OutputUnwritable,
                        "\"" + file.string() + "\" cannot be written: check the folder.");
        record.outputs = {file};
    }
    collectOutputs(record.result, record.outputs);
    writeBatchRecord(out, unit, record);
    fs::remove(answer, ignored);
    if (record.state == State::Done) fs::remove(log, ignored);
    return record.state == State::Done ? BatchEnd::Done : BatchEnd::Failed;
}

BatchOutcome batchOutcome(const fs::path& out, const std::vector<BatchUnit>& units, const std::vector<BatchEnd>& ends) {
    BatchOutcome all;
    all.ends = ends;
    all.report = {
        {"done", nlohmann::json::array()}, {"failed", nlohmann::json::array()}, {"skipped", nlohmann::json::array()}};
    for (size_t i = 0; i < units.size(); ++i) {
        const BatchRecord record = readBatchRecord(out, units[i]);
        nlohmann::json line = lineOf(units[i]);
        if (ends[i] == BatchEnd::Failed) {
            line["reason"] =
                record.reason.empty() ? "Its machine was lost before it ended: give the batch again." : record.reason;
            all.report["failed"].push_back(line);
            all.exitCode = std::max(all.exitCode, record.exitCode > 0 ? record.exitCode : 1);
            continue;
        }
        line["seconds_wall"] = record.seconds;
        if (!units[i].spans.empty()) line["spans"] = units[i].spans.size();
        line["outputs"] = nlohmann::json::array();
        for (const auto& f : record.outputs) line["outputs"].push_back(f.string());
        if (ends[i] == BatchEnd::Done) line["result"] = record.result;
        all.report[ends[i] == BatchEnd::Done ? "done" : "skipped"].push_back(line);
    }
    return all;
}

BatchOutcome doBatch(const fs::path& program, const fs::path& out, const std::vector<BatchUnit>& units, int jobs,
                     const Progress& progress, const std::function<void(const BatchUnit&, BatchEnd)>& told) {
    std::vector<BatchEnd> ends(units.size(), BatchEnd::Failed);
    std::vector<double> shares(units.size(), 0);
    std::mutex guard;
    size_t next = 0;
    std::exception_ptr broken;
    const auto work = [&] {
        while (true) {
            size_t mine;
            {
                const std::lock_guard hold(guard);
                if (next >= units.size() || broken) return;
                mine = next++;
            }
            Progress own(progress, 0, 1);
            own.onProgress = [&](double f) {
                const std::lock_guard hold(guard);
                shares[mine] = f;
                double sum = 0;
                for (const double s : shares) sum += s;
                progress.report(sum / double(units.size()));
            };
            try {
                const BatchEnd end = doBatchUnit(program, out, units[mine], jobs > 1, own);
                own.report(1);
                const std::lock_guard hold(guard);
                ends[mine] = end;
                told(units[mine], end);
            } catch (...) {
                const std::lock_guard hold(guard);
                if (!broken) broken = std::current_exception();
                return;
            }
        }
    };
    std::vector<std::thread> others;
    for (int i = 1; i < jobs && size_t(i) < units.size(); ++i) others.emplace_back(work);
    work();
    for (auto& thread : others) thread.join();
    if (broken) std::rethrow_exception(broken);
    return batchOutcome(out, units, ends);
}

void writeBatchReport(const fs::path& out, const BatchOutcome& outcome) {
    const fs::path file = out / "batch.json";
    if (!writeWholeFile(file, outcome.report.dump(1, ' ', false, nlohmann::json::error_handler_t::replace) + "\n"))
        throw Error(Error::Kind::OutputUnwritable,
                    "\"" + file.string() + "\" cannot be written: check that the folder may be written to and the " +
                        "disk is not full.");
}

}  // namespace rivlen
