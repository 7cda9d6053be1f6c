#pragma once
#include <filesystem>
#include <string>

#include "core/base/Progress.h"

namespace rivlen {

/// A sound that goes to a picture, or into a file of its own.
struct NewSound {
    enum class Codec { Aac, Pcm16, Pcm24 };
    std::filesystem::path file;  ///< a WAV
    Codec codec = Codec::Aac;
    std::string title, language;  ///< language: ISO 639-2; empty: not said
};

/// Writes an MP4, MOV, MKV or M4A by the name's ending: the picture of a video file copied packet by packet, never
/// decoded, with a new sound whose first sample lies where that of the file's own sound lay (before it the track is
/// silent back to the picture's first frame). With keepOriginal its own sound comes along as a second track, copied as
/// well. An empty picture: the sound alone. The file is written in place: the caller gives it a name for that time.
/// Throws Error (InputUnreadable, OutputUnwritable, Cancelled, Usage where the container cannot hold the picture's
/// codec).
void muxSound(const std::filesystem::path& picture, const NewSound& sound, bool keepOriginal,
              const std::filesystem::path& out, const Progress& progress);

/// Frames of silence before the new sound's first sample in what muxSound() makes of a picture.
int64_t soundLead(const std::filesystem::path& picture, int sampleRate);

/// What the picture of a file is, packet by packet as it is stored.
struct PictureSum {
    std::string md5;  ///< over the packets' bytes in order
    int64_t packets = 0;
    bool operator==(const PictureSum&) const = default;
};
/// Throws Error (InputUnreadable, Cancelled).
PictureSum pictureSum(const std::filesystem::path& file, const Progress& progress);

}  // namespace rivlen
