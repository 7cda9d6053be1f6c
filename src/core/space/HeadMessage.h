#pragma once
#include <optional>
#include <string>

namespace rivlen {

/// How a head tracker tells where the head looks: Open Sound Control 1.0 (by liblo), one message "/head/yaw" with a
/// float, degrees to the left.
inline constexpr const char* kHeadAddress = "/head/yaw";
inline constexpr int kHeadPort = 9017;  ///< UDP; where Rivlen listens, on this machine alone, when nothing else is said

/// Nothing: it is another message, or none.
std::optional<double> yawOfMessage(const std::string& bytes);
std::string messageOfYaw(double degrees);
/// To a port of this machine. False: it could not be sent.
bool sendYaw(int port, double degrees);

}  // namespace rivlen
