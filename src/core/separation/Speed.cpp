#include "core/separation/Speed.h"

#include "core/separation/BandTransform.h"

namespace rivlen {

namespace {

/// Of the card's rate, up to which a recording is heard as it is: above it, most of what would be computed and kept is
/// sound that the network does not hear.
constexpr int kHighest = 2;

/// Samples of the shortest frames.
constexpr int kShortest = 64;

}  // namespace

Speed::Speed(const Network& network, int sourceRate, int asRate)
    : rate(asRate), context(network.card().context), grid(network.card().grid), minimum(network.card().minimum) {
    const int own = network.frame();
    if (own == 0 || grid % own != 0 || context % own != 0) return;
    const int fed = sourceRate <= kHighest * network.card().sampleRate ? sourceRate : network.card().sampleRate;
    const int wanted = fastFrame(double(own) * fed / asRate);
    if (wanted < kShortest) return;
    rate = fed;
    frame = wanted;
    context = context / own * frame;
    grid = grid / own * frame;
    minimum = (minimum + own - 1) / own * frame;
}

}  // namespace rivlen
