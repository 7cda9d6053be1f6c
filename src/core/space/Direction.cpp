#include "core/space/Direction.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace rivlen {

namespace {}

Vector3 unitVector(const Direction& at) {
    const double a = at.azimuth * kDegree, e = at.elevation * kDegree;
    return {std::cos(e) * std::cos(a), std::cos(e) * std::sin(a), std::sin(e)};
}

Direction directionOf(const Vector3& v) {
    const double length = std::sqrt(dot(v, v));
    return {std::atan2(v[1], v[0]) / kDegree, std::asin(std::clamp(v[2] / length, -1.0, 1.0)) / kDegree};
}

Vector3 turned(const Vector3& v, double azimuth, double elevation) {
    const double a = azimuth * kDegree, e = elevation * kDegree;
    const Vector3 tilted{std::cos(e) * v[0] - std::sin(e) * v[2], v[1], std::sin(e) * v[0] + std::cos(e) * v[2]};
    return {std::cos(a) * tilted[0] - std::sin(a) * tilted[1], std::sin(a) * tilted[0] + std::cos(a) * tilted[1],
            tilted[2]};
}

double dot(const Vector3& a, const Vector3& b) { return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]; }
Vector3 cross(const Vector3& a, const Vector3& b) {
    return {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
}
Vector3 minus(const Vector3& a, const Vector3& b) { return {a[0] - b[0], a[1] - b[1], a[2] - b[2]}; }
Vector3 scaled(const Vector3& a, double by) { return {a[0] * by, a[1] * by, a[2] * by}; }

}  // namespace rivlen
