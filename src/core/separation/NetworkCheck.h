#pragma once
#include <string>

#include "core/separation/NetworkCard.h"

namespace rivlen {

/// What a dry run of a network found.
struct NetworkFacts {
    bool passed = false;
    std::string reason;         ///< one sentence when it did not pass
    double sumErrorDb = 0;      ///< what the stems lack to sum to the input, relative to it (dB)
    double levelErrorDb = 0;    ///< change of the answer when the input is 40 dB quieter, relative to it (dB)
    double realTimeFactor = 0;  ///< seconds of sound separated per second, one pass
};

/// Bounds for the helper process.
struct CheckLimits {
    int seconds = 60;                  ///< of processor and of wall-clock time
    int64_t bytes = int64_t(6) << 30;  ///< address space, libtorch's own libraries included
};

/// Loads and tries a network in a helper process of its own (rivlen-network-check), with its time and memory bounded
/// and no right to write files: whatever a damaged or hostile module does there, it does to the helper alone. Never
/// throws for a bad network; the facts say why it did not pass.
NetworkFacts checkNetwork(const NetworkCard& card, const CheckLimits& limits = {});

/// The dry run itself, in this process; what the helper calls. Throws Error when the network does not do what its card
/// says.
NetworkFacts tryNetwork(const NetworkCard& card);

}  // namespace rivlen
