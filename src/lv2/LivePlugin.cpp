// Rivlen inside other programs: an LV2 effect (LV2 1.18, lv2plug.in) that keeps or removes dialogue, music or ambience
// while it plays. Ports and their ranges stand in rivlen.lv2/rivlen.ttl.
#include <lv2/core/lv2.h>

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <filesystem>
#include <memory>

#include "LiveLine.h"
#include "core/base/Error.h"

namespace rivlen {

namespace {

/// Control ports, after the audio ports.
enum Control { Stem, Take, Depth, Firmness, OnsetGuard, Steadiness, Balance, Look, Wait, FreeWheel, Late, Latency };
constexpr int kControlCount = 12;
constexpr double kFade = 0.01;       // seconds between the sound as it came and the answer
constexpr double kLongestWait = 60;  // seconds, where the host does not play in real time

class LivePlugin {
public:
    LivePlugin(const std::string& host, int rate, int channels)
        : m_line(host, rate, channels), m_channels(channels), m_rate(rate), m_fade(std::max(1, int(kFade * rate))) {}

    void connect(uint32_t port, void* data) {
        const auto audio = uint32_t(2 * m_channels);
        if (port < audio) m_audio[port] = static_cast<float*>(data);
        else if (port < audio + kControlCount) m_controls[port - audio] = static_cast<float*>(data);
    }

    void activate() {
        m_lookAhead = std::clamp(int(control(Look)), 0, LiveLine::kLatencies - 1);
        m_late = 0;
        begin();
    }

    void run(uint32_t frames) {
        const int look = std::clamp(int(control(Look)), 0, LiveLine::kLatencies - 1);
        if (look != m_lookAhead) {
            m_lookAhead = look;
            begin();
        }
        m_line.setWhat(std::clamp(int(std::lround(control(Stem))), 0, 2), control(Take) > 0.5f);
        for (int i = 0; i < kLiveControls; ++i) m_line.setControl(i, control(Control(Depth + i)));
        for (uint32_t at = 0; at < frames;) {
            const auto n = std::min<uint32_t>(frames - at, LiveLine::kMostPut);
            part(at, int(n));
            at += n;
        }
        say(Late, float(m_late));
        say(Latency, float(latency()));
    }

private:
    float control(Control which) const { return m_controls[which] ? *m_controls[which] : 0; }
    void say(Control which, float value) {
        if (m_controls[which]) *m_controls[which] = value;
    }
    int64_t latency() const { return m_line.latency(m_lookAhead); }

    void begin() {
        m_line.restart(m_lookAhead);
        m_share = 0;
        m_wasLate = false;
    }

    void part(uint32_t at, int frames) {
        const float* in[2] = {};
        for (int c = 0; c < m_channels; ++c) in[c] = m_audio[c] + at;
        const bool waits = control(Wait) > 0.5f || control(FreeWheel) > 0.5f;
        if (waits) wait([&] { return m_line.unsent() < m_rate; });
        if (!m_line.put(in, frames)) {
            ++m_late;
            begin();
            m_line.put(in, frames);
        }
        const int64_t first = m_line.position() - frames - latency(), last = first + frames - 1 + m_fade + 2 * kLook;
        if (waits && last >= 0) wait([&] { return m_line.ready(last); });
        // What comes and goes does so over a fade: it must be there up to the end of one that begins now.
        bool wanted = false;
        for (int i = 0; i < frames; ++i) {
            const int64_t frame = first + i;
            if (i % kLook == 0)
                wanted = m_line.ready(std::max<int64_t>(frame, 0)) && m_line.ready(frame + m_fade + kLook);
            const bool there = m_line.ready(frame);
            m_share = std::clamp(m_share + (wanted && there ? 1.0f : -1.0f) / float(m_fade), 0.0f, 1.0f);
            if (!there) m_share = 0;
            else if (frame == 0 && wanted) m_share = 1;  // nothing to come from
            for (int c = 0; c < m_channels; ++c) {
                const float dry = m_line.heard(c, frame);
                m_audio[m_channels + c][at + uint32_t(i)] =
                    m_share == 0 ? dry : dry + m_share * (m_line.answer(c, frame) - dry);
            }
            const bool late = frame >= 0 && m_share == 0;
            if (late && !m_wasLate) ++m_late;
            m_wasLate = late;
        }
    }

    /// For whoever renders faster than real time.
    template <typename Done>
    void wait(Done done) const {
        const auto until = HelperProcess::Clock::now() + std::chrono::duration<double>(kLongestWait);
        while (!done() && !m_line.broken() && HelperProcess::Clock::now() < until)
            std::this_thread::sleep_for(std::chrono::microseconds(300));
    }

    static constexpr int kLook = 32;  ///< frames between looks ahead
    LiveLine m_line;
    const int m_channels, m_rate, m_fade;
    int m_lookAhead = 0;
    float* m_audio[4] = {};
    float* m_controls[kControlCount] = {};
    float m_share = 0;  ///< of the answer
    int m_late = 0;     ///< times that it was not there
    bool m_wasLate = false;
};

constexpr const char* kStereo = "urn:rivlen:live";
constexpr const char* kMono = "urn:rivlen:live-mono";
constexpr const char* kHost = "rivlen-live-host";

/// Beside the bundle's folder where Rivlen is installed or built.
std::string hostOf(const char* bundle) {
    std::error_code ignored;
    for (const char* place : {RIVLEN_LIVE_HOST_PLACE, "../.."}) {
        const auto file = std::filesystem::weakly_canonical(std::filesystem::path(bundle) / place / kHost, ignored);
        if (std::filesystem::exists(file, ignored)) return file.string();
    }
    throw Error(Error::Kind::Other,
                std::string("The program that separates what is played, ") + kHost + ", is missing: install Rivlen.");
}

LV2_Handle instantiate(const LV2_Descriptor* d, double rate, const char* bundle, const LV2_Feature* const*) {
    try {
        return new LivePlugin(hostOf(bundle), int(std::lround(rate)), std::strcmp(d->URI, kMono) == 0 ? 1 : 2);
    } catch (const std::exception& e) {
        std::fprintf(stderr, "rivlen: %s\n", e.what());
        return nullptr;
    }
}

LivePlugin* plugin(LV2_Handle handle) { return static_cast<LivePlugin*>(handle); }
void connect(LV2_Handle handle, uint32_t port, void* data) { plugin(handle)->connect(port, data); }
void activate(LV2_Handle handle) { plugin(handle)->activate(); }
void run(LV2_Handle handle, uint32_t frames) { plugin(handle)->run(frames); }
void cleanup(LV2_Handle handle) { delete plugin(handle); }

const LV2_Descriptor kDescriptors[] = {
    {kStereo, instantiate, connect, activate, run, nullptr, cleanup, nullptr},
    {kMono, instantiate, connect, activate, run, nullptr, cleanup, nullptr},
};

}  // namespace

}  // namespace rivlen

LV2_SYMBOL_EXPORT const LV2_Descriptor* lv2_descriptor(uint32_t index) {
    return index < 2 ? &rivlen::kDescriptors[index] : nullptr;
}
