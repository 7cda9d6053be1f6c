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

/// What the distance leaves of the direct sound, frame by frame from first on. A lane whose chain has a room takes it
/// there, so that the room stays as loud as it is whatever the distance (as a diffuse field does: Kuttruff, "Room
/// Acoustics").
void directGains(const Strip& strip, int64_t first, int rate, std::vector<float>& gains);

/// Where a strip is at a time (seconds), by its values and their curves.
Placer::Where placeAt(const Strip& strip, double second);

}  // namespace rivlen
