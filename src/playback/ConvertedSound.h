#pragma once
#include <atomic>
#include <functional>
#include <thread>
#include <vector>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// Sound at one rate, made on a thread of its own of what a callback gives at another: libsoxr allocates, which a
/// device's thread may not. One thread takes from it.
class ConvertedSound {
public:
    static constexpr int kChunk = 256;  ///< frames that are asked for at once
    /// Fills all kChunk frames of all channels.
    using Make = std::function<void(AudioBuffer& chunk)>;
    /// ahead: frames of toRate that are kept ready, at most half of kFrames.
    ConvertedSound(int channels, int fromRate, int toRate, int ahead, Make make);
    ~ConvertedSound();
    ConvertedSound(const ConvertedSound&) = delete;

    /// One frame, a value for each channel; false when nothing has come. Neither locks nor allocates.
    bool get(float* frame);
    static constexpr uint64_t kFrames = 1 << 15;

private:
    void run();
    void put(const AudioBuffer& sound);
    uint64_t waiting() const { return m_written - m_read; }

    const int m_channels, m_from, m_to;
    const uint64_t m_ahead;
    const Make m_make;
    std::vector<float> m_data;
    std::atomic<uint64_t> m_written{0}, m_read{0};
    std::atomic<bool> m_running{true};
    std::thread m_thread;
};

}  // namespace rivlen
