#pragma once
#include <filesystem>
#include <map>
#include <vector>

#include "core/base/Shared.h"
#include "core/isolation/StrengthTimeline.h"
#include "core/rebuild/Clip.h"
#include "core/rebuild/Duck.h"
#include "core/rebuild/Mend.h"
#include "core/rebuild/Room.h"
#include "core/space/Placement.h"

namespace rivlen {

/// What lanes, groups and the mix have in common: levels, the voice chain, and curves over time. The place counts for
/// lanes, where the mix has a format of its own; it stands in for pan there.
struct Strip : Position {
    double level = 0;    ///< dB; kSilentLevel: nothing at all
    double pan = 0;      ///< -100 left ... +100 right
    double width = 100;  ///< %: 0 mono, 100 as it is, 200 sides doubled
    bool mute = false, solo = false;
    ChainSettings chain;
    std::map<std::string, DrawnCurve> automation;  ///< by id in stripParameters(), in place of the value

    bool operator==(const Strip&) const = default;
};

inline constexpr double kSilentLevel = -72;

/// Level, pan and width, then where it is placed.
const std::vector<Parameter<Strip>>& stripParameters();
/// The one of an id; level for ids that there are not.
const Parameter<Strip>& stripParameter(const std::string& id);

/// A row of the rebuild. Its clips lie in the order of their beginnings and may overlap: where they do, they add.
struct Lane {
    std::string id;  ///< unique in the rebuild
    std::string name;
    int stem = -1;      ///< whose hue it bears, by kStemNames; -1: none
    std::string group;  ///< id of a group; empty: straight into the mix
    Strip strip;
    Duck duck;
    std::vector<Clip> clips;

    bool operator==(const Lane&) const = default;
};

/// Lanes that are led together.
struct Group {
    std::string id, name;
    Strip strip;
    bool folded = false;  ///< its lanes are not shown
    bool operator==(const Group&) const = default;
};

/// A sound file that clips may use.
struct Sound {
    std::string id, name;
    std::filesystem::path file;  ///< absolute; never written to
    bool operator==(const Sound&) const = default;
};

/// Endless room tone made of spans of a material.
struct Tone {
    std::string id, name;
    std::string material = "ambience";
    std::vector<std::pair<double, double>> spans;  ///< seconds
    unsigned seed = 1;
    bool operator==(const Tone&) const = default;
};

/// A room that chains may put a voice into, by the name of roomImpulse.
struct NamedRoom {
    std::string id, name;
    RoomShape shape;
    bool operator==(const NamedRoom&) const = default;
};

struct Marker {
    double at = 0;
    std::string name;
    bool operator==(const Marker&) const = default;
};

/// The finished track of a reel: lanes of clips, mixed. A plain value.
struct Rebuild {
    std::vector<Shared<Lane>> lanes;  ///< from the top
    std::vector<Group> groups;
    Strip mix;
    MixFormat format = MixFormat::Reel;  ///< what the mix is made for
    std::vector<Sound> sounds;
    std::vector<Tone> tones;
    std::vector<NamedRoom> rooms;
    std::vector<Marker> markers;  ///< by time
    std::vector<Mend> mends;      ///< in the order they were made

    bool empty() const { return lanes.empty(); }
    const Lane* lane(const std::string& id) const;
    Lane* lane(const std::string& id);  ///< for changing
    const Lane* laneOf(const std::string& clipId) const;
    const Clip* clip(const std::string& id) const;
    Clip* clip(const std::string& id);
    const Group* group(const std::string& id) const;
    const Sound* sound(const std::string& id) const;
    const Tone* tone(const std::string& id) const;
    const NamedRoom* room(const std::string& id) const;
    /// PREFIX-N that nothing in the rebuild bears yet.
    std::string freeId(const std::string& prefix) const;
    double end() const;  ///< of the last clip, seconds
    bool operator==(const Rebuild&) const = default;
};

/// A reel's stems on a lane each, over its whole length: as it stands the mix is the recording. withRoom: the dialogue
/// as voice and room.
Rebuild plainRebuild(double seconds, bool withRoom);

/// Keeps a lane's clips in order after they were changed.
void sortClips(Lane& lane);

/// Paths are stored relative to folder.
nlohmann::json toJson(const Rebuild& rebuild, const std::filesystem::path& folder);
/// Throws Error (InputUnreadable) or nlohmann's exceptions for what is damaged.
Rebuild rebuildFromJson(const nlohmann::json& json, const std::filesystem::path& folder);

}  // namespace rivlen
