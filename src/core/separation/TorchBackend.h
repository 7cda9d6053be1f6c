#pragma once
#include "core/separation/Network.h"

namespace rivlen {

/// The door between the core and the shared library that holds libtorch.
using LoadTorchNetwork = Network* (*)(const NetworkCard&);
inline constexpr const char* kTorchBackendFile = "librivlen-torch.so";
inline constexpr const char* kTorchBackendEntry = "rivlenLoadTorchNetwork";
using MatrixPeak = double (*)();
inline constexpr const char* kMatrixPeakEntry = "rivlenMatrixPeak";

}  // namespace rivlen
