#pragma once
#include <algorithm>
#include <string>
#include <vector>

namespace rivlen {

/// The stems that a reel is split into for picture, in this order everywhere.
inline const std::vector<std::string> kStemNames{"dialogue", "music", "ambience"};
inline constexpr size_t kStemCount = 3;

/// Its place among kStemNames; 0 when it is none of them.
inline size_t stemPlace(const std::string& name) {
    const auto found = std::find(kStemNames.begin(), kStemNames.end(), name);
    return found == kStemNames.end() ? 0 : size_t(found - kStemNames.begin());
}

}  // namespace rivlen
