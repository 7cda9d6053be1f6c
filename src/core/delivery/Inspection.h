#pragma once
#include <nlohmann/json.hpp>
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"
#include "core/media/MediaInfo.h"

namespace rivlen {

/// What listening through a recording once tells about it.
struct Inspection {
    double integratedLufs = 0, rangeLu = 0, truePeakDbtp = 0;
    double peakDbfs = 0;
    double noiseFloorDbfs = 0;  ///< RMS of the quietest tenth of 50 ms stretches, digital silence left out
    /// For each second of the recording: short-term loudness at its end (LUFS, of the 3 s before), and the noise floor
    /// of the 3 s around it (dBFS, of those 60 stretches). kSilenceDb where nothing sounds.
    std::vector<float> shortTerm, floor;
};

/// The RMS of the quietest tenth of 50 ms stretches. Feed blocks in order, of a multiple of 50 ms but for the last.
class NoiseFloor {
public:
    explicit NoiseFloor(int sampleRate);
    void add(const AudioBuffer& audio);
    double dbfs() const;  ///< kSilenceDb for digital silence
    /// For each second begun, that of the 3 s around it, dBFS.
    std::vector<float> course() const;

private:
    double over(size_t first, size_t end) const;
    int64_t m_stretch;
    std::vector<double> m_levels;  ///< mean squares; 0: digital silence
};

/// Reads the whole source in blocks; cancellable.
Inspection inspect(SampleSource& source, const Progress& progress);

/// The document of `rivlen-cli inspect --json`: the facts known so far.
nlohmann::json toJson(const MediaInfo& info, const Inspection& inspection);

}  // namespace rivlen
