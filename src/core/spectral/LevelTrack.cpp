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
            push(r, float(m_rest[r] / kBlock));
            m_rest[r] = 0;
        }
        m_restFrames = 0;
    }
}

void LevelTrack::finish() {
    const std::lock_guard lock(m_guard);
    if (m_restFrames == 0) return;
    for (size_t r = 0; r < m_rows; ++r) push(r, float(m_rest[r] / double(m_restFrames)));
    m_restFrames = 0;
}

int64_t LevelTrack::blocks() const {
    const std::lock_guard lock(m_guard);
    return int64_t(m_levels[0].size());
}

void LevelTrack::push(size_t row, float level) {
    if (m_levels[row].size() % kGroup == 0) m_groups[row].emplace_back();
    m_levels[row].push_back(level);
    Group& group = m_groups[row].back();
    group.sum += double(level);
    group.most = std::max(group.most, level);
}

std::pair<LevelTrack::Group, size_t> LevelTrack::over(int row, int64_t from, int64_t to) const {
    const auto& levels = m_levels[size_t(row)];
    const auto& groups = m_groups[size_t(row)];
    const int64_t first = std::max<int64_t>(0, from / kBlock);
    const int64_t last = std::min<int64_t>(int64_t(levels.size()), std::max(first + 1, (to + kBlock - 1) / kBlock));
    if (first >= last) return {};
    Group all;
    for (size_t i = size_t(first); i < size_t(last);) {
        const bool whole = i % kGroup == 0 && i + kGroup <= size_t(last);
        const Group next = whole ? groups[i / kGroup] : Group{double(levels[i]), levels[i]};
        all.sum += next.sum;
        all.most = std::max(all.most, next.most);
        i += whole ? kGroup : 1;
    }
    return {all, size_t(last - first)};
}

float LevelTrack::meanSquare(int row, int64_t from, int64_t to) const {
    const std::lock_guard lock(m_guard);
    const auto [all, count] = over(row, from, to);
    return count > 0 ? float(all.sum / double(count)) : 0.0f;
}

float LevelTrack::loudest(int row, int64_t from, int64_t to) const {
    const std::lock_guard lock(m_guard);
    return over(row, from, to).first.most;
}

std::vector<float> LevelTrack::row(int r) const {
    const std::lock_guard lock(m_guard);
    return m_levels[size_t(r)];
}

void LevelTrack::setRow(int r, const std::vector<float>& levels) {
    const std::lock_guard lock(m_guard);
    m_levels[size_t(r)].clear();
    m_groups[size_t(r)].clear();
    for (float level : levels) push(size_t(r), level);
}

}  // namespace rivlen
