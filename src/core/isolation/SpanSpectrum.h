#pragma once
#include "core/isolation/SpanCells.h"

namespace rivlen {

/// Levels of a span in sixth-octave bands, moment by moment (kMomentSeconds): what the Band bias is drawn over.
struct SpanSpectrum {
    std::vector<double> hz;                          ///< centres of the bands, rising
    std::vector<std::vector<float>> source, wanted;  ///< [moment][band], dB, the wanted stem as the network gives it
};

SpanSpectrum spanSpectrum(const SpanCells& cells);

}  // namespace rivlen
