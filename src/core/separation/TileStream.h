#pragma once
#include <atomic>
#include <deque>
#include <future>
#include <memory>
#include <semaphore>

#include "core/audio/AudioQueue.h"
#include "core/base/Progress.h"
#include "core/separation/Network.h"

namespace rivlen {

/// Runs a stream at the network's rate through the network in tiles. Each tile is read with the network's
/// context on both sides and cross-faded into the next; tile borders lie on the network's grid, so for a
/// network whose answer depends on nothing beyond its context the result does not depend on the tiling.
///
/// Tiles are computed on threads of their own, one thread a tile, while the stream goes ahead; as many at once as the
/// streams together have places for. The result is the same.
class TileStream {
public:
    /// Places for tiles that are computed at the same time, shared by all streams of one separation.
    using Places = std::counting_semaphore<64>;

    /// Lengths in samples at the network's rate. after: what is heard after a tile, at most the network's context.
    /// atOnce: tiles of this stream that may be under way; 0: one, which is waited for before more is taken.
    TileStream(std::shared_ptr<Network> network, int channels, int64_t firstTile, int64_t tile, int64_t after,
               size_t atOnce, std::shared_ptr<Places> places);
    ~TileStream();
    TileStream(TileStream&&) = default;

    /// Adds input; returns what became ready, one buffer per stem (perhaps empty).
    std::vector<AudioBuffer> process(const AudioBuffer& in, const Progress& progress);
    std::vector<AudioBuffer> finish(const Progress& progress);

private:
    using Stems = std::vector<AudioBuffer>;
    struct Flight {
        int64_t length;  ///< of the tile; its answer is longer by what is faded into the next
        std::future<Stems> answer;
    };

    Stems drain(bool ended, const Progress& progress);
    void launch(int64_t available);
    void land(Stems& out, const Progress& progress);

    std::shared_ptr<Network> m_network;
    int m_channels;
    int64_t m_tile, m_nextTile, m_fade, m_after;
    size_t m_atOnce;  ///< tiles in flight
    std::shared_ptr<Places> m_places;
    AudioQueue m_pending;     ///< input that is still needed
    int64_t m_pendingAt = 0;  ///< position of its first sample
    int64_t m_launched = 0;   ///< where the next tile begins
    std::deque<Flight> m_flights;
    Stems m_tail;                                    ///< end of the last tile, to be faded out
    std::shared_ptr<std::atomic<bool>> m_abandoned;  ///< tells tiles in flight that nobody waits any more
};

}  // namespace rivlen
