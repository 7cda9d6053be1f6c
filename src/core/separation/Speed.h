#pragma once
#include <cstdint>

#include "core/separation/Network.h"

namespace rivlen {

/// How a network hears a recording at one of the rates that its card gives, as if it were slower or faster: as it is,
/// in frames that are longer or shorter, or converted where the network has no frames or a recording has so high a rate
/// that they would cost more. Lengths are in samples of what the network is fed.
struct Speed {
    /// asRate: the rate in Hz that is taken for the card's.
    Speed(const Network& network, int sourceRate, int asRate);
    int rate;       ///< Hz, of what the network is fed
    int frame = 0;  ///< samples of the network's frames; 0: its own
    int64_t context, grid, minimum;
};

}  // namespace rivlen
