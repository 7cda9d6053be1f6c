#pragma once
#include <filesystem>
#include <memory>
#include <span>
#include <vector>

namespace rivlen {

/// A take while it is recorded: one channel in a wave of floats that a crash leaves playable, less its last second.
/// Until finish() it bears another name, NAME.recording.wav, and is locked.
class TakeFile {
public:
    /// NAME N.wav with the first N that is free. first: the frame of the recording that the take begins at; clock:
    /// frames since midnight of the recording's first one. Throws Error (OutputUnwritable).
    TakeFile(const std::filesystem::path& folder, const std::string& name, int sampleRate, int64_t first,
             int64_t clock = 0);
    ~TakeFile();  ///< what is there stays under the name of what was not finished
    TakeFile(const TakeFile&) = delete;

    /// What belongs at a frame of the recording. What is left out before it is silent; what lies before the take's
    /// beginning or was written already is left out. Throws Error (OutputUnwritable), for instance on a full disk.
    void put(int64_t frame, float value);
    /// What was put is in the file, and its header says so.
    void keep();
    int64_t first() const { return m_first; }
    int64_t frames() const { return m_frames; }
    int64_t missing() const { return m_missing; }  ///< frames that were left out between others
    /// Completes the file and gives it its name, which is returned. Throws Error (OutputUnwritable).
    std::filesystem::path finish();
    /// Nothing of it is wanted.
    void discard();

    /// Gives takes that were not finished, and whose program is gone, their names; returns them.
    static std::vector<std::filesystem::path> recover(const std::filesystem::path& folder);

private:
    void write();
    [[noreturn]] void fail() const;

    struct Handle;
    std::filesystem::path m_file, m_part;
    std::unique_ptr<Handle> m_handle;
    std::vector<float> m_waiting;
    int64_t m_first = 0, m_frames = 0, m_missing = 0;
};

}  // namespace rivlen
