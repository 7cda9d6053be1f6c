#pragma once
#include <string>

#include "core/separation/Network.h"

namespace rivlen {

/// What a dry run of a network found.
struct NetworkFacts {
    bool passed = false;
    std::string reason;         ///< one sentence when it did not pass
    double sumErrorDb = 0;      ///< what the stems lack to sum to the input, relative to it (dB), at the worst level
    double levelErrorDb = 0;    ///< change of the answer when the input is 40 dB softer or 12 dB louder (dB)
    double contextNeeded = 0;   ///< seconds on each side that the answer was seen to depend on
    double realTimeFactor = 0;  ///< seconds of sound separated per second, one pass
    std::string confinedBy;     ///< what kept the network from the rest of the machine meanwhile
};

/// Does the network do what its card says, at the lengths that the engine uses? It must answer its shortest input and a
/// whole tile; its stems must sum to the input at any level and not depend on it; of silence it makes no sound; and
/// what lies further away than its context must not change the answer by more than -30 dB.
/// Throws Error (InputUnreadable) with the reason, without a subject ("it ...").
NetworkFacts probe(Network& network);

}  // namespace rivlen
