#pragma once
#include <memory>
#include <mutex>
#include <vector>

#include "core/separation/Network.h"
#include "core/separation/NetworkProcess.h"

namespace rivlen {

/// A network that did not come with Rivlen: it runs in processes of its own (NetworkProcess.h), one for each answer
/// that is wanted at the same time. A process that ends, or does not answer in time, is an Error (Other); the next
/// request has a new one.
class ConfinedNetwork : public Network {
public:
    /// Starts the first process. Throws Error (InputUnreadable) when the module cannot be loaded there.
    explicit ConfinedNetwork(const NetworkCard& card, const NetworkLimits& limits = {});

    const NetworkCard& card() const override { return m_card; }
    using Network::separate;
    std::vector<AudioBuffer> separate(const AudioBuffer& mixture, int threads) override;

private:
    using Process = std::unique_ptr<NetworkProcess>;

    Process started() const;
    Process take();
    [[noreturn]] void gaveUp(NetworkProcess::Outcome why, int seconds) const;

    NetworkCard m_card;
    NetworkLimits m_limits;
    std::mutex m_guard;
    std::vector<Process> m_idle;
};

}  // namespace rivlen
