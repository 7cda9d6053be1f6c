#pragma once
#include <algorithm>
#include <string>
#include <vector>

#include "core/separation/PartNames.h"

namespace rivlen {

/// The stems that a reel is split into for picture, in this order everywhere.
inline const std::vector<std::string> kStemNames{"dialogue", "music", "ambience"};
inline constexpr size_t kStemCount = 3;

/// What a strength can be for: the stems, then their parts.
inline const std::vector<std::string> kWantedNames{"dialogue", "music",  "ambience", "vocals", "drums",
                                                   "bass",     "guitar", "other",    "events", "bed"};
inline constexpr size_t kWantedCount = 10;

/// Its place among kWantedNames; 0 when it is none of them.
inline size_t wantedPlace(const std::string& name) {
    const auto found = std::find(kWantedNames.begin(), kWantedNames.end(), name);
    return found == kWantedNames.end() ? 0 : size_t(found - kWantedNames.begin());
}

/// The place among kStemNames of a stem, or of the stem that a part belongs to; 0 when it is neither.
inline size_t stemPlace(const std::string& name) {
    const std::string whole = stemOfPart(name);
    const size_t place = wantedPlace(whole.empty() ? name : whole);
    return place < kStemCount ? place : 0;
}

}  // namespace rivlen
