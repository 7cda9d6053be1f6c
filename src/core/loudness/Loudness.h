#pragma once
#include <memory>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// Loudness after ITU-R BS.1770-4 / EBU R 128 (libebur128). Feed blocks in order.
class LoudnessMeter {
public:
    /// What is measured: true peak oversamples fourfold and is by far the dearest part.
    enum class Detail { LoudnessAndPeak, Everything };
    LoudnessMeter(int channels, int sampleRate, Detail detail = Detail::Everything);
    ~LoudnessMeter();
    LoudnessMeter(LoudnessMeter&&) noexcept;

    void add(const AudioBuffer& audio);
    double integrated() const;  ///< LUFS; -infinity for silence or less than 0.4 s
    double momentary() const;   ///< LUFS of the last 0.4 s
    double lastTenth() const;   ///< LUFS of the last 0.1 s
    double shortTerm() const;   ///< LUFS of the last 3 s; needs Everything
    double range() const;       ///< LU (EBU Tech 3342); needs Everything
    double truePeak() const;    ///< dBTP; needs Everything
    double samplePeak() const;  ///< dBFS; kSilenceDb for silence

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

}  // namespace rivlen
