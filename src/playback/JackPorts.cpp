#include <jack/jack.h>
#include <jack/transport.h>

#include <algorithm>
#include <array>
#include <atomic>
#include <mutex>
#include <vector>

#include "playback/ConvertedSound.h"
#include "playback/Device.h"

namespace rivlen {

namespace {

constexpr int kPorts = 8;  // two each of what is listened to, dialogue, music, ambience
constexpr const char* kNames[kPorts] = {"Heard left", "Heard right", "Dialogue left", "Dialogue right",
                                        "Music left", "Music right", "Ambience left", "Ambience right"};
constexpr int kChunk = ConvertedSound::kChunk;

/// Frames of all ports, as the player fills them.
struct Chunk {
    std::vector<float> samples = std::vector<float>(size_t(kPorts) * kChunk);
    DeviceBlock block(int frames, std::optional<bool> rolling, std::optional<int64_t> where = {}) {
        float* at = samples.data();
        return {at, {at + 2 * kChunk, at + 4 * kChunk, at + 6 * kChunk}, frames, rolling, where};
    }
    float sample(int port, int frame) const {
        return samples[size_t(port / 2) * 2 * kChunk + size_t(2 * frame + port % 2)];
    }
};

/// libjack tells of each server that it does not find.
void quiet() {
    jack_set_error_function([](const char*) {});
    jack_set_info_function([](const char*) {});
}

class JackPorts : public Device, public SharedTransport {
public:
    JackPorts(TransportUse use, bool listening) : m_use(use), m_listening(listening) {}
    ~JackPorts() override {
        stop();
        if (m_client) jack_client_close(m_client);
    }

    bool start(int sampleRate, RenderCallback callback) override {
        stop();
        if (!open()) return false;
        m_rate = sampleRate;
        m_callback = std::move(callback);
        if (m_rate != m_serverRate) {
            const int ahead = std::max<int>(2 * int(jack_get_buffer_size(m_client)), kChunk * 8);
            m_converted = std::make_unique<ConvertedSound>(
                kPorts, m_rate, m_serverRate, ahead, [this, chunk = Chunk()](AudioBuffer& in) mutable {
                    m_callback(chunk.block(kChunk, m_use == TransportUse::Alone ? std::nullopt
                                                                                : std::optional(m_rolling.load())));
                    for (int p = 0; p < kPorts; ++p)
                        for (int i = 0; i < kChunk; ++i) in.channel(p)[size_t(i)] = chunk.sample(p, i);
                });
        }
        m_live = true;
        return true;
    }

    void stop() override {
        {
            const std::lock_guard lock(m_guard);  // the server's thread only tries it
            m_live = false;
        }
        m_converted.reset();
        m_callback = nullptr;
    }

    std::string name() const override { return "JACK"; }
    int rate() const override { return m_serverRate; }
    bool lost() const override { return m_lost; }
    bool hearsStems() const override { return true; }
    bool listens() const override { return m_voice && m_live && m_rate == m_serverRate; }
    SharedTransport* transport() override { return this; }

    TransportUse use() const override { return m_use; }
    std::optional<int64_t> wanted() const override {
        const int64_t there = m_wanted;
        return there < 0 || there == m_reached ? std::nullopt : std::optional(toRecording(there));
    }
    void reached(int64_t frame) override {
        // The server's frame that was asked for, not the one that the recording's frame lies at: they need not divide.
        if (const int64_t there = m_wanted; there >= 0 && toRecording(there) == frame) m_reached = there;
    }
    void left() override { m_wanted = m_reached = -1; }
    bool rolling() const override { return m_rolling; }
    int64_t frame() const override {
        return m_client && !m_lost ? toRecording(jack_get_current_transport_frame(m_client)) : 0;
    }
    void roll() override {
        if (m_client && !m_lost) jack_transport_start(m_client);
    }
    void locate(int64_t frame) override {
        if (m_client && !m_lost) jack_transport_locate(m_client, jack_nframes_t(toServer(frame)));
    }
    void halt() override {
        if (m_client && !m_lost) jack_transport_stop(m_client);
    }

private:
    int64_t toRecording(int64_t serverFrame) const { return serverFrame * m_rate / m_serverRate; }
    int64_t toServer(int64_t frame) const { return (frame * m_serverRate + m_rate - 1) / m_rate; }

