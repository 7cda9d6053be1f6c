#pragma once
#include <filesystem>
#include <memory>
#include <optional>
#include <vector>

#include "core/media/MediaInfo.h"

namespace rivlen {

/// One frame of a picture, ready to be shown.
struct PictureFrame {
    int width = 0, height = 0;  ///< pixels; non-square pixels of the file are made square
    int64_t number = 0;         ///< from 0, at the file's frame rate
    double from = 0, to = 0;    ///< seconds from the first sample of the sound, during which it is shown
    std::vector<uint8_t> rgba;  ///< height rows of width x 4 bytes: red, green, blue, 255
};

/// Reads the frames of a video file at any time. For one thread. The file is opened read-only. Knows nothing of the
/// sound but where it begins.
class PictureReader {
public:
    /// How frames are made: Exact, by one thread, as they are to be shown; Swift, by two threads and a little rougher,
    /// for who reads many in their order.
    enum class Care { Exact, Swift };
    /// Throws Error (InputUnreadable) with one sentence when there is no picture that can be decoded.
    explicit PictureReader(const std::filesystem::path& file, Care care = Care::Exact);
    ~PictureReader();

    const PictureInfo& info() const;
    /// The frame that is shown at a time, in seconds from the first sample of the sound: the last one that begins then
    /// or before. It is made as high as given, or as it is when 0. The first frame before the picture begins, the last
    /// one after it ends; nothing when the file gives none.
    std::optional<PictureFrame> at(double seconds, int height = 0);
    /// The key frame before a time, which takes far less work: good enough for a small picture among many.
    std::optional<PictureFrame> near(double seconds, int height);

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

}  // namespace rivlen
