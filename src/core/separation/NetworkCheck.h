#pragma once
#include "core/separation/NetworkProbe.h"
#include "core/separation/NetworkProcess.h"

namespace rivlen {

/// Loads and tries a network (NetworkProbe.h) in a process of its own, with its time and memory bounded and no right to
/// anything: whatever a damaged or hostile module does there, it does to that process alone. Never throws for a bad
/// network; the facts say why it did not pass.
NetworkFacts checkNetwork(const NetworkCard& card, const NetworkLimits& limits = {});

/// The facts on their way between the two processes.
nlohmann::json toJson(const NetworkFacts& facts);

}  // namespace rivlen
