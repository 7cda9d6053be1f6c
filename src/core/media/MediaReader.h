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
/// file that is missing, empty, not media, without sound, or cut short.
class MediaReader : public SampleSource {
public:
    explicit MediaReader(const std::filesystem::path& file);
    ~MediaReader() override;

    const MediaInfo& info() const;
    int channels() const override { return info().channels; }
    int sampleRate() const override { return info().sampleRate; }
    int64_t frames() const override { return info().frames; }
    AudioBuffer read(int64_t first, int64_t count) override;

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

}  // namespace rivlen
