#include "core/spectral/LevelTrack.h"

#include <algorithm>

namespace rivlen {

void LevelTrack::add(std::span<const AudioBuffer> parts) {
    const std::lock_guard lock(m_guard);
    const int64_t frames = parts[0].frames();
    const int channels = parts[0].channels();
    for (int64_t at = 0; at < frames;) {
        const int64_t count = std::min(kBlock - m_restFrames, frames - at);
        for (size_t r = 0; r < m_rows; ++r)
            for (int c = 0; c < channels; ++c)
                for (float v : parts[r].channel(c).subspan(size_t(at), size_t(count)))
                    m_rest[r] += double(v) * v / channels;
        m_restFrames += count;
        at += count;
        if (m_restFrames < kBlock) break;
        for (size_t r = 0; r < m_rows; ++r) {
            m_levels[r].push_back(float(m_rest[r] / kBlock));
            m_rest[r] = 0;
        }
        m_restFrames = 0;
    }
}

void LevelTrack::finish() {
    const std::lock_guard lock(m_guard);
    if (m_restFrames == 0) return;
    for (size_t r = 0; r < m_rows; ++r) m_levels[r].push_back(float(m_rest[r] / double(m_restFrames)));
    m_restFrames = 0;
}

int64_t LevelTrack::blocks() const {
    const std::lock_guard lock(m_guard);
    return int64_t(m_levels[0].size());
}

template <typename Combine>
float LevelTrack::over(int row, int64_t from, int64_t to, Combine combine) const {
    const std::lock_guard lock(m_guard);
    const auto& levels = m_levels[size_t(row)];
    const int64_t first = std::max<int64_t>(0, from / kBlock);
    const int64_t last = std::min<int64_t>(int64_t(levels.size()), std::max(first + 1, (to + kBlock - 1) / kBlock));
    return first < last ? combine(levels.begin() + first, levels.begin() + last) : 0.0f;
}

float LevelTrack::meanSquare(int row, int64_t from, int64_t to) const {
    return over(row, from, to, [](auto begin, auto end) {
        double sum = 0;
        for (auto i = begin; i != end; ++i) sum += double(*i);
        return float(sum / double(end - begin));
    });
}

float LevelTrack::loudest(int row, int64_t from, int64_t to) const {
    return over(row, from, to, [](auto begin, auto end) { return *std::max_element(begin, end); });
}

std::vector<float> LevelTrack::row(int r) const {
    const std::lock_guard lock(m_guard);
    return m_levels[size_t(r)];
}

void LevelTrack::setRow(int r, std::vector<float> levels) {
    const std::lock_guard lock(m_guard);
    m_levels[size_t(r)] = std::move(levels);
}

}  // namespace rivlen
