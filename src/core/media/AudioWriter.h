#pragma once
#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/audio/SpeakerLayout.h"
#include "core/media/Quantiser.h"

namespace rivlen {

/// How samples are stored in a file.
struct AudioFormat {
    enum class Container { Wav, Flac, Aiff, Vorbis, Opus, Mp3 };
    enum class Bits { Int16, Int24, Float32 };
    Container container = Container::Wav;
    Bits bits = Bits::Float32;
    Dither dither = Dither::Triangular;         ///< of 16 and 24 bits
    ChannelLayout layout = ChannelLayout::Own;  ///< what so many channels stand for; Own: what is usual

    /// From the words of the command line: "wav"/"flac" and "16"/"24"/"32f". Throws Error (Usage).
    static AudioFormat parse(const std::string& container, const std::string& bits);
    std::string extension() const;
};

/// What a file says about itself: in WAV as bext (EBU Tech 3285, version 2), iXML and cue chunks, elsewhere as a title.
struct AudioNotes {
    std::string description;
    int64_t timeReference = 0;  ///< frames since midnight of the first one
    std::optional<double> integrated, range, truePeak, maxMomentary, maxShortTerm;  ///< LUFS, LU, dBTP, LUFS, LUFS
    std::string project, scene;                                                     ///< iXML: session and reel
    std::vector<std::string> tracks;                                                ///< iXML: a name for each channel
    std::vector<std::pair<int64_t, std::string>> cues;                              ///< markers: frame and name
    std::string axml, chna;  ///< chunks of BW64 (ITU-R BS.2088) as they are; empty: none
    int64_t frames = 0;  ///< of the whole file where that is known: below 4 GB it is a plain WAV, which can bear cues
};

/// Writes one sound file (libsndfile; WAV turns into RF64 above 4 GB). The file appears under its final name
/// only when commit() is called; until then, and when the writer goes away without it, there is a
/// hidden partial file at most. Integers are clipped at full scale and dithered. Lossy containers ignore bits.
class AudioWriter {
public:
    /// Throws Error (OutputUnwritable) when the folder cannot be written to, or the file is there and
    /// overwrite is false.
    AudioWriter(std::filesystem::path file, int sampleRate, int channels, AudioFormat format, bool overwrite = false,
                const AudioNotes* notes = nullptr);
    ~AudioWriter();
    AudioWriter(const AudioWriter&) = delete;

    void write(const AudioBuffer& audio) { write(audio, 0, audio.frames()); }
    /// count of its frames, from first on. Throws Error (OutputUnwritable), for instance on a full disk.
    void write(const AudioBuffer& audio, int64_t first, int64_t count);
    void commit();        ///< completes the file and, once it is on the disk, gives it its name
    void commitForNow();  ///< the same for a file that is only passed on: without waiting for the disk
    const std::filesystem::path& file() const;
    /// A sum over all samples as they are stored, in order (fingerprint()); 0 for lossy containers.
    uint64_t fingerprint() const;

private:
    void close();

    struct Impl;
    std::unique_ptr<Impl> m;
};

/// Goes on with a sum over samples (FNV-1a), interleaved: integers in the upper bits of 32, floats by their bits.
uint64_t fingerprint(uint64_t sofar, const std::vector<int32_t>& samples);
inline constexpr uint64_t kNoFingerprint = 1469598103934665603ull;

}  // namespace rivlen
