#pragma once
#include "core/isolation/SpanCells.h"

namespace rivlen {

/// dB to add to the spill that the network's shares suggest, learned from mixtures whose parts are known
/// (training/fit_spill.py).
///
/// Features of a span say how far the network's confidence is to be trusted: a sure voice that comes and goes over a
/// steady bed is right more often than an unsure, low and steady one over a bed of single sounds.
double spillCorrection(const SpanCells& cells);

/// P is a cell's power, p the wanted stem's share, moments last 0.1 s.
struct SpillFeatures {
    double unsure = 0;       ///< sum P p (1 - p) / sum P p
    double low = 0;          ///< share of sum P p^2 that lies below 300 Hz
    double wantedMoves = 0;  ///< standard deviation over moments of log10 sum P p^2
    double bedMoves = 0;     ///< the same of log10 sum P (1 - p)^2
};
SpillFeatures spillFeatures(const SpanCells& cells);

}  // namespace rivlen
