#include "core/separation/PartNames.h"

#include <algorithm>

namespace rivlen {

namespace {
const std::vector<std::string> kMusicParts{"vocals", "drums", "bass", "guitar", "other"};
const std::vector<std::string> kAmbienceParts{"events", "bed"};
}  // namespace

const std::vector<std::string>& partsOf(const std::string& stem) {
    static const std::vector<std::string> none;
    return stem == "music" ? kMusicParts : stem == "ambience" ? kAmbienceParts : none;
}

const std::vector<std::string>& stemsWithParts() {
    static const std::vector<std::string> stems{"music", "ambience"};
    return stems;
}

std::string stemOfPart(const std::string& part) {
    for (const auto& stem : stemsWithParts())
        if (const auto& parts = partsOf(stem); std::find(parts.begin(), parts.end(), part) != parts.end()) return stem;
    return {};
}

int partPlace(const std::string& part) {
    const auto& parts = partsOf(stemOfPart(part));
    const auto found = std::find(parts.begin(), parts.end(), part);
    return found == parts.end() ? -1 : int(found - parts.begin());
}

std::string partTitle(const std::string& part) {
    if (part == "other") return "Other instruments";
    std::string title = part;
    if (!title.empty()) title[0] = char(std::toupper(title[0]));
    return title;
}

}  // namespace rivlen
