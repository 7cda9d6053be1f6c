#pragma once
#include <string>
#include <vector>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// What the channels of a file stand for.
enum class ChannelLayout { Own, Mono, Stereo, Surround51, Surround71, AmbiX, Binaural };

struct ChannelLayoutFacts {
    ChannelLayout layout;
    const char* id;    ///< in files
    const char* name;  ///< in the window
    int channels;      ///< 0: as many as there are
};
const std::vector<ChannelLayoutFacts>& channelLayouts();
const ChannelLayoutFacts& layoutFacts(ChannelLayout layout);

/// Names of the channels in the order of a file: L R C LFE Ls Rs, 7.1 L R C LFE Lb Rb Ls Rs (WAVE_FORMAT_EXTENSIBLE),
/// AmbiX W Y Z X (ACN).
std::vector<std::string> channelNames(ChannelLayout layout, int channels);

/// Brings a mix of 1, 2, 6 or 8 channels into a layout. Down: Lo/Ro and mono after ITU-R BS.775 (centre and surrounds
/// at 0.7071, LFE left out); up: nothing is invented, sounds stay where they were: mono goes to the centre (to stereo
/// at -3.01 dB in both), stereo to left and right, the surrounds of 5.1 to sides and back at -3.01 dB each. AmbiX is
/// first order, ACN and SN3D: each loudspeaker's signal comes from its own azimuth (ITU-R BS.775: 30 and 110 degrees;
/// BS.2051 for 7.1: 90 and 135), the LFE left out.
AudioBuffer toLayout(const AudioBuffer& mix, ChannelLayout layout);
/// Channels that toLayout() gives for a mix of so many.
int channelsOf(ChannelLayout layout, int own);

}  // namespace rivlen
