#include "core/separation/FilledSilence.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

namespace {

/// How much of an image is heard: all of it, and from `reach` on nothing.
float shareAt(int64_t distance, int64_t reach, int64_t between) {
    return std::clamp(float(reach - distance) / float(between), 0.0f, 1.0f);
}

}  // namespace

FilledSilence::FilledSilence(SampleSource& source, const std::vector<std::vector<int>>& groups)
    : m_source(source),
      m_groups(groups),
      m_reach(int64_t(kReach * source.sampleRate())),
      m_least(std::max<int64_t>(1, int64_t(kLeast * source.sampleRate()))),
      m_between(std::max<int64_t>(1, int64_t(kBetween * source.sampleRate()))),
      m_around(source.channels()),
      m_filled(groups.size()) {}

AudioBuffer FilledSilence::read(int64_t first, int64_t count) {
    // The image of a place in silence lies as far beyond the silence's end as the place lies within it.
    const int64_t from = std::max<int64_t>(0, first - 2 * m_reach), to = first + count + 2 * m_reach;
    if (m_around.frames() == 0) m_aroundAt = from;
    m_around.drop(from - m_aroundAt);
    m_aroundAt = from;
    if (const int64_t at = m_aroundAt + m_around.frames(); at < to) m_around.append(m_source.read(at, to - at));
    m_first = first, m_count = count;
    for (size_t g = 0; g < m_groups.size(); ++g)
        for (const auto& [begin, end] : runs(m_groups[g]))
            m_filled[g].emplace_back(std::max(begin, first), std::min(end, first + count));
    return m_around.peek(first - m_aroundAt, count);
}

bool FilledSilence::silent(const std::vector<int>& group, int64_t frame) const {
    return std::all_of(group.begin(), group.end(),
                       [&](int c) { return m_around.row(c)[size_t(frame - m_aroundAt)] == 0.0f; });
}

std::vector<FilledSilence::Run> FilledSilence::runs(const std::vector<int>& group) const {
    const int64_t end = m_aroundAt + m_around.frames();
    std::vector<Run> found;
    // A silence that is long enough holds one of these places.
    const int64_t step = (m_least + 1) / 2;
    for (int64_t at = std::max(m_aroundAt, m_first - m_least); at < std::min(end, m_first + m_count + m_least);) {
        if (!silent(group, at)) {
            at += step;
            continue;
        }
        Run run{at, at + 1};
        while (run.first > m_aroundAt && silent(group, run.first - 1)) --run.first;
        while (run.second < end && silent(group, run.second)) ++run.second;
        if (run.second - run.first >= m_least && run.second > m_first && run.first < m_first + m_count)
            found.push_back(run);
        at = run.second;
    }
    return found;
}

AudioBuffer FilledSilence::heard() const {
    AudioBuffer out = m_around.peek(m_first - m_aroundAt, m_count);
    const int64_t end = m_aroundAt + m_around.frames();
    for (const auto& group : m_groups)
        for (const auto& [begin, after] : runs(group)) {
            // Silence that goes on beyond what is at hand goes on for longer than the reach.
            const bool before = begin > m_aroundAt, behind = after < end;
            for (int64_t at = std::max(begin, m_first); at < std::min(after, m_first + m_count); ++at) {
                const int64_t since = at - begin + 1, until = after - at;
                float left = before ? shareAt(since, m_reach, m_between) : 0.0f,
                      right = behind ? shareAt(until, m_reach, m_between) : 0.0f;
                if (before && behind) {
                    const float w = std::clamp(0.5f + float(until - since) / float(2 * m_between), 0.0f, 1.0f);
                    left *= w, right *= 1 - w;
                }
                const int64_t image = 2 * (begin - 1) - at, other = 2 * after - at;
                for (const int c : group) {
                    const auto row = m_around.row(c);
                    float v = 0;
                    if (left > 0 && image >= m_aroundAt) v += left * row[size_t(image - m_aroundAt)];
                    if (right > 0 && other < end) v += right * row[size_t(other - m_aroundAt)];
                    out.channel(c)[size_t(at - m_first)] = v;
                }
            }
        }
    return out;
}

void FilledSilence::silence(size_t group, int64_t first, AudioBuffer& stem) const {
    for (const auto& [begin, end] : m_filled[group]) {
        const int64_t from = std::max(begin, first) - first, to = std::min(end, first + stem.frames()) - first;
        for (const int c : m_groups[group])
            if (from < to) std::fill(stem.channel(c).begin() + from, stem.channel(c).begin() + to, 0.0f);
    }
}

void FilledSilence::drop(int64_t upTo) {
    for (auto& filled : m_filled)
        filled.erase(filled.begin(),
                     std::find_if(filled.begin(), filled.end(), [&](const Run& run) { return run.second > upTo; }));
}

}  // namespace rivlen
