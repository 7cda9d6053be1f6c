#include "core/effects/EffectProcess.h"

#include <algorithm>
#include <csignal>
#include <cstring>
#include <list>
#include <mutex>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/Text.h"

namespace rivlen {

namespace {

using Outcome = HelperProcess::Outcome;
constexpr const char* kHost = "rivlen-effect-host";
constexpr int64_t kLongestText = int64_t(64) << 20;
constexpr const char* kWorking = "it works";
constexpr size_t kIdle = 24;  ///< processes that wait unused

HelperProcess::Clock::time_point after(double seconds) {
    return HelperProcess::Clock::now() +
           std::chrono::duration_cast<HelperProcess::Clock::duration>(std::chrono::duration<double>(seconds));
}

/// Until there is something to read or the time is over, looking now and then whether it is still wanted.
Outcome awaited(HelperProcess& process, HelperProcess::Clock::time_point until, const Progress& progress) {
    constexpr double kLook = 0.05;  // seconds
    while (process.await(std::min(until, after(kLook))) == Outcome::Late) {
        progress.throwIfCancelled();
        if (HelperProcess::Clock::now() >= until) return Outcome::Late;
    }
    return Outcome::Done;
}

nlohmann::json parsed(const std::string& text) { return nlohmann::json::parse(text); }

}  // namespace

std::vector<EffectFacts> installedEffects(bool again, const Progress& progress) {
    static std::mutex guard;
    static std::vector<EffectFacts> known;
    static bool read = false;
    const std::lock_guard lock(guard);
    if (read && !again) return known;
    HelperProcess process(kHost, {"list"}, "runs effects", {});
    const auto until = after(120);
    int64_t bytes = 0;
    std::string text;
    Outcome outcome = awaited(process, until, progress);
    if (outcome == Outcome::Done) outcome = process.read(&bytes, sizeof bytes, until);
    if (outcome == Outcome::Done && (bytes < 0 || bytes > kLongestText)) outcome = Outcome::Gone;
    if (outcome == Outcome::Done) {
        text.resize(size_t(bytes));
        outcome = process.read(text.data(), text.size(), until);
    }
    if (outcome != Outcome::Done)
        throw Error(Error::Kind::Other,
                    "The effects of this machine could not be listed: a description of one of them is broken, or "
                    "takes too long to read. Look at what was installed last.");
    known.clear();
    for (const auto& j : parsed(text)) known.push_back(effectFromJson(j));
    std::sort(known.begin(), known.end(),
              [](const auto& a, const auto& b) { return std::tie(a.name, a.uri) < std::tie(b.name, b.uri); });
    read = true;
    return known;
}

EffectProcess::EffectProcess(std::string uri, std::string name)
    : m_uri(std::move(uri)),
      m_name(name.empty() ? m_uri : std::move(name)),
      m_process(kHost, {"serve", m_uri}, "runs effects", {}) {}

void EffectProcess::gaveUp(Outcome why, const char* doing) {
    if (why == Outcome::Late)
        throw Error(Error::Kind::Other, "The effect \"" + m_name + "\" hangs while " + doing +
                                            ": it is left out. Switch it off, or take it out of the chain.");
    const int signal = m_process.endedBy();
    throw Error(Error::Kind::Other, "The effect \"" + m_name + "\" " +
                                        (signal ? formatted("crashed (signal %d) ", signal) : "ended ") + "while " +
                                        doing + ": it is left out. Switch it off, or take it out of the chain.");
}

void EffectProcess::check(Outcome outcome, const char* doing) {
    if (outcome != Outcome::Done) gaveUp(outcome, doing);
}

nlohmann::json EffectProcess::ask(EffectAsk what, const std::string& text, EffectReply& reply,
                                  const Progress& progress) {
    const char* doing = what == EffectAsk::Begin   ? "it begins"
                        : what == EffectAsk::State ? "it says its state"
                                                   : "it is described";
    if (m_owed) {
        AudioBuffer dropped(m_owed->channels, m_owed->frames);
        receive(dropped);
    }
    const auto until = after(10 * kPatience);
    const EffectRequest request{what, 0, 0, 0, int64_t(text.size())};
    check(m_process.write(&request, sizeof request, until), doing);
    check(m_process.write(text.data(), text.size(), until), doing);
    check(awaited(m_process, until, progress), doing);
    check(m_process.read(&reply, sizeof reply, until), doing);
    if (reply.textBytes < 0 || reply.textBytes > kLongestText) gaveUp(Outcome::Gone, doing);
    std::string answer(size_t(reply.textBytes), 0);
    check(m_process.read(answer.data(), answer.size(), until), doing);
    nlohmann::json json;
    try {
        json = parsed(answer);
    } catch (const nlohmann::json::exception&) {
        gaveUp(Outcome::Gone, doing);
    }
    if (const std::string error = json.value("error", ""); !error.empty())
        throw Error(Error::Kind::Other, "The effect \"" + m_name + "\" cannot be used: " + error + ".");
    return json;
}

EffectFacts EffectProcess::describe(const Progress& progress) {
    EffectReply reply{};
    return effectFromJson(ask(EffectAsk::Describe, "", reply, progress));
}

int EffectProcess::begin(const EffectSetup& setup, const Progress& progress) {
    EffectReply reply{};
    const nlohmann::json text{{"rate", setup.rate},     {"channels", setup.channels}, {"block", setup.block},
                              {"values", setup.values}, {"state", setup.state},       {"preset", setup.preset}};
    const auto begun =
        ask(EffectAsk::Begin, text.dump(-1, ' ', false, nlohmann::json::error_handler_t::replace), reply, progress);
    m_ports = begun.at("ports").get<std::map<std::string, int>>();
    m_usual = begun.at("usual").get<std::map<std::string, double>>();
    return std::max(0, reply.latency);
}

double EffectProcess::usual(const std::string& symbol) const {
    const auto found = m_usual.find(symbol);
    return found == m_usual.end() ? 0 : found->second;
}

int EffectProcess::process(std::span<const EffectChange> changes, AudioBuffer& audio) {
    send(changes, audio);
    return receive(audio);
}

void EffectProcess::send(std::span<const EffectChange> changes, const AudioBuffer& audio) {
    const EffectRequest request{EffectAsk::Process, audio.channels(), int32_t(audio.frames()), int32_t(changes.size()),
                                0};
    // One write for all: each one wakes the other side.
    std::vector<char> message(sizeof request + changes.size_bytes() + audio.samples().size_bytes());
    std::memcpy(message.data(), &request, sizeof request);
    if (!changes.empty()) std::memcpy(message.data() + sizeof request, changes.data(), changes.size_bytes());
    std::memcpy(message.data() + sizeof request + changes.size_bytes(), audio.samples().data(),
                audio.samples().size_bytes());
    m_owed = Owed{audio.channels(), audio.frames()};
    check(m_process.write(message.data(), message.size(), after(kPatience)), kWorking);
}

int EffectProcess::receive(AudioBuffer& audio) {
    const auto until = after(kPatience);
    m_owed.reset();
    EffectReply reply{};
    check(m_process.read(&reply, sizeof reply, until), kWorking);
    if (reply.frames != audio.frames() || reply.textBytes != 0) gaveUp(Outcome::Gone, kWorking);
    check(m_process.read(audio.samples().data(), audio.samples().size_bytes(), until), kWorking);
    return std::max(0, reply.latency);
}

EffectProcess::State EffectProcess::state() {
    EffectReply reply{};
    const auto json = ask(EffectAsk::State, "", reply);
    return {json.at("values").get<std::map<std::string, double>>(), json.at("state")};
}

namespace {

struct Idle {
    std::mutex guard;
    std::list<std::unique_ptr<EffectProcess>> waiting;  ///< from the latest
};

Idle& idle() {
    static Idle all;
    return all;
}

}  // namespace

std::unique_ptr<EffectProcess> takeEffect(const std::string& uri, const std::string& name) {
    {
        const std::lock_guard lock(idle().guard);
        auto& waiting = idle().waiting;
        for (auto it = waiting.begin(); it != waiting.end(); ++it)
            if ((*it)->uri() == uri) {
                auto found = std::move(*it);
                waiting.erase(it);
                return found;
            }
    }
    return std::make_unique<EffectProcess>(uri, name);
}

void giveBackEffect(std::unique_ptr<EffectProcess> effect) {
    std::unique_ptr<EffectProcess> oldest;  // ended outside of the lock
    const std::lock_guard lock(idle().guard);
    idle().waiting.push_front(std::move(effect));
    if (idle().waiting.size() > kIdle) {
        oldest = std::move(idle().waiting.back());
        idle().waiting.pop_back();
    }
}

}  // namespace rivlen
