#pragma once
#include <filesystem>
#include <string>

namespace rivlen {

/// A hidden folder beside what is delivered, for files that have no name yet. It goes away with everything in it, in
/// any case but that of a crash or power cut; what those leave behind is cleared away by clearAbandoned().
class ScratchFolder {
public:
    /// Makes the folder, and beside as well. Throws Error (OutputUnwritable).
    explicit ScratchFolder(const std::filesystem::path& beside);
    ~ScratchFolder();
    ScratchFolder(const ScratchFolder&) = delete;
    std::filesystem::path operator/(const std::string& name) const { return m_path / name; }

    /// Removes work folders of programs that are no more: each living one holds a lock on its own.
    static void clearAbandoned(const std::filesystem::path& beside);

private:
    std::filesystem::path m_path;
    int m_lock = -1;
};

/// Throws Error (OutputUnwritable) when a folder's disk has less than so many bytes left. what: for the sentence.
void checkSpace(const std::filesystem::path& folder, double bytes, const std::string& what);

}  // namespace rivlen
