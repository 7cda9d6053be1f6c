#pragma once
#include <vector>

#include "core/audio/AudioBuffer.h"

namespace rivlen {

/// A place at which a file does not give what it promises. What follows stays where it belongs.
struct SourceFault {
    enum class Kind {
        Damage,      ///< cannot be decoded: silence stands for it
        Gap,         ///< the file's own clock jumps: nothing was ever recorded there, silence stands for it
        NotNumbers,  ///< samples that are infinite or no numbers: bridged from what is beside them
    };
    Kind kind = Kind::Damage;
    int64_t first = 0, count = 0;  ///< frames
    int channel = -1;              ///< from 0; -1: all

    bool operator==(const SourceFault&) const = default;
};

/// Anything that can be read at any position: a media file, a stored stem, a buffer in a test.
/// Not thread-safe: each thread opens its own.
class SampleSource {
public:
    virtual ~SampleSource() = default;
    virtual int channels() const = 0;
    virtual int sampleRate() const = 0;  ///< Hz
    virtual int64_t frames() const = 0;
    /// count frames from first on; what lies outside the source is silence. Throws Error (InputUnreadable).
    virtual AudioBuffer read(int64_t first, int64_t count) = 0;
    /// What was found wrong in what was read so far, by place.
    virtual std::vector<SourceFault> faults() const { return {}; }
};

/// A buffer in memory as a source.
class BufferSource : public SampleSource {
public:
    BufferSource(AudioBuffer buffer, int sampleRate) : m_buffer(std::move(buffer)), m_rate(sampleRate) {}
    int channels() const override { return m_buffer.channels(); }
    int sampleRate() const override { return m_rate; }
    int64_t frames() const override { return m_buffer.frames(); }
    AudioBuffer read(int64_t first, int64_t count) override { return m_buffer.slice(first, count); }

private:
    AudioBuffer m_buffer;
    int m_rate;
};

}  // namespace rivlen
