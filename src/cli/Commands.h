#pragma once
#include "core/base/Progress.h"

namespace CLI {
class App;
}

namespace rivlen {

/// Each command adds itself to the program and runs when it was named. progress is cancelled by SIGINT/SIGTERM.
void addInspect(CLI::App& program, Progress& progress);
void addSplit(CLI::App& program, Progress& progress);
void addClean(CLI::App& program, Progress& progress);
void addWeigh(CLI::App& program, Progress& progress);
void addTreat(CLI::App& program, Progress& progress);
void addDispatch(CLI::App& program, Progress& progress);
/// Any of these over many files, here or on a cluster.
void addBatch(CLI::App& program, Progress& progress);
void addNetworks(CLI::App& program);
void addLearn(CLI::App& program, Progress& progress);
/// Through another cleaner and back.
void addOutside(CLI::App& program, Progress& progress);
/// Installed effects: listed and tried.
void addEffects(CLI::App& program, Progress& progress);
/// Stands in for a head tracker.
void addHead(CLI::App& program, Progress& progress);
void addScore(CLI::App& program);

}  // namespace rivlen
