#include <algorithm>

#include "playback/ConvertedSound.h"
#include "playback/Device.h"

namespace rivlen {

namespace {

constexpr int kTried[] = {48000, 44100, 96000};  // where a device does not take the recording's rate
constexpr int kAheadFrames = 2048;

class AtRate : public Device {
public:
    AtRate(std::unique_ptr<Device> device, int rate) : m_device(std::move(device)), m_rate(rate) {}
    ~AtRate() override { stop(); }

    bool start(int sampleRate, RenderCallback callback) override {
        stop();
        m_callback = std::move(callback);
        m_from = sampleRate;
        if (m_rate > 0) return begin(m_rate);
        return begin(sampleRate) || std::ranges::any_of(kTried, [&](int rate) { return begin(rate); });
    }
    void stop() override {
        m_device->stop();
        m_converted.reset();
        m_to = 0;
    }
    void pause() override {
        m_device->pause();
        m_converted.reset();  // its thread would wake the machine
    }
    void resume() override {
        convert();
        m_device->resume();
    }
    std::string name() const override { return m_device->name(); }
    bool lost() const override { return m_device->lost(); }
    bool hearsStems() const override { return !converts() && m_device->hearsStems(); }
    bool listens() const override { return !converts() && m_device->listens(); }
    int rate() const override { return m_to; }
    SharedTransport* transport() override { return m_device->transport(); }

private:
    bool converts() const { return m_to != m_from; }

    bool begin(int rate) {
        m_to = rate;
        convert();
        const bool begun = converts() ? m_device->start(rate, [this](const DeviceBlock& out) { fill(out); })
                                      : m_device->start(rate, m_callback);
        if (begun) return true;
        m_converted.reset();
        m_to = 0;
        return false;
    }

    void convert() {
        if (!converts() || m_to == 0) return;
        m_converted = std::make_unique<ConvertedSound>(2, m_from, m_to, kAheadFrames, [this](AudioBuffer& chunk) {
            float heard[2 * ConvertedSound::kChunk];
            m_callback({heard, {}, ConvertedSound::kChunk, {}, {}});
            for (int c = 0; c < 2; ++c)
                for (int i = 0; i < ConvertedSound::kChunk; ++i) chunk.channel(c)[size_t(i)] = heard[2 * i + c];
        });
    }

    void fill(const DeviceBlock& out) {
        for (int i = 0; i < out.frames; ++i)
            if (!m_converted->get(out.heard + 2 * i)) out.heard[2 * i] = out.heard[2 * i + 1] = 0;
    }

    std::unique_ptr<Device> m_device;
    const int m_rate;
    RenderCallback m_callback;
    int m_from = 0, m_to = 0;
    std::unique_ptr<ConvertedSound> m_converted;
};

}  // namespace

std::unique_ptr<Device> atRate(std::unique_ptr<Device> device, int rate) {
    return std::make_unique<AtRate>(std::move(device), rate);
}

}  // namespace rivlen
