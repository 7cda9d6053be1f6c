#pragma once
#include <atomic>
#include <functional>
#include <memory>
#include <set>
#include <vector>

#include "core/audio/AudioQueue.h"
#include "core/rebuild/Chain.h"
#include "core/rebuild/Materials.h"

namespace rivlen {

/// Levels on their way from a graph to whoever shows them: written by the graph, taken by others, without a lock.
struct MixMeters {
    struct Strip {
        std::atomic<float> left{0}, right{0};  ///< largest magnitude since it was taken
        std::atomic<float> loudest{0};         ///< of all channels, for another who takes it
        std::atomic<float> gate{0}, deEsser{0}, compressor{0}, limiter{0},
            duck{0};  ///< dB, 0 or below: in the last block
    };
    explicit MixMeters(std::vector<std::string> names) : ids(std::move(names)), strips(ids.size()) {}
    const std::vector<std::string> ids;  ///< lanes, groups, then "mix"
    std::vector<Strip> strips;
    Strip* of(const std::string& id);
};

/// The rebuild as sound. The same graph plays and renders: it works in blocks of kBlock frames from where it began, so
/// its answer does not depend on how much is asked for at once, nor on the number of threads (lanes are computed side
/// by side and summed in their order). All lanes are delayed by the same amount inside and read their material as much
/// ahead, so that a clip sounds where it lies; a lane that ducks another runs ahead of it.
///
/// From clips to mix: clip gain and fades -> chain -> ducking -> level, pan, width, mute -> group (chain, level) -> mix
/// (chain, level). Pan is of equal power (Lo = sqrt(2) cos, Ro = sqrt(2) sin: 0 dB in the middle for stereo, mono
/// sounds lie at -3.01 dB in both); width scales the side. Where the mix has a format of its own (Rebuild::format)
/// lanes are placed in it instead (Placer.h), groups and the mix have its channels, and next() gives them.
class RenderGraph {
public:
    static constexpr int kBlock = Chain::kBlock;
    struct Options {
        int threads = 1;
        int channels = 2;                  ///< of the lanes: 1, 2, 6 or 8; of the mix where its format is Reel
        bool chosenLanes = false;          ///< only those of lanes are heard; the others still duck
        std::set<std::string> lanes = {};  ///< ids
        bool duck = true;                  ///< false: no lane makes way for another
        bool mixChain = true;              ///< false: the sum of the lanes before the chain and level of the mix
        /// Where the mix has a format of its own: lanes are as loud and dull as their distance makes them, but stay in
        /// their own channels, for whoever places them.
        bool unplaced = false;
    };
    RenderGraph(Shared<Rebuild> rebuild, std::shared_ptr<Materials> materials, Options options);
    ~RenderGraph();

    /// Begins at a frame. What remembers (filters, compressors, ducking) is run in from so many frames before it; from
    /// frame 0 on nothing is missing.
    void seek(int64_t frame, int64_t runIn);
    /// The next frames of the mix. A material that cannot be read is silent; failed() says so.
    AudioBuffer next(int64_t count);
    int outputs() const;  ///< channels of the mix
    /// Takes over changed settings and clips, faded over one block. False when lanes, groups, keys or the format are
    /// others: then a new graph is needed.
    bool update(const Shared<Rebuild>& rebuild);

    std::shared_ptr<MixMeters> meters() const;
    bool failed() const;
    /// Effects that are left out of the sound, and why.
    struct Trouble {
        std::string strip, slot;  ///< id of a lane, a group, or "mix"; id of the effect
        std::string sentence;
        bool operator==(const Trouble&) const = default;
    };
    std::vector<Trouble> troubles() const;
    /// Called for each block of each lane, as it goes into the mix (or its group), with its ducking: lane, first frame,
    /// sound, dB. From one thread at a time for each lane.
    using Tap =
        std::function<void(size_t lane, int64_t first, const AudioBuffer& sound, const std::vector<float>& duckDb)>;
    void setTap(Tap tap);
    /// Frames that the graph works ahead of its output; for curiosity and tests.
    int64_t latency() const;

private:
    struct Impl;
    std::unique_ptr<Impl> m;
};

/// The whole mix, in order, in blocks of about a second. Throws Error (Cancelled, InputUnreadable; Other where an
/// effect does not work: what is delivered has all of them).
void renderMix(const Shared<Rebuild>& rebuild, const std::shared_ptr<Materials>& materials,
               RenderGraph::Options options, int64_t first, int64_t count,
               const std::function<void(const AudioBuffer&)>& sink, const Progress& progress);

/// The ducking of a lane over time: points (seconds, dB) each 10 ms where it moves, over the whole reel. Empty when it
/// is not ducked. Throws Error (Cancelled).
DrawnCurve duckCurve(const Rebuild& rebuild, const std::string& lane, const std::shared_ptr<Materials>& materials,
                     int channels, const Progress& progress);

}  // namespace rivlen
