// Runs one effect (LV2, through lilv) apart from everything else: a crash, a hang or a flood of memory there does no
// harm elsewhere. Started by EffectProcess; "list" says which effects this machine has.
#include <unistd.h>

#include <algorithm>
#include <csignal>
#include <cstring>
#ifdef __SSE__
#include <xmmintrin.h>
#endif

#include "Lv2Instance.h"
#include "core/base/HelperProcess.h"

using namespace rivlen;
using nlohmann::json;

namespace {

constexpr int kMostChannels = 64, kMostBlock = 65536, kMostFrames = 65536, kMostChanges = 65536;
constexpr int64_t kLongestText = int64_t(16) << 20;

std::string dumped(const json& j) { return j.dump(-1, ' ', false, json::error_handler_t::replace); }

void say(const json& what, int latency = 0) {
    const std::string text = dumped(what);
    const EffectReply reply{latency, 0, int64_t(text.size())};
    helperPut(&reply, sizeof reply);
    helperPut(text.data(), text.size());
}

EffectSetup setupOf(const json& j) {
    EffectSetup setup{j.at("rate"), j.at("channels"), j.at("block"), j.at("values"), j.at("state"), j.at("preset")};
    if (setup.channels < 1 || setup.channels > kMostChannels || setup.block < 1 || setup.block > kMostBlock) _exit(1);
    return setup;
}

class Served {
public:
    Served(const Lv2World& world, std::string uri) : m_world(world), m_plugin(world.plugin(uri)) {}

    void answer(const EffectRequest& request) {
        std::vector<EffectChange> changes(size_t(request.changes));
        helperGet(changes.data(), changes.size() * sizeof(EffectChange));
        std::string text(size_t(request.textBytes), 0);
        helperGet(text.data(), text.size());
        if (request.ask == EffectAsk::Process) return process(request, changes);
        try {
            if (!m_plugin) return say({{"error", "it is not installed on this machine"}});
            if (request.ask == EffectAsk::Describe) return say(toJson(m_world.describe(m_plugin)));
            if (request.ask == EffectAsk::Begin) {
                m_instance.reset();
                const EffectSetup setup = setupOf(json::parse(text));
                m_channels = setup.channels, m_block = setup.block;
                m_instance = std::make_unique<Lv2Instance>(m_world, m_urids, m_plugin, setup);
                return say({{"ports", m_instance->ports()}, {"usual", m_instance->usual()}}, m_instance->latency());
            }
            if (!m_instance) _exit(1);
            const auto state = m_instance->state();
            say({{"values", state.values}, {"state", state.state}});
        } catch (const std::exception& e) {
            say({{"error", e.what()}});
        }
    }

private:
    void process(const EffectRequest& request, const std::vector<EffectChange>& changes) {
        if (!m_instance || request.channels != m_channels || request.frames < 1 || request.frames > kMostFrames)
            _exit(1);
        m_samples.resize(size_t(request.channels) * size_t(request.frames));
        helperGet(m_samples.data(), m_samples.size() * sizeof(float));
        for (int at = 0, frames = 0; at < request.frames; at += frames) {
            frames = std::min(m_block, request.frames - at);
            for (const auto& c : changes)
                if (c.at == at) m_instance->set(c.port, c.value);
            const auto each = [&](auto copy) {
                for (int c = 0; c < m_channels; ++c)
                    copy(m_samples.begin() + c * request.frames + at, m_part.begin() + c * frames);
            };
            m_part.resize(size_t(m_channels) * size_t(frames));
            each([&](auto whole, auto part) { std::copy_n(whole, frames, part); });
            m_instance->process(m_part.data(), frames);
            each([&](auto whole, auto part) { std::copy_n(part, frames, whole); });
        }
        const EffectReply reply{m_instance->latency(), request.frames, 0};
        m_message.resize(sizeof reply + m_samples.size() * sizeof(float));
        std::memcpy(m_message.data(), &reply, sizeof reply);
        std::memcpy(m_message.data() + sizeof reply, m_samples.data(), m_samples.size() * sizeof(float));
        helperPut(m_message.data(), m_message.size());
    }

    const Lv2World& m_world;
    Urids m_urids;
    const LilvPlugin* m_plugin;
    std::unique_ptr<Lv2Instance> m_instance;
    int m_channels = 0, m_block = 0;
    std::vector<float> m_samples, m_part;
    std::vector<char> m_message;
};

}  // namespace

int main(int argc, char** argv) {
    const std::string task = argc > 1 ? argv[1] : "";
    if (!(task == "list" && argc == 2) && !(task == "serve" && argc == 3)) return 2;
    std::signal(SIGPIPE, SIG_IGN);
    endWithTheOther();
#ifdef __SSE__
    _mm_setcsr(_mm_getcsr() | 0x8040);  // numbers too small to be heard take a hundred times as long: they are zero
#endif
    const Lv2World world;
    if (task == "list") {
        json all = json::array();
        for (const auto& f : world.list()) all.push_back(toJson(f));
        const std::string text = dumped(all);
        const auto bytes = int64_t(text.size());
        helperPut(&bytes, sizeof bytes);
        helperPut(text.data(), text.size());
        _exit(0);
    }
    Served served(world, argv[2]);
    while (true) {
        EffectRequest request{};
        helperGet(&request, sizeof request);
        if (request.changes < 0 || request.changes > kMostChanges || request.textBytes < 0 ||
            request.textBytes > kLongestText)
            _exit(1);
        served.answer(request);
    }
}
