#pragma once
#include "core/batch/BatchWork.h"

namespace rivlen {

/// What is asked of a cluster for each unit; empty: what it gives by itself.
struct SlurmRequest {
    std::string partition, time, memory;  ///< in Slurm's own words, such as 30:00 and 4G
};

/// Does all units as array jobs of the Slurm cluster that this machine belongs to (sbatch, squeue and scancel of its
/// PATH), and waits for them. program, out and all inputs have the same paths on every node. A unit whose node is lost
/// is begun again elsewhere; never are two at work on one. told is called as each ends.
/// Throws Error (Cancelled: what waits or runs is taken back; Usage: there is no cluster, or it refuses the request).
BatchOutcome doBatchOnSlurm(const std::filesystem::path& program, const std::filesystem::path& out,
                            const std::vector<BatchUnit>& units, const SlurmRequest& request, const Progress& progress,
                            const std::function<void(const BatchUnit&, BatchEnd)>& told);

/// A node's part: does the unit of this number of an array that doBatchOnSlurm() wrote. Throws Error.
BatchEnd doBatchUnitOfArray(const std::filesystem::path& program, const std::filesystem::path& array, int number,
                            const Progress& progress);

}  // namespace rivlen
