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
struct RepairedFile {
    std::filesystem::path file;  ///< 32-bit float, as long as the recording and aligned with it
    std::vector<RepairChain::Effect> effects;

    /// Its levels, one row, for drawing; null when they are gone.
    std::shared_ptr<LevelTrack> levels() const;

    /// The one of a recording and its chain (of kRecordingPlace), when it was made before and both are unchanged.
    static std::optional<RepairedFile> find(const std::filesystem::path& source, const std::vector<Treatment>& chain);
    /// Makes it; findings are of the recording, nothing: it is diagnosed first. Of a recording's older repaired files
    /// the newest two stay. Throws Error (Cancelled, InputUnreadable, OutputUnwritable).
    static RepairedFile make(const std::filesystem::path& source, const std::vector<Treatment>& chain,
                             std::optional<std::vector<Finding>> findings, const Progress& progress);
};

/// The stems of a split with treatments at work on single stems, and the recording without what these took away: the
/// stems sum to it.
struct RepairedStems {
    std::filesystem::path work;  ///< stands for the recording
    std::shared_ptr<StemStore> stems;
    std::vector<RepairChain::Effect> effects;

    static std::optional<RepairedStems> find(const StemStore& stems, const std::vector<Treatment>& treatments);
    /// source is what was split; those treatments count that are on and work at a stem. Throws as RepairedFile::make().
    static RepairedStems make(const std::filesystem::path& source, const StemStore& stems,
                              const std::vector<Treatment>& treatments, const std::vector<Finding>& findings,
                              const Progress& progress);
};

/// A stretch of a recording, treated for listening before the whole is.
struct RepairPreview {
    int64_t first = 0;
    AudioBuffer repaired;
    std::vector<AudioBuffer> removed;          ///< by each treatment that is on, in order
    std::vector<RepairChain::Effect> effects;  ///< in this stretch
};

/// Treats count frames from first on; what adapts begins two seconds before. Throws Error (Cancelled, InputUnreadable).
RepairPreview previewRepairs(SampleSource& source, const std::vector<Treatment>& chain, const RepairFacts& facts,
                             int64_t first, int64_t count, const Progress& progress);

}  // namespace rivlen
