#pragma once
#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "core/base/Progress.h"
#include "core/separation/NetworkCard.h"
#include "core/separation/PartNames.h"
#include "core/separation/StemStore.h"

namespace rivlen {

/// The network that takes a stem apart: the best one whose card says so. Throws Error (Other) when none is installed.
NetworkCard partsNetwork(const std::string& stem);

/// Where the parts of a stem of a store are kept: beside it, so that they go with it.
std::filesystem::path partsFolder(const StemStore& stems, const std::string& stem, const NetworkCard& card);

/// The parts that were made before, or nothing.
std::shared_ptr<StemStore> openParts(const StemStore& stems, const std::string& stem);

/// Takes a stem of a finished store apart, as it was separated (without mends), into a new store that has the parts for
/// stems. Quality "quick" or "fine". Throws Error (Cancelled, OutputUnwritable, Usage, Other).
std::shared_ptr<StemStore> makeParts(const StemStore& stems, const std::string& stem, const std::string& quality,
                                     const Progress& progress);

/// The same of a stretch at some rate: gives the block the stem's parts.
void takeApart(StemBlock& block, const std::string& stem, int sampleRate, const std::string& quality,
               const Progress& progress);

/// The parts that were made before, else makeParts().
std::shared_ptr<StemStore> openOrMakeParts(const StemStore& stems, const std::string& stem, const std::string& quality,
                                           const Progress& progress);

}  // namespace rivlen
