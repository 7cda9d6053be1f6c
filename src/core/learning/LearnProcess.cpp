#include "core/learning/LearnProcess.h"

#include "core/base/Error.h"

namespace rivlen {

namespace {

using Clock = NetworkProcess::Clock;
using Outcome = NetworkProcess::Outcome;

constexpr int64_t kLongestName = 1000, kMostValues = int64_t(1) << 26;

/// The other end of what src/host/main.cpp says while it learns.
class Listener {
public:
    Listener(NetworkProcess& process, const Progress& progress, Clock::time_point until)
        : m_process(process), m_progress(progress), m_until(until) {}

    /// The next reply's text; waits as long as it takes, unless cancelled.
    std::string next(NetworkReply& reply) {
        while (m_process.await(std::min(m_until, Clock::now() + std::chrono::milliseconds(50))) == Outcome::Late) {
            m_progress.throwIfCancelled();
            if (Clock::now() >= m_until) ended();
        }
        std::string text;
        want(m_process.read(&reply, sizeof reply, m_until));
        want(m_process.readText(reply, text, m_until));
        return text;
    }

    WeightChanges changes(int64_t count) {
        WeightChanges all;
        for (int64_t i = 0; i < count; ++i) {
            ChangeHeader header{};
            want(m_process.read(&header, sizeof header, m_until));
            if (header.nameBytes < 1 || header.nameBytes > kLongestName || header.values < 0 ||
                header.values > kMostValues)
                ended();
            std::string name(size_t(header.nameBytes), '\0');
            std::vector<float> values(size_t(header.values), 0.0f);
            want(m_process.read(name.data(), name.size(), m_until));
            want(m_process.read(values.data(), values.size() * sizeof(float), m_until));
            all.emplace(std::move(name), std::move(values));
        }
        return all;
    }

private:
    [[noreturn]] static void ended() {
        throw Error(Error::Kind::Other,
                    "The program that learns the scene ended, or found no end: close other programs and try again.");
    }
    static void want(Outcome outcome) {
        if (outcome != Outcome::Done) ended();
    }

    NetworkProcess& m_process;
    const Progress& m_progress;
    Clock::time_point m_until;
};

void send(NetworkProcess& process, const LearnSettings& settings, const SceneSounds& sounds, Clock::time_point until) {
    const auto put = [&](const void* from, size_t bytes) {
        if (process.write(from, bytes, until) != Outcome::Done)
            throw Error(Error::Kind::Other, "The program that learns the scene ended: try again.");
    };
    put(&settings, sizeof settings);
    for (size_t stem = 0; stem <= kStemCount; ++stem)
        for (const AudioBuffer& sound : stem < kStemCount ? sounds.marked[stem] : sounds.reel) {
            const MarkedHeader header{int32_t(stem), sound.channels(), sound.frames()};
            put(&header, sizeof header);
            put(sound.samples().data(), sound.samples().size() * sizeof(float));
        }
    const MarkedHeader last{0, 0, -1};
    put(&last, sizeof last);
}

}  // namespace

SceneOutcome learnApart(const NetworkCard& card, const SceneSounds& sounds, const Progress& progress,
                        const LearnSettings& settings, const NetworkLimits& limits) {
    NetworkProcess process(NetworkProcess::Task::Learn, card, limits);
    Listener listener(process, progress, Clock::now() + std::chrono::seconds(limits.seconds));
    NetworkReply reply{};
    if (const std::string refused = listener.next(reply); !refused.empty())
        throw Error(reply.stems == 0 ? Error::Kind::Usage : Error::Kind::Other, refused);
    send(process, settings, sounds, Clock::now() + std::chrono::seconds(limits.seconds));
    while (true) {
        const std::string text = listener.next(reply);
        progress.throwIfCancelled();
        const auto said = nlohmann::json::parse(text, nullptr, false);
        if (said.is_discarded() || !said.is_object()) throw Error(Error::Kind::Other, text);
        if (said.contains("along")) {
            progress.report(said.value("along", 0.0));
            continue;
        }
        SceneOutcome outcome;
        outcome.kept = said.value("kept", false);
        outcome.reason = said.value("reason", "");
        outcome.gainDb = said.value("gain_db", outcome.gainDb);
        outcome.steadierDb = said.value("steadier_db", 0.0);
        outcome.changes = listener.changes(std::clamp<int64_t>(reply.stems, 0, 100000));
        return outcome;
    }
}

}  // namespace rivlen
