#pragma once
#include <nlohmann/json.hpp>

#include "core/audio/Progress.h"
#include "core/audio/SampleSource.h"
#include "core/media/MediaInfo.h"

namespace rivlen {

/// What listening through a recording once tells about it.
struct Inspection {
    double integratedLufs = 0, rangeLu = 0, truePeakDbtp = 0;
    double peakDbfs = 0;
    double noiseFloorDbfs = 0;  ///< RMS of the quietest tenth of 50 ms stretches, digital silence left out
};

/// Reads the whole source in blocks; cancellable.
Inspection inspect(SampleSource& source, const Progress& progress);

/// The document of `rivlen-cli inspect --json`: the facts known so far.
nlohmann::json toJson(const MediaInfo& info, const Inspection& inspection);

}  // namespace rivlen
