#include "core/separation/Network.h"

#include <dlfcn.h>

#include <cstdlib>
#include <mutex>

#include "core/base/Error.h"
#include "core/base/Resources.h"
#include "core/separation/ConfinedNetwork.h"
#include "core/separation/NetworkLibrary.h"
#include "core/separation/NetworkModule.h"
#include "core/separation/TorchBackend.h"

namespace rivlen {

namespace {

/// A function of the backend's library, which is loaded at the first call.
void* backend(const char* entry) {
    static std::mutex guard;
    static void* library = nullptr;
    const std::lock_guard lock(guard);
    if (!library) {
        // Two threads of the matrix library do not multiply faster here than one (docs/performance.md), but they spin
        // while they wait: a third of the processor's time. libtorch's own threads stay.
        setenv("OPENBLAS_NUM_THREADS", "1", 0);
        for (const char* place : {"", RIVLEN_LIBRARY_FOLDER}) {
            const auto path = programFolder() / place / kTorchBackendFile;
            if (std::filesystem::exists(path))
                library =
                    dlopen(path.c_str(), RTLD_LAZY | RTLD_LOCAL);  // lazily: most of what it brings is never called
            if (library) break;
        }
    }
    void* found = library ? dlsym(library, entry) : nullptr;
    if (!found) {
        const char* why = dlerror();
        throw Error(Error::Kind::Other, std::string("The network backend cannot be loaded (") +
                                            (why ? why : kTorchBackendFile) + "): run ./rivlen build again.");
    }
    return found;
}

}  // namespace

std::shared_ptr<Network> loadNetwork(const NetworkCard& card) {
    if (card.sha256.empty())
        throw Error(
            Error::Kind::InputUnreadable,
            "The network \"" + card.id +
                "\" was never checked: install it with `rivlen-cli networks install`, or choose another network.");
    const std::string module = moduleBytes(card);
    if (!isShipped(card)) return std::make_shared<ConfinedNetwork>(card);
    return loadHere(card, module);
}

std::shared_ptr<Network> loadHere(const NetworkCard& card, const std::string& module) {
    const auto load = reinterpret_cast<LoadTorchNetwork>(backend(kTorchBackendEntry));
    return std::shared_ptr<Network>(load(card, module));
}

void prepareBackend() { reinterpret_cast<PrepareTorch>(backend(kPrepareTorchEntry))(); }

double matrixPeak() { return reinterpret_cast<MatrixPeak>(backend(kMatrixPeakEntry))(); }

}  // namespace rivlen
