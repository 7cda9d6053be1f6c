#pragma once
#include <atomic>
#include <cstdint>
#include <vector>

namespace rivlen {

/// What was heard, on its way from the audio callback to the meters: single producer, single consumer, no lock. When
/// nobody takes it, it is lost.
class HeardRing {
public:
    static constexpr uint64_t kFrames = 1 << 15;
    void put(float left, float right) {
        const uint64_t at = m_written.load(std::memory_order_relaxed);
        if (at - m_read.load(std::memory_order_acquire) >= kFrames) return;
        m_data[2 * (at % kFrames)] = left;
        m_data[2 * (at % kFrames) + 1] = right;
        m_written.store(at + 1, std::memory_order_release);
    }
    /// Interleaved left and right since the last call.
    std::vector<float> take() {
        const uint64_t to = m_written.load(std::memory_order_acquire);
        uint64_t at = m_read.load(std::memory_order_relaxed);
        std::vector<float> out;
        out.reserve(2 * size_t(to - at));
        for (; at < to; ++at) {
            out.push_back(m_data[2 * (at % kFrames)]);
            out.push_back(m_data[2 * (at % kFrames) + 1]);
        }
        m_read.store(to, std::memory_order_release);
        return out;
    }

private:
    std::vector<float> m_data = std::vector<float>(2 * kFrames);
    std::atomic<uint64_t> m_written{0}, m_read{0};
};

}  // namespace rivlen
