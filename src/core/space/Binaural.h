#pragma once
#include <complex>
#include <memory>

#include "core/audio/AudioBuffer.h"
#include "core/space/HeadResponses.h"
#include "core/space/MixFormat.h"
#include "core/spectral/Fft.h"

namespace rivlen {

/// A mix heard on headphones: each loudspeaker through the responses of its direction; ambisonics through those of
/// many directions around, sampled and summed once for each channel. The LFE is left out, as in the fold to two
/// channels. Adds no delay but the responses' own. For one thread.
///
/// Overlap-save convolution over the whole response (Oppenheim and Schafer, "Discrete-Time Signal Processing"). The
/// level is that of the fold: noise from all directions of the ring alike has the power that its fold of a centre has.
class Binaural {
public:
    static constexpr int kBlock = 512;  ///< frames at most at once
    /// channels: of the mix; only counts where the format is Reel. yaw: the head's turn to the left, degrees.
    Binaural(MixFormat format, int channels, std::shared_ptr<const HeadResponses> responses, double yaw = 0);

    /// The head turns; the next block goes over to it.
    void turn(double yaw);
    double yaw() const { return m_yaw; }
    int channels() const { return m_channels; }
    /// At most kBlock frames, following those before; two channels.
    AudioBuffer process(const AudioBuffer& mix);
    void reset();  ///< forgets what was heard

private:
    using Spectrum = std::vector<std::complex<float>>;
    using Filters = std::vector<std::array<Spectrum, 2>>;  ///< by channel, for both ears
    std::shared_ptr<const Filters> filtersFor(double yaw);
    AudioBuffer heard(const Filters& filters, const std::vector<Spectrum>& input, int64_t frames);

    MixFormat m_format;
    int m_channels, m_past;
    std::shared_ptr<const HeadResponses> m_responses;
    double m_yaw, m_level = 1;
    Fft m_fft;
    std::shared_ptr<const Filters> m_filters, m_before;
    AudioBuffer m_history;
};

}  // namespace rivlen
