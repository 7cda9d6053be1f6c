#include "core/media/OutputPlace.h"

#include <fcntl.h>
#include <signal.h>
#include <sys/file.h>
#include <unistd.h>

#include <atomic>
#include <cerrno>
#include <regex>
#include <set>

#include "core/base/Error.h"
#include "core/base/Text.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

[[noreturn]] void refuse(const fs::path& file, const std::string& why,
                         Error::Kind kind = Error::Kind::OutputUnwritable) {
    throw Error(kind, "\"" + file.string() + "\" " + why);
}

}  // namespace

void checkOutputPlace(const fs::path& file, bool overwrite, const fs::path& source) {
    std::error_code problem, ignored;
    if (file.filename().empty()) refuse(file, "names no file: give a name for what is written.", Error::Kind::Usage);
    if (file.filename().native().size() > 255)
        refuse(file, "cannot be written: its name is longer than file systems allow; shorten it.");
    const auto status = fs::status(file, problem);
    if (problem == std::errc::too_many_symbolic_link_levels)
        refuse(file, "cannot be written: its symbolic links lead in a circle; name the file itself.");
    if (!source.empty() && fs::equivalent(file, source, ignored))
        refuse(file, "is the source itself, which is never written to: give another name.", Error::Kind::Usage);
    if (!fs::exists(status)) return;
    if (fs::is_directory(status)) refuse(file, "cannot be written: it is a folder; give the name of a file in it.");
    if (!fs::is_regular_file(status))
        refuse(file, "cannot be written: it is a device or a pipe, which is never replaced; give the name of a file.");
    if (!overwrite)
        refuse(file,
               "cannot be written: it is already there; choose another folder or name, or --force to replace it.");
}

void makeFolder(const fs::path& folder) {
    std::error_code problem, ignored;
    fs::create_directories(folder, problem);
    if (fs::is_directory(folder, ignored)) return;
    refuse(folder, fs::exists(folder, ignored)
                       ? std::string("is a file, not a folder: choose another one.")
                       : std::string("cannot be made: check the path, its permissions and the disk."));
}

PartFile::PartFile(const fs::path& file) {
    static std::atomic<int> number{0};  // two writers never share one
    const fs::path folder = file.parent_path();
    std::error_code problem;
    if (!folder.empty()) fs::create_directories(folder, problem);
    clearAbandoned(folder.empty() ? fs::path(".") : folder);
    // The name is cut where file systems would refuse it with what is added.
    const std::string name = file.filename().string().substr(0, 200);
    m_path = folder / formatted(".%s.%d-%d.part", name.c_str(), int(getpid()), ++number);
    m_lock = ::open(m_path.c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0644);
    if (m_lock < 0)
        refuse(file,
               std::string("cannot be written: ") +
                   (errno == EACCES || errno == EPERM    ? "you may not write there; choose another folder."
                    : errno == ENOSPC || errno == EDQUOT ? "the disk is full; free some space and start again."
                                                         : "check that the folder exists and may be written to."));
    ::flock(m_lock, LOCK_EX | LOCK_NB);
}

PartFile::~PartFile() {
    std::error_code ignored;
    fs::remove(m_path, ignored);
    ::close(m_lock);
}

void PartFile::clearAbandoned(const fs::path& folder) {
    static const std::regex ours(R"(^\..+\.(\d+)-\d+\.part$)");
    std::error_code ignored;
    std::set<fs::path> abandoned;
    for (const auto& entry : fs::directory_iterator(folder, ignored)) {
        std::smatch found;
        const std::string name = entry.path().filename().string();
        if (name.empty() || name[0] != '.' || !std::regex_match(name, found, ours) || found[1].length() > 9) continue;
        // One that was made this moment may not be locked yet: its program lives.
        if (::kill(pid_t(std::stol(found[1])), 0) == 0 || errno != ESRCH) continue;
        const int lock = ::open(entry.path().c_str(), O_RDWR | O_CLOEXEC);
        if (lock < 0) continue;
        if (::flock(lock, LOCK_EX | LOCK_NB) == 0) abandoned.insert(entry.path());
        ::close(lock);
    }
    for (const auto& part : abandoned) fs::remove(part, ignored);
}

}  // namespace rivlen
