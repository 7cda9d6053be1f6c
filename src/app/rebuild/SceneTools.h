#pragma once
#include "app/rebuild/RebuildMix.h"
#include "core/rebuild/ReplaceMusic.h"

namespace rivlen {

/// What is done to the whole scene: its room told, its music replaced, a list laid in, its mix written.
class SceneTools {
public:
    SceneTools(const Reels& reels, RebuildDesk& desk, RebuildMix& mix) : m_reels(reels), m_desk(desk), m_mix(mix) {}
    void estimateRoom();  ///< from the loop (or all) of the dialogue, for the chosen strip
    /// The cue's file becomes one of the rebuild's sounds.
    void replaceMusic(MusicReplacement replacement, const std::filesystem::path& cue, bool matchLoudness);
    void render(const QString& file);
    /// A list of events or markers (ReadList.h), its tracks on lanes of their own, in one step.
    void layInList(const QString& file);

private:
    const Reels& m_reels;
    RebuildDesk& m_desk;
    RebuildMix& m_mix;
};

}  // namespace rivlen
