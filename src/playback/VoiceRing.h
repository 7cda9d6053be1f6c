#pragma once
#include <atomic>
#include <cstdint>
#include <vector>

namespace rivlen {

/// A voice on its way from the audio callback to its file: single producer, single consumer, no lock. Each sample
/// knows the frame of the recording that it answers. What nobody takes in time is lost, and counted.
class VoiceRing {
public:
    static constexpr uint64_t kSamples = 1 << 17;
    struct Sample {
        int64_t frame;
        float value;
    };
    void put(int64_t frame, float value) {
        const uint64_t at = m_written.load(std::memory_order_relaxed);
        if (at - m_read.load(std::memory_order_acquire) >= kSamples) {
            m_lost.fetch_add(1, std::memory_order_relaxed);
            return;
        }
        m_data[at % kSamples] = {frame, value};
        m_written.store(at + 1, std::memory_order_release);
    }
    std::vector<Sample> take() {
        const uint64_t to = m_written.load(std::memory_order_acquire);
        std::vector<Sample> out;
        uint64_t at = m_read.load(std::memory_order_relaxed);
        out.reserve(size_t(to - at));
        for (; at < to; ++at) out.push_back(m_data[at % kSamples]);
        m_read.store(to, std::memory_order_release);
        return out;
    }
    uint64_t lost() const { return m_lost; }

private:
    std::vector<Sample> m_data = std::vector<Sample>(kSamples);
    std::atomic<uint64_t> m_written{0}, m_read{0}, m_lost{0};
};

}  // namespace rivlen
