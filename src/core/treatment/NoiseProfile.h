#pragma once
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"

namespace rivlen {

/// Samples of the transform that noise is learned and treated in: some 43 ms.
int noiseFrame(int sampleRate);

/// The noise of a recording: mean power of the transform (root-Hann window of noiseFrame() samples) by bin, over the
/// frames that are within 2 dB of the quietest ones above 1.6 kHz, digital silence left out. Low voices may sound in
/// some of them: so it is told from the lower third of each bin. Empty when there is none. Throws Error (Cancelled,
/// InputUnreadable).
std::vector<float> learnNoise(SampleSource& source, const Progress& progress);

}  // namespace rivlen
