#pragma once
#include <memory>
#include <utility>

#include "core/base/Parameter.h"
#include "core/space/MixFormat.h"

namespace rivlen {

/// Where a lane is in the room of the mix.
struct Position {
    double azimuth = 0;     ///< degrees, -180 ... 180, to the left
    double elevation = 0;   ///< degrees, -90 ... 90, upwards
    double distance = 1;    ///< metres, 0.5 ... 60; up to 1 m the sound is as it is
    double spread = 0;      ///< degrees across, 0 ... 180
    double divergence = 0;  ///< %, 0 ... 100: how much of it comes from both sides of its place instead of the place

    bool operator==(const Position&) const = default;
};

const std::vector<Parameter<Position>>& placeParameters();

/// How far aside the two sides of a divergence stand, degrees: those of a sound in front are left and right.
inline constexpr double kDivergenceRange = 30;
/// Shares of the place itself and of each of the two sides, sum 1 (ITU-R BS.2127, objectDivergence): (1 - d) / (1 + d)
/// and d / (1 + d).
std::pair<double, double> divergenceShares(double percent);

/// Level of a sound at a distance against 1 m: 6.02 dB less for each doubling (a point in the free field).
double distanceGain(double metres);

/// Attenuation by air in dB per metre at a frequency in Hz (ISO 9613-1, pure tones at the standard pressure).
double airAbsorption(double hz, double celsius = 20, double humidityPercent = 50);

/// How a sound of some channels gets into a format at a place. Loudspeakers by VBAP, ambisonics by encoding, SN3D. Each
/// channel of the sound comes from where its own loudspeaker stands, turned by azimuth and elevation; width (%, of a
/// stereo sound) turns left and right towards each other or apart. The LFE goes to the LFE where there is one.
/// Divergence sums the powers of loudspeakers, in ambisonics the amplitudes, of the three places.
class Placement {
public:
    /// channels: of the sound, 1, 2, 6 or 8. In the reel's own format it stays in its channels, and only has a
    /// distance.
    Placement(MixFormat format, int channels);
    int outputs() const { return m_format == MixFormat::Reel ? m_channels : mixFormatFacts(m_format).channels; }
    /// Gains by output, then by channel of the sound; distance counts as level alone.
    std::vector<double> gains(const Position& place, double widthPercent = 100) const;

private:
    struct Panner;
    MixFormat m_format;
    int m_channels;
    std::shared_ptr<const Panner> m_panner;  ///< copies share it
};

}  // namespace rivlen
