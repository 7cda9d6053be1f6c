#pragma once
#include <filesystem>
#include <memory>
#include <optional>

#include "core/audio/SampleSource.h"
#include "core/media/MediaInfo.h"

namespace rivlen {

/// One forward pass of FFmpeg over the default sound stream: blocks of samples with their position.
/// Used by MediaReader; it knows nothing of caching or random access.
class AudioDecoder {
public:
    /// Opens the file; throws Error (InputUnreadable).
    explicit AudioDecoder(const std::filesystem::path& file);
    ~AudioDecoder();

    /// Facts from the container; frames is what it promises (0 when it does not say).
    const MediaInfo& promised() const;

    struct Block {
        int64_t first;         ///< position of the first frame, counted from the stream's first sample
        AudioBuffer audio;     ///< float, planar; numbers only
        int64_t missing = 0;   ///< frames before it that there should be
        bool damaged = false;  ///< they could not be decoded; else the file has none
        std::vector<SourceFault> notNumbers = {};
    };
    /// The next block, or nothing at the end. What cannot be decoded is left out: the next block stands where it
    /// belongs.
    std::optional<Block> next();

    /// Goes to a place at or before the given frame; the next block tells where. False when the
    /// container cannot be searched (then reopen and read from the start).
    bool seek(int64_t frame);

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

}  // namespace rivlen
