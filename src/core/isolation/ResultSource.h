#pragma once
#include <memory>

#include "core/isolation/Isolator.h"

namespace rivlen {

/// The result of a strength as a recording of its own, computed as it is read. For one thread.
class ResultSource : public SampleSource {
public:
    /// stems belong to source and are read with it. Throws Error (InputUnreadable).
    ResultSource(std::shared_ptr<SampleSource> source, StemReaders stems, StrengthTimeline timeline);

    int channels() const override { return m_source->channels(); }
    int sampleRate() const override { return m_source->sampleRate(); }
    int64_t frames() const override { return m_source->frames(); }
    AudioBuffer read(int64_t first, int64_t count) override;

private:
    std::shared_ptr<SampleSource> m_source;
    StemReaders m_stems;
    StrengthTimeline m_timeline;
    Isolator m_isolator;
};

}  // namespace rivlen
