#pragma once
#include <cstdint>
#include <filesystem>
#include <optional>

namespace rivlen {

/// By what a file that was overwritten, cut or replaced is told from what it was.
struct FileState {
    uint64_t device = 0, inode = 0;
    int64_t size = 0, modified = 0;  ///< bytes; nanoseconds since 1970

    /// Nothing when the file is not there. Follows symbolic links.
    static std::optional<FileState> of(const std::filesystem::path& file);
    bool operator==(const FileState&) const = default;
};

}  // namespace rivlen
