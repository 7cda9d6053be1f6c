#include "core/media/WholeFile.h"

#include <fcntl.h>
#include <unistd.h>

#include <cerrno>

#include "core/base/Text.h"
#include "core/media/FinalName.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

/// A disk may take less at once than it is given, and a signal may interrupt it.
bool writeAll(int file, const std::string& text) {
    for (size_t at = 0; at < text.size();) {
        const ssize_t written = ::write(file, text.data() + at, text.size() - at);
        if (written < 0 && errno == EINTR) continue;
        if (written <= 0) return false;
        at += size_t(written);
    }
    return true;
}

}  // namespace

bool writeWholeFile(const fs::path& file, const std::string& text) {
    const fs::path folder = fs::absolute(file).parent_path();
    const fs::path part = folder / formatted(".%s.part", file.filename().c_str());
    std::error_code problem;
    const auto there = fs::status(file, problem);
    if (fs::exists(there) && !fs::is_regular_file(there)) return false;  // a device or a pipe is never replaced
    fs::create_directories(folder, problem);
    const int out = ::open(part.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644);
    // Flushed to the disk before it takes the old file's place: a power cut leaves one of the two.
    const bool ok = out >= 0 && writeAll(out, text) && ::fsync(out) == 0;
    if (out >= 0) ::close(out);
    if (ok) fs::rename(part, file, problem);
    if (ok && !problem) {
        toDisk(folder);  // what is done next may rely on it
        return true;
    }
    std::error_code ignored;
    fs::remove(part, ignored);
    return false;
}

}  // namespace rivlen
