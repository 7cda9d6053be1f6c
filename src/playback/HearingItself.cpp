#include <algorithm>
#include <vector>

#include "playback/Device.h"

namespace rivlen {

namespace {

constexpr int kLongest = 8192;  // frames of a block; of a longer one the rest is silent

class HearingItself : public Device {
public:
    explicit HearingItself(std::unique_ptr<Device> device) : m_device(std::move(device)) {}
    ~HearingItself() override { m_device->stop(); }

    bool start(int sampleRate, RenderCallback callback) override {
        m_callback = std::move(callback);
        std::fill(m_past.begin(), m_past.end(), 0.0f);
        m_at = 0;
        return m_device->start(sampleRate, [this](const DeviceBlock& out) { render(out); });
    }
    void stop() override { m_device->stop(); }
    void pause() override { m_device->pause(); }
    void resume() override { m_device->resume(); }
    std::string name() const override { return m_device->name(); }
    bool lost() const override { return m_device->lost(); }
    bool hearsStems() const override { return m_device->hearsStems(); }
    bool listens() const override { return true; }
    int rate() const override { return m_device->rate(); }
    SharedTransport* transport() override { return m_device->transport(); }

private:
    /// What a microphone would have brought by now was heard kItselfLate frames before, so it is all there already,
    /// as long as a block is shorter than that; of a longer one the rest comes with the block itself, too late.
    void render(const DeviceBlock& out) {
        const int frames = std::min(out.frames, kLongest);
        std::fill(m_voice.begin(), m_voice.end(), 0.0f);
        for (int i = 0; i < std::min(frames, kItselfLate); ++i)
            m_voice[size_t(i)] = m_past[size_t(m_at + i) % m_past.size()];
        DeviceBlock with = out;
        with.voice = m_voice.data();
        with.voiceLate = kItselfLate;
        m_callback(with);
        for (int i = 0; i < frames; ++i)
            m_past[size_t(m_at + i) % m_past.size()] = 0.5f * (out.heard[2 * i] + out.heard[2 * i + 1]);
        m_at = int(size_t(m_at + frames) % m_past.size());
    }

    std::unique_ptr<Device> m_device;
    RenderCallback m_callback;
    std::vector<float> m_past = std::vector<float>(kItselfLate), m_voice = std::vector<float>(kLongest);
    int m_at = 0;  ///< in m_past: of the oldest frame
};

}  // namespace

std::unique_ptr<Device> hearingItself(std::unique_ptr<Device> device) {
    return std::make_unique<HearingItself>(std::move(device));
}

}  // namespace rivlen
