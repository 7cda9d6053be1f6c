#pragma once
#include <memory>
#include <optional>
#include <vector>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// Scale-invariant signal-to-distortion ratio in dB over all channels together, without their offsets.
/// Le Roux, Wisdom, Erdogan, Hershey: "SDR - half-baked or well done?", ICASSP 2019. Both of the same shape.
double siSdr(const AudioBuffer& estimate, const AudioBuffer& reference);

/// BSS Eval figures of one estimate, in dB.
struct BssFigures {
    double sdr = 0, sir = 0, sar = 0;
};

/// Measures estimates against the same references again and again: what depends on the references alone is computed
/// once.
class BssEval {
public:
    /// As bssEval().
    explicit BssEval(const std::vector<AudioBuffer>& references, int taps = 512);
    ~BssEval();
    /// Of an estimate of the source with this index.
    BssFigures figures(const AudioBuffer& estimate, int source) const;

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

/// Vincent, Gribonval, Fevotte: "Performance measurement in blind audio source separation", IEEE TASLP 2006, with a
/// time-invariant distortion filter of `taps` samples. The channels are folded to mono. One estimate for each
/// reference, in the same order and of the same length; no reference may be silent (its figures would be undefined:
/// NaN).
std::vector<BssFigures> bssEval(const std::vector<AudioBuffer>& estimates, const std::vector<AudioBuffer>& references,
                                int taps = 512);

/// Extended short-time objective intelligibility, 0 ... 1. Jensen and Taal: "An Algorithm for Predicting the
/// Intelligibility of Speech Masked by Modulated Noise Maskers", IEEE TASLP 2016: 10 kHz, 15 third-octave bands from
/// 150 Hz, segments of 30 frames; frames 40 dB below the reference's loudest are left out. The channels are folded to
/// mono. Empty when less than 0.4 s of speech is there.
std::optional<double> estoi(const AudioBuffer& estimate, const AudioBuffer& reference, int sampleRate);

}  // namespace rivlen
