#pragma once
#include <algorithm>

#include "core/session/Session.h"

namespace rivlen {

/// The scenes that a session's reels use, each once, in the reels' order.
inline std::vector<std::filesystem::path> scenesOf(const Session& session) {
    std::vector<std::filesystem::path> all;
    for (const Reel& reel : session.reels)
        if (!reel.scene.empty() && std::find(all.begin(), all.end(), reel.scene) == all.end())
            all.push_back(reel.scene);
    return all;
}

}  // namespace rivlen
