#pragma once
#include "core/separation/Learner.h"

namespace rivlen {

/// The door between the core and the shared library that holds libtorch.
using LoadTorchNetwork = Network* (*)(const NetworkCard&, const std::string& module, const WeightChanges& changes);
inline constexpr const char* kTorchBackendFile = "librivlen-torch.so";
inline constexpr const char* kTorchBackendEntry = "rivlenLoadTorchNetwork";
using BeginTorchLearning = Learner* (*)(const NetworkCard&, const std::string& module, int threads);
inline constexpr const char* kBeginTorchLearningEntry = "rivlenBeginTorchLearning";
/// Does once what reads the system's files: the processor's description, the threads' libraries.
using PrepareTorch = void (*)();
inline constexpr const char* kPrepareTorchEntry = "rivlenPrepareTorch";
using MatrixPeak = double (*)();
inline constexpr const char* kMatrixPeakEntry = "rivlenMatrixPeak";

}  // namespace rivlen
