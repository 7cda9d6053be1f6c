#pragma once
#include <array>
#include <atomic>
#include <string>
#include <thread>
#include <vector>

#include "core/base/HelperProcess.h"
#include "core/live/LiveProtocol.h"

namespace rivlen {

/// The way to rivlen-live-host and back: what is played goes out, what is made of it comes back into a ring where each
/// frame bears its number. put(), ready(), sample() and the settings are for the audio thread: none of them locks,
/// allocates or waits. A thread of its own talks to the process.
class LiveLine {
public:
    static constexpr int kLatencies = 3;
    /// program: the file of rivlen-live-host. Throws Error (Other) when it cannot be started or does not answer.
    LiveLine(const std::string& program, int rate, int channels);
    ~LiveLine();
    LiveLine(const LiveLine&) = delete;

    int64_t latency(int lookAhead) const { return m_latencies[size_t(lookAhead)]; }

    /// From now on what is put begins at frame 0 again, and nothing of before comes back.
    void restart(int lookAhead);
    void setControl(int control, float value) { m_controls[size_t(control)].store(value, std::memory_order_relaxed); }
    void setWhat(int stem, bool removed) { m_what.store(stem * 2 + (removed ? 1 : 0), std::memory_order_relaxed); }
    /// Frames of what is played, one pointer a channel; at most kMostPut at once. False when too much waits to be sent:
    /// then only restart() helps.
    bool put(const float* const* in, int frames);
    int64_t unsent() const { return position() - m_sentByNow.load(std::memory_order_acquire); }
    static constexpr int kMostPut = 1024;
    /// Frames that were put since restart().
    int64_t position() const { return m_position.load(std::memory_order_relaxed); }
    /// What was put, as long as it is not older than the longest latency.
    float heard(int channel, int64_t frame) const;
    /// Whether the answer to a frame is there.
    bool ready(int64_t frame) const;
    float answer(int channel, int64_t frame) const;
    bool broken() const { return m_broken.load(std::memory_order_relaxed); }

private:
    void work();
    bool begin(uint32_t generation);
    bool send();
    bool receive();
    LiveRequest request() const;
    int64_t stampOf(uint32_t generation, int64_t frame) const { return (int64_t(generation) << 40) | frame; }

    const int m_rate, m_channels;
    HelperProcess m_process;
    std::array<int64_t, kLatencies> m_latencies{};
    size_t m_mask = 0, m_answerMask = 0;  ///< frames of the rings, less one
    std::vector<float> m_in, m_answers;   ///< rings, channel after channel
    std::vector<std::atomic<int64_t>> m_stamps;
    std::array<std::atomic<float>, kLiveControls> m_controls{};
    std::atomic<int> m_what{0}, m_lookAhead{0};
    std::atomic<int64_t> m_position{0}, m_sentByNow{0};
    std::atomic<uint32_t> m_generation{0};
    std::atomic<bool> m_broken{false}, m_stop{false};
    std::thread m_thread;

    // The thread's own.
    uint32_t m_at = 0;  ///< generation
    int64_t m_sent = 0;
    LiveRequest m_last;
    std::vector<char> m_message;
    std::vector<float> m_samples;
};

}  // namespace rivlen
