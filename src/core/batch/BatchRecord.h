#pragma once
#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

#include "core/base/Error.h"
#include "core/batch/BatchPlan.h"

namespace rivlen {

/// What is known of one unit: in `out`/.rivlen-batch/ID.json.
struct BatchRecord {
    enum class State { Fresh, Begun, Done, Failed };
    State state = State::Fresh;
    std::string key;                             ///< of the work that it tells of
    bool clean = false;                          ///< nothing of its name lay there before it was begun
    std::vector<std::filesystem::path> outputs;  ///< that it wrote
    int begun = 0;                               ///< times
    double seconds = 0;                          ///< that it took
    std::string reason;                          ///< why it failed: a sentence
    int exitCode = 0;
    nlohmann::json result;  ///< what the command printed

    /// Done, of just this work, and all that it wrote is still there.
    bool holds(const BatchUnit& unit) const;
};

/// Fresh where there is none, or none that can be read.
BatchRecord readBatchRecord(const std::filesystem::path& out, const BatchUnit& unit);
/// Throws Error (OutputUnwritable).
void writeBatchRecord(const std::filesystem::path& out, const BatchUnit& unit, const BatchRecord& record);
void dropBatchRecord(const std::filesystem::path& out, const BatchUnit& unit);

/// A file beside a unit's record.
std::filesystem::path besideBatchRecord(const std::filesystem::path& out, const BatchUnit& unit, const char* suffix);

}  // namespace rivlen
