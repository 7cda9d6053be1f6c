#pragma once
#include <utility>
#include <vector>

#include "core/audio/AudioQueue.h"
#include "core/audio/SampleSource.h"

namespace rivlen {

/// A recording as networks hear it. Digital silence inside it (an edit's gap, a leader, a lost second) is no sound of a
/// place: some networks lose their way beside it. As beyond a recording's ends, they hear the mirror image of what lies
/// beside it instead, up to kReach on either side, in the middle of a longer silence nothing. What they answer there is
/// put out (silence()): where the recording has nothing, no stem has.
///
/// What is heard at a place depends on what lies within twice that reach alone, so spans of a recording hear what the
/// whole one does. Read forward.
class FilledSilence {
public:
    static constexpr double kReach = 3.0;     ///< s of the mirror image; half a second brought less (EXPERIMENTS.md)
    static constexpr double kLeast = 0.1;     ///< s: shorter ones are a matter of two frames of the networks
    static constexpr double kBetween = 0.02;  ///< s over which one image goes into the other, or into nothing

    /// groups: of channels that are separated together; silence is where all of a group's samples are zero.
    FilledSilence(SampleSource& source, const std::vector<std::vector<int>>& groups);

    /// Frames of the source, as SampleSource::read gives them; first is never less than in the call before.
    AudioBuffer read(int64_t first, int64_t count);
    /// What was read last, all channels, as networks hear it.
    AudioBuffer heard() const;
    /// Takes out the answer where the group's silence was filled in what was read: frames count from first on.
    void silence(size_t group, int64_t first, AudioBuffer& stem) const;
    /// Frames before this one will not be asked for any more.
    void drop(int64_t upTo);

private:
    using Run = std::pair<int64_t, int64_t>;  ///< first frame of silence, one past the last

    bool silent(const std::vector<int>& group, int64_t frame) const;
    std::vector<Run> runs(const std::vector<int>& group) const;

    SampleSource& m_source;
    std::vector<std::vector<int>> m_groups;
    int64_t m_reach, m_least, m_between;
    AudioQueue m_around;  ///< what was read last, and twice the reach on either side
    int64_t m_aroundAt = 0, m_first = 0, m_count = 0;
    std::vector<std::vector<Run>> m_filled;  ///< by group, in order
};

}  // namespace rivlen
