#pragma once
#include <memory>

#include "core/following/PictureBox.h"
#include "core/media/PictureReader.h"

namespace rivlen {

/// Finds an object again from frame to frame. For one thread; frames of one size, in their order.
///
/// Points on the object are followed with the optical flow of Lucas and Kanade in pyramids (Bouguet, 2000), forwards
/// and backwards (Kalal, Mikolajczyk and Matas, "Forward-backward error", 2010); the movement that most of them share
/// moves and scales the box. Where too few are left, or the box no longer looks like what was seen (normalised
/// cross-correlation with the first look and the last sure one), it is searched for by its looks: nearby, farther the
/// longer it is away, and everywhere after a cut.
class ObjectTracker {
public:
    virtual ~ObjectTracker() = default;
    virtual void begin(const PictureFrame& frame, const PictureBox& object) = 0;
    /// Where it is in the next frame; nothing while it is not seen.
    virtual bool next(const PictureFrame& frame, PictureBox& object) = 0;
};

/// The one that is built on OpenCV, whose library is loaded at the first call. Throws Error (Other) when that cannot be
/// loaded.
std::unique_ptr<ObjectTracker> makeObjectTracker();

/// What that library gives.
inline constexpr const char* kSightFile = "librivlen-sight.so";
inline constexpr const char* kSightEntry = "rivlenMakeObjectTracker";
using MakeObjectTracker = ObjectTracker* (*)();

}  // namespace rivlen
