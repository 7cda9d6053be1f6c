#pragma once
#include <memory>

#include "core/audio/AudioQueue.h"
#include "core/audio/Progress.h"
#include "core/separation/Network.h"

namespace rivlen {

/// Runs a stream at the network's rate through the network in tiles. Each tile is read with the network's
/// context on both sides and cross-faded into the next; tile borders lie on the network's grid, so for a
/// network whose answer depends on nothing beyond its context the result does not depend on the tiling.
class TileStream {
public:
    /// Lengths in samples at the network's rate. passes: 1, or 2 to average with a half-grid shift.
    TileStream(std::shared_ptr<Network> network, int channels, int64_t firstTile, int64_t tile, int passes);

    /// Adds input; returns what became ready, one buffer per stem (perhaps empty).
    std::vector<AudioBuffer> process(const AudioBuffer& in, const Progress& progress);
    std::vector<AudioBuffer> finish(const Progress& progress);

private:
    std::vector<AudioBuffer> drain(bool ended, const Progress& progress);
    std::vector<AudioBuffer> runTile(int64_t start, int64_t end, const Progress& progress);
    std::vector<AudioBuffer> forward(AudioBuffer input, const Progress& progress);

    std::shared_ptr<Network> m_network;
    int m_channels;
    int64_t m_tile, m_nextTile, m_fade;
    int m_passes;
    AudioQueue m_pending;      ///< input that is still needed
    int64_t m_pendingAt = 0;   ///< position of its first sample
    int64_t m_done = 0;        ///< output position
    std::vector<AudioBuffer> m_tail;  ///< end of the last tile, to be faded out
};

}  // namespace rivlen
