#pragma once
#include <algorithm>
#include <cstdint>
#include <memory>
#include <span>
#include <utility>
#include <vector>

namespace rivlen {

/// Leaves new floats as they are: clearing memory that is overwritten at once cost a tenth of a split.
template <typename T>
struct UnclearedAllocator : std::allocator<T> {
    template <typename U>
    struct rebind {
        using other = UnclearedAllocator<U>;
    };
    template <typename U>
    void construct(U* p) noexcept {
        ::new (static_cast<void*>(p)) U;
    }
    template <typename U, typename... Args>
    void construct(U* p, Args&&... args) {
        ::new (static_cast<void*>(p)) U(std::forward<Args>(args)...);
    }
};

/// A block of samples, planar: channels() rows of frames() floats, nominal range -1 ... +1.
class AudioBuffer {
public:
    AudioBuffer() = default;
    AudioBuffer(int channels, int64_t frames)
        : m_channels(channels), m_frames(frames), m_data(size_t(channels) * size_t(frames), 0.0f) {}

    /// Like the constructor, but the samples have no defined value: for whoever writes all of them.
    static AudioBuffer uncleared(int channels, int64_t frames) {
        AudioBuffer out;
        out.m_channels = channels;
        out.m_frames = frames;
        out.m_data.resize(size_t(channels) * size_t(frames));
        return out;
    }

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
        const int64_t from = std::max<int64_t>(first, 0), to = std::min(first + count, m_frames);
        AudioBuffer out =
            from == first && to == first + count ? uncleared(m_channels, count) : AudioBuffer(m_channels, count);
        for (int c = 0; c < m_channels && to > from; ++c)
            std::copy_n(channel(c).begin() + from, to - from, out.channel(c).begin() + (from - first));
        return out;
    }

    /// Adds the frames of another buffer (same channel count) at the end.
    void append(const AudioBuffer& other) {
        AudioBuffer joined = uncleared(other.m_channels, m_frames + other.m_frames);
        for (int c = 0; c < other.m_channels; ++c) {
            if (m_frames > 0) std::copy_n(channel(c).begin(), m_frames, joined.channel(c).begin());
            std::copy_n(other.channel(c).begin(), other.m_frames, joined.channel(c).begin() + m_frames);
        }
        *this = std::move(joined);
    }

private:
    int m_channels = 0;
    int64_t m_frames = 0;
    std::vector<float, UnclearedAllocator<float>> m_data;
};

}  // namespace rivlen
