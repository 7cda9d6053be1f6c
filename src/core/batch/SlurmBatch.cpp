#include "core/batch/SlurmBatch.h"

#include <unistd.h>

#include <algorithm>
#include <chrono>
#include <fstream>
#include <sstream>
#include <thread>

#include "core/base/ChildProcess.h"
#include "core/base/Json.h"
#include "core/base/Text.h"
#include "core/media/WholeFile.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr size_t kLargestArray = 1000;            // Slurm's MaxArraySize is 1001 where nobody has changed it
constexpr double kPause = 1, kLongestPause = 10;  // seconds between questions to the cluster; they grow
constexpr int kUnanswered = 60;                   // questions after which the cluster counts as gone

struct Answer {
    int code;
    std::string out, said;
};

class Cluster {
public:
    explicit Cluster(fs::path scratch) : m_scratch(std::move(scratch)) {}

    Answer ask(std::vector<std::string> words) const {
        words[0] = found(words[0]);
        const fs::path out = m_scratch / formatted("asked-%d", getpid()), said = out.string() + ".err";
        ChildProcess child(words, out, said, false);
        while (child.running()) std::this_thread::sleep_for(std::chrono::milliseconds(10));
        Answer answer{child.code(), textOf(out), textOf(said)};
        std::error_code ignored;
        fs::remove(out, ignored);
        fs::remove(said, ignored);
        return answer;
    }

private:
    static std::string found(const std::string& program) {
        std::istringstream folders(std::getenv("PATH") ? std::getenv("PATH") : "");
        for (std::string folder; std::getline(folders, folder, ':');) {
            const fs::path file = fs::path(folder) / program;
            if (access(file.c_str(), X_OK) == 0) return file.string();
        }
        throw Error(Error::Kind::Usage, "There is no " + program +
                                            " on this machine: --slurm wants a machine of a Slurm cluster; without it "
                                            "the batch is done here.");
    }
    fs::path m_scratch;
};

std::string quoted(const std::string& word) {
    std::string out = "'";
    for (const char c : word) out += c == '\'' ? "'\\''" : std::string(1, c);
    return out + "'";
}

/// Hands one array in; gives its number.
std::string submit(const Cluster& cluster, const fs::path& folder, const fs::path& program, const fs::path& out,
                   const std::vector<BatchUnit>& units, size_t number, const SlurmRequest& request) {
    const fs::path base = folder / formatted("array-%d-%d", getpid(), number);
    nlohmann::json array{{"out", out.string()}, {"units", nlohmann::json::array()}};
    for (const auto& unit : units) array["units"].push_back(toJson(unit));
    const std::string script = "#!/bin/sh\nexec " + quoted(program.string()) + " batch-unit " +
                               quoted(base.string() + ".json") + " \"$SLURM_ARRAY_TASK_ID\"\n";
    if (!writeWholeFile(base.string() + ".json", array.dump(1)) || !writeWholeFile(base.string() + ".sh", script))
        throw Error(Error::Kind::OutputUnwritable,
                    "\"" + folder.string() + "\" cannot be written to: check it and the disk.");
    std::vector<std::string> words{"sbatch",
                                   "--parsable",
                                   "--requeue",
                                   "--open-mode=append",
                                   "--job-name=rivlen",
                                   "--output=" + base.string() + "-%a.log",
                                   formatted("--array=0-%d", units.size() - 1)};
    if (!request.partition.empty()) words.push_back("--partition=" + request.partition);
    if (!request.time.empty()) words.push_back("--time=" + request.time);
    if (!request.memory.empty()) words.push_back("--mem=" + request.memory);
    words.push_back(base.string() + ".sh");
    const Answer answer = cluster.ask(words);
    std::string said = answer.said.substr(0, answer.said.find_last_not_of('\n') + 1);
    std::replace(said.begin(), said.end(), '\n', ' ');
    if (answer.code != 0)
        throw Error(Error::Kind::Usage, "The cluster refuses the batch (" + said +
                                            "): check --partition, --time and --memory; nothing was begun.");
    return answer.out.substr(0, answer.out.find_first_of(";\n"));
}

