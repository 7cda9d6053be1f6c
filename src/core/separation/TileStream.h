#pragma once
#include <atomic>
#include <deque>
#include <future>
#include <limits>
#include <memory>
#include <semaphore>

#include "core/audio/AudioQueue.h"
#include "core/base/Progress.h"
#include "core/separation/Speed.h"

namespace rivlen {

/// Where tiles begin in what a network is fed: at `origin`, `first` later, and every `tile` from there on.
struct TileGrid {
    /// Lengths in samples, made whole numbers of the network's grid; so is the origin, the first one at or after the
    /// sample given.
    TileGrid(const Speed& speed, int64_t firstTile, int64_t usualTile, int64_t notBefore = 0);
    int64_t begin(int64_t at) const;  ///< of the tile that holds this sample
    int64_t end(int64_t at) const;
    int64_t tile, first;
    int64_t origin;
    int64_t fade;  ///< over which a tile goes into the next
};

/// Runs a recording through the network in tiles. Each tile is read with the network's
/// context on both sides and cross-faded into the next; tile borders lie on the network's grid, so for a
/// network whose answer depends on nothing beyond its context the result does not depend on the tiling.
///
/// Tiles are computed on threads of their own, one thread a tile, while the stream goes ahead; as many at once as the
/// streams together have places for. The result is the same.
class TileStream {
public:
    /// Places for tiles that are computed at the same time, shared by all streams of one separation.
    using Places = std::counting_semaphore<64>;

    /// Of a longer stream, the part that is fed and what is wanted of it, in samples of that stream: tiles that hold
    /// nothing wanted are left out.
    struct Part {
        int64_t at = 0, from = 0, to = std::numeric_limits<int64_t>::max();
        /// Whether the stream begins and ends as the recording does: what a network asks for beyond that is the sound's
        /// mirror image. Beside silence some answer worse for seconds.
        bool begins = false, ends = false;
    };

    /// after: what is heard after a tile, in samples, at most the network's context. atOnce: tiles of this stream that
    /// may be under way; 0: one, which is waited for before more is taken.
    TileStream(std::shared_ptr<Network> network, const Speed& speed, int channels, const TileGrid& grid, int64_t after,
               size_t atOnce, std::shared_ptr<Places> places, const Part& part);
    ~TileStream();
    TileStream(TileStream&&) = default;

    /// Adds input; returns what became ready, one buffer per stem (perhaps empty).
    std::vector<AudioBuffer> process(const AudioBuffer& in, const Progress& progress);
    std::vector<AudioBuffer> finish(const Progress& progress);

    /// Where the first tile begins, counted from the first sample that is fed: so much of the answer is left out.
    int64_t leftOut() const { return m_leftOut; }

private:
    using Stems = std::vector<AudioBuffer>;
    struct Flight {
        int64_t length;  ///< of the tile; its answer is longer by what is faded into the next
        std::future<Stems> answer;
    };

    Stems drain(bool ended, const Progress& progress);
    void launch(int64_t available, bool ended);
    void land(Stems& out, const Progress& progress);

    std::shared_ptr<Network> m_network;
    Speed m_speed;
    int m_channels;
    TileGrid m_grid;
    int64_t m_after;
    size_t m_atOnce;  ///< tiles in flight
    std::shared_ptr<Places> m_places;
    AudioQueue m_pending;  ///< input that is still needed
    int64_t m_pendingAt;   ///< position of its first sample
    int64_t m_launched;    ///< where the next tile begins
    int64_t m_until;       ///< no tile begins here or later
    int64_t m_earliest;    ///< nothing is heard from before it: on the network's grid
    bool m_begins, m_ends;
    int64_t m_leftOut;
    std::deque<Flight> m_flights;
    Stems m_tail;                                    ///< end of the last tile, to be faded out
    std::shared_ptr<std::atomic<bool>> m_abandoned;  ///< tells tiles in flight that nobody waits any more
};

}  // namespace rivlen
