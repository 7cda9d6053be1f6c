#pragma once
#include <cstdint>
#include <optional>
#include <string>

#include "core/media/Timecode.h"

namespace rivlen {

/// The picture of a video file.
struct PictureInfo {
    int width = 0, height = 0;  ///< pixels
    double fps = 0;             ///< frames per second
    FrameRate rate;             ///< the same as a fraction
    double duration = 0;        ///< seconds; 0: not known
    std::string codec;
};

/// Facts of a media file's first (default) sound stream.
struct MediaInfo {
    std::string file;
    int sampleRate = 0;  ///< Hz
    int channels = 0;
    std::string layout;  ///< "mono", "stereo", "5.1", ...
    std::string codec;   ///< "pcm_s24le", "aac", ...
    int bits = 0;        ///< bits per sample as stored; 0 for lossy codecs
    bool isFloat = false;
    int64_t frames = 0;      ///< exact, after encoder delay and padding
    double startOffset = 0;  ///< seconds by which the sound starts after the picture (or before, if negative)
    std::optional<std::string>
        timecode;  ///< of the picture's first frame, or where there is no picture of the first sample
    std::optional<double> timecodeSeconds;  ///< the first sample's place on the timecode's clock
    bool dropFrame() const { return timecode && timecode->find(';') != std::string::npos; }
    std::optional<PictureInfo> picture;
    double duration() const { return sampleRate > 0 ? double(frames) / sampleRate : 0.0; }
};

}  // namespace rivlen
