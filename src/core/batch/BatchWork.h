#pragma once
#include <functional>

#include "core/base/Progress.h"
#include "core/batch/BatchPlan.h"
#include "core/batch/BatchRecord.h"

namespace rivlen {

/// How a unit ended.
enum class BatchEnd { Done, Failed, Skipped };

/// Does one unit by running a program with its command, and keeps what became of it. What was done before, and is still
/// there, is skipped; what another process is working on is waited for. Where the work was interrupted in the middle,
/// what it left behind is written again. program: the command line's own file. gently: see ChildProcess.
/// Throws Error (Cancelled, OutputUnwritable).
BatchEnd doBatchUnit(const std::filesystem::path& program, const std::filesystem::path& out, const BatchUnit& unit,
                     bool gently, const Progress& progress);

/// What became of all of them.
struct BatchOutcome {
    std::vector<BatchEnd> ends;  ///< of each unit
    nlohmann::json report;       ///< {"done": [...], "failed": [{"file", "reel", "reason"}], "skipped": [...]}
    int exitCode = 0;            ///< the greatest of those that failed
};

/// Does all units, so many at once, each also after others have failed. told is called as each ends, one at a time.
/// Throws Error (Cancelled, OutputUnwritable).
BatchOutcome doBatch(const std::filesystem::path& program, const std::filesystem::path& out,
                     const std::vector<BatchUnit>& units, int jobs, const Progress& progress,
                     const std::function<void(const BatchUnit&, BatchEnd)>& told);

/// From the records of units that have ended; those that have none are failures.
BatchOutcome batchOutcome(const std::filesystem::path& out, const std::vector<BatchUnit>& units,
                          const std::vector<BatchEnd>& ends);

/// Writes the report beside the outputs, as batch.json. Throws Error (OutputUnwritable).
void writeBatchReport(const std::filesystem::path& out, const BatchOutcome& outcome);

}  // namespace rivlen
