#pragma once
#include <functional>
#include <memory>
#include <span>

#include "core/effects/RunningEffect.h"
#include "core/rebuild/Dynamics.h"
#include "core/rebuild/Limiter.h"
#include "core/rebuild/Room.h"

namespace rivlen {

/// A chain at work on one lane or bus, in blocks of kBlock frames. Its delay is that of its limiter, whatever is
/// switched on, and of the effects that it began with; a module or effect that is switched comes and goes over one
/// block.
class Chain {
public:
    static constexpr int kBlock = Convolver::kBlock;
    /// The impulse response for the room of a chain; may be empty.
    using Impulses = std::function<AudioBuffer(const ChainSettings&)>;

    /// effects: what the chain has of them from the beginning; each is begun, where it is on.
    Chain(int channels, int rate, Impulses impulses, const std::vector<EffectSlot>& effects = {});
    /// automation: of the strip; what moves effects is taken from it.
    void set(const ChainSettings& chain, const std::map<std::string, DrawnCurve>& automation = {});
    /// Whether set() can take these settings over: effects cannot come, go or change places.
    bool accepts(const ChainSettings& chain) const;
    int64_t latency() const { return m_limiter.latency() + m_effectLatency; }
    /// kBlock frames, in place; first: frame of what goes in, on the axis of the curves. direct: what is left of the
    /// sound itself where it meets its room, frame by frame; empty: all.
    void process(AudioBuffer& block, std::span<const float> direct = {}, int64_t first = 0);
    /// Effects that are left out, and why: id of the slot, a sentence.
    std::vector<std::pair<std::string, std::string>> troubles() const;
    /// An effect has another latency now than the chain began with.
    bool moved() const;

    /// How far the modules took it down in the last block, dB, 0 or below.
    struct Reductions {
        float gate = 0, deEsser = 0, compressor = 0, limiter = 0;
    };
    const Reductions& reductions() const { return m_reductions; }

private:
    template <typename Work>
    void run(bool was, bool is, AudioBuffer& block, Work work);
    void filter(AudioBuffer& block, const std::vector<FilterSection>& sections, size_t firstState);
    void reverberate(AudioBuffer& block, std::span<const float> direct);
    void prepareRoom();
    void runEffects(const char* before, AudioBuffer& block, int64_t& first);

    int m_channels, m_rate;
    Impulses m_impulses;
    ChainSettings m_was, m_now;
    Gate m_gate;
    DeEsser m_deEsser;
    Compressor m_compressor;
    Limiter m_limiter;
    std::vector<FilterSection> m_high, m_eq;
    std::vector<std::vector<FilterState>> m_filters;  ///< [channel][section]
    std::unique_ptr<Convolver> m_room;
    std::vector<std::vector<float>> m_delay;                ///< before the room, by channel
    std::vector<std::unique_ptr<RunningEffect>> m_effects;  ///< in the order of the settings
    int64_t m_effectLatency = 0;
    Reductions m_reductions;
};

/// The impulse response that a chain's settings ask for where it names none: a plain room, RoomShape::plain().
AudioBuffer plainImpulse(const ChainSettings& chain, int channels, int rate);

}  // namespace rivlen
