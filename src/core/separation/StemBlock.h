#pragma once
#include <memory>
#include <string>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/audio/SampleSource.h"
#include "core/separation/StemPatches.h"

namespace rivlen {

/// The room's reverberation around a voice, as networks call it that give it by itself.
inline constexpr const char* kRoomStem = "room";
/// The part of the ambience that distracts, see Parts.h.
inline constexpr const char* kEventsPart = "events";

/// A stretch of a recording with its stems, all of one length and layout.
struct StemBlock {
    AudioBuffer source;
    std::vector<AudioBuffer> stems;  ///< sum to the source
    AudioBuffer room;  ///< the part of stems[0] that is the voice's room; no channels when it is not known
    /// The part of the last stem, the ambience, that distracts; no channels when that is not taken further apart.
    AudioBuffer events = {};
    /// The parts of stems[divided] where one of them is wanted, in the order of PartNames.h; they sum to it.
    std::vector<AudioBuffer> parts = {};
    int divided = -1;

    bool hasRoom() const { return room.channels() > 0; }
    bool hasEvents() const { return events.channels() > 0; }
    StemBlock slice(int64_t first, int64_t count) const;
    void append(const StemBlock& more);
};

/// What separate() gave for stems with the room after them: puts the room into the first stem and keeps it beside.
StemBlock gathered(const AudioBuffer& source, const std::vector<AudioBuffer>& given, bool roomIsLast);

/// Readers of a recording's stems, each with its own position.
struct StemReaders {
    std::vector<std::unique_ptr<SampleSource>> stems;
    std::unique_ptr<SampleSource> room;    ///< null when the room is not known
    std::unique_ptr<SampleSource> events;  ///< of the ambience; null when that is not taken further apart
    /// Of stems[divided], all but the last part, which is what they leave of it.
    std::vector<std::unique_ptr<SampleSource>> parts;
    int divided = -1;
    std::shared_ptr<const StemPatches>
        patches;  ///< that the stems bear already and the source gets as it is read; null: none

    StemBlock read(SampleSource& source, int64_t first, int64_t count);
};

}  // namespace rivlen
