#pragma once
#include <filesystem>
#include <optional>
#include <vector>

#include "core/base/Progress.h"
#include "core/separation/StemStore.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

/// What the treatments of a chain made of a recording: a file in the cache folder, which can be made again at any time.
/// The recording itself is never written to.
struct TreatedFile {
    std::filesystem::path file;  ///< 32-bit float, as long as the recording and aligned with it
    std::vector<TreatmentChain::Effect> effects;

    /// Its levels, one row, for drawing; null when they are gone.
    std::shared_ptr<LevelTrack> levels() const;

    /// The one of a recording and its chain (of kRecordingPlace), when it was made before and both are unchanged.
    static std::optional<TreatedFile> find(const std::filesystem::path& source, const std::vector<Treatment>& chain);
    /// Makes it; findings are of the recording, nothing: it is diagnosed first. Of a recording's older treated files
    /// the newest two stay. Throws Error (Cancelled, InputUnreadable, OutputUnwritable).
    static TreatedFile make(const std::filesystem::path& source, const std::vector<Treatment>& chain,
                            std::optional<std::vector<Finding>> findings, const Progress& progress);
};

/// The stems of a split with treatments at work on single stems, and the recording without what these took away: the
/// stems sum to it.
struct TreatedStems {
    std::filesystem::path recording;  ///< stands for the recording
    std::shared_ptr<StemStore> stems;
    std::vector<TreatmentChain::Effect> effects;

    static std::optional<TreatedStems> find(const StemStore& stems, const std::vector<Treatment>& treatments);
    /// source is what was split; those treatments count that are on and work at a stem. Throws as TreatedFile::make().
    static TreatedStems make(const std::filesystem::path& source, const StemStore& stems,
                             const std::vector<Treatment>& treatments, const std::vector<Finding>& findings,
                             const Progress& progress);
};

/// A stretch of a recording, treated for listening before the whole is.
struct TreatmentPreview {
    int64_t first = 0;
    AudioBuffer treated;
    std::vector<AudioBuffer> removed;             ///< by each treatment that is on, in order
    std::vector<TreatmentChain::Effect> effects;  ///< in this stretch
};

/// Treats count frames from first on; what adapts begins two seconds before. Throws Error (Cancelled, InputUnreadable).
TreatmentPreview previewTreatments(SampleSource& source, const std::vector<Treatment>& chain,
                                   const TreatmentFacts& facts, int64_t first, int64_t count, const Progress& progress);

}  // namespace rivlen
