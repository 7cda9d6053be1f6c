#pragma once
#include "core/isolation/CellShares.h"

namespace rivlen {

/// Finds short noisy beginnings near the wanted sound: what t, s and x look like.
///
/// In third-octave bands above 1.5 kHz the source's power is compared with the frames 3 to 6 before: a rise of 6 dB
/// counts half, one of 12 dB wholly. Nearby says whether the wanted stem speaks: it holds from a tenth (0) to four
/// tenths (1) of the peak power between 120 Hz and 1.5 kHz within 10 frames. These figures are our own choice, made on
/// the demo and the excerpt of the development set.
class Onsets {
public:
    /// share and power as in strengthened(), with kCellReach frames on both sides.
    Onsets(const Cells& share, const Cells& power, double binHz);

    int bands() const { return int(m_edges.size()) - 1; }
    int firstBin(int band) const { return m_edges[size_t(band)]; }  ///< of the band; of bands(): one past the last
    double bandPower(int at, int band) const { return m_bands[size_t(at)][size_t(band)]; }
    double powerBefore(int at, int band) const;  ///< mean of the frames 3 to 6 before
    double risen(int at, int band) const;        ///< 0 ... 1
    double nearby(int at) const;                 ///< 0 ... 1

private:
    std::vector<int> m_edges;             ///< first bins of the bands
    std::vector<double> m_wanted, m_all;  ///< power from 120 Hz to 1.5 kHz, by frame
    std::vector<std::vector<double>> m_bands;
};

}  // namespace rivlen
