#pragma once
#include "core/isolation/SpanCells.h"

namespace rivlen {

/// What makes the strength of one recording right for another: how loud the wanted sound stands over the rest in each
/// octave band, and how the rest's spectrum falls.
struct Likeness {
    static constexpr int kBands = 7;              // octaves around 125 Hz ... 8 kHz
    std::array<double, kBands> wantedOverRest{};  ///< dB, limited to +-30
    std::array<double, kBands> restSpectrum{};    ///< dB, mean 0
};

/// Of the span's cells at the network's plain answer.
Likeness likenessOf(const SpanCells& cells);

/// Root mean square of the differences over all bands, dB: 0 for the same, below kAlike for recordings of one kind.
double distance(const Likeness& a, const Likeness& b);

/// Our own choice: the demo's reels lie farther apart, two halves of one reel nearer together.
inline constexpr double kAlike = 6.0;

}  // namespace rivlen
