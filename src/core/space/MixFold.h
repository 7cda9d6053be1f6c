#pragma once
#include <vector>

#include "core/audio/SpeakerLayout.h"
#include "core/space/MixFormat.h"

namespace rivlen {

/// Brings the mix of a format into a layout of channels, or into what is listened to and measured.
///
/// Between loudspeakers heights go down to the ones below them at -3.01 dB (common practice), the rest is toLayout()
/// (SpeakerLayout.h: ITU-R BS.775). Ambisonics are decoded (AmbisonicDecoder.h) for 5.1 or 7.1, and folded from there.
/// AmbiX of first order from loudspeakers encodes each where it stands, from higher orders it keeps the first four
/// channels. What two ears hear is made elsewhere (Binaural.h): such a fold passes on what it gets.
class MixFold {
public:
    /// channels: of the mix; only counts where the format is Reel.
    MixFold(MixFormat from, int channels, ChannelLayout to);
    int outputs() const { return m_outputs; }
    AudioBuffer operator()(const AudioBuffer& mix) const;

private:
    std::vector<double> m_matrix;  ///< by output, then channel; empty: toLayout() alone
    ChannelLayout m_to;
    int m_outputs;
};

/// The format that has a layout's loudspeakers; Reel for Own, the first order for AmbiX.
MixFormat formatOfLayout(ChannelLayout layout);

/// The layout in which loudness is measured: the mix's own loudspeakers, for ambisonics those of 7.1.
ChannelLayout measuredLayoutOf(MixFormat format);

}  // namespace rivlen
