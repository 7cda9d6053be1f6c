#include "core/separation/TileStream.h"

#include <chrono>
#include <cmath>
#include <future>
#include <thread>

namespace rivlen {

namespace {

int64_t onGrid(int64_t samples, int64_t grid) { return std::max(grid, (samples + grid - 1) / grid * grid); }

std::vector<AudioBuffer> slices(const std::vector<AudioBuffer>& from, int64_t first, int64_t count) {
    std::vector<AudioBuffer> out;
    for (const auto& b : from) out.push_back(b.slice(first, count));
    return out;
}

}  // namespace

TileStream::TileStream(std::shared_ptr<Network> network, int channels, int64_t firstTile, int64_t tile, int passes)
    : m_network(std::move(network)),
      m_channels(channels),
      m_tile(onGrid(tile, m_network->card().grid)),
      m_nextTile(std::min(m_tile, onGrid(firstTile, m_network->card().grid))),
      m_fade(std::min<int64_t>(m_network->card().sampleRate / 20, m_nextTile / 2)),
      m_passes(passes),
      m_pending(channels) {}

std::vector<AudioBuffer> TileStream::process(const AudioBuffer& in, const Progress& progress) {
    m_pending.append(in);
    return drain(false, progress);
}

std::vector<AudioBuffer> TileStream::finish(const Progress& progress) { return drain(true, progress); }

std::vector<AudioBuffer> TileStream::drain(bool ended, const Progress& progress) {
    const int64_t context = m_network->card().context;
    std::vector<AudioBuffer> out;
    while (true) {
        const int64_t available = m_pendingAt + m_pending.frames();
        const int64_t needed = m_done + m_nextTile + m_fade + context;
        if (available < needed && !ended) break;
        if (m_done >= available) break;
        const int64_t end = std::min(m_done + m_nextTile, available);
        auto stems = runTile(m_done, std::min(end + m_fade, available), progress);
        for (size_t s = 0; s < stems.size(); ++s) {
            if (!m_tail.empty()) {
                const int64_t n = std::min({m_fade, m_tail[s].frames(), stems[s].frames()});
                for (int c = 0; c < m_channels; ++c)
                    for (int64_t i = 0; i < n; ++i) {
                        // The two are nearly the same signal: equal gain, not equal power.
                        const float w = (float(i) + 0.5f) / float(n);
                        float& v = stems[s].channel(c)[size_t(i)];
                        v = w * v + (1 - w) * m_tail[s].channel(c)[size_t(i)];
                    }
            }
            if (out.size() <= s) out.emplace_back(m_channels, 0);
            if (out[s].frames() == 0) out[s] = stems[s].slice(0, end - m_done);
            else out[s].append(stems[s].slice(0, end - m_done));
        }
        m_tail = slices(stems, end - m_done, stems[0].frames() - (end - m_done));
        m_done = end;
        m_nextTile = m_tile;
        const int64_t keepFrom = std::max<int64_t>(0, m_done - context - m_network->card().grid);
        if (keepFrom > m_pendingAt) {
            m_pending.drop(keepFrom - m_pendingAt);
            m_pendingAt = keepFrom;
        }
    }
    while (out.size() < m_network->card().stems.size()) out.emplace_back(m_channels, 0);
    return out;
}

std::vector<AudioBuffer> TileStream::runTile(int64_t start, int64_t end, const Progress& progress) {
    const NetworkCard& card = m_network->card();
    const int64_t from = std::max<int64_t>(0, start - card.context);
    const int64_t to = std::min(end + card.context, m_pendingAt + m_pending.frames());
    const int64_t padded = std::max(to - from, card.minimum);
    auto stems = slices(forward(m_pending.peek(from - m_pendingAt, padded), progress), start - from, end - start);
    for (int pass = 1; pass < m_passes; ++pass) {
        // The same sound on another frame grid; the average cancels part of the masks' errors.
        const int64_t shift = std::max<int64_t>(1, card.grid * pass / m_passes);
        AudioBuffer later(m_channels, padded + shift);
        m_pending.copy(from - m_pendingAt, padded, later, shift);
        const auto again = slices(forward(std::move(later), progress), start - from + shift, end - start);
        for (size_t s = 0; s < stems.size(); ++s)
            for (size_t i = 0; i < stems[s].samples().size(); ++i)
                stems[s].samples()[i] += (again[s].samples()[i] - stems[s].samples()[i]) / float(pass + 1);
    }
    return stems;
}

std::vector<AudioBuffer> TileStream::forward(AudioBuffer input, const Progress& progress) {
    progress.throwIfCancelled();
    // A network that knows only stereo gets a mono recording twice.
    const bool twice = m_channels == 1 && !m_network->card().mono;
    if (twice) {
        AudioBuffer both = AudioBuffer::uncleared(2, input.frames());
        for (int c = 0; c < 2; ++c) std::copy(input.samples().begin(), input.samples().end(), both.channel(c).begin());
        input = std::move(both);
    }
    // A network cannot be interrupted inside; it runs on a thread of its own that is left behind when the user cancels.
    std::packaged_task<std::vector<AudioBuffer>()> task(
        [network = m_network, input = std::move(input)] { return network->separate(input); });
    auto result = task.get_future();
    std::thread(std::move(task)).detach();
    while (result.wait_for(std::chrono::milliseconds(20)) != std::future_status::ready) progress.throwIfCancelled();
    auto stems = result.get();
    for (auto& stem : stems) {
        if (!twice) break;
        AudioBuffer one = AudioBuffer::uncleared(1, stem.frames());
        for (size_t i = 0; i < one.samples().size(); ++i) one.samples()[i] = 0.5f * (stem.channel(0)[i] + stem.channel(1)[i]);
        stem = std::move(one);
    }
    return stems;
}

}  // namespace rivlen
