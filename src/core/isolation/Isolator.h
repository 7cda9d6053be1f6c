#pragma once
#include <complex>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/isolation/IsolationSettings.h"
#include "core/spectral/Fft.h"

namespace rivlen {

/// Applies strength settings to a separation.
///
/// With the source X = sum of the stems S, a cell's share is p_s = |S_s| / sum |S| (exactly the network's mask
/// where that is a real mask), taken over all channels of a group so that the stereo image stays.
/// Firmness F sharpens the wanted stem's share, p' = p^y / (p^y + (1-p)^y) with y = 2^(F/50), and moves
/// (p' - p) X from the other stems, each in proportion to its share, to the wanted one. Depth G then lets
/// 10^(-G/20) of all that is not wanted back in. What one stem gains the others lose: at every setting
/// the stems sum to the source. At firmness 0 and full depth they are returned unchanged.
///
/// Frames lie on an absolute grid, so any block of the answer is the same whatever blocks it is asked for in:
/// playback and file output agree. Not thread-safe; one per thread.
class Isolator {
public:
    Isolator(int channels, int sampleRate);

    /// Frames of context that apply() needs before and after.
    int64_t margin() const { return m_size; }

    /// source and stems cover [first - margin(), first + count + margin()) of the recording; returns the stems'
    /// frames [first, first + count) at the settings. wanted is the index of the wanted stem.
    std::vector<AudioBuffer> apply(const IsolationSettings& settings, int wanted, int64_t first, int64_t count,
                                   const AudioBuffer& source, const std::vector<AudioBuffer>& stems);

private:
    /// Adds the part that firmness moves to moved[stem] (count frames).
    void moveByFirmness(double exponent, int wanted, int64_t first, int64_t count, const AudioBuffer& source,
                        const std::vector<AudioBuffer>& stems, std::vector<AudioBuffer>& moved);

    int m_size, m_hop;
    Fft m_fft;
    std::vector<float> m_window;
    std::vector<std::vector<int>> m_groups;
};

}  // namespace rivlen
