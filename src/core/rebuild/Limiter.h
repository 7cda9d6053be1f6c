#pragma once
#include <deque>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/rebuild/ChainSettings.h"

namespace rivlen {

/// A limiter for true peaks (ITU-R BS.1770-4, annex 2: fourfold oversampling) that looks ahead. The gain that each peak
/// asks for is held over a window and smoothed by an average over the same window, so that it is there when the peak
/// comes; what the moving gain itself raises between samples a second, shorter stage takes away. Below the ceiling it
/// is a pure delay, to the bit.
class Limiter {
public:
    Limiter(int channels, int rate);
    void set(const ChainSettings& chain);
    /// While it is off it delays all the same, so that switching it moves nothing in time.
    void setOn(bool on) { m_on = on; }
    int64_t latency() const;  ///< frames
    void process(AudioBuffer& audio);
    double reductionDb() const { return m_least; }  ///< largest in the last block, 0 or below

private:
    struct Stage {
        Stage(int channels, int window);
        /// One frame in, one out, latency() later.
        void next(const float* in, float* out, double ceiling, double release, double& least);
        int64_t latency() const;
        double asked(double ceiling);
        void step();

        int channels, window;
        std::vector<std::vector<float>>
            ring;  ///< by channel, for the detector and the delay; written twice so that a row is in one piece
        int64_t time = 0;
        size_t at = 0, slot = 0;                        ///< time modulo the ring's and the window's length
        double before = 1;                              ///< what the peak before asked for
        std::deque<std::pair<int64_t, double>> lowest;  ///< sliding minimum
        double held = 1;
        std::vector<int64_t> averaged;
        int64_t sum;
        int quiet = 0;  ///< frames since the last sample that could make a peak
    };
    int m_channels;
    bool m_on = false;
    double m_ceiling = 1, m_releaseStep = 0, m_least = 0;
    int m_rate;
    Stage m_first, m_second;
};

}  // namespace rivlen
