#include "core/separation/ConfinedNetwork.h"

#include "core/base/Error.h"

namespace rivlen {

namespace {

using Clock = NetworkProcess::Clock;
using Outcome = NetworkProcess::Outcome;

/// An answer may take so many times the sound's length, beside the fixed time: slower than anybody would wait for.
constexpr double kSlowest = 20;

}  // namespace

ConfinedNetwork::ConfinedNetwork(const NetworkCard& card, const NetworkLimits& limits)
    : m_card(card), m_limits(limits) {
    m_idle.push_back(started());
}

void ConfinedNetwork::gaveUp(Outcome why, int seconds) const {
    const std::string name = "The network \"" + m_card.id + "\" ";
    if (why == Outcome::Late)
        throw Error(Error::Kind::Other, name + "did not answer within " + std::to_string(seconds) +
                                            " seconds and was ended: choose another network.");
    throw Error(Error::Kind::Other, name + "made the program that runs it end, or needs more than " +
                                        std::to_string(m_limits.bytes >> 30) + " GB: choose another network.");
}

ConfinedNetwork::Process ConfinedNetwork::started() const {
    auto process = std::make_unique<NetworkProcess>(NetworkProcess::Task::Serve, m_card, m_limits);
    const auto until = Clock::now() + std::chrono::seconds(m_limits.seconds);
    NetworkReply reply{};
    std::string refused;
    Outcome outcome = process->read(&reply, sizeof reply, until);
    if (outcome == Outcome::Done) outcome = process->readText(reply, refused, until);
    if (outcome != Outcome::Done) gaveUp(outcome, m_limits.seconds);
    if (!refused.empty()) throw Error(Error::Kind::InputUnreadable, refused);
    return process;
}

ConfinedNetwork::Process ConfinedNetwork::take() {
    {
        const std::lock_guard lock(m_guard);
        if (!m_idle.empty()) {
            Process process = std::move(m_idle.back());
            m_idle.pop_back();
            return process;
        }
    }
    return started();
}

std::vector<AudioBuffer> ConfinedNetwork::separate(const AudioBuffer& mixture, int threads) {
    const NetworkRequest request{mixture.channels(), threads, mixture.frames()};
    const int seconds = m_limits.seconds + int(kSlowest * double(mixture.frames()) / m_card.sampleRate);
    const auto until = Clock::now() + std::chrono::seconds(seconds);
    const auto want = [&](Outcome outcome) {
        if (outcome != Outcome::Done) gaveUp(outcome, seconds);
    };
    Process process = take();
    want(process->write(&request, sizeof request, until));
    want(process->write(mixture.samples().data(), mixture.samples().size() * sizeof(float), until));
    NetworkReply reply{};
    want(process->read(&reply, sizeof reply, until));
    std::vector<AudioBuffer> stems;
    std::string failed;
    if (reply.stems == int64_t(m_card.stems.size())) {
        for (int64_t s = 0; s < reply.stems; ++s) {
            stems.push_back(AudioBuffer::uncleared(mixture.channels(), mixture.frames()));
            const auto samples = stems.back().samples();
            want(process->read(samples.data(), samples.size() * sizeof(float), until));
            // The process is not to be trusted with anything.
            for (float& v : samples)
                if (!std::isfinite(v)) v = 0.0f;
        }
    } else {
        want(process->readText(reply, failed, until));
        if (failed.empty()) gaveUp(Outcome::Gone, seconds);
    }
    {
        const std::lock_guard lock(m_guard);
        m_idle.push_back(std::move(process));
    }
    if (!failed.empty()) throw Error(Error::Kind::Other, failed);
    return stems;
}

}  // namespace rivlen
