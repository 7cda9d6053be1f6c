#pragma once
#include <memory>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// Streaming sample rate conversion (libsoxr, "very high quality", linear phase). The delay of the
/// filter is compensated: output sample k lies at time k / outRate. With equal rates it is a wire.
class Resampler {
public:
    /// What becomes of the highest hundredths of the lower rate's band: nothing there may be an alias (Clean), or it is
    /// nearly as loud as below, with some of what lay just above (Filled), for whoever takes an empty top for a sign;
    /// exact to 20 bits, which costs a third less.
    enum class Edge { Clean, Filled };
    Resampler(int inRate, int outRate, int channels, Edge edge = Edge::Clean);
    ~Resampler();
    Resampler(Resampler&&) noexcept;
    Resampler& operator=(Resampler&&) noexcept;

    /// Feeds frames and returns what is ready. Throws Error (Other) when libsoxr fails.
    AudioBuffer process(const AudioBuffer& in);
    /// Ends the stream and returns the rest.
    AudioBuffer finish();

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

}  // namespace rivlen
