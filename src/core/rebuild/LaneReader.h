#pragma once
#include <map>
#include <memory>

#include "core/rebuild/Materials.h"

namespace rivlen {

/// The clips of one lane as one sound, at any place, in the mix's channels. For one thread.
class LaneReader {
public:
    LaneReader(std::shared_ptr<Materials> materials, int channels)
        : m_materials(std::move(materials)), m_channels(channels) {}
    /// rebuild must be the one that the lane belongs to.
    void set(const Shared<Rebuild>& rebuild, const Shared<Lane>& lane);
    /// Frames from first on, which may lie before 0 (silence). changed: the first block after set() fades from the
    /// clips before to the new ones.
    void read(int64_t first, AudioBuffer& out);
    bool failed() const { return m_failed; }

private:
    void readClips(const Lane& lane, int64_t first, AudioBuffer& out);
    void readClip(const Clip& clip, int64_t first, AudioBuffer& out);
    const AudioBuffer* material(const std::string& name, int64_t first, int64_t count);

    struct Open {
        std::unique_ptr<SampleSource> source;
        AudioBuffer block;
        int64_t first = 0;
    };
    std::shared_ptr<Materials> m_materials;
    int m_channels;
    Shared<Rebuild> m_rebuild;
    Shared<Lane> m_lane, m_before;
    bool m_changed = false, m_failed = false;
    std::map<std::string, Open> m_open;
    AudioBuffer m_silence;
    AudioBuffer m_piece;
};

}  // namespace rivlen
