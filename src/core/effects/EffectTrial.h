#pragma once
#include "core/base/Progress.h"
#include "core/effects/EffectProcess.h"

namespace rivlen {

/// What an effect did when it was tried: with silence, noise, an impulse, full scale, sounds too small for ordinary
/// numbers, and silence again.
struct EffectTrial {
    std::string refused;    ///< a sentence; empty: it can be used
    int latency = 0;        ///< frames
    double realTime = 0;    ///< so many times faster than it is heard, on this machine now
    double silentPeak = 0;  ///< what it makes of silence
};

/// Tries an effect in a process of its own, before it is let into a chain. A crash, a hang, samples that are no numbers
/// or beyond +60 dBFS, and less than real time are refused. Throws Error (Cancelled).
EffectTrial tryEffect(const EffectFacts& facts, int rate, int channels, const Progress& progress);

/// What a preset of an effect sets: values and state for a slot. Throws Error (Other).
EffectProcess::State effectPreset(const EffectFacts& facts, const std::string& preset, int rate, int channels);

}  // namespace rivlen
