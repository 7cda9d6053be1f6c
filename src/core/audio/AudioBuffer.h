#pragma once
#include <algorithm>
#include <cstdint>
#include <span>
#include <vector>

namespace rivlen {

/// A block of samples, planar: channels() rows of frames() floats, nominal range -1 ... +1.
class AudioBuffer {
public:
    AudioBuffer() = default;
    AudioBuffer(int channels, int64_t frames)
        : m_channels(channels), m_frames(frames), m_data(size_t(channels) * size_t(frames), 0.0f) {}

    int channels() const { return m_channels; }
    int64_t frames() const { return m_frames; }
    std::span<float> channel(int c) { return {m_data.data() + size_t(c) * size_t(m_frames), size_t(m_frames)}; }
    std::span<const float> channel(int c) const {
        return {m_data.data() + size_t(c) * size_t(m_frames), size_t(m_frames)};
    }
    std::span<float> samples() { return m_data; }
    std::span<const float> samples() const { return m_data; }

    /// A copy of count frames from first on; what lies outside is silence.
    AudioBuffer slice(int64_t first, int64_t count) const {
        AudioBuffer out(m_channels, count);
        const int64_t from = std::max<int64_t>(first, 0), to = std::min(first + count, m_frames);
        for (int c = 0; c < m_channels && to > from; ++c)
            std::copy_n(channel(c).begin() + from, to - from, out.channel(c).begin() + (from - first));
        return out;
    }

    /// Adds the frames of another buffer (same channel count) at the end.
    void append(const AudioBuffer& other) {
        AudioBuffer joined(other.m_channels, m_frames + other.m_frames);
        for (int c = 0; c < other.m_channels; ++c) {
            if (m_frames > 0) std::copy_n(channel(c).begin(), m_frames, joined.channel(c).begin());
            std::copy_n(other.channel(c).begin(), other.m_frames, joined.channel(c).begin() + m_frames);
        }
        *this = std::move(joined);
    }

private:
    int m_channels = 0;
    int64_t m_frames = 0;
    std::vector<float> m_data;
};

}  // namespace rivlen
