#pragma once
#include <algorithm>
#include <cmath>

namespace rivlen {

/// How wide a sound is drawn, 0 ... 1, for a mean square: decibels over a range of 54 dB, full at -6 dB below full
/// scale.
inline double levelWidth(double meanSquare) {
    if (meanSquare <= 0) return 0;
    return std::clamp((10 * std::log10(meanSquare) + 60) / 54, 0.0, 1.0);
}

}  // namespace rivlen
