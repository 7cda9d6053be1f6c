#include "core/media/FileState.h"

#include <sys/stat.h>

namespace rivlen {

std::optional<FileState> FileState::of(const std::filesystem::path& file) {
    struct stat s {};
    if (::stat(file.c_str(), &s) != 0) return {};
    return FileState{uint64_t(s.st_dev), uint64_t(s.st_ino), int64_t(s.st_size),
                     int64_t(s.st_mtim.tv_sec) * 1000000000 + s.st_mtim.tv_nsec};
}

}  // namespace rivlen
