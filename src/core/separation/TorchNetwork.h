#pragma once
#include <ATen/Parallel.h>
#include <torch/script.h>

#include "core/base/Error.h"
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

    torch::jit::Module& module() { return m_module; }
    /// The buffers that may be changed, by name.
    std::map<std::string, at::Tensor> changeable();
    /// libtorch's own text is for a report: it reaches the user when that is asked for.
    Error failure(const std::string& what) const;

private:
    NetworkCard m_card;
    torch::jit::Module m_module;
    int m_threads;
};

/// Measured in docs/performance.md: two threads are worth having, more than the cores never are.
int usefulThreads();

}  // namespace rivlen
