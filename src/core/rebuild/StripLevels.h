#pragma once
#include "core/audio/AudioBuffer.h"
#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// A strip's level, pan and width at work, with their curves. Values are taken on an absolute grid of kGrid frames and
/// go straight between, so that they are the same wherever a graph began.
class StripLevels {
public:
    static constexpr int64_t kGrid = 64;
    /// levelAlone: of a mix with a format of its own; pan and width count for nothing.
    StripLevels(int channels, int rate, bool levelAlone = false)
        : m_channels(channels), m_rate(rate), m_levelAlone(levelAlone) {}
    /// audible: neither muted nor outdone by a solo elsewhere. The next block goes over from the settings before.
    void set(const Strip& strip, bool audible);
    /// In place; duckDb may be empty.
    void process(AudioBuffer& audio, int64_t first, const std::vector<float>& duckDb);

private:
    struct Gains {
        double left, right, side;  ///< of both channels, and of what they differ in
    };
    Gains at(const Strip& strip, bool audible, int64_t frame) const;
    int m_channels, m_rate;
    bool m_levelAlone;
    Strip m_strip, m_before;
    bool m_audible = true, m_audibleBefore = true, m_changed = false, m_begun = false;
};

/// Gains of both channels for a pan of -100 ... +100: equal power, 1 in the middle, sqrt(2) and 0 at the ends.
std::pair<double, double> panGains(double pan);

}  // namespace rivlen
