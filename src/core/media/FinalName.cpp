#include "core/media/FinalName.h"

namespace rivlen {

namespace fs = std::filesystem;

std::error_code giveFinalName(const fs::path& part, const fs::path& file, bool overwrite) {
    std::error_code problem, ignored;
    if (overwrite) {
        fs::rename(part, file, problem);
        return problem;
    }
    // A hard link fails when the name has been taken meanwhile; renaming would replace it.
    fs::create_hard_link(part, file, problem);
    if (problem == std::errc::operation_not_permitted || problem == std::errc::function_not_supported) {  // a file system without links
        problem.clear();
        if (fs::exists(file)) return std::make_error_code(std::errc::file_exists);
        fs::rename(part, file, problem);
    }
    if (!problem) fs::remove(part, ignored);
    return problem;
}

}  // namespace rivlen
