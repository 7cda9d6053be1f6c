#pragma once
#include <memory>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// The true peak after ITU-R BS.1770-4, annex 2, as libebur128 finds it (fourfold oversampling, twofold from 96 kHz
/// on), to the bit, but only looked for where it can be: between samples of some height its filter makes no more
/// than 1.87 times that height (2.31 from 96 kHz on), so stretches that are lower than the peak found before by more
/// than this are passed over.
class TruePeak {
public:
    /// Throws Error (Other) where libebur128 knows no such rate.
    TruePeak(int channels, int sampleRate);
    ~TruePeak();
    TruePeak(TruePeak&&) noexcept;

    void add(const AudioBuffer& audio);  ///< blocks in order, of any length
    double largest() const;              ///< of all channels so far, linear; 0 for silence
    double take();                       ///< the largest since it was taken

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

}  // namespace rivlen
