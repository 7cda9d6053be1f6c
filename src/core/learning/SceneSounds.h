#pragma once
#include <array>
#include <string>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/isolation/StemNames.h"

namespace rivlen {

/// Sounds of which each is one stem alone, by stem; all at one rate and with one count of channels.
using SoundsByStem = std::array<std::vector<AudioBuffer>, kStemCount>;

/// What a scene is learned from.
struct SceneSounds {
    SoundsByStem library;           ///< voices, music and places that came with Rivlen
    SoundsByStem marked;            ///< what the user says is alone, cut from the recordings
    std::vector<AudioBuffer> reel;  ///< stretches of the recordings as they are, everything together
};

/// The library of sounds that came with Rivlen, at a rate in Hz, mono or stereo. Throws Error (Other) when it is
/// missing or damaged.
SoundsByStem sceneLibrary(int sampleRate, int channels);

/// A sound with the wanted count of channels, 1 or 2: two are folded to their mean, one is given twice; of more, the
/// first pair counts.
AudioBuffer withChannels(const AudioBuffer& sound, int channels);

}  // namespace rivlen
