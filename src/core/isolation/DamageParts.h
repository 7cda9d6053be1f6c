#pragma once
#include "core/isolation/Onsets.h"
#include "core/isolation/Weighing.h"

namespace rivlen {

/// Sums over cells from which the five parts of Damage follow, for a moment or, added up, for a span. V is the expected
/// power of the wanted sound, B that of the bed, P both, g the gain (Weighing.h), p the network's share.
///
///  - Onset loss: 100 sum (1 - g^2) p r / sum p r over the risen third-octave bands near the wanted sound (Onsets.h), r
///  being the power that
///    came new. After the onset flux of beat trackers (e.g. Bello et al. 2005), kept band by band.
///  - Dulling: how much more the wanted sound lost from 4 to 12 kHz than from 0.5 to 3 kHz, 12 dB being 100.
///  - Warble: energy of the gain's second difference over time, sum (g[t] - (g[t-1] + g[t+1]) / 2)^2 P, over the
///  result's energy: 0 at -35 dB,
///    100 at -5 dB. The cause of musical noise, which the kurtosis ratio (Uemura et al. 2008) shows only where the bed
///    is noise.
///  - Pumping: standard deviation of the bed's level change from moment to moment where it is within 40 dB of the
///  result, 20 dB being 100.
///  - Holes: 100 sqrt(share of the words' energy in cells with a gain below -14 dB between cells above -6 dB within 60
///  ms on both sides).
/// The scales are our own choice: a mild setting of the demo stays below 20 points, a ruined one comes near 100.
struct DamageSums {
    double onset = 0, onsetLost = 0;
    double middle = 0, middleKept = 0, treble = 0, trebleKept = 0;
    double flutter = 0, kept = 0;
    double bed = 0, bedKept = 0;
    double words = 0, gaps = 0;

    DamageSums& operator+=(const DamageSums& o);
    /// All parts but pumping, which needs moments.
    Damage parts() const;
};

/// Pumping in points over a span's moments.
double pumping(const std::vector<DamageSums>& moments);

/// Adds one group's frames to the moments' sums. gain(t, k): of the cell in frame t of the span, bin k; wanted: V.
class DamageCounter {
public:
    DamageCounter(const SpanCells& cells, size_t group);
    /// gains: [frames][bins]; the moment of frame t is momentOf[t].
    void count(const Cells& gains, const Cells& wanted, const std::vector<int>& momentOf,
               std::vector<DamageSums>& moments) const;

private:
    const SpanCells& m_cells;
    const SpanCells::Group& m_group;
    Onsets m_onsets;
};

}  // namespace rivlen
