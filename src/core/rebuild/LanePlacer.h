#pragma once
#include "core/rebuild/Rebuild.h"
#include "core/space/Placer.h"

namespace rivlen {

/// Brings a lane's sound into the mix's format where the lane stands, also while that is moved.
class LanePlacer {
public:
    LanePlacer(MixFormat format, int channels, int rate) : m_placer(format, channels, rate) {}
    /// The next block goes over from the place before.
    void set(const Strip& strip);
    AudioBuffer process(const AudioBuffer& sound, int64_t first);

private:
    Placer m_placer;
    Strip m_strip, m_before;
    bool m_changed = false, m_begun = false;
};

/// Where a strip is at a time (seconds), by its values and their curves.
Placer::Where placeAt(const Strip& strip, double second);

}  // namespace rivlen
