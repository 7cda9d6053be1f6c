#pragma once
#include <atomic>
#include <memory>
#include <mutex>

#include "core/rebuild/RenderGraph.h"
#include "core/space/Binaural.h"
#include "core/space/MixFold.h"
#include "core/space/SpaceMeter.h"
#include "playback/BlockQueue.h"

namespace rivlen {

/// A rebuild and what it is made of, to be played. Immutable once it is handed over.
struct MixPlan {
    Shared<Rebuild> rebuild;
    std::shared_ptr<Materials> materials;
    int channels = 2;
    /// As in RenderGraph::Options: what leaves the house may be less than the mix.
    bool chosenLanes = false;
    std::set<std::string> lanes = {};
    bool duck = true, mixChain = true;

    RenderGraph::Options options(int threads) const { return {threads, channels, chosenLanes, lanes, duck, mixChain}; }
    /// The graph of the other one can go on with this one's rebuild.
    bool continues(const MixPlan& other) const {
        return materials == other.materials && channels == other.channels && chosenLanes == other.chosenLanes &&
               lanes == other.lanes && duck == other.duck && mixChain == other.mixChain;
    }
};

/// Keeps the render graph of the player's feeder: takes over changed plans without a click and goes to other places.
/// setPlan() and meters() are for the controlling thread, fill() is for the feeder.
class MixFeed {
public:
    void setPlan(std::shared_ptr<const MixPlan> plan);
    /// null: the mix is folded to two channels.
    void setHeadphones(std::shared_ptr<const HeadResponses> responses, double yaw);
    /// The layout that the mix is brought into before it is heard, by loudspeakers or headphones; Own: none.
    void setMonitor(ChannelLayout layout);
    /// What is measured of the mix in its own channels while it plays; everything costs a tenth of a core for 16 of
    /// them.
    enum class Measured { Nothing, Energy, Everything };
    void setMeasured(Measured what) { m_measured = what; }
    /// What has been measured since the last call; null channels before anything was.
    SpaceReading takeReading();
    bool hasPlan() const { return m_has; }
    /// The block's mix from frame first on, as the two channels that are listened to (5.1 and more: Lo/Ro; ambisonics
    /// decoded). Throws what
    /// materials throw.
    void fill(PlayBlock& block, int64_t first);
    /// Gives the plan and the files that its graph holds open back, once there is no feeder any more.
    void close();
    /// The levels of what is played; null without a plan.
    std::shared_ptr<MixMeters> meters() const;
    /// Effects that are left out of what is played, and why.
    std::vector<RenderGraph::Trouble> troubles() const;

private:
    AudioBuffer render(int64_t first, int64_t frames);
    mutable std::mutex m_guard;
    std::shared_ptr<const MixPlan> m_plan;
    std::shared_ptr<MixMeters> m_meters;
    std::vector<RenderGraph::Trouble> m_troubles;
    std::atomic<bool> m_has{false};
    std::shared_ptr<const HeadResponses> m_responses;
    double m_yaw = 0;
    ChannelLayout m_monitor = ChannelLayout::Own;
    std::atomic<Measured> m_measured{Measured::Nothing};
    std::shared_ptr<SpaceMeter> m_meter;  ///< made by the feeder, read by others

    // The feeder's own.
    std::shared_ptr<const MixPlan> m_used;
    std::unique_ptr<RenderGraph> m_graph;
    int64_t m_next = 0;
    /// What the mix is brought from and into, and by what.
    struct Way {
        MixFormat from;
        int channels;
        ChannelLayout to;
        bool operator==(const Way&) const = default;
    };
    std::optional<Way> m_foldWay, m_monitorWay, m_headWay;
    std::optional<MixFold> m_fold, m_toMonitor;
    std::shared_ptr<const HeadResponses> m_heardThrough;  ///< by m_binaural
    std::optional<Binaural> m_binaural;
    bool m_began = false;  ///< the block begins somewhere else than the one before ended
    void measure(const AudioBuffer& mix);
    MixFormat monitored(AudioBuffer& mix);  ///< what it is then
    void fold(AudioBuffer& mix, MixFormat format);
    bool headphones(AudioBuffer& mix, MixFormat format);  ///< false: they are not on
};

}  // namespace rivlen
