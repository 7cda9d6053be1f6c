#pragma once
#include <memory>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/separation/NetworkCard.h"

namespace rivlen {

/// A learned separation model, ready to run.
class Network {
public:
    virtual ~Network() = default;
    virtual const NetworkCard& card() const = 0;
    /// Of an answer, what is wanted.
    struct Part {
        int64_t first, count;  ///< frames; what lies beside them is heard, not put out
        int frame = 0;         ///< samples of the frames that the network computes in, near to frame(); 0: its own
    };
    /// One buffer at the card's rate, 1 or 2 channels, at least card().minimum frames -> one buffer per stem of
    /// the same shape, computed with the given number of threads (0: as many as the machine has). Throws Error (Other).
    /// May be called from several threads at once.
    virtual std::vector<AudioBuffer> separate(const AudioBuffer& mixture, int threads) = 0;
    std::vector<AudioBuffer> separate(const AudioBuffer& mixture) { return separate(mixture, 0); }
    /// The same, but only a part of the answer; of a network that has a frame() at any rate, which frames that are
    /// longer or shorter make the card's.
    virtual std::vector<AudioBuffer> separatePart(const AudioBuffer& mixture, const Part& part, int threads) {
        auto stems = separate(mixture, threads);
        for (auto& stem : stems) stem = stem.slice(part.first, part.count);
        return stems;
    }
    /// Samples of the frames that it computes in, if they may have other lengths (BandTransform::stretched()); else 0.
    virtual int frame() const { return 0; }
};

/// Loads a network. One that came with Rivlen runs here; every other one runs confined in a process of its own
/// (ConfinedNetwork.h). Throws Error (InputUnreadable) when the module is missing, broken or not what its card says.
/// A card without the module's checksum was never checked and is refused.
std::shared_ptr<Network> loadNetwork(const NetworkCard& card);

/// Loads a module into this process, whoever made it, with what the card's scene changed. libtorch comes with a shared
/// library of its own that is loaded at the first call (half a second, 150 MB), so that whatever does not separate
/// starts at once. Throws Error (InputUnreadable) when the module is broken.
std::shared_ptr<Network> loadHere(const NetworkCard& card, const std::string& module);

/// Loads the backend and makes it do once whatever reads the system's files, for a process that will not be allowed to.
void prepareBackend();

/// What this machine reaches in the backend's matrix multiplication (1024 x 1024, best of ten), in 1e9 operations per
/// second: the yardstick for networks. Throws Error (Other) when the backend cannot be loaded.
double matrixPeak();

}  // namespace rivlen
