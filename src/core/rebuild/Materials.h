#pragma once
#include <functional>
#include <map>
#include <memory>
#include <mutex>

#include "core/isolation/Isolator.h"
#include "core/rebuild/Rebuild.h"
#include "core/separation/StemStore.h"

namespace rivlen {

/// What a reel gives its rebuild to work with.
struct ReelMaterial {
    std::function<std::unique_ptr<SampleSource>()> source;  ///< what the stems sum to
    std::shared_ptr<StemStore> stems;                       ///< null: not split yet; then stems are silent
    StrengthTimeline timeline;                              ///< the strength that the stems have in the rebuild
    int sampleRate = 48000, channels = 2;
    int64_t frames = 0;
    /// By stem, what it is taken further apart into; a part of a stem that is not is silent but for the last, which is
    /// all of it.
    std::map<std::string, std::shared_ptr<StemStore>> parts = {};
};

/// Channels of a reel's lanes, and of its mix where that has no format of its own: those of the reel where they are
/// loudspeakers that are known (1, 2, 5.1, 7.1), else stereo; sounds in stereo make the lanes of a mono reel stereo.
int laneChannels(int reelChannels, const Rebuild& rebuild);

/// The sounds that clips are made of, by the name of Clip::material. Stems are at the reel's strength: together they
/// are the source. Parts of a stem are as they were found in it, unless the strength is of one of them; what strength
/// and mends change besides goes to the last of them, so that together they are the stem. Safe from any number of
/// threads; each reader that it opens is for one.
class Materials : public std::enable_shared_from_this<Materials> {
public:
    /// converting: sound files at another rate are converted where that was not done before; else they are silent until
    /// it is.
    Materials(ReelMaterial reel, bool converting);
    ~Materials();

    const ReelMaterial& reel() const { return m_reel; }
    /// A reader at the reel's rate; null for a material that is not there. Throws Error (InputUnreadable).
    std::unique_ptr<SampleSource> open(const std::string& material, const Rebuild& rebuild);

    /// What the reel itself gives.
    enum class Part { Source, Dialogue, Music, Ambience, Result, Voice, Room, FirstPart };
    static constexpr int kParts = int(Part::FirstPart) + 5;  ///< a stem has at most five parts
    static constexpr int64_t kBlock = 4096;
    /// Frames [kBlock * n, kBlock * (n + 1)) of a part.
    std::shared_ptr<const AudioBuffer> block(Part part, int64_t n);

private:
    struct Blocks;
    std::unique_ptr<SampleSource> openPart(const std::string& part);
    std::shared_ptr<const AudioBuffer> toneSample(const Tone& tone, const Rebuild& rebuild);
    ReelMaterial m_reel;
    bool m_converting;
    std::mutex m_guard, m_toneGuard;
    std::unique_ptr<Blocks> m_blocks;
    std::map<std::string, std::pair<Tone, std::shared_ptr<const AudioBuffer>>> m_tones;
};

/// The file that stands for a sound at a rate: itself where it has that rate, else one in the cache folder; nothing
/// while that is not made.
std::optional<std::filesystem::path> soundAtRate(const std::filesystem::path& file, int sampleRate);
/// Makes it. Throws Error (Cancelled, InputUnreadable, OutputUnwritable).
std::filesystem::path convertSound(const std::filesystem::path& file, int sampleRate, const Progress& progress);

}  // namespace rivlen
