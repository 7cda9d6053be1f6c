#pragma once
#include <functional>
#include <memory>
#include <span>

#include "core/rebuild/Dynamics.h"
#include "core/rebuild/Limiter.h"
#include "core/rebuild/Room.h"

namespace rivlen {

/// A chain at work on one lane or bus, in blocks of kBlock frames. Its delay is the same whatever is switched on; a
/// module that is switched comes and goes over one block.
class Chain {
public:
    static constexpr int kBlock = Convolver::kBlock;
    /// The impulse response for the room of a chain; may be empty.
    using Impulses = std::function<AudioBuffer(const ChainSettings&)>;

    Chain(int channels, int rate, Impulses impulses);
    void set(const ChainSettings& chain);
    int64_t latency() const { return m_limiter.latency(); }
    /// kBlock frames, in place. direct: what is left of the sound itself where it meets its room, frame by frame;
    /// empty: all.
    void process(AudioBuffer& block, std::span<const float> direct = {});

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
    std::vector<std::vector<float>> m_delay;  ///< before the room, by channel
    Reductions m_reductions;
};

/// The impulse response that a chain's settings ask for where it names none: a plain room, RoomShape::plain().
AudioBuffer plainImpulse(const ChainSettings& chain, int channels, int rate);

}  // namespace rivlen
