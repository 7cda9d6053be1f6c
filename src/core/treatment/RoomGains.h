#pragma once
#include <complex>
#include <span>
#include <vector>

namespace rivlen {

/// How far each cell of a transform is to be turned down so that the room's late reverberation goes, frame after frame.
/// The room is taken for one that dies away evenly (Polack's model): what was heard 22 ms ago goes on with the level
/// that the decay time leaves of it, times the share that is not direct sound (Lebart et al. 2001; Habets et al. 2009).
/// The gain is Wiener's, with the decision-directed estimate (Ephraim and Malah 1984), and never below -20 dB.
class RoomGains {
public:
    /// rt60: seconds, 0.1 ... 10; drr: direct-to-reverberant ratio, dB.
    RoomGains(int bins, double secondsPerFrame, double rt60, double drr);
    /// The gains, 0.1 ... 1, for the next frame's cells.
    std::span<const float> next(std::span<const std::complex<float>> cells);

private:
    float m_late;  ///< of what was heard, power
    size_t m_back, m_at = 0;
    std::vector<float> m_smooth, m_before, m_gain;
    std::vector<std::vector<float>> m_heard;  ///< a ring of m_back frames
};

/// Size of the transform for a rate, a power of two of some 43 ms.
int roomFrame(int rate);

}  // namespace rivlen
