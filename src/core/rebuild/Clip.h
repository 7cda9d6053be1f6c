#pragma once
#include <string>

namespace rivlen {

/// How a fade goes: EqualPower keeps the power of two unrelated sounds that are faded into each other, Linear and
/// Smooth (an S) the amplitude of two equal ones.
enum class FadeShape { EqualPower, Linear, Smooth };
const char* fadeShapeName(FadeShape shape);      ///< "equal-power", "linear", "s-shaped"
FadeShape fadeShapeOf(const std::string& name);  ///< EqualPower for words it does not know
/// The gain of a sound that comes in, x from 0 to 1.
double fadeGain(FadeShape shape, double x);

/// Which of two clips beside each other is the one as it was, which the one that is worked on.
enum class ClipMark { None, Before, After };

/// A stretch of some sound on a lane. Times are seconds; nothing of it is written to the sound itself.
struct Clip {
    std::string id;        ///< unique in the rebuild
    std::string name;      ///< may be empty: then its material's
    std::string material;  ///< "source", "result", a stem, "voice" (dialogue without its room), "room", or the id of
                           ///< one of the rebuild's sounds or tones
    double at = 0;         ///< where it begins on the time axis
    double length = 0;
    double offset = 0;  ///< where it begins in its material
    double gain = 0;    ///< dB
    bool muted = false;
    double fadeIn = 0, fadeOut = 0;  ///< at most the clip's length together
    FadeShape fadeInShape = FadeShape::EqualPower, fadeOutShape = FadeShape::EqualPower;
    double loopFrom = 0,
           loopTo = 0;  ///< of its material, that repeats for as long as the clip lasts; equal: it does not
    ClipMark mark = ClipMark::None;
    std::string pair;  ///< of a before and its after: the other one's id

    double end() const { return at + length; }
    bool loops() const { return loopTo > loopFrom; }
    /// The second of the material that is heard at a second of the axis.
    double materialAt(double second) const;
    /// The gain of its fades at a second of the axis, 0 outside of it.
    double fadeAt(double second) const;
    bool operator==(const Clip&) const = default;
};

inline constexpr double kShortestClip = 0.005;  // seconds

}  // namespace rivlen
