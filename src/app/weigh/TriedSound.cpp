#include "app/weigh/TriedSound.h"

#include <cmath>

#include "core/audio/Decibel.h"

namespace rivlen {

void playTried(Hearing& hearing, const std::shared_ptr<StemStore>& stems, const StrengthTimeline& timeline,
               double loudness, double source, const std::pair<double, double>& span) {
    const bool known = std::isfinite(loudness) && loudness > -60 && std::isfinite(source);
    hearing.tryStems(stems, timeline, float(fromDb(known ? std::clamp(source - loudness, -12.0, 12.0) : 0.0)));
    hearing.hear(Heard::Result);
    if (!hearing.player().playing() || hearing.loop() != span) hearing.audition(span.first, span.second);
}

}  // namespace rivlen
