#pragma once
#include "core/base/Progress.h"
#include "core/learning/SceneSounds.h"
#include "core/separation/Learner.h"

namespace rivlen {

inline constexpr double kShortestScene = 1.0;  ///< seconds of marked sound; less cannot be learned from and tested on

struct LearnSettings {
    int steps = 40;
    double rate = 0.01;
    int batch = 4;         ///< mixtures a step
    double seconds = 2.7;  ///< of a mixture
    unsigned seed = 1;
    bool keepAnyway = false;  ///< gives the changes even where nothing is kept: for measuring what that spares
};

/// What became of it.
struct SceneOutcome {
    bool kept = false;
    std::string reason;                    ///< one sentence: what it brought, or why nothing is kept
    std::map<std::string, double> gainDb;  ///< by stem: SI-SDR over the network as it came, on the held-back part
    /// How much steadier the recording's dialogue stays when held-back sound is laid over it: dB of SI-SDR between the
    /// two answers, each network against itself; 0 where nothing can be said.
    double steadierDb = 0;
    WeightChanges changes;  ///< empty when nothing is kept, unless asked for
};

/// "dialogue +1.8 dB, ambience +0.4 dB", in the stems' order.
std::string gainsInWords(const std::map<std::string, double>& gains);

/// Learns a scene and proves it: a quarter of each marked sound, and of the library, takes no part in learning. With
/// the held-back quarter laid over it the recording's dialogue must be found more like without it than before, by half
/// a decibel, and on mixtures of both quarters no stem may be 1.5 dB worse. Of a recording without other dialogue, the
/// dialogue of these must be better by 1.5 dB and no stem worse by 0.8. Otherwise nothing is kept. The same sounds and
/// settings give the same answer. Throws Error (Cancelled) and what Learner throws.
SceneOutcome learnScene(Learner& learner, const SceneSounds& sounds, const LearnSettings& settings,
                        const Progress& progress);

}  // namespace rivlen
