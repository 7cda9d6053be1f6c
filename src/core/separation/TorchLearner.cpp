#include <torch/csrc/jit/runtime/graph_executor.h>

#include <random>

#include "core/separation/TorchBackend.h"
#include "core/separation/TorchNetwork.h"

namespace rivlen {

namespace {

constexpr double kMomentum = 0.9, kSquares = 0.99;  ///< Adam's two memories; short ones, for some tens of steps
constexpr double kLongestGradient = 1.0;

class TorchLearner : public Learner {
public:
    TorchLearner(const NetworkCard& card, const std::string& module, int threads)
        : m_network(card, module, {}, threads), m_threads(threads), m_buffers(m_network.changeable()) {
        if (m_buffers.empty() || !m_network.module().find_method("lesson"))
            throw Error(Error::Kind::Usage, "The network \"" + card.id +
                                                "\" cannot learn from a scene: choose one whose module has a lesson "
                                                "(docs/formats.md).");
        // The optimised graphs write over what the gradients need.
        torch::jit::setGraphExecutorOptimize(false);
        std::mt19937 random(1);
        std::normal_distribution<float> normal;
        for (auto& [name, buffer] : m_buffers) {
            // Of a product of two matrices that are both zero neither has a gradient: the right one begins at random.
            if (name.ends_with("change_right")) {
                const float scale = 1.0f / std::sqrt(float(buffer.size(1)));
                for (int64_t i = 0; i < buffer.numel(); ++i) buffer.data_ptr<float>()[i] = normal(random) * scale;
            }
            buffer.set_requires_grad(true);
            m_state.emplace(name, std::pair(at::zeros_like(buffer), at::zeros_like(buffer)));
        }
    }

    double step(const Lesson& lesson, double rate) override {
        at::set_num_threads(m_threads);
        try {
            const at::Tensor parts = torch::from_blob(const_cast<float*>(lesson.parts.data()),
                                                      {lesson.count, 3, lesson.channels, lesson.frames}, at::kFloat);
            const at::Tensor loss = m_network.module().get_method("lesson")({parts}).toTensor();
            const double before = loss.item<double>();
            if (!std::isfinite(before))
                throw Error(Error::Kind::Other, "The network \"" + m_network.card().id +
                                                    "\" found no way to learn from this scene: mark other spans.");
            loss.backward();
            descend(rate);
            return before;
        } catch (const std::bad_alloc&) {
            throw;
        } catch (const Error&) {
            throw;
        } catch (const std::exception& e) {
            throw m_network.failure(e.what());
        }
    }

    WeightChanges changes() const override {
        WeightChanges all;
        for (const auto& [name, buffer] : m_buffers) {
            const float* from = buffer.data_ptr<float>();
            all[name] = std::vector<float>(from, from + buffer.numel());
        }
        return all;
    }

    Network& network() override { return m_network; }

private:
    void descend(double rate) {
        const at::NoGradGuard none;
        double length = 0;
        for (const auto& [name, buffer] : m_buffers)
            if (buffer.grad().defined()) length += std::pow(buffer.grad().norm().item<double>(), 2);
        const double shorter = std::min(1.0, kLongestGradient / (std::sqrt(length) + 1e-12));
        ++m_steps;
        for (auto& [name, buffer] : m_buffers) {
            if (!buffer.grad().defined()) continue;
            const at::Tensor gradient = buffer.grad() * shorter;
            auto& [mean, square] = m_state.at(name);
            mean.mul_(kMomentum).add_(gradient, 1 - kMomentum);
            square.mul_(kSquares).addcmul_(gradient, gradient, 1 - kSquares);
            const at::Tensor size = (square / (1 - std::pow(kSquares, m_steps))).sqrt().add_(1e-8);
            buffer.addcdiv_(mean / (1 - std::pow(kMomentum, m_steps)), size, -rate);
            buffer.mutable_grad() = at::Tensor();
        }
    }

    TorchNetwork m_network;
    int m_threads;
    std::map<std::string, at::Tensor> m_buffers;
    std::map<std::string, std::pair<at::Tensor, at::Tensor>> m_state;
    int m_steps = 0;
};

}  // namespace

}  // namespace rivlen

extern "C" rivlen::Learner* rivlenBeginTorchLearning(const rivlen::NetworkCard& card, const std::string& module,
                                                     int threads) {
    return new rivlen::TorchLearner(card, module, threads);
}
