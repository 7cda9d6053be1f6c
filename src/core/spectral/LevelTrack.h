#pragma once
#include <mutex>
#include <span>
#include <utility>
#include <vector>

#include "core/audio/SampleSource.h"

namespace rivlen {

/// Levels of a recording in blocks of kBlock frames, for drawing: mean square over all channels, one row per
/// part (one for a source, one per stem for a separation). Filled in order by one thread, read by others.
class LevelTrack {
public:
    static constexpr int64_t kBlock = 1024;

    explicit LevelTrack(int rows)
        : m_rows(size_t(rows)), m_levels(size_t(rows)), m_groups(size_t(rows)), m_rest(size_t(rows)) {}

    /// The next frames of all rows; the buffers have the same shape.
    void add(std::span<const AudioBuffer> parts);
    /// Completes a last, shorter block.
    void finish();

    int rows() const { return int(m_rows); }
    int64_t blocks() const;
    /// Mean of the row's mean squares over blocks that overlap frames [from, to); 0 where nothing is known.
    float meanSquare(int row, int64_t from, int64_t to) const;
    /// The same for the loudest block in the span.
    float loudest(int row, int64_t from, int64_t to) const;

    std::vector<float> row(int r) const;                   ///< a copy, for storing
    void setRow(int r, const std::vector<float>& levels);  ///< restores a stored row

private:
    /// What kGroup blocks have in common, so that hours are looked over as fast as minutes.
    struct Group {
        double sum = 0;
        float most = 0;
    };
    static constexpr size_t kGroup = 128;
    void push(size_t row, float level);
    /// Of all blocks that overlap [from, to), and how many they are. With the lock held.
    std::pair<Group, size_t> over(int row, int64_t from, int64_t to) const;
    size_t m_rows;
    mutable std::mutex m_guard;
    std::vector<std::vector<float>> m_levels;
    std::vector<std::vector<Group>> m_groups;  ///< the last one may be incomplete
    std::vector<double> m_rest;
    int64_t m_restFrames = 0;
};

/// A source that also fills a level track while somebody else reads it from start to end.
class ObservedSource : public SampleSource {
public:
    ObservedSource(SampleSource& inner, LevelTrack& track) : m_inner(inner), m_track(track) {}
    int channels() const override { return m_inner.channels(); }
    int sampleRate() const override { return m_inner.sampleRate(); }
    int64_t frames() const override { return m_inner.frames(); }
    AudioBuffer read(int64_t first, int64_t count) override {
        AudioBuffer audio = m_inner.read(first, count);
        m_track.add(std::span(&audio, 1));
        return audio;
    }

private:
    SampleSource& m_inner;
    LevelTrack& m_track;
};

}  // namespace rivlen