/// Whether the cluster still has tasks of these; nothing: it does not answer.
std::optional<bool> anyLeft(const Cluster& cluster, const std::vector<std::string>& arrays) {
    bool left = false;
    for (const auto& array : arrays) {
        const Answer answer = cluster.ask({"squeue", "--noheader", "--jobs=" + array, "--format=%T"});
        if (answer.code == 0) left |= !answer.out.empty();
        else if (answer.said.find("Invalid job id") == std::string::npos) return {};
    }
    return left;
}

}  // namespace

BatchOutcome doBatchOnSlurm(const fs::path& program, const fs::path& outFolder, const std::vector<BatchUnit>& units,
                            const SlurmRequest& request, const Progress& progress,
                            const std::function<void(const BatchUnit&, BatchEnd)>& told) {
    const fs::path out = fs::absolute(outFolder).lexically_normal(), folder = out / kBatchFolder;
    std::error_code ignored;
    fs::create_directories(folder, ignored);
    std::vector<BatchEnd> ends(units.size(), BatchEnd::Failed);
    std::vector<size_t> open;
    for (size_t i = 0; i < units.size(); ++i) {
        if (readBatchRecord(out, units[i]).holds(units[i])) {
            ends[i] = BatchEnd::Skipped;
            told(units[i], BatchEnd::Skipped);
        } else {
            // What failed before is not what the nodes find now.
            if (readBatchRecord(out, units[i]).state == BatchRecord::State::Failed) dropBatchRecord(out, units[i]);
            open.push_back(i);
        }
    }
    if (open.empty()) return batchOutcome(out, units, ends);
    const Cluster cluster(folder);
    std::vector<std::string> arrays;
    const auto takeBack = [&] {
        for (const auto& array : arrays) cluster.ask({"scancel", array});
    };
    try {
        for (size_t from = 0; from < open.size(); from += kLargestArray) {
            std::vector<BatchUnit> some;
            for (size_t i = from; i < std::min(open.size(), from + kLargestArray); ++i) some.push_back(units[open[i]]);
            arrays.push_back(submit(cluster, folder, program, out, some, arrays.size(), request));
        }
        const size_t all = open.size();
        int unanswered = 0;
        double pause = kPause;
        for (bool last = false; !last;) {
            progress.throwIfCancelled();
            const auto left = anyLeft(cluster, arrays);  // asked before the records are looked at
            unanswered = left ? 0 : unanswered + 1;
            if (unanswered > kUnanswered)
                throw Error(Error::Kind::Other,
                            "The cluster does not answer any more: what it does goes on; give the batch again later.");
            last = left && !*left;
            std::erase_if(open, [&](size_t i) {
                const BatchRecord record = readBatchRecord(out, units[i]);
                const bool done = record.holds(units[i]);
                if (!done && !(record.state == BatchRecord::State::Failed && record.key == units[i].key)) return false;
                ends[i] = done ? BatchEnd::Done : BatchEnd::Failed;
                told(units[i], ends[i]);
                return true;
            });
            progress.report(double(all - open.size()) / double(all));
            last |= open.empty();
            if (!last) std::this_thread::sleep_for(std::chrono::duration<double>(pause));
            pause = std::min(kLongestPause, 1.1 * pause);
        }
        takeBack();  // what a lost node left in the line, where all is done
    } catch (const Error& e) {
        if (e.kind() != Error::Kind::Other) takeBack();
        throw;
    }
    for (const size_t i : open) told(units[i], BatchEnd::Failed);
    const std::string mine = formatted("array-%d-", getpid());
    std::vector<fs::path> papers;
    for (const auto& entry : fs::directory_iterator(folder, ignored))
        if (entry.path().filename().string().rfind(mine, 0) == 0) papers.push_back(entry.path());
    for (const auto& file : papers) fs::remove(file, ignored);
    return batchOutcome(out, units, ends);
}

BatchEnd doBatchUnitOfArray(const fs::path& program, const fs::path& array, int number, const Progress& progress) {
    nlohmann::json json;
    BatchUnit unit;
    fs::path out;
    try {
        std::ifstream in(array);
        json = parsedJson(in);
        unit = batchUnitFrom(json.at("units").at(size_t(number)));
        out = json.at("out").get<std::string>();
    } catch (const nlohmann::json::exception&) {
        throw Error(Error::Kind::InputUnreadable,
                    "\"" + array.string() + "\" is no list of a batch, or has no such unit: give the batch again.");
    }
    return doBatchUnit(program, out, unit, false, progress);
}

}  // namespace rivlen
