#pragma once
#include "core/learning/SceneLearning.h"
#include "core/separation/NetworkProcess.h"

namespace rivlen {

/// A sound that is marked, on its way to the process that learns; frames below 0: that was the last one.
struct MarkedHeader {
    int32_t stem, channels;  ///< stem: of kStemNames; as many as there are: a stretch of the recording
    int64_t frames;
};

/// Before each of the values that were learned: the length of the buffer's name, and how many floats follow it.
struct ChangeHeader {
    int64_t nameBytes, values;
};

/// The process is sent LearnSettings, then each sound with its header.

/// learnScene() in a process of its own (rivlen-network-host, at a lower priority), so that neither what is played nor
/// this process's memory feels it; cancelled within 100 ms. sounds: all but the library, at the card's rate, 1 or 2
/// channels, all alike. Throws Error (Cancelled), (Usage) when the network cannot learn, (Other).
SceneOutcome learnApart(const NetworkCard& card, const SceneSounds& sounds, const Progress& progress,
                        const LearnSettings& settings = {}, const NetworkLimits& limits = {600, int64_t(6) << 30});

}  // namespace rivlen
