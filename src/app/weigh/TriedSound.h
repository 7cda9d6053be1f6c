#pragma once
#include "app/hearing/Hearing.h"

namespace rivlen {

/// Plays stems that are tried at a strength, over a span in a loop: the result, of so much loudness, is made as loud as
/// the source (LUFS; at most 12 dB either way).
void playTried(Hearing& hearing, const std::shared_ptr<StemStore>& stems, const StrengthTimeline& timeline,
               double loudness, double source, const std::pair<double, double>& span);

}  // namespace rivlen
