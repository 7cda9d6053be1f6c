#pragma once
#include <ATen/Parallel.h>
#include <torch/script.h>

#include <optional>

#include "core/base/Error.h"
#include "core/separation/BandTransform.h"
#include "core/separation/Learner.h"

namespace rivlen {

/// A network run by libtorch in this process. Only for the library that knows libtorch.
class TorchNetwork : public Network {
public:
    /// threads: what 0 stands for in separate(). Throws Error (InputUnreadable) when the module is broken or the
    /// changes do not fit it.
    TorchNetwork(const NetworkCard& card, const std::string& module, const WeightChanges& changes, int threads);

    const NetworkCard& card() const override { return m_card; }
    using Network::separate;
    std::vector<AudioBuffer> separate(const AudioBuffer& mixture, int threads) override;
    std::vector<AudioBuffer> separatePart(const AudioBuffer& mixture, const Part& part, int threads) override;
    int frame() const override { return m_frame; }

    torch::jit::Module& module() { return m_module; }
    /// Prepares for answers alone: what depends on the weights only is computed once and for all (of the shipped
    /// networks the weights themselves, from their whole numbers), and of a module that says "band_masks" the transform
    /// is done here instead of in it (docs/formats.md), which is several times faster. After this nothing can be
    /// changed or learned any more.
    void fix();
    /// The buffers that may be changed, by name.
    std::map<std::string, at::Tensor> changeable();
    /// libtorch's own text is for a report: it reaches the user when that is asked for.
    Error failure(const std::string& what) const;

private:
    std::vector<AudioBuffer> whole(const AudioBuffer& mixture);
    std::vector<AudioBuffer> banded(const AudioBuffer& mixture, const Part& part);
    bool tryBands();
    Error notAsPromised() const;

    NetworkCard m_card;
    torch::jit::Module m_module;
    int m_threads;
    std::optional<torch::jit::Module> m_inner;  ///< shares of bands from their powers
    BandTransform m_transform;                  ///< around m_inner
    int m_frame = 0;
};

/// Measured in docs/performance.md: two threads are worth having, more than the cores never are.
int usefulThreads();

}  // namespace rivlen
