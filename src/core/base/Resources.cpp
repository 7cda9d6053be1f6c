#include "core/base/Resources.h"

#include <cstdlib>

namespace rivlen {

namespace fs = std::filesystem;

fs::path programFolder() {
    std::error_code problem;
    const fs::path self = fs::read_symlink("/proc/self/exe", problem);
    return problem ? fs::current_path() : self.parent_path();
}

fs::path resourceFolder(const std::string& name) {
    const fs::path here = programFolder();
    // Beside the program, or three folders above where it lies among Debian's libraries, or in the source tree.
    for (const fs::path& candidate :
         {here / "../share/rivlen" / name, here / "../../../share/rivlen" / name, here / "../.." / name}) {
        std::error_code problem;
        if (fs::is_directory(candidate, problem)) return fs::canonical(candidate);
    }
    return {};
}

namespace {

/// The rivlen folder below what the variable names, else below a folder of the user's home.
fs::path userFolder(const char* variable, const char* below) {
    if (const char* xdg = std::getenv(variable); xdg && *xdg) return fs::path(xdg) / "rivlen";
    const char* home = std::getenv("HOME");
    return (home && *home ? fs::path(home) / below : fs::temp_directory_path()) / "rivlen";
}

}  // namespace

fs::path dataFolder() { return userFolder("XDG_DATA_HOME", ".local/share"); }
fs::path cacheFolder() { return userFolder("XDG_CACHE_HOME", ".cache"); }

}  // namespace rivlen
