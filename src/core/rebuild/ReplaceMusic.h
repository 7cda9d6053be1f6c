#pragma once
#include "core/rebuild/Materials.h"

namespace rivlen {

/// Another cue in the place of a recording's music, from one second of the axis to another.
struct MusicReplacement {
    std::string sound;                ///< id of one of the rebuild's sounds
    double from = 0, to = 0;          ///< seconds
    double cueFrom = 0;               ///< second of the cue that it begins with
    double cueEnd = 0;                ///< length of the cue, seconds
    double loopFrom = 0, loopTo = 0;  ///< of the cue, repeated where it is too short; equal: chosen
    double fadeIn = 0.05, fadeOut = 0.5;
    double tail = 0;         ///< s: the cue's own ending of this length closes the span; 0: it fades out
    double crossFade = 0.1;  ///< s over which the old music goes
    double gain = 0;         ///< dB
    bool duck = true;        ///< under the lane of the voice
};

/// Takes the old music out of the span on all lanes that hold it, lays the new one on a lane of its own below,
/// repeated, trimmed, faded and ducked. The dialogue and its room are not touched. Returns the new lane's id. Throws
/// Error (Usage) with what is wrong with the span or the cue.
std::string replaceMusic(Rebuild& rebuild, const MusicReplacement& replacement);

/// The gain that makes the new cue as loud (BS.1770 integrated) as the old music in the span; 0 where either is silent.
/// Throws Error (Cancelled, InputUnreadable).
double matchingGain(Materials& materials, const Rebuild& rebuild, const MusicReplacement& replacement,
                    const Progress& progress);

/// The lane that holds the voice: the first one with the dialogue's hue; empty when there is none.
std::string voiceLane(const Rebuild& rebuild);

}  // namespace rivlen
