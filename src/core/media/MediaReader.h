#pragma once
#include <filesystem>
#include <memory>

#include "core/audio/SampleSource.h"
#include "core/media/MediaInfo.h"

namespace rivlen {

/// Reads the sound of any audio or video file that FFmpeg reads, at its own rate and channel count,
/// at any position, without loading it whole. Positions are exact to the sample: frame 0 is the first
/// sample that FFmpeg itself decodes (encoder delay and edit lists honoured), frames() is exact.
///
/// The file is opened read-only. The constructor throws Error (InputUnreadable) with one sentence for a
/// file that is missing, empty, not a regular file, not media, without sound, or cut short: one rule for all
/// containers, by what the file itself promises (to the millisecond; of lossy codecs to two of their frames). read()
/// throws one when the file was changed meanwhile, or ends before its end.
class MediaReader : public SampleSource {
public:
    explicit MediaReader(const std::filesystem::path& file);
    ~MediaReader() override;

    const MediaInfo& info() const;
    int channels() const override { return info().channels; }
    int sampleRate() const override { return info().sampleRate; }
    int64_t frames() const override { return info().frames; }
    AudioBuffer read(int64_t first, int64_t count) override;
    std::vector<SourceFault> faults() const override;

    /// From now on read() throws Error (InputUnreadable) where the file is damaged, instead of giving silence there.
    void refuseDamage() { m_refuses = true; }

private:
    bool m_refuses = false;
    struct Impl;
    std::unique_ptr<Impl> m;
};

}  // namespace rivlen
