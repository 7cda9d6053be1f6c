#include "core/separation/Network.h"

#include <dlfcn.h>
#include <sys/mman.h>

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

/// Without room for itself libtorch ends the program while it is loaded, and the matrix library waits for ever for its
/// buffers.
void wantAddressSpace() {
    constexpr size_t kNeeded = size_t(1536) << 20;
    void* room = mmap(nullptr, kNeeded, PROT_NONE, MAP_PRIVATE | MAP_ANONYMOUS | MAP_NORESERVE, -1, 0);
    if (room == MAP_FAILED)
        throw Error(Error::Kind::Other,
                    "There is not enough memory to run a network: 1.5 GB of address space are needed. Close other "
                    "programs, or raise the limit that this one was given (ulimit -v).");
    munmap(room, kNeeded);
}

/// A function of the backend's library, which is loaded at the first call.
void* backend(const char* entry) {
    static std::mutex guard;
    static void* library = nullptr;
    const std::lock_guard lock(guard);
    if (!library) {
        wantAddressSpace();
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
    return std::shared_ptr<Network>(
        load(card, module, card.scene.empty() ? WeightChanges{} : Scene::load(card.scene).changes));
}

std::unique_ptr<Learner> beginLearning(const NetworkCard& card, const std::string& module, int threads) {
    const auto begin = reinterpret_cast<BeginTorchLearning>(backend(kBeginTorchLearningEntry));
    return std::unique_ptr<Learner>(begin(card, module, threads));
}

void prepareBackend() { reinterpret_cast<PrepareTorch>(backend(kPrepareTorchEntry))(); }

double matrixPeak() { return reinterpret_cast<MatrixPeak>(backend(kMatrixPeakEntry))(); }

}  // namespace rivlen