    bool open() {
        if (m_client && !m_lost) return true;
        if (m_client) jack_client_close(m_client);
        m_lost = false;
        quiet();
        m_client = jack_client_open("Rivlen", JackNoStartServer, nullptr);
        if (!m_client) return false;
        m_serverRate = int(jack_get_sample_rate(m_client));
        for (int p = 0; p < kPorts; ++p)
            m_ports[p] = jack_port_register(m_client, kNames[p], JACK_DEFAULT_AUDIO_TYPE, JackPortIsOutput, 0);
        if (m_listening) m_voice = jack_port_register(m_client, "Voice", JACK_DEFAULT_AUDIO_TYPE, JackPortIsInput, 0);
        jack_set_process_callback(
            m_client, [](jack_nframes_t n, void* self) { return static_cast<JackPorts*>(self)->process(n); }, this);
        jack_on_shutdown(
            m_client, [](void* self) { static_cast<JackPorts*>(self)->m_lost = true; }, this);
        if (m_use != TransportUse::Alone)
            jack_set_sync_callback(
                m_client,
                [](jack_transport_state_t, jack_position_t* at, void* self) {
                    return static_cast<JackPorts*>(self)->stands(at->frame) ? 1 : 0;
                },
                this);
        if (!m_ports[kPorts - 1] || jack_activate(m_client) != 0) {
            jack_client_close(m_client);
            m_client = nullptr;
            return false;
        }
        // What is listened to goes to the loudspeakers; the stems go where the user connects them.
        if (const char** speakers =
                jack_get_ports(m_client, nullptr, JACK_DEFAULT_AUDIO_TYPE, JackPortIsPhysical | JackPortIsInput)) {
            for (int p = 0; p < 2 && speakers[p]; ++p) jack_connect(m_client, jack_port_name(m_ports[p]), speakers[p]);
            jack_free(speakers);
        }
        if (m_voice)
            if (const char** microphones =
                    jack_get_ports(m_client, nullptr, JACK_DEFAULT_AUDIO_TYPE, JackPortIsPhysical | JackPortIsOutput)) {
                if (microphones[0]) jack_connect(m_client, microphones[0], jack_port_name(m_voice));
                jack_free(microphones);
            }
        return true;
    }

    /// Whether the player stands at a frame of the server's; where it does not, that is wanted from now on.
    bool stands(int64_t frame) {
        if (!m_live) return true;  // nothing is open that could go anywhere
        m_wanted = frame;
        return m_reached == frame;
    }

    std::optional<bool> followed() {
        if (m_use == TransportUse::Alone) return std::nullopt;
        jack_position_t at{};
        const bool rolls = jack_transport_query(m_client, &at) == JackTransportRolling;
        m_at = at.frame;
        if (rolls) left();
        m_rolling = rolls;
        return rolls;
    }

    int process(jack_nframes_t frames) {
        float* out[kPorts];
        for (int p = 0; p < kPorts; ++p) out[p] = static_cast<float*>(jack_port_get_buffer(m_ports[p], frames));
        if (m_voice) {
            m_came = static_cast<const float*>(jack_port_get_buffer(m_voice, frames));
            m_late = late();
        }
        const auto rolling = followed();
        const std::unique_lock lock(m_guard, std::try_to_lock);
        const jack_nframes_t done = !lock || !m_live         ? 0
                                    : m_rate == m_serverRate ? direct(out, frames, rolling)
                                                             : converted(out, frames);
        for (float* port : out) std::fill(port + done, port + frames, 0.0f);
        return 0;
    }

    /// As the server knows it: from our ports to the loudspeakers, and from the microphones to us.
    int late() const {
        jack_latency_range_t out{}, in{};
        jack_port_get_latency_range(m_ports[0], JackPlaybackLatency, &out);
        jack_port_get_latency_range(m_voice, JackCaptureLatency, &in);
        return int(out.max + in.max);
    }

    jack_nframes_t direct(float* const* out, jack_nframes_t frames, std::optional<bool> rolling) {
        for (jack_nframes_t done = 0, count; done < frames; done += count) {
            count = std::min<jack_nframes_t>(kChunk, frames - done);
            DeviceBlock block =
                m_chunk.block(int(count), rolling, m_rolling ? std::optional(m_at + done) : std::nullopt);
            if (m_came) {
                block.voice = m_came + done;
                block.voiceLate = m_late;
            }
            m_callback(block);
            for (int p = 0; p < kPorts; ++p)
                for (jack_nframes_t i = 0; i < count; ++i) out[p][done + i] = m_chunk.sample(p, int(i));
        }
        return frames;
    }

    jack_nframes_t converted(float* const* out, jack_nframes_t frames) {
        std::array<float, kPorts> frame;
        for (jack_nframes_t i = 0; i < frames; ++i) {
            if (!m_converted->get(frame.data())) return i;
            for (int p = 0; p < kPorts; ++p) out[p][i] = frame[size_t(p)];
        }
        return frames;
    }

    const TransportUse m_use;
    const bool m_listening;
    jack_client_t* m_client = nullptr;
    jack_port_t *m_ports[kPorts] = {}, *m_voice = nullptr;
    const float* m_came = nullptr;  ///< in the present block
    int m_late = 0;
    int m_rate = 48000, m_serverRate = 48000;
    std::mutex m_guard;  ///< held by stop() and by a block that is being filled
    RenderCallback m_callback;
    std::atomic<bool> m_live{false}, m_lost{false}, m_rolling{false};
    std::atomic<int64_t> m_wanted{-1}, m_reached{-1};  ///< the server's frames
    int64_t m_at = 0;                                  ///< of the transport, where the present block begins
    Chunk m_chunk;
    std::unique_ptr<ConvertedSound> m_converted;
};

}  // namespace

std::unique_ptr<Device> makeJackPorts(TransportUse use, bool listening) {
    return std::make_unique<JackPorts>(use, listening);
}

bool jackRuns() {
    quiet();
    jack_client_t* client = jack_client_open("Rivlen asks", JackNoStartServer, nullptr);
    if (client) jack_client_close(client);
    return client != nullptr;
}

}  // namespace rivlen
