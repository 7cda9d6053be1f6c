#pragma once
#include <optional>

#include "core/audio/AudioQueue.h"
#include "core/rebuild/Chain.h"
#include "core/rebuild/Duck.h"
#include "core/rebuild/LanePlacer.h"
#include "core/rebuild/LaneReader.h"
#include "core/rebuild/StripLevels.h"

namespace rivlen {

inline constexpr int kNoNode = -1;  ///< no lane or group

/// A lane or bus: its chain, its levels, and what came out of it, which others may ask for again.
struct Node {
    /// outputs: channels of what comes out
    Node(int channels, int outputs, int rate, bool levelAlone, const Chain::Impulses& impulses,
         const std::vector<EffectSlot>& effects)
        : chain(channels, rate, impulses, effects), levels(channels, rate, levelAlone), out(outputs) {}
    Chain chain;
    StripLevels levels;
    AudioQueue out;
    int64_t outFirst = 0;  ///< frame of the axis at the front of out
    int64_t produced = 0;  ///< up to where it has been computed
    bool failed = false;

    void begin(int64_t frame) {
        out.drop(out.frames());
        outFirst = produced = frame;
    }
    void push(const AudioBuffer& block) {
        out.append(block);
        produced += block.frames();
    }
    void forget(int64_t before) {
        if (before <= outFirst) return;
        out.drop(before - outFirst);
        outFirst = before;
    }
    AudioBuffer at(int64_t first, int64_t count) const { return out.peek(first - outFirst, count); }
};

/// A lane: what it reads, where it is placed, and what ducks it.
struct LaneNode : Node {
    /// placed: in the format, which may be the reel's: then it only has a distance
    LaneNode(std::shared_ptr<Materials> materials, bool placed, MixFormat format, int channels, int outputs, int rate,
             const Chain::Impulses& impulses, const std::vector<EffectSlot>& effects)
        : Node(channels, outputs, rate, placed, impulses, effects),
          reader(std::move(materials), channels),
          unplaced(channels),
          duck(rate) {
        if (placed) placer.emplace(format, channels, rate);
    }
    void begin(int64_t frame) {
        unplaced.drop(unplaced.frames());
        Node::begin(frame);
    }
    void forget(int64_t before) {
        if (placer && before > outFirst) unplaced.drop(before - outFirst);
        Node::forget(before);
    }
    /// What others are ducked by: it does not depend on what the mix is made for.
    AudioBuffer keyAt(int64_t first, int64_t count) const {
        return placer ? unplaced.peek(first - outFirst, count) : at(first, count);
    }
    LaneReader reader;
    AudioQueue unplaced;               ///< as out, before it was placed
    std::optional<LanePlacer> placer;  ///< where the mix has a format of its own
    DuckGain duck;
    int key = kNoNode;  ///< index of the lane that ducks it
    int group = kNoNode;
    int64_t lookAhead = 0;  ///< frames
    int64_t ahead = 0;      ///< how far it runs before the sum
    bool heard = true;
    int depth = 0;  ///< how many lanes duck each other before it
    std::vector<float> duckDb;
};

}  // namespace rivlen
