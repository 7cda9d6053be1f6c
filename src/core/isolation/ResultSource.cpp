#include "core/isolation/ResultSource.h"

#include "core/isolation/StemNames.h"

namespace rivlen {

ResultSource::ResultSource(std::shared_ptr<SampleSource> source, StemReaders stems, StrengthTimeline timeline)
    : m_source(std::move(source)),
      m_stems(std::move(stems)),
      m_timeline(std::move(timeline)),
      m_isolator(m_source->channels(), m_source->sampleRate()) {
    m_isolator.keepFrames();
}

AudioBuffer ResultSource::read(int64_t first, int64_t count) {
    const int64_t margin = m_isolator.margin(m_timeline);
    return m_isolator
        .apply(m_timeline, int(stemPlace(m_timeline.base.stem)), first,
               m_stems.read(*m_source, first - margin, count + 2 * margin), margin)
        .result;
}

}  // namespace rivlen
