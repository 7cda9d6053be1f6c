#include "core/base/Unexpected.h"

#include <cstdlib>
#include <filesystem>
#include <new>

namespace rivlen {

namespace {

std::string reason(const std::error_code& code) {
    if (code == std::errc::filename_too_long) return "its name is longer than this file system allows: shorten it.";
    if (code == std::errc::too_many_symbolic_link_levels)
        return "its symbolic links lead in a circle: name the file itself.";
    if (code == std::errc::permission_denied || code == std::errc::operation_not_permitted)
        return "you may not do that there: change its permissions, or choose another folder.";
    if (code == std::errc::no_space_on_device) return "the disk is full: free some space and start again.";
    if (code == std::errc::read_only_file_system) return "the disk is read-only: choose another one.";
    if (code == std::errc::not_a_directory) return "a part of its path is a file, not a folder: check the path.";
    if (code == std::errc::no_such_file_or_directory) return "it is not there: check the path.";
    if (code == std::errc::io_error) return "the disk reports an error: check it, or use another one.";
    return "the file system refuses it: check the path and the disk.";
}

}  // namespace

Error unexpected(const std::exception& e, const std::string& doing) {
    std::string detail;
    if (std::getenv("RIVLEN_DEBUG")) detail = " (" + std::string(e.what()) + ")";
    if (dynamic_cast<const std::bad_alloc*>(&e))
        return {Error::Kind::Other, "There is not enough memory for " + doing +
                                        ": close other programs, or work on a shorter span." + detail};
    if (const auto* file = dynamic_cast<const std::filesystem::filesystem_error*>(&e))
        return {Error::Kind::OutputUnwritable, "\"" + (file->path2().empty() ? file->path1() : file->path2()).string() +
                                                   "\" cannot be used: " + reason(file->code()) + detail};
    return {Error::Kind::Other, "Something went wrong inside Rivlen while " + doing +
                                    "; nothing was damaged. Try once more; if it happens again, RIVLEN_DEBUG=1 in the "
                                    "environment adds what a report needs." +
                                    detail};
}

}  // namespace rivlen
