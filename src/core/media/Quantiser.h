#pragma once
#include <cstdint>
#include <random>
#include <vector>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// What happens to what falls under the last bit.
enum class Dither {
    Triangular,  ///< TPDF noise of two steps peak to peak: the error is noise of constant power (Lipshitz, Wannamaker
                 ///< and Vanderkooy 1992)
    Shaped,  ///< the same, and the error's spectrum moved to where hearing is dull (Wannamaker 1992, five coefficients
             ///< for 44.1 and 48 kHz, from memory)
    None     ///< rounded
};

/// Turns floats into integers of 16 or 24 bits. The same input gives the same answer. Digital silence stays silence, as
/// far as no shaped error is under way.
class Quantiser {
public:
    Quantiser(int bits, int channels, Dither dither);
    /// Appends interleaved samples, in the upper bits of 32. What passes full scale is clipped.
    void add(const AudioBuffer& audio, std::vector<int32_t>& out);

private:
    static constexpr size_t kTaps = 5;
    int m_bits;
    Dither m_dither;
    std::minstd_rand m_random{20240229};
    std::vector<double> m_errors;  ///< kTaps by channel, the newest first
};

}  // namespace rivlen
