#pragma once
#include <memory>

#include "core/audio/SampleSource.h"

namespace rivlen {

/// A recording with a stretch of it replaced by a buffer in memory, faded over 5 ms at the borders.
class PatchedSource : public SampleSource {
public:
    /// patch stands from frame first on; whole may be null: then there is silence around it, frames long in all.
    PatchedSource(std::unique_ptr<SampleSource> whole, std::shared_ptr<const AudioBuffer> patch, int64_t first,
                  int sampleRate, int64_t frames)
        : m_whole(std::move(whole)), m_patch(std::move(patch)), m_first(first), m_rate(sampleRate), m_frames(frames) {}
    int channels() const override { return m_patch->channels(); }
    int sampleRate() const override { return m_rate; }
    int64_t frames() const override { return m_frames; }
    AudioBuffer read(int64_t first, int64_t count) override {
        AudioBuffer out = m_whole ? m_whole->read(first, count) : AudioBuffer(channels(), count);
        const int64_t from = std::max(first, m_first), to = std::min(first + count, m_first + m_patch->frames());
        const auto fade = float(std::max<int64_t>(1, m_rate / 200));
        for (int c = 0; c < channels(); ++c)
            for (int64_t at = from; at < to; ++at) {
                const auto edge = float(std::min(at - m_first, m_first + m_patch->frames() - 1 - at));
                const bool atEnd = m_first == 0 ? at - m_first < m_patch->frames() / 2 : false;
                const float w = atEnd ? 1.0f : std::min(1.0f, (edge + 1) / fade);
                float& v = out.channel(c)[size_t(at - first)];
                v += w * (m_patch->channel(c)[size_t(at - m_first)] - v);
            }
        return out;
    }

private:
    std::unique_ptr<SampleSource> m_whole;
    std::shared_ptr<const AudioBuffer> m_patch;
    int64_t m_first;
    int m_rate;
    int64_t m_frames;
};

}  // namespace rivlen
