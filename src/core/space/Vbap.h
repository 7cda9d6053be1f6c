#pragma once
#include <array>
#include <vector>

#include "core/space/Direction.h"
#include "core/space/MixFormat.h"

namespace rivlen {

/// Vector base amplitude panning (Pulkki, "Virtual sound source positioning using vector base amplitude panning", 1997)
/// for a ring or a sphere of loudspeakers: a direction p lies between the loudspeakers of a base L when g = p L^-1 has
/// no negative gain; the gains are brought to unit power.
///
/// Layouts that have heights are closed by an imaginary loudspeaker above, whose gain goes to the heights alike, and
/// one below, whose gain goes to those at ear height. Layouts without heights only know the azimuth. Layouts that are
/// all in front (mono, stereo, LCR) take what lies behind as its mirror in front, and what is outside to their edge.
class Vbap {
public:
    explicit Vbap(const std::vector<Speaker>& speakers);

    /// Gains of all loudspeakers, sum of squares 1; the LFE's is 0. spread: degrees across that the sound covers, as
    /// the sum over directions (Pulkki, "Uniform spreading of amplitude panned virtual sources", 1999).
    std::vector<double> gains(const Direction& at, double spread = 0) const;

private:
    using Vector = Vector3;
    struct Base {
        std::array<int, 3> speakers;  ///< the third is -1 in a ring
        std::array<Vector, 3> inverse;
    };
    void addPairs();
    void addTriples();
    void addPoint(const Direction& at, std::vector<double>& sum) const;

    std::vector<Speaker> m_speakers;
    std::vector<Vector> m_vectors;  ///< of the loudspeakers, then above and below where there are heights
    std::vector<int> m_bearing;     ///< indices of those that have a direction, imaginary ones with them
    std::vector<Base> m_bases;
    bool m_heights = false, m_front = false;
};

}  // namespace rivlen
