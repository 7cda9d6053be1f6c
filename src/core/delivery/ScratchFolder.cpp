#include "core/delivery/ScratchFolder.h"

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

#include <atomic>
#include <cerrno>
#include <csignal>
#include <cstdio>
#include <cstdlib>
#include <string_view>
#include <vector>

#include "core/base/Error.h"
#include "core/base/Text.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {
constexpr const char* kPrefix = ".rivlen-work-";
constexpr const char* kLock = "lock";
}  // namespace

ScratchFolder::ScratchFolder(const fs::path& beside) {
    static std::atomic<int> number{0};
    m_path = beside / (kPrefix + std::to_string(getpid()) + "-" + std::to_string(++number));
    std::error_code problem;
    // Until it is locked another one may take it for abandoned and remove it: then once more.
    for (int tries = 0; tries < 5; ++tries) {
        if (m_lock >= 0) ::close(m_lock);
        fs::create_directories(m_path, problem);
        m_lock = problem ? -1 : ::open((m_path / kLock).c_str(), O_CREAT | O_RDWR | O_CLOEXEC, 0600);
        if (m_lock >= 0) ::flock(m_lock, LOCK_EX | LOCK_NB);
        if (problem || (m_lock >= 0 && fs::exists(m_path / kLock))) break;
    }
    if (problem || m_lock < 0)
        throw Error(Error::Kind::OutputUnwritable, "\"" + beside.string() + "\" cannot be written to" +
                                                       (problem ? " (" + problem.message() + ")" : std::string()) +
                                                       ": choose another folder, or check its permissions.");
}

ScratchFolder::~ScratchFolder() {
    std::error_code ignored;
    fs::remove_all(m_path, ignored);
    ::close(m_lock);
}

void ScratchFolder::clearAbandoned(const fs::path& beside) {
    std::error_code ignored;
    std::vector<fs::path> abandoned, empty;
    for (const auto& entry : fs::directory_iterator(beside, ignored)) {
        if (entry.path().filename().string().rfind(kPrefix, 0) != 0) continue;
        const int lock = ::open((entry.path() / kLock).c_str(), O_RDWR | O_CLOEXEC);
        if (lock < 0) {
            // Killed before it locked its folder, or after it took the lock away with it: what is empty goes, unless
            // the one who makes it is at work.
            const int maker = std::atoi(entry.path().filename().string().c_str() + std::string_view(kPrefix).size());
            if (errno == ENOENT && maker > 0 && ::kill(maker, 0) != 0 && errno == ESRCH) empty.push_back(entry.path());
            continue;
        }
        if (::flock(lock, LOCK_EX | LOCK_NB) == 0) abandoned.push_back(entry.path());
        ::close(lock);
    }
    for (const auto& folder : abandoned) fs::remove_all(folder, ignored);
    for (const auto& folder : empty) fs::remove(folder, ignored);  // only if it still is
}

void checkSpace(const fs::path& folder, double bytes, const std::string& what) {
    std::error_code problem;
    const auto space = fs::space(folder, problem);
    if (problem || space.available == uintmax_t(-1) || double(space.available) >= bytes) return;
    std::string figures = formatted("%.0f MB left, and %%s needs %.0f MB", double(space.available) / 1e6, bytes / 1e6);
    std::string text = figures;
    text.replace(text.find("%s"), 2, what);
    throw Error(Error::Kind::OutputUnwritable, "\"" + folder.string() + "\" has " + text +
                                                   " while it is made: free some space or choose another disk.");
}

}  // namespace rivlen
