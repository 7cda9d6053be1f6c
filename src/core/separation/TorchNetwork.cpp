// With TorchLearner.cpp the only files that include libtorch; built into librivlen-torch.so.
#include "core/separation/TorchNetwork.h"

#include <torch/csrc/jit/runtime/graph_executor.h>

#include <chrono>
#include <cmath>
#include <cstdlib>
#include <sstream>
#include <thread>

#include "core/separation/TorchBackend.h"

namespace rivlen {

namespace {

/// Where learning has switched libtorch's optimising off in this process, a module would be fixed with calls of what is
/// no longer there.
class Optimising {
public:
    Optimising() { torch::jit::setGraphExecutorOptimize(true); }
    ~Optimising() { torch::jit::setGraphExecutorOptimize(m_before); }
    Optimising(const Optimising&) = delete;
    Optimising& operator=(const Optimising&) = delete;

private:
    bool m_before = torch::jit::getGraphExecutorOptimize();
};

}  // namespace

int usefulThreads() { return int(std::max(1u, std::min(4u, std::thread::hardware_concurrency()))); }

TorchNetwork::TorchNetwork(const NetworkCard& card, const std::string& module, const WeightChanges& changes,
                           int threads)
    : m_card(card), m_threads(threads) {
    try {
        std::istringstream in(module);
        m_module = torch::jit::load(in, at::kCPU);
        m_module.eval();
    } catch (const std::bad_alloc&) {
        throw;
    } catch (const std::exception&) {
        throw Error(Error::Kind::InputUnreadable,
                    "The network file \"" + card.file.string() +
                        "\" is damaged or not TorchScript: restore it, or choose another network.");
    }
    if (changes.empty()) return;
    auto buffers = changeable();
    for (const auto& [name, values] : changes) {
        const auto found = buffers.find(name);
        if (found == buffers.end() || found->second.numel() != int64_t(values.size()))
            throw Error(Error::Kind::InputUnreadable, "The scene \"" + card.scene.string() +
                                                          "\" does not fit the network \"" + card.id +
                                                          "\": learn it again, or go on without it.");
        std::copy(values.begin(), values.end(), found->second.data_ptr<float>());
    }
}

void TorchNetwork::fix() {
    at::set_num_threads(m_threads);
    try {
        const Optimising asWanted;
        if (tryBands()) {
            m_module = torch::jit::Module();
            return;
        }
        m_inner.reset();
        m_module = torch::jit::freeze(m_module);
    } catch (const std::bad_alloc&) {
        throw;
    } catch (const std::exception&) {
        // A module of others that cannot be fixed is as good as it came: what is wrong with it shows when it runs.
        m_inner.reset();
    }
}

bool TorchNetwork::tryBands() {
    // Only for tests: the module's own way, to compare with.
    if (std::getenv("RIVLEN_WHOLE_NETWORKS") || !m_module.hasattr("band_masks")) return false;
    if (m_module.attr("band_masks").toInt() != 1) return false;
    const c10::InferenceMode noGradients;
    const auto number = [&](const char* name) { return int(m_module.attr(name).toInt()); };
    const auto floats = [&](const char* name) {
        const at::Tensor t = m_module.attr(name).toTensor().to(at::kFloat).contiguous();
        return std::vector<float>(t.data_ptr<float>(), t.data_ptr<float>() + t.numel());
    };
    const auto ints = [&](const char* name) {
        const at::Tensor t = m_module.attr(name).toTensor().to(at::kInt).contiguous();
        return std::vector<int>(t.data_ptr<int>(), t.data_ptr<int>() + t.numel());
    };
    m_transform = {number("size"),      number("hop"),       number("stride"),   number("bands"),      floats("window"),
                   floats("synthesis"), ints("band_of_bin"), ints("lower_band"), floats("lower_share")};
    if (!m_transform.fits() || !m_card.stereo) return false;
    m_inner = torch::jit::freeze(m_module.attr("net").toModule());
    m_frame = m_transform.stretches() ? m_transform.size : 0;
    return true;
}

std::vector<AudioBuffer> TorchNetwork::banded(const AudioBuffer& mixture, const Part& part) {
    const bool asItIs = part.frame == 0 || part.frame == m_transform.size;
    const BandTransform transform = asItIs ? m_transform : m_transform.stretched(part.frame);
    BandedSound sound(transform, mixture);
    const std::vector<int64_t> shape = {1, 2, sound.frames(), m_transform.bands};
    const at::Tensor power = torch::from_blob(sound.power().data(), shape, at::kFloat),
                     cross = torch::from_blob(sound.cross().data(), shape, at::kFloat);
    const at::Tensor shares = at::softmax(m_inner->forward({power, cross}).toTensor(), 1).to(at::kFloat).contiguous();
    const int64_t stems = int64_t(m_card.stems.size());
    if (shares.dim() != 5 || shares.size(1) != stems || shares.numel() != stems * 2 * shape[2] * shape[3])
        throw notAsPromised();
    return sound.stems({shares.data_ptr<float>(), size_t(shares.numel())}, int(stems), part.first, part.count);
}

std::map<std::string, at::Tensor> TorchNetwork::changeable() {
    std::map<std::string, at::Tensor> found;
    for (const auto& buffer : m_module.named_buffers()) {
        const size_t dot = buffer.name.rfind('.');
        const std::string last = buffer.name.substr(dot == std::string::npos ? 0 : dot + 1);
        if (last.rfind("change_", 0) == 0 && buffer.value.scalar_type() == at::kFloat && buffer.value.is_contiguous())
            found.emplace(buffer.name, buffer.value);
    }
    return found;
}

std::vector<AudioBuffer> TorchNetwork::separate(const AudioBuffer& mixture, int wanted) {
    return separatePart(mixture, {0, mixture.frames()}, wanted);
}

std::vector<AudioBuffer> TorchNetwork::separatePart(const AudioBuffer& mixture, const Part& part, int wanted) {
    at::set_num_threads(wanted > 0 ? wanted : m_threads);  // OpenMP keeps this for each calling thread
    const c10::InferenceMode noGradients;
    try {
        std::vector<AudioBuffer> stems;
        if (m_inner && mixture.channels() <= 2) {
            stems = banded(mixture, part);
        } else {
            stems = whole(mixture);
            for (auto& stem : stems) stem = stem.slice(part.first, part.count);
        }
        for (auto& stem : stems)
            for (float& v : stem.samples()) v = std::isfinite(v) ? v : 0.0f;
        return stems;
    } catch (const std::bad_alloc&) {
        throw;
    } catch (const Error&) {
        throw;
    } catch (const std::exception& e) {
        throw failure(e.what());
    }
}

std::vector<AudioBuffer> TorchNetwork::whole(const AudioBuffer& mixture) {
    const int64_t channels = mixture.channels(), n = mixture.frames(), stems = int64_t(m_card.stems.size());
    const at::Tensor in = torch::from_blob(const_cast<float*>(mixture.samples().data()), {1, channels, n}, at::kFloat);
    const at::Tensor out = m_module.forward({in}).toTensor().to(at::kCPU, at::kFloat).contiguous();
    if (out.dim() != 4 || out.size(0) != 1 || out.size(1) != stems || out.size(2) != channels || out.size(3) != n)
        throw notAsPromised();
    std::vector<AudioBuffer> result;
    const float* from = out.data_ptr<float>();
    for (int64_t s = 0; s < stems; ++s) {
        result.push_back(AudioBuffer::uncleared(int(channels), n));
        std::copy_n(from + s * channels * n, channels * n, result.back().samples().begin());
    }
    return result;
}

Error TorchNetwork::notAsPromised() const {
    return {Error::Kind::Other,
            "The network \"" + m_card.id + "\" does not give what its card promises: choose another network."};
}

Error TorchNetwork::failure(const std::string& what) const {
    const std::string detail = std::getenv("RIVLEN_DEBUG") ? " (" + what.substr(0, what.find('\n')) + ")" : "";
    if (what.find("allocate memory") != std::string::npos)
        return {Error::Kind::Other, "There is not enough memory for the network \"" + m_card.id +
                                        "\": close other programs, or work on a shorter span." + detail};
    return {Error::Kind::Other,
            "The network \"" + m_card.id + "\" failed while it was computing: choose another network." + detail};
}

}  // namespace rivlen

