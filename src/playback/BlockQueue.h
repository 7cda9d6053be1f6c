#pragma once
#include <array>
#include <atomic>
#include <cstdint>
#include <vector>

namespace rivlen {

/// Frames on their way from the feeder to the audio callback: planar rows (what can be heard), each
/// with all channels, plus where they come from.
struct PlayBlock {
    static constexpr int kFrames = 512;
    int64_t first = 0;        ///< position of the first frame in the recording
    int frames = 0;           ///< how many are filled: fewer than kFrames where a loop ends
    uint64_t generation = 0;  ///< counts locates: blocks of an older one are dropped
    int channels = 0;
    int rows = 0;
    std::vector<float> data;  ///< rows x channels x kFrames
    std::vector<float> mix =
        std::vector<float>(2 * kFrames);  ///< of the rebuild, as it is listened to: left, then right

    PlayBlock() = default;
    PlayBlock(int channelCount, int rowCount)
        : channels(channelCount), rows(rowCount), data(size_t(channelCount * rowCount * kFrames), 0.0f) {}
    const float* row(int r, int c) const { return data.data() + size_t((r * channels + c) * kFrames); }
    float* row(int r, int c) { return data.data() + size_t((r * channels + c) * kFrames); }
};

/// Single producer, single consumer, no lock, no allocation after construction.
class BlockQueue {
public:
    static constexpr size_t kBlocks = 4;  ///< 43 ms at 48 kHz: a changed strength is heard within 50 ms; background
                                          ///< work runs at lower priority so that it is enough

    explicit BlockQueue(int channels, int rows) {
        for (auto& b : m_blocks) b = PlayBlock(channels, rows);
    }
    /// The block to fill next, or null when the queue is full.
    PlayBlock* toFill() {
        return m_written.load() - m_read.load() < kBlocks ? &m_blocks[m_written.load() % kBlocks] : nullptr;
    }
    void filled() { m_written.fetch_add(1); }
    /// The oldest block, or null when the queue is empty.
    const PlayBlock* toPlay() const {
        return m_read.load() < m_written.load() ? &m_blocks[m_read.load() % kBlocks] : nullptr;
    }
    void played() { m_read.fetch_add(1); }
    /// How many blocks wait to be played.
    size_t waiting() const { return m_written.load() - m_read.load(); }

private:
    std::array<PlayBlock, kBlocks> m_blocks;
    std::atomic<uint64_t> m_written{0}, m_read{0};
};

}  // namespace rivlen
