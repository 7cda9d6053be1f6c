#pragma once
#include <filesystem>

#include "core/base/Progress.h"
#include "core/learning/SceneLearning.h"

namespace rivlen {

/// Where in a recording what alone is heard.
struct MarkedSpan {
    std::filesystem::path recording;
    std::string stem;         ///< one of kStemNames
    double from = 0, to = 0;  ///< seconds
};

/// The spans' sounds at a rate in Hz: mono where all recordings are mono, else stereo (of more channels the first
/// pair). At most two minutes a stem: the first ones. Throws Error (InputUnreadable), (Usage) for a span that a
/// recording does not have.
SoundsByStem markedSounds(const std::vector<MarkedSpan>& spans, int sampleRate);

/// Stretches of the spans' recordings beside the spans, everything together, evenly spaced: some 40 s in all, in the
/// shape of markedSounds(). Throws Error (InputUnreadable).
std::vector<AudioBuffer> stretchesBeside(const std::vector<MarkedSpan>& spans, int sampleRate, int channels);

/// Both, for learning: with an empty library.
SceneSounds sceneSounds(const std::vector<MarkedSpan>& spans, int sampleRate);

/// What a network learned, with its origin, to be saved.
Scene sceneOf(const std::string& name, const NetworkCard& card, const std::vector<MarkedSpan>& spans,
              const SceneOutcome& outcome);

}  // namespace rivlen
