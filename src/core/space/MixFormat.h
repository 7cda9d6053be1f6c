#pragma once
#include <string>
#include <vector>

#include "core/space/Direction.h"

namespace rivlen {

/// What a mix is made for.
enum class MixFormat {
    Reel,  ///< as many channels as the reel has, as ever: lanes are panned, not placed
    Mono,
    Stereo,
    Lcr,
    Surround51,
    Surround71,
    Surround514,
    Surround714,
    Ambix1,
    Ambix2,
    Ambix3,
    Ambix4,
    Ambix5
};

struct MixFormatFacts {
    MixFormat format;
    const char* id;    ///< in files
    const char* name;  ///< in the window
    int channels;      ///< 0: the reel's
    int order;         ///< of ambisonics; 0: loudspeakers
};
const std::vector<MixFormatFacts>& mixFormats();
const MixFormatFacts& mixFormatFacts(MixFormat format);
/// By id; Reel for ids that there are not.
MixFormat mixFormatOf(const std::string& id);

/// The format that a file of so many channels has; Reel for 1, 2, 6 and 8, which need no format to be known, and for
/// counts that no format has. Four are AmbiX of the first order.
MixFormat formatOfChannels(int channels);

struct Speaker {
    const char* name;
    Direction at;
    bool lfe = false;  ///< has no direction
};

/// The loudspeakers of a format in the order of a file (WAVE_FORMAT_EXTENSIBLE); none for ambisonics and Reel. Places:
/// ITU-R BS.775 for 2/0, 3/0 and 3/2, ITU-R BS.2051 systems D, I and J for those with sides, backs and heights.
const std::vector<Speaker>& speakersOf(MixFormat format);

/// Where the channels of a lane's sound of 1, 2, 6 or 8 channels come from before it is turned.
const std::vector<Speaker>& speakersOfChannels(int channels);

/// Names of the channels of a mix, as many as it has; ambisonics by ACN number.
std::vector<std::string> mixChannelNames(MixFormat format, int channels);

}  // namespace rivlen
