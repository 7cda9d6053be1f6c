#pragma once
#include <filesystem>
#include <map>
#include <string>
#include <vector>

#include "core/separation/NetworkCard.h"

namespace rivlen {

/// What was changed of a network's weights: values by the name of the module's buffer, whose last part begins with
/// "change_".
using WeightChanges = std::map<std::string, std::vector<float>>;

/// A span of which somebody said what alone is heard in it, as a scene remembers it.
struct SceneSpan {
    std::string recording;  ///< file name, without its folder
    std::string stem;
    double from = 0, to = 0;  ///< seconds
};

/// What a network learned from one scene: a small file beside the session (docs/formats.md, "Scenes").
struct Scene {
    std::string name;        ///< as it is shown
    std::string network;     ///< id of the network that learned
    std::string networkSum;  ///< SHA-256 of its module: the changes fit no other
    std::string date;
    std::vector<SceneSpan> spans;
    std::map<std::string, double> gainDb;  ///< by stem: SI-SDR over the network as it came, on what was held back
    WeightChanges changes;

    /// Throws Error (InputUnreadable) naming the file and what is wrong with it. Hostile files are refused: nothing of
    /// them is run, and sizes are bounded.
    static Scene load(const std::filesystem::path& file);
    /// Throws Error (OutputUnwritable).
    void save(const std::filesystem::path& file) const;
};

inline constexpr const char* kSceneSuffix = ".scene";

/// The card of a network as a scene changed it; without a scene (an empty path) the card itself. Throws Error
/// (InputUnreadable) when the file is broken, (Usage) when it belongs to another network than the card's.
NetworkCard withScene(NetworkCard card, const std::filesystem::path& scene);

/// The network with an id (findNetwork()) that works at a quality (forQuality()), as a scene changed it. Throws Error
/// (Usage) also for one that takes stems apart.
NetworkCard networkFor(const std::string& id, const std::string& quality, const std::filesystem::path& scene);

}  // namespace rivlen
