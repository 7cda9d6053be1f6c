#pragma once
#include "core/following/Follow.h"
#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// How a way through the picture becomes a way through the room.
struct PanFromPath {
    double viewAngle = 60;     ///< degrees that the picture covers from left to right, 20 ... 160
    double aspect = 16 / 9.0;  ///< width over height of the picture
    bool leftRight = true, upDown = false, nearFar = false;
    double distance = 4;      ///< metres, when it is as large as in its first frame
    double smoothing = 0.15;  ///< seconds: standard deviation of the Gaussian that takes out what trembles

    bool operator==(const PanFromPath&) const = default;
};

/// What is followed, by name of the place's setting: curves of azimuth, elevation (degrees) and distance (metres). A
/// point of the picture is seen as through a pinhole in the middle of the view. Smoothed between jumps, where it was
/// not seen straight from where it was lost to where it was found, and thinned to what cannot be heard (half a degree,
/// 2 % of the distance).
struct FollowedPan {
    DrawnCurve azimuth, elevation, distance;
};
FollowedPan panFromPath(const std::vector<FollowedFrame>& frames, const PanFromPath& how);

/// Lays curves into a lane's, in place of what was there between their ends.
void writePan(Strip& strip, const FollowedPan& pan);

}  // namespace rivlen
