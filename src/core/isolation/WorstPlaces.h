#pragma once
#include <string>

#include "core/isolation/Weighing.h"

namespace rivlen {

/// A place where isolation hurt most, or left most.
struct WorstPlace {
    double seconds = 0;  ///< middle of the moment, from the beginning of the span
    std::string what;    ///< "Spill", or the part of the damage that is highest there
    double points = 0;   ///< 0 ... 100
    double spillDb = 0;  ///< of the moment
};

/// The worst places of a weighing in order of time, at least 0.5 s apart and none below 5 points: half of them, if
/// there are so many, where the damage is worst, the others where the spill is.
///
/// Damage counts as much as there is voice to be damaged: points times the square root of its energy. Spill counts by
/// its level against the loudest wanted moment: 0 points at -40 dB, 100 at 0 dB.
std::vector<WorstPlace> worstPlaces(const Weighing& weighing, int most = 10);

}  // namespace rivlen
