#include "core/rebuild/PartLanes.h"

#include <algorithm>

#include "core/separation/Parts.h"

namespace rivlen {

namespace {

bool plays(const Lane& lane, const std::string& material) {
    return std::any_of(lane.clips.begin(), lane.clips.end(), [&](const Clip& c) { return c.material == material; });
}

/// A lane with those clips of another that are made of the stem, made of one of its parts. Other clips stay with the
/// last part's lane.
Lane laneOfPart(Rebuild& rebuild, const Lane& lane, const std::string& stem, const std::string& part, bool last) {
    Lane made;
    made.id = rebuild.freeId("lane");
    made.name = partTitle(part);
    made.stem = lane.stem;
    made.duck = lane.duck;
    for (Clip clip : lane.clips) {
        if (clip.material != stem && !last) continue;
        if (clip.material == stem) clip.material = part;
        made.clips.push_back(std::move(clip));
    }
    return made;
}

}  // namespace

bool layInParts(Rebuild& rebuild, const std::string& stem) {
    bool done = false;
    if (partsOf(stem).empty()) return false;
    for (size_t l = 0; l < rebuild.lanes.size(); ++l) {
        const Lane lane = *rebuild.lanes[l];
        if (!plays(lane, stem)) continue;
        done = true;
        std::string group = lane.group;
        if (group.empty()) {
            group = rebuild.freeId("group");
            rebuild.groups.push_back({group, lane.name, lane.strip, true});
        }
        rebuild.lanes.erase(rebuild.lanes.begin() + int64_t(l));
        const auto& parts = partsOf(stem);
        for (size_t p = 0; p < parts.size(); ++p) {
            Lane made = laneOfPart(rebuild, lane, stem, parts[p], p + 1 == parts.size());
            if (!lane.group.empty()) made.strip = lane.strip;  // the group is another's: the strip stays with the lanes
            made.group = group;
            const auto at = rebuild.lanes.insert(rebuild.lanes.begin() + int64_t(l + p), Shared<Lane>(made));
            // Ids of clips are unique in the rebuild, so each lane's are named anew once the others can be seen.
            for (size_t c = 0; c < (*at)->clips.size(); ++c) {
                at->edit().clips[c].id.clear();
                at->edit().clips[c].pair.clear();
                at->edit().clips[c].id = rebuild.freeId("clip");
            }
        }
        for (auto& other : rebuild.lanes)
            if (other->duck.key == lane.id) other.edit().duck.key = rebuild.lanes[l]->id;
        l += parts.size() - 1;
    }
    return done;
}

bool usesPartsOf(const Rebuild& rebuild, const std::string& stem) {
    const auto& parts = partsOf(stem);
    return std::any_of(rebuild.lanes.begin(), rebuild.lanes.end(), [&](const auto& lane) {
        return std::any_of(parts.begin(), parts.end(), [&](const std::string& part) { return plays(*lane, part); });
    });
}

bool muteParts(Rebuild& rebuild, const std::string& part, bool mute) {
    bool done = false;
    for (auto& lane : rebuild.lanes)
        if (plays(*lane, part)) lane.edit().strip.mute = mute, done = true;
    return done;
}

}  // namespace rivlen
