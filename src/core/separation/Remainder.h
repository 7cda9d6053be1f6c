#pragma once
#include <algorithm>
#include <array>
#include <cstdint>
#include <vector>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// Gives the stems what they lack to sum to the source.
///
/// The difference between the source and the sum of the stems holds what no network has seen: the band above
/// its rate. It belongs to whoever owns the treble at that moment, so it is shared in proportion to the
/// stems' energy in the highest bands (of the third difference, which weighs them by the sixth power of frequency,
/// smoothed over 20 ms, known a millisecond late); where there is nothing at all the last stem gets it. Rounding goes
/// to the last stem too. Stateful: feed blocks in order.
class Remainder {
public:
    Remainder(int stems, int channels, int sampleRate);
    /// stems[s] and source have the same shape; stems are changed in place.
    void share(const AudioBuffer& source, std::vector<AudioBuffer>& stems);
    /// Frames between new weights: what begins at a multiple of it goes on as if it had begun earlier.
    static int blockAt(int sampleRate) { return std::max(16, sampleRate / 1000); }

private:
    /// The last samples, the newest first.
    struct Treble {
        std::array<float, 3> before{};
        double energyOf(const float* x, int n);
    };
    struct State {
        double energy = 0, block = 0;  ///< smoothed; of the block so far
        Treble treble;
        double weight = 0, target = 0;  ///< at the block's two ends
    };
    struct Channel {
        std::vector<State> states;  ///< one a stem
        int at = 0;                 ///< position in the block
        std::vector<double> rest, others;
    };
    void share(Channel& channel, const float* source, const std::vector<float*>& stems, int64_t frames) const;
    void newWeights(std::vector<State>& states) const;

    int m_block;         ///< samples between new weights, which change linearly in between
    double m_smoothing;  ///< per block
    std::vector<Channel> m_channels;
};

}  // namespace rivlen
