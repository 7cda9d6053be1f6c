#pragma once
#include <array>

#include "core/isolation/SpanCells.h"

namespace rivlen {

/// What was done to the wanted sound, in points from 0 (untouched) to 100 (nothing of it is whole).
struct Damage {
    double total = 0;
    double onsetLoss = 0;  ///< beginnings of t, s and x that were taken away
    double dulling = 0;    ///< treble lost against the middle
    double warble = 0;     ///< gain that flutters from moment to moment
    double pumping = 0;    ///< bed that swells around the words
    double holes = 0;      ///< places in words where nothing is left
};

/// Spill and damage of one moment.
struct Moment {
    float spillDb = 0;  ///< unwanted over wanted in the result, dB
    float damage = 0;   ///< points
    float weight = 0;   ///< wanted energy: how much the moment counts
};

inline constexpr double kMomentSeconds = 0.1;

struct Weighing {
    double spillDb = 0;
    Damage damage;
    std::vector<Moment> moments;  ///< every kMomentSeconds from the span's first frame

    double artifactDb = 0;        ///< what the total rests on: artifacts over the kept sound, dB
};

/// Measures, without a reference, what is left of the unwanted and what the wanted sound suffered, in a span at a strength.
///
/// The network's share p of a cell is read as an expectation: v = p^a / (p^a + (1 - p)^a) of its power P is wanted (a = kOwner), the rest
/// is bed. The result is the source times a gain g in each cell. In bands of some 94 Hz, which is what the distortion filter of BSS
/// Eval (Vincent et al. 2006: 512 taps) can follow, the mean gains of both over the span are allowed distortions:
///   kept          T = sum_f gV(f)^2 V(f)        with gV(f) = sum g v P / sum v P over the band's cells
///   interference  I = sum_f gB(f)^2 B(f)        likewise with 1 - v
///   artifacts     A = sum g^2 P - T - I         what moves over time
/// Spill is 10 log10(I / T), as 1 / SIR; damage's total rises from 0 to 100 while 10 log10(A / (T + I)) rises from
/// kCleanDb to kRuinedDb, as 1 / SAR. The parts are explained beside their computation.
Weighing weigh(const IsolationSettings& settings, const SpanCells& cells);

/// The strength's gains for later weigh() calls that differ in Depth alone: p' of every cell, by group.
std::vector<Cells> ownership(const IsolationSettings& settings, const SpanCells& cells);
Weighing weigh(const IsolationSettings& settings, const SpanCells& cells, const std::vector<Cells>& ownership);

}  // namespace rivlen
