#pragma once
#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// Frames waiting in order: appended at the end, read anywhere, dropped from the front, without moving the rest each
/// time.
class AudioQueue {
public:
    explicit AudioQueue(int channels) : m_rows(static_cast<size_t>(channels)) {}

    int channels() const { return int(m_rows.size()); }
    int64_t frames() const { return m_rows.empty() ? 0 : int64_t(m_rows[0].size()) - m_head; }

    void append(const AudioBuffer& in) { append(in, 0, in.frames()); }

    /// Adds count frames of in, from first on.
    void append(const AudioBuffer& in, int64_t first, int64_t count) {
        for (size_t c = 0; c < m_rows.size(); ++c) {
            const auto row = in.channel(int(c)).subspan(size_t(first), size_t(count));
            m_rows[c].insert(m_rows[c].end(), row.begin(), row.end());
        }
    }

    /// What waits in a channel.
    std::span<const float> row(int c) const { return std::span(m_rows[size_t(c)]).subspan(size_t(m_head)); }

    /// A copy of count frames from first (0: the front) on; what lies outside is silence.
    AudioBuffer peek(int64_t first, int64_t count) const {
        const bool inside = first >= 0 && first + count <= frames();
        AudioBuffer out = inside ? AudioBuffer::uncleared(channels(), count) : AudioBuffer(channels(), count);
        copy(first, count, out, 0);
        return out;
    }

    /// Copies what there is of count frames from first on into out, from frame at on.
    void copy(int64_t first, int64_t count, AudioBuffer& out, int64_t at) const {
        const int64_t from = std::max<int64_t>(first, 0), to = std::min(first + count, frames());
        for (size_t c = 0; c < m_rows.size() && to > from; ++c)
            std::copy_n(m_rows[c].begin() + m_head + from, to - from,
                        out.channel(int(c)).begin() + at + (from - first));
    }

    /// Removes count frames from the front.
    void drop(int64_t count) {
        m_head += std::min(count, frames());
        if (m_rows.empty() || 2 * m_head < int64_t(m_rows[0].size())) return;
        for (auto& row : m_rows) row.erase(row.begin(), row.begin() + m_head);
        m_head = 0;
    }

    AudioBuffer take(int64_t count) {
        AudioBuffer out = peek(0, count);
        drop(count);
        return out;
    }

private:
    std::vector<std::vector<float>> m_rows;
    int64_t m_head = 0;
};

}  // namespace rivlen
