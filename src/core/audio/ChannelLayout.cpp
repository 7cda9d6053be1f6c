#include "core/audio/ChannelLayout.h"

namespace rivlen {

std::vector<std::string> channelNames(int channels) {
    switch (channels) {
        case 1: return {"C"};
        case 2: return {"L", "R"};
        case 6: return {"L", "R", "C", "LFE", "Ls", "Rs"};
        case 8: return {"L", "R", "C", "LFE", "Lb", "Rb", "Ls", "Rs"};
        default: break;
    }
    std::vector<std::string> names;
    for (int c = 1; c <= channels; ++c) names.push_back(std::to_string(c));
    return names;
}

std::vector<std::vector<int>> channelGroups(int channels) {
    if (channels == 6) return {{0, 1}, {2}, {3}, {4, 5}};
    if (channels == 8) return {{0, 1}, {2}, {3}, {4, 5}, {6, 7}};
    std::vector<std::vector<int>> groups;
    for (int c = 0; c < channels; c += 2)
        groups.push_back(c + 1 < channels ? std::vector<int>{c, c + 1} : std::vector<int>{c});
    return groups;
}

}  // namespace rivlen
