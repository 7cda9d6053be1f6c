#pragma once
#include <atomic>
#include <filesystem>
#include <map>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/separation/StemBlock.h"
#include "core/spectral/LevelTrack.h"

namespace rivlen {

/// The separated stems of one recording, as raw 32-bit float files in the cache folder, so that hours of
/// sound need no memory. One writer appends, any number of readers follow it. What was not finished is
/// discarded the next time; a finished store is found again by its key.
class StemStore {
public:
    struct Shape {
        std::vector<std::string> stems;
        int sampleRate = 0;
        int channels = 0;
        int64_t frames = 0;
        bool room = false;  ///< the voice's room is kept beside the stems
    };

    /// The store's folder for a recording and a network: changes when the file, the network or the quality does.
    static std::filesystem::path folderFor(const std::filesystem::path& source, const std::string& networkSha,
                                           const std::string& quality);

    /// A finished store, or nothing: also for one made through damage, unless that is tolerated.
    static std::shared_ptr<StemStore> openFinished(const std::filesystem::path& folder, bool tolerateDamage = true);
    /// A new, empty store to be filled; replaces what was there. Throws Error (OutputUnwritable).
    static std::shared_ptr<StemStore> create(const std::filesystem::path& folder, Shape shape);
    ~StemStore();

    const Shape& shape() const { return m_shape; }
    int stemIndex(const std::string& name) const;      ///< -1 when there is no such stem
    int64_t available() const { return m_available; }  ///< frames that can be read already
    bool finished() const { return m_finished; }

    /// The next frames of all stems, of the room when there is one, and of the source, if given, to measure what they
    /// lack. Throws Error (OutputUnwritable), e.g. disk full.
    void append(const StemBlock& block);
    void append(const std::vector<AudioBuffer>& stems) { append(StemBlock{{}, stems, {}}); }
    /// Leaves frames out: they read as silence and take no space. Only at the beginning and the end.
    void skip(int64_t frames);
    /// faults: of the recording that was read (SampleSource::faults()).
    void finish(const std::vector<SourceFault>& faults = {});
    /// Silence stands where the recording could not be decoded: only for whoever tolerates that.
    bool throughDamage() const { return m_throughDamage; }
    /// Peak of the source minus the sum of the stems in dBFS, so far; nothing when it was not measured.
    std::optional<double> residualDb() const;

    const LevelTrack& levels() const { return *m_levels; }  ///< one row per stem

    /// A reader of one stem with its own position; frames not yet available read as silence.
    std::unique_ptr<SampleSource> open(int stem) const;
    /// The same without patches.
    std::unique_ptr<SampleSource> openPlain(int stem) const;
    /// Readers of all stems, in order, and of the room; of the parts of a stem where a part is wanted and it is taken
    /// apart.
    StemReaders openAll(const std::string& wanted = "") const;
    /// What is added to the stems from now on where they are opened; null: nothing. It is not stored.
    void setPatches(std::shared_ptr<const StemPatches> patches);
    std::shared_ptr<const StemPatches> patches() const;
    /// What a stem is taken further apart into, for openAll(); null: nothing. It is not stored.
    void setParts(const std::string& stem, std::shared_ptr<const StemStore> parts);
    std::shared_ptr<const StemStore> parts(const std::string& stem) const;
    /// Of this store and its present patches: no other has it, or had it before, while the program runs.
    uint64_t version() const;
    /// The same without regard to patches.
    uint64_t serial() const { return m_serial; }
    const std::filesystem::path& folder() const { return m_folder; }

private:
    StemStore() = default;
    std::filesystem::path stemFile(int stem) const;  ///< the room's comes after the stems'
    int files() const { return int(m_shape.stems.size()) + m_shape.room; }
    void write(int stem, const AudioBuffer& sound);
    std::filesystem::path m_folder;
    Shape m_shape;
    std::vector<int> m_files;
    std::unique_ptr<LevelTrack> m_levels;
    std::atomic<int64_t> m_available{0};
    std::atomic<bool> m_finished{false};
    bool m_throughDamage = false;
    std::atomic<double> m_residual{-1.0};  ///< -1: not measured
    static std::atomic<uint64_t> s_numbers;
    const uint64_t m_serial = ++s_numbers;
    uint64_t m_version = m_serial;
    mutable std::mutex m_guard;
    std::shared_ptr<const StemPatches> m_patches;
    std::map<std::string, std::shared_ptr<const StemStore>> m_parts;
};

}  // namespace rivlen
