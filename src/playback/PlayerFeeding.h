#pragma once
#include "core/isolation/Isolator.h"
#include "playback/Player.h"

namespace rivlen {

/// What the player's feeder has at hand.
struct Player::Feeding {
    std::unique_ptr<SampleSource> source, recorded, removed;
    uint64_t sourceVersion = 0;
    StemReaders stems;
    uint64_t stemsVersion = ~uint64_t(0);
    std::string divided;  ///< the stem whose parts are read as well
    int64_t grown = 0;    ///< frames of the stems that there were
    std::unique_ptr<Isolator> isolator;
    std::shared_ptr<const StrengthTimeline> timeline,
        before;      ///< before: of the block before; a change is faded over one block
    PlayBlock seam;  ///< what comes just before the loop's start
    int64_t next = 0;
    uint64_t generation = 0;
};

}  // namespace rivlen
