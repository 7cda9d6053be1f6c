#include "core/rebuild/Clip.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace rivlen {

const char* fadeShapeName(FadeShape shape) {
    return shape == FadeShape::Linear ? "linear" : shape == FadeShape::Smooth ? "s-shaped" : "equal-power";
}
FadeShape fadeShapeOf(const std::string& name) {
    return name == "linear" ? FadeShape::Linear : name == "s-shaped" ? FadeShape::Smooth : FadeShape::EqualPower;
}

double fadeGain(FadeShape shape, double x) {
    x = std::clamp(x, 0.0, 1.0);
    if (shape == FadeShape::Linear) return x;
    const double s = std::sin(std::numbers::pi / 2 * x);
    return shape == FadeShape::Smooth ? s * s : s;
}

double Clip::materialAt(double second) const {
    double m = offset + (second - at);
    if (loops() && m >= loopTo) m = loopFrom + std::fmod(m - loopFrom, loopTo - loopFrom);
    return m;
}

double Clip::fadeAt(double second) const {
    const double in = second - at, out = end() - second;
    if (in < 0 || out <= 0) return 0;
    double gain = 1;
    if (fadeIn > 0 && in < fadeIn) gain = fadeGain(fadeInShape, in / fadeIn);
    if (fadeOut > 0 && out < fadeOut) gain *= fadeGain(fadeOutShape, out / fadeOut);
    return gain;
}

}  // namespace rivlen
