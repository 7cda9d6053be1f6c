#include "core/following/ObjectTracker.h"

#include <dlfcn.h>

#include <mutex>

#include "core/base/Error.h"
#include "core/base/Resources.h"

namespace rivlen {

std::unique_ptr<ObjectTracker> makeObjectTracker() {
    static std::mutex guard;
    static void* library = nullptr;
    const std::lock_guard lock(guard);
    for (const char* place : {"", RIVLEN_LIBRARY_FOLDER}) {
        if (library) break;
        const auto path = programFolder() / place / kSightFile;
        if (std::filesystem::exists(path)) library = dlopen(path.c_str(), RTLD_LAZY | RTLD_LOCAL);
    }
    void* make = library ? dlsym(library, kSightEntry) : nullptr;
    if (!make) {
        const char* why = dlerror();
        throw Error(Error::Kind::Other, std::string("What follows objects in the picture cannot be loaded (") +
                                            (why ? why : kSightFile) + "): run ./rivlen build again.");
    }
    return std::unique_ptr<ObjectTracker>(reinterpret_cast<MakeObjectTracker>(make)());
}

}  // namespace rivlen
