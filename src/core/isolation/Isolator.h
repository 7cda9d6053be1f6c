#pragma once
#include <complex>
#include <map>
#include <span>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/isolation/SpanCells.h"
#include "core/isolation/StemNames.h"
#include "core/separation/StemBlock.h"
#include "core/spectral/Fft.h"

namespace rivlen {

/// Applies strength settings to a separation.
///
/// With the source X = sum of the stems S, a cell's share is p_s = |S_s| / sum |S| (exactly the network's mask
/// where that is a real mask), taken over all channels of a group so that the stereo image stays.
/// Firmness, Onset guard and Steadiness change the wanted stem's share from p to p' (strengthened(), CellShares.h) and
/// move (p' - p) X between it and the other stems, each in proportion to its share. Depth G then lets 10^(-G/20) of all
/// that is not wanted back in, Distractions and Place more of the ambience's events and bed. What one stem gains the
/// others lose: at every setting the stems sum to the source. At neutral settings they are returned unchanged.
///
/// Where a part of a stem is wanted and the block has the parts, they stand in the stem's place, each like a stem.
///
/// Frames lie on an absolute grid, so any block of the answer is the same whatever blocks it is asked for in:
/// playback and file output agree. Not thread-safe; one per thread.
class Isolator {
public:
    Isolator(int channels, int sampleRate);

    /// Frames of context that apply() needs before and after.
    int64_t margin() const { return m_size + kCellReach * m_hop; }

    struct Isolated {
        std::vector<AudioBuffer> stems;       ///< sum to the source
        AudioBuffer result;                   ///< the wanted one with its Balance
        std::vector<AudioBuffer> parts = {};  ///< of the wanted part's stem; they sum to it
        /// The stem or the part that the strength is for.
        const AudioBuffer& wanted(const std::string& name) const {
            return parts.empty() ? stems[stemPlace(name)] : parts[size_t(partPlace(name))];
        }
    };
    /// What apply() needs around for a strength: margin(), or nothing when no cell is moved.
    int64_t margin(const StrengthTimeline& timeline) const {
        return timeline.constant() && !movesCells(timeline.base) ? 0 : margin();
    }
    /// block covers [first - m, first + count + m) of the recording with m = around: margin(), or at least
    /// margin(timeline); returns [first, first + count) at the strength. wanted is the index of the wanted stem, or of
    /// the stem whose part is.
    Isolated apply(const StrengthTimeline& timeline, int wanted, int64_t first, StemBlock block, int64_t around);
    Isolated apply(const StrengthTimeline& timeline, int wanted, int64_t first, StemBlock block) {
        return apply(timeline, wanted, first, std::move(block), margin());
    }
    /// The same for one setting and a room that is not known: the stems alone.
    std::vector<AudioBuffer> apply(const IsolationSettings& settings, int wanted, int64_t first, int64_t count,
                                   const AudioBuffer& source, const std::vector<AudioBuffer>& stems);

    /// What apply() works on, to weigh settings without making sound; same arguments. Of the timeline only Room keep
    /// counts.
    SpanCells cells(const StrengthTimeline& timeline, int wanted, int64_t first, StemBlock block);
    SpanCells cells(int wanted, int64_t first, int64_t count, const AudioBuffer& source,
                    const std::vector<AudioBuffer>& stems);

    /// Remembers transformed frames between calls, for whoever walks through one recording in small blocks.
    void keepFrames() { m_keep = 128; }
    /// The recording or its stems have changed.
    void forget() { m_kept.clear(); }

private:
    /// One frame of one group: each stem's share of each bin, and the source's power.
    struct Frame {
        Cells shares;
        std::vector<float> power;
    };
    Frame analysed(const std::vector<int>& group, int64_t at, const AudioBuffer& source,
                   const std::vector<AudioBuffer>& stems);
    void transform(std::span<const float> row, int64_t at);

    /// What the strength is at frames [first, first + count) of the grid, one for all when it is the same.
    std::vector<Blend> blends(const StrengthTimeline& timeline, int64_t begin, int frames) const;
    /// Puts the block's parts into their stem's place where one of them is wanted; returns the wanted one's index.
    int divide(const StrengthTimeline& timeline, int wanted, StemBlock& block);
    /// Moves what Room keep takes from the dialogue.
    void keepRoom(const StrengthTimeline& timeline, int wanted, int64_t origin, StemBlock& block);
    /// Adds what changes owner to moved[stem] (count frames).
    void moveCells(const StrengthTimeline& timeline, size_t group, int wanted, int64_t first, int64_t count,
                   const StemBlock& block, std::vector<AudioBuffer>& moved);
    /// bed: of the ambience, over the block; no channels: Distractions and Place count for nothing.
    void setLevels(const StrengthTimeline& timeline, int wanted, int64_t first, const StemBlock& block,
                   const AudioBuffer& bed, int64_t around, Isolated& out) const;

    int m_size, m_hop, m_rate;
    Fft m_fft;
    std::vector<float> m_window;
    std::vector<float> m_block;
    std::vector<std::complex<float>> m_spectrum;
    std::vector<std::vector<int>> m_groups;
    size_t m_keep = 0;
    std::map<std::pair<int64_t, size_t>, Frame> m_kept;  ///< by position and group
    StrengthTimeline m_timeline;                         ///< that was applied last
    int m_divided = -1;                                  ///< the stem that was, last
};

}  // namespace rivlen
