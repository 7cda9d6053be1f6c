#include "core/batch/BatchRecord.h"

#include <algorithm>
#include <array>
#include <fstream>

#include "core/base/Json.h"
#include "core/media/WholeFile.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {
constexpr std::array kStates{"fresh", "begun", "done", "failed"};
}

bool BatchRecord::holds(const BatchUnit& unit) const {
    std::error_code unknown;
    return state == State::Done && key == unit.key &&
           std::all_of(outputs.begin(), outputs.end(), [&](const fs::path& f) { return fs::exists(f, unknown); });
}

fs::path besideBatchRecord(const fs::path& out, const BatchUnit& unit, const char* suffix) {
    return fs::absolute(out).lexically_normal() / kBatchFolder / (unit.id + suffix);
}

BatchRecord readBatchRecord(const fs::path& out, const BatchUnit& unit) {
    BatchRecord r;
    try {
        std::ifstream in(besideBatchRecord(out, unit, ".json"));
        const nlohmann::json j = parsedJson(in);
        r.key = j.at("key").get<std::string>();
        r.clean = j.at("clean").get<bool>();
        for (const auto& f : j.at("outputs")) r.outputs.emplace_back(f.get<std::string>());
        r.begun = j.at("begun").get<int>();
        r.seconds = j.at("seconds").get<double>();
        r.reason = j.at("reason").get<std::string>();
        r.exitCode = j.at("exit_code").get<int>();
        r.result = j.at("result");
        const auto state = std::find(kStates.begin(), kStates.end(), j.at("state").get<std::string>());
        if (state == kStates.end()) return {};
        r.state = BatchRecord::State(state - kStates.begin());
    } catch (const nlohmann::json::exception&) {
        return {};
    }
    return r;
}

void writeBatchRecord(const fs::path& out, const BatchUnit& unit, const BatchRecord& r) {
    nlohmann::json j{{"input", unit.input.string()},
                     {"reel", unit.reel},
                     {"state", kStates[size_t(r.state)]},
                     {"key", r.key},
                     {"clean", r.clean},
                     {"outputs", nlohmann::json::array()},
                     {"begun", r.begun},
                     {"seconds", r.seconds},
                     {"reason", r.reason},
                     {"exit_code", r.exitCode},
                     {"result", r.result}};
    for (const auto& f : r.outputs) j["outputs"].push_back(f.string());
    const fs::path file = besideBatchRecord(out, unit, ".json");
    if (!writeWholeFile(file, j.dump(1, ' ', false, nlohmann::json::error_handler_t::replace) + "\n"))
        throw Error(Error::Kind::OutputUnwritable,
                    "\"" + file.string() + "\" cannot be written: check that the folder may be written to and the " +
                        "disk is not full.");
}

void dropBatchRecord(const fs::path& out, const BatchUnit& unit) {
    std::error_code ignored;
    fs::remove(besideBatchRecord(out, unit, ".json"), ignored);
}

}  // namespace rivlen
