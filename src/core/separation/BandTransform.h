#pragma once
#include <complex>
#include <span>
#include <vector>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// What lies around a network that shares bands of frequency out among stems (training/waveform.py): frames, their
/// bins, and which bins a band has.
struct BandTransform {
    int size = 0, hop = 0;  ///< samples of a frame, and from one to the next
    int stride = 1;         ///< frames are a multiple of it
    int bands = 0;
    std::vector<float> window, synthesis;  ///< size each
    std::vector<int> bandOfBin;            ///< of the bins from 0 on, rising; those above are in no band
    std::vector<int> lowerBand;            ///< a bin lies between this band and the next,
    std::vector<float> lowerShare;         ///< of which the lower one has this share

    int bins() const { return size / 2 + 1; }
    /// Whether the parts fit each other.
    bool fits() const;
    int framesFor(int64_t samples) const;

    /// Whether there is such a transform with longer or shorter frames: they overlap by half, under the root of a Hann
    /// window both ways.
    bool stretches() const;
    /// With frames of another even length, whose bins from 0 on are this one's: what it hears is as fast or slow as the
    /// frames are long or short. Bins above this one's last share the last band's fate and are not heard.
    BandTransform stretched(int frame) const;
};

/// The even length of frames nearest to the wanted one of which a Fourier transform is fast: no prime factor above 7.
int fastFrame(double wanted);

/// A recording of one or two channels in frames and bands, and back as stems.
class BandedSound {
public:
    /// The transform must outlive this.
    BandedSound(const BandTransform& transform, const AudioBuffer& sound);

    int frames() const { return m_frames; }
    /// Power of mid and side, float[2, frames, bands]; of a mono recording the side's is 0.
    std::span<float> power() { return m_power; }
    /// The sum of mid times the conjugate of side, its real and its imaginary part, float[2, frames, bands].
    std::span<float> cross() { return m_cross; }

    /// shares: float[stems, 2, frames, bands] of mid and side, which sum to 1 over the stems. The last stem is what the
    /// others leave of the recording. Of each count samples from first on.
    std::vector<AudioBuffer> stems(std::span<const float> shares, int stems, int64_t first, int64_t count) const;

private:
    using Bins = std::span<const std::complex<float>>;
    size_t binsAt(int channel, int frame) const;
    Bins bins(int channel, int frame) const;
    int64_t startOf(int frame) const { return int64_t(frame) * m_transform.hop - m_transform.size; }
    void sumBands(int frame);
    void addStem(std::span<const float> shares, int channel, int64_t from, std::span<float> wave) const;

    const BandTransform& m_transform;
    const AudioBuffer& m_sound;
    int m_frames;
    std::vector<std::complex<float>> m_bins;  ///< channels, frames, bins; of two channels mid and side
    std::vector<float> m_power, m_cross;
};

}  // namespace rivlen
