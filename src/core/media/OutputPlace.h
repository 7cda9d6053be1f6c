#pragma once
#include <filesystem>

namespace rivlen {

/// Throws Error (OutputUnwritable; Usage for the source itself) where a file must not be written: it is there and
/// overwrite is false; it is a folder, a pipe or a device; or it is the source by any name (symbolic link, hard link,
/// another path). source may be empty.
void checkOutputPlace(const std::filesystem::path& file, bool overwrite, const std::filesystem::path& source = {});

/// Makes a folder and those above it. Throws Error (OutputUnwritable).
void makeFolder(const std::filesystem::path& folder);

/// A file that is being made under a name of its own beside its place. It is locked while this lives, so that nobody
/// takes it for abandoned.
class PartFile {
public:
    /// Names it, and clears away those that killed programs left in the folder. The folder is made. Throws Error
    /// (OutputUnwritable).
    explicit PartFile(const std::filesystem::path& file);
    ~PartFile();  ///< removes it, when it is still there
    PartFile(const PartFile&) = delete;
    const std::filesystem::path& path() const { return m_path; }

    /// Removes the files of programs that are no more from a folder. Those of living ones, here or on another machine
    /// with the same disk, hold a lock.
    static void clearAbandoned(const std::filesystem::path& folder);

private:
    std::filesystem::path m_path;
    int m_lock = -1;
};

}  // namespace rivlen
