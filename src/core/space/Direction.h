#pragma once
#include <array>
#include <numbers>

namespace rivlen {

inline constexpr double kDegree = std::numbers::pi / 180;  ///< in radians

/// A direction as ITU-R BS.2051 and AmbiX count it: degrees, azimuth to the left, elevation upwards.
struct Direction {
    double azimuth = 0, elevation = 0;
};

/// x to the front, y to the left, z up.
using Vector3 = std::array<double, 3>;

Vector3 unitVector(const Direction& at);
Direction directionOf(const Vector3& v);  ///< of any length but 0
/// Tilted upwards (about y) by elevation, then turned to the left (about z) by azimuth; degrees.
Vector3 turned(const Vector3& v, double azimuth, double elevation);

double dot(const Vector3& a, const Vector3& b);
Vector3 cross(const Vector3& a, const Vector3& b);
Vector3 minus(const Vector3& a, const Vector3& b);
Vector3 scaled(const Vector3& a, double by);

}  // namespace rivlen
