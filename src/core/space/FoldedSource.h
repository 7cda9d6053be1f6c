#pragma once
#include <memory>

#include "core/audio/SampleSource.h"
#include "core/space/MixFold.h"

namespace rivlen {

/// A recording of a mix, heard in another layout.
class FoldedSource : public SampleSource {
public:
    FoldedSource(std::unique_ptr<SampleSource> mix, MixFormat format, ChannelLayout to)
        : m_mix(std::move(mix)), m_fold(format, m_mix->channels(), to) {}
    int channels() const override { return m_fold.outputs(); }
    int sampleRate() const override { return m_mix->sampleRate(); }
    int64_t frames() const override { return m_mix->frames(); }
    AudioBuffer read(int64_t first, int64_t count) override { return m_fold(m_mix->read(first, count)); }

private:
    std::unique_ptr<SampleSource> m_mix;
    MixFold m_fold;
};

}  // namespace rivlen
