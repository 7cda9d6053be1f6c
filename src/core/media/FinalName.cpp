#include "core/media/FinalName.h"

#include <fcntl.h>
#include <unistd.h>

namespace rivlen {

namespace fs = std::filesystem;

void toDisk(const fs::path& what) {
    const int handle = ::open(what.c_str(), O_RDONLY | O_CLOEXEC);
    if (handle < 0) return;
    ::fsync(handle);
    ::close(handle);
}

std::error_code giveFinalName(const fs::path& part, const fs::path& file, bool overwrite) {
    std::error_code problem, ignored;
    const auto there = fs::status(file, ignored);
    if (fs::exists(there) && !fs::is_regular_file(there))
        return std::make_error_code(std::errc::operation_not_permitted);
    toDisk(part);
    const fs::path folder = fs::absolute(file, ignored).parent_path();
    if (overwrite) {
        fs::rename(part, file, problem);
        if (!problem) toDisk(folder);
        return problem;
    }
    // A hard link fails when the name has been taken meanwhile; renaming would replace it.
    fs::create_hard_link(part, file, problem);
    if (problem == std::errc::operation_not_permitted ||
        problem == std::errc::function_not_supported) {  // a file system without links
        problem.clear();
        if (fs::exists(file)) return std::make_error_code(std::errc::file_exists);
        fs::rename(part, file, problem);
    }
    if (problem) return problem;
    fs::remove(part, ignored);
    toDisk(folder);
    return {};
}

}  // namespace rivlen
