#pragma once
#include <string>
#include <vector>

#include "core/space/Placement.h"

namespace rivlen {

/// Where a channel of an object is from a time on, until the next place: it moves there in a straight line.
struct AdmPlace {
    double second = 0;  ///< from the beginning of the file
    Direction at;
    double spread = 0;      ///< degrees across
    double divergence = 0;  ///< %
};

/// A sound that is placed by whoever plays it.
struct AdmObject {
    std::string name;
    std::vector<std::vector<AdmPlace>> channels;  ///< the way of each of its channels, at least one place each
};

/// What an ADM file holds: first the channels of a bed, in its format's order, then those of the objects.
struct AdmScene {
    std::string programme;
    MixFormat bed = MixFormat::Reel;
    int bedChannels = 0;  ///< 0: there is no bed
    std::vector<AdmObject> objects;
    double seconds = 0;
    int sampleRate = 48000, bits = 24;

    int tracks() const;
    std::vector<std::string> trackNames() const;
};

/// The axml chunk: the audio definition model of ITU-R BS.2076-2 in an EBU Core frame. Beds of loudspeakers have a pack
/// of type DirectSpeakers with labels after ITU-R BS.2051, ambisonic ones of type HOA (SN3D), each object one of type
/// Objects.
std::string admXml(const AdmScene& scene);
/// The chna chunk (ITU-R BS.2088): which track is which channel.
std::string admTable(const AdmScene& scene);

}  // namespace rivlen
