#include <fcntl.h>
#include <portaudio.h>
#include <unistd.h>

#include "playback/Device.h"

namespace rivlen {

namespace {

/// PortAudio's host interfaces print their probing to stderr; a machine without a sound card is not an error.
class QuietStderr {
public:
    QuietStderr() : m_saved(dup(STDERR_FILENO)) {
        const int nowhere = open("/dev/null", O_WRONLY | O_CLOEXEC);
        dup2(nowhere, STDERR_FILENO);
        close(nowhere);
    }
    ~QuietStderr() {
        dup2(m_saved, STDERR_FILENO);
        close(m_saved);
    }

private:
    int m_saved;
};

class SoundCard : public Device {
public:
    SoundCard() {
        const QuietStderr quiet;
        m_ready = Pa_Initialize() == paNoError;
    }
    ~SoundCard() override {
        stop();
        if (m_ready) Pa_Terminate();
    }

    bool start(int sampleRate, RenderCallback callback) override {
        stop();
        const PaDeviceIndex device = m_ready ? Pa_GetDefaultOutputDevice() : paNoDevice;
        if (device == paNoDevice) return false;
        m_callback = std::move(callback);
        const PaDeviceInfo* info = Pa_GetDeviceInfo(device);
        m_name = info->name;
        const PaStreamParameters out{device, 2, paFloat32, info->defaultLowOutputLatency, nullptr};
        const QuietStderr quiet;
        if (Pa_OpenStream(&m_stream, nullptr, &out, sampleRate, 256, paNoFlag, &SoundCard::render, this) != paNoError) {
            m_stream = nullptr;
            return false;
        }
        if (Pa_StartStream(m_stream) == paNoError) return true;
        stop();
        return false;
    }

    void stop() override {
        if (!m_stream) return;
        Pa_StopStream(m_stream);
        Pa_CloseStream(m_stream);
        m_stream = nullptr;
    }

    void pause() override {
        if (m_stream) Pa_StopStream(m_stream);
    }

    void resume() override {
        const QuietStderr quiet;
        if (m_stream && Pa_IsStreamStopped(m_stream) == 1) Pa_StartStream(m_stream);
    }

    std::string name() const override { return m_name; }

private:
    static int render(const void*, void* out, unsigned long frames, const PaStreamCallbackTimeInfo*,
                      PaStreamCallbackFlags, void* self) {
        static_cast<SoundCard*>(self)->m_callback(static_cast<float*>(out), int(frames));
        return paContinue;
    }

    bool m_ready = false;
    PaStream* m_stream = nullptr;
    RenderCallback m_callback;
    std::string m_name = "sound card";
};

/// The sound card where there is one that takes the rate, the silent clock otherwise.
class DefaultDevice : public Device {
public:
    bool start(int sampleRate, RenderCallback callback) override {
        m_silent = !m_card->start(sampleRate, callback);
        return !m_silent || m_clock->start(sampleRate, std::move(callback));
    }
    void stop() override {
        m_card->stop();
        m_clock->stop();
    }
    void pause() override { (m_silent ? m_clock : m_card)->pause(); }
    void resume() override { (m_silent ? m_clock : m_card)->resume(); }
    std::string name() const override { return m_silent ? m_clock->name() : m_card->name(); }

private:
    std::unique_ptr<Device> m_card = makeSoundCard(), m_clock = makeSilentClock();
    bool m_silent = true;
};

}  // namespace

std::unique_ptr<Device> makeSoundCard() { return std::make_unique<SoundCard>(); }
std::unique_ptr<Device> makeDefaultDevice() { return std::make_unique<DefaultDevice>(); }

}  // namespace rivlen
