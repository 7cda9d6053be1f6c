#pragma once
#include <array>
#include <memory>

#include "core/isolation/SpanCells.h"

namespace rivlen {

/// What was done to the wanted sound, in points from 0 (untouched) to 100 (nothing of it is whole).
struct Damage {
    double total = 0;
    double onsetLoss = 0;  ///< beginnings of t, s and x that were taken away
    double dulling = 0;    ///< treble lost against the middle
    double warble = 0;     ///< gain that flutters from frame to frame
    double pumping = 0;    ///< bed that swells around the words
    double holes = 0;      ///< gated gaps inside words

    static constexpr int kParts = 5;
    double part(int i) const { return std::array{onsetLoss, dulling, warble, pumping, holes}[size_t(i)]; }
    static const char* partName(int i);  ///< "Onset loss", ...
};

/// Spill and damage of one moment.
struct Moment {
    double spillDb = 0;  ///< unwanted over wanted sound in the result
    Damage damage;
    double voice = 0;  ///< expected energy of the wanted sound there, as a share of the span's loudest moment
    double spill = 0;  ///< energy of the unwanted in the result, in the same unit
};

inline constexpr double kMomentSeconds = 0.1;

struct Weighing {
    double spillDb = 0;
    Damage damage;
    std::vector<Moment> moments;  ///< every kMomentSeconds from the beginning of the span

    /// Energies in the result, in units of what is kept of the wanted sound at one gain.
    double bent = 0;      ///< wanted sound that is louder or softer than at that gain, by band
    double spilt = 0;     ///< interference, corrected
    double moved = 0;     ///< artifacts
    double sdrDb = 0;     ///< kept over the three together: what the knee looks at, the counterpart of SI-SDR
    double gain = 1;      ///< mean one of the wanted sound
    double wantedDb = 0;  ///< expected power of the wanted sound over all power of the source
};

class DamageCounter;

/// Measures without a reference, what is left of the unwanted and what the wanted sound suffered.
///
/// The network's share p of a cell is read as an expectation: v = p^a / (p^a + (1 - p)^a), a = 1.5, of its power P is
/// wanted, V = v P, the rest is bed, B = P - V. The result is the source times a gain g in each cell. In bands of some
/// 94 Hz, which is what the distortion filters of BSS Eval (Vincent, Gribonval, Fevotte 2006; 512 taps) can follow, the
/// mean gains of both are allowed distortions:
///   kept          T = sum_f gV(f)^2 V(f)        with gV(f) = sum g V / sum V over the band's cells
///   interference  I = sum_f gB(f)^2 B(f)        likewise with B
///   artifacts     A = sum g^2 P - T - I         what moves over time
/// Spill is 10 log10(I / T), corrected by what the picture of the shares says about the network's errors
/// (SpillModel.h): the counterpart of -SIR. The total of damage is 100 / (1 + 10^((S - 6) / 10)) with S = 10 log10((T +
/// I) / A) - 2.4, the counterpart of SAR; 6 dB as the middle is our own choice. `./rivlen bench measures` compares both
/// with the true SIR and SAR. The parts are defined in DamageParts.h.
class Weigher {
public:
    /// Keeps a reference to cells.
    explicit Weigher(const SpanCells& cells);

    /// Room keep must be the one that the cells were made with; of Balance its difference counts, as if it were more or
    /// less Depth.
    Weighing weigh(const StrengthTimeline& timeline);

    /// Weighs a result that was made in another way: by group, its gain in each frame and bin of the span.
    Weighing weighGains(const std::vector<Cells>& gains);

private:
    void findOwnership(const StrengthTimeline& timeline);
    std::vector<float> backs(const StrengthTimeline& timeline) const;  ///< by frame

    const SpanCells& m_cells;
    double m_correctionDb;
    StrengthTimeline m_timeline;  ///< that m_now was computed for
    std::vector<Cells> m_now;     ///< the wanted stem's share at the strength, by group: all but Depth
    std::vector<Cells> m_wanted;  ///< V, by group
    std::vector<std::shared_ptr<const DamageCounter>> m_counters;  ///< by group
};

}  // namespace rivlen
