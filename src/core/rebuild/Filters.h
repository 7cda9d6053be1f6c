#pragma once
#include <vector>

#include "core/rebuild/ChainSettings.h"
#include "core/spectral/FilterSection.h"

namespace rivlen {

/// What the chain's high-pass (Butterworth) and equaliser are made of; those that are off give none.
std::vector<FilterSection> filterSections(const ChainSettings& chain, int rate);

/// Their response together, dB.
double filterDb(const std::vector<FilterSection>& sections, double hz, int rate);

}  // namespace rivlen
