#pragma once
#include <filesystem>
#include <optional>
#include <utility>
#include <vector>

#include "core/base/Progress.h"
#include "core/following/ObjectTracker.h"

namespace rivlen {

/// Where somebody said that an object is.
struct FollowAnchor {
    double second = 0;  ///< on the sound's axis
    PictureBox box;
    bool operator==(const FollowAnchor&) const = default;
};

/// Where an object is in a frame.
struct FollowedFrame {
    double second = 0;  ///< when the frame begins to be shown
    PictureBox box;
    bool seen = true;  ///< false: it was not found, and the box is the last one
    bool operator==(const FollowedFrame&) const = default;
};

/// Follows an object through a video file, frame by frame, from the first anchor to a time; each later anchor is taken
/// as the truth, and what follows goes on from there. anchors: by time, at least one. Throws Error (InputUnreadable,
/// Cancelled, Other).
std::vector<FollowedFrame> followObject(const std::filesystem::path& video, const std::vector<FollowAnchor>& anchors,
                                        double to, const Progress& progress);

/// Spans (seconds) in which it was not seen, of at least so many frames.
std::vector<std::pair<double, double>> lostSpans(const std::vector<FollowedFrame>& frames, int atLeast = 3);

}  // namespace rivlen
