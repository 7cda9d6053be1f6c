#include <jack/jack.h>
#include <jack/ringbuffer.h>
#include <jack/transport.h>

#include <algorithm>
#include <array>
#include <atomic>
#include <chrono>
#include <mutex>
#include <thread>
#include <vector>

#include "core/audio/Resampler.h"
#include "playback/Device.h"

namespace rivlen {

namespace {

constexpr int kPorts = 8;  // two each of what is listened to, dialogue, music, ambience
constexpr const char* kNames[kPorts] = {"Heard left", "Heard right", "Dialogue left", "Dialogue right",
                                        "Music left", "Music right", "Ambience left", "Ambience right"};
constexpr int kChunk = 256;  // frames that are asked for at once

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

/// Frames on their way from the converter's thread to the server's; libjack's ring neither locks nor allocates.
class FrameRing {
public:
    static constexpr int kFrames = 1 << 15;  // more than a server's longest block and what a resampler gives at once
    FrameRing() : m_ring(jack_ringbuffer_create(kFrames * sizeof(Frame))) {}
    ~FrameRing() { jack_ringbuffer_free(m_ring); }
    FrameRing(const FrameRing&) = delete;
    void clear() { jack_ringbuffer_reset(m_ring); }
    int waiting() const { return int(jack_ringbuffer_read_space(m_ring) / sizeof(Frame)); }
    void put(const AudioBuffer& sound) {
        for (int64_t i = 0; i < sound.frames(); ++i) {
            Frame frame;
            for (int p = 0; p < kPorts; ++p) frame[size_t(p)] = sound.channel(p)[size_t(i)];
            jack_ringbuffer_write(m_ring, reinterpret_cast<const char*>(frame.data()), sizeof frame);
        }
    }
    /// False when nothing has come.
    bool get(std::array<float, kPorts>& frame) {
        if (waiting() == 0) return false;
        jack_ringbuffer_read(m_ring, reinterpret_cast<char*>(frame.data()), sizeof frame);
        return true;
    }

private:
    using Frame = std::array<float, kPorts>;
    jack_ringbuffer_t* m_ring;
};

/// libjack tells of each server that it does not find.
void quiet() {
    jack_set_error_function([](const char*) {});
    jack_set_info_function([](const char*) {});
}

class JackPorts : public Device, public SharedTransport {
public:
    explicit JackPorts(TransportUse use) : m_use(use) {}
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
            m_ring.clear();
            m_converting = true;
            m_converter = std::thread([this] { convert(); });
        }
        m_live = true;
        return true;
    }

    void stop() override {
        {
            const std::lock_guard lock(m_guard);  // the server's thread only tries it
            m_live = false;
        }
        m_converting = false;
        if (m_converter.joinable()) m_converter.join();
        m_callback = nullptr;
    }

    std::string name() const override { return "JACK"; }
    bool lost() const override { return m_lost; }
    bool hearsStems() const override { return true; }
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
        const auto rolling = followed();
        const std::unique_lock lock(m_guard, std::try_to_lock);
        const jack_nframes_t done = !lock || !m_live         ? 0
                                    : m_rate == m_serverRate ? direct(out, frames, rolling)
                                                             : converted(out, frames);
        for (float* port : out) std::fill(port + done, port + frames, 0.0f);
        return 0;
    }

    jack_nframes_t direct(float* const* out, jack_nframes_t frames, std::optional<bool> rolling) {
        for (jack_nframes_t done = 0, count; done < frames; done += count) {
            count = std::min<jack_nframes_t>(kChunk, frames - done);
            m_callback(m_chunk.block(int(count), rolling, m_rolling ? std::optional(m_at + done) : std::nullopt));
            for (int p = 0; p < kPorts; ++p)
                for (jack_nframes_t i = 0; i < count; ++i) out[p][done + i] = m_chunk.sample(p, int(i));
        }
        return frames;
    }

    jack_nframes_t converted(float* const* out, jack_nframes_t frames) {
        std::array<float, kPorts> frame;
        for (jack_nframes_t i = 0; i < frames; ++i) {
            if (!m_ring.get(frame)) return i;
            for (int p = 0; p < kPorts; ++p) out[p][i] = frame[size_t(p)];
        }
        return frames;
    }

    /// On a thread of its own: libsoxr allocates.
    void convert() {
        Resampler resampler(m_rate, m_serverRate, kPorts);
        Chunk chunk;
        AudioBuffer in(kPorts, kChunk);
        const int enough = std::max<int>(2 * int(jack_get_buffer_size(m_client)), kChunk * 8);
        while (m_converting) {
            if (m_ring.waiting() > std::min(enough, FrameRing::kFrames / 2)) {
                std::this_thread::sleep_for(std::chrono::milliseconds(2));
                continue;
            }
            m_callback(
                chunk.block(kChunk, m_use == TransportUse::Alone ? std::nullopt : std::optional(m_rolling.load())));
            for (int p = 0; p < kPorts; ++p)
                for (int i = 0; i < kChunk; ++i) in.channel(p)[size_t(i)] = chunk.sample(p, i);
            m_ring.put(resampler.process(in));
        }
    }

    const TransportUse m_use;
    jack_client_t* m_client = nullptr;
    jack_port_t* m_ports[kPorts] = {};
    int m_rate = 48000, m_serverRate = 48000;
    std::mutex m_guard;  ///< held by stop() and by a block that is being filled
    RenderCallback m_callback;
    std::atomic<bool> m_live{false}, m_lost{false}, m_rolling{false}, m_converting{false};
    std::atomic<int64_t> m_wanted{-1}, m_reached{-1};  ///< the server's frames
    int64_t m_at = 0;                                  ///< of the transport, where the present block begins
    Chunk m_chunk;
    FrameRing m_ring;
    std::thread m_converter;
};

}  // namespace

std::unique_ptr<Device> makeJackPorts(TransportUse use) { return std::make_unique<JackPorts>(use); }

bool jackRuns() {
    quiet();
    jack_client_t* client = jack_client_open("Rivlen asks", JackNoStartServer, nullptr);
    if (client) jack_client_close(client);
    return client != nullptr;
}

}  // namespace rivlen