extern "C" rivlen::Network* rivlenLoadTorchNetwork(const rivlen::NetworkCard& card, const std::string& module,
                                                   const rivlen::WeightChanges& changes) {
    auto network = std::make_unique<rivlen::TorchNetwork>(card, module, changes, rivlen::usefulThreads());
    network->fix();
    return network.release();
}

extern "C" void rivlenPrepareTorch() {
    const c10::InferenceMode noGradients;
    at::set_num_threads(rivlen::usefulThreads());
    const at::Tensor x = torch::rand({1, 16, 64, 64}), sound = torch::rand({1, 65536});
    at::conv2d(x, torch::rand({16, 16, 3, 3}), {}, 1, 1);
    at::matmul(torch::rand({256, 256}), torch::rand({256, 256}));
    at::fft_irfft(at::fft_rfft(sound));
}

extern "C" double rivlenMatrixPeak() {
    const c10::InferenceMode noGradients;
    at::set_num_threads(rivlen::usefulThreads());
    constexpr int n = 1024;
    const at::Tensor a = torch::rand({n, n}), b = torch::rand({n, n});
    double best = 1e9;
    for (int i = 0; i < 10; ++i) {
        const auto start = std::chrono::steady_clock::now();
        const at::Tensor c = at::matmul(a, b);
        best = std::min(best, std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count());
    }
    return 2.0 * n * n * n / best / 1e9;
}
