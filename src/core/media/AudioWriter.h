#pragma once
#include <filesystem>
#include <memory>
#include <optional>
#include <string>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// How samples are stored in a file.
struct AudioFormat {
    enum class Container { Wav, Flac, Aiff, Vorbis, Opus, Mp3 };
    enum class Bits { Int16, Int24, Float32 };
    Container container = Container::Wav;
    Bits bits = Bits::Float32;

    /// From the words of the command line: "wav"/"flac" and "16"/"24"/"32f". Throws Error (Usage).
    static AudioFormat parse(const std::string& container, const std::string& bits);
    std::string extension() const;
};

/// What a file says about itself: in WAV as a bext chunk (EBU Tech 3285, version 2), elsewhere as title and comment.
struct AudioNotes {
    std::string description;
    int64_t timeReference = 0;  ///< frames since midnight of the first one
    std::optional<double> integrated, range, truePeak;  ///< LUFS, LU, dBTP
};

/// Writes one sound file (libsndfile; WAV turns into RF64 above 4 GB). The file appears under its final name
/// only when commit() is called; until then, and when the writer goes away without it, there is a
/// hidden partial file at most. Integers are clipped at full scale; 16 bit gets triangular dither. Lossy containers ignore bits.
class AudioWriter {
public:
    /// Throws Error (OutputUnwritable) when the folder cannot be written to, or the file is there and
    /// overwrite is false.
    AudioWriter(std::filesystem::path file, int sampleRate, int channels, AudioFormat format, bool overwrite = false, const AudioNotes* notes = nullptr);
    ~AudioWriter();
    AudioWriter(const AudioWriter&) = delete;

    void write(const AudioBuffer& audio);  ///< throws Error (OutputUnwritable), for instance on a full disk
    void commit();                         ///< completes the file and gives it its name
    const std::filesystem::path& file() const;

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

}  // namespace rivlen
