#pragma once
#include <filesystem>
#include <memory>
#include <string>
#include <vector>

#include "core/media/AudioWriter.h"
#include "core/separation/Engine.h"

namespace rivlen {

/// What separate() gave for a span of a recording (EngineOptions::asInWhole), kept as it is in files until the other
/// spans are there: FROM-TO.STEM.wav in 32-bit float, FROM and TO in frames with leading zeros.
class SpanFiles {
public:
    /// Throws Error (OutputUnwritable).
    SpanFiles(const std::filesystem::path& folder, int64_t from, int64_t to, const std::vector<std::string>& stems,
              int sampleRate, int channels, bool overwrite);
    /// The next frames of all stems. Throws Error (OutputUnwritable).
    void add(const std::vector<AudioBuffer>& stems);
    /// The files, which are complete and have their names only now.
    std::vector<std::filesystem::path> finish();

    /// FROM-TO, what the names of a span's files begin with.
    static std::string name(int64_t from, int64_t to);

private:
    std::vector<std::unique_ptr<AudioWriter>> m_writers;
};

/// Hands on what the spans in a folder hold together, as separate() would for the whole recording: blocks in order,
/// with the source's frames. Throws Error (InputUnreadable) where a span is missing, cut or of another recording,
/// (Cancelled).
void joinSpans(SampleSource& source, const std::filesystem::path& folder, const std::vector<std::string>& stems,
               const StemSink& sink, const Progress& progress);

}  // namespace rivlen
