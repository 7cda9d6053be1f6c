#pragma once
#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "core/isolation/StrengthTimeline.h"
#include "core/media/AudioWriter.h"
#include "core/separation/StemBlock.h"

namespace rivlen {

/// What was written for one recording.
struct StemReport {
    struct Stem {
        std::string name;
        std::filesystem::path file;
        double peakDbfs, rmsDbfs;
        std::optional<double> lufs;  ///< when it was asked for
    };
    std::vector<Stem> stems;
    double residualDbfs;  ///< peak of source minus sum of the stems as computed in 32-bit float
};

/// Writes a separation as files BASENAME.STEM.wav at given strength settings. Takes the blocks of a
/// StemSink in order; nothing has its final name before finish().
class StemFiles {
public:
    struct Target {
        std::filesystem::path folder;
        std::string basename;
        AudioFormat format;
        bool overwrite = false;
        bool result = false;                ///< BASENAME.result as well: the wanted stem with its Balance
        std::filesystem::path source = {};  ///< never written to, by whatever name
    };

    /// Opens all files; throws Error (OutputUnwritable), or Error (Usage) when the settings shape a stem that is not
    /// among stems. measureLoudness costs a quarter of the writing.
    StemFiles(const Target& target, std::vector<std::string> stems, int sampleRate, int channels,
              const StrengthTimeline& timeline, bool measureLoudness = true);
    ~StemFiles();

    /// The room, when there is one, in every block or in none.
    void add(StemBlock block);
    void add(const AudioBuffer& source, const std::vector<AudioBuffer>& stems);
    StemReport finish();

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

/// The path of one stem's file.
std::filesystem::path stemPath(const StemFiles::Target& target, const std::string& stem);

}  // namespace rivlen
