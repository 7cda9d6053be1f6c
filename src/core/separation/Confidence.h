#pragma once
#include "core/spectral/LevelTrack.h"

namespace rivlen {

/// How decided a separation is between frames from and to: 1 when every moment and frequency went to one stem
/// alone, 0 when all were shared equally.
///
/// Networks give each stem a share m of every time-frequency cell, with shares that sum to one. Then the stems'
/// energies sum to the source's energy weighted by the mean of sum(m^2), which is 1 for decided and 1 / stems for equal
/// shares; that mean is read off the level tracks and stretched to 0 ... 1. Undecided shares go with errors;
/// docs/design-notes.md has the correlation measured on the development set. 0 where there is no sound.
inline double confidence(const LevelTrack& stems, const LevelTrack& source, int64_t from, int64_t to) {
    const double whole = double(source.meanSquare(0, from, to));
    if (whole <= 1e-12 || stems.rows() < 2) return 0;
    double sum = 0;
    for (int s = 0; s < stems.rows(); ++s) sum += double(stems.meanSquare(s, from, to));
    const double equal = 1.0 / stems.rows();
    return std::min(1.0, std::max(0.0, (sum / whole - equal) / (1 - equal)));
}

}  // namespace rivlen
