#include <fcntl.h>
#include <portaudio.h>
#include <unistd.h>

#include "playback/Outputs.h"

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

/// PortAudio, which counts who uses it.
class Library {
public:
    Library() {
        const QuietStderr quiet;
        m_ready = Pa_Initialize() == paNoError;
    }
    ~Library() {
        if (m_ready) Pa_Terminate();
    }
    Library(const Library&) = delete;
    bool ready() const { return m_ready; }

private:
    bool m_ready;
};

std::string nameOf(const PaDeviceInfo& info) {
    return std::string(Pa_GetHostApiInfo(info.hostApi)->name) + ": " + info.name;
}

PaDeviceIndex cardOf(const std::string& name) {
    if (name.empty()) return Pa_GetDefaultOutputDevice();
    for (PaDeviceIndex i = 0; i < Pa_GetDeviceCount(); ++i)
        if (const PaDeviceInfo* info = Pa_GetDeviceInfo(i); info->maxOutputChannels >= 2 && nameOf(*info) == name)
            return i;
    return paNoDevice;
}

class SoundCard : public Device {
public:
    SoundCard(std::string card, int frames) : m_card(std::move(card)), m_frames(frames) {}
    ~SoundCard() override { stop(); }

    bool start(int sampleRate, RenderCallback callback) override {
        stop();
        const PaDeviceIndex device = m_library.ready() ? cardOf(m_card) : paNoDevice;
        if (device == paNoDevice) return false;
        m_callback = std::move(callback);
        const PaDeviceInfo* info = Pa_GetDeviceInfo(device);
        m_name = info->name;
        const PaStreamParameters out{device, 2, paFloat32, info->defaultLowOutputLatency, nullptr};
        const QuietStderr quiet;
        if (Pa_OpenStream(&m_stream, nullptr, &out, sampleRate, unsigned(m_frames), paNoFlag, &SoundCard::render,
                          this) != paNoError) {
            m_stream = nullptr;
            return false;
        }
        m_resting = false;
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
        m_resting = true;
        if (m_stream) Pa_StopStream(m_stream);
    }

    void resume() override {
        const QuietStderr quiet;
        m_resting = false;
        if (m_stream && Pa_IsStreamStopped(m_stream) == 1) Pa_StartStream(m_stream);
    }

    std::string name() const override { return m_name; }
    bool lost() const override { return m_stream && !m_resting && Pa_IsStreamActive(m_stream) != 1; }

private:
    static int render(const void*, void* out, unsigned long frames, const PaStreamCallbackTimeInfo*,
                      PaStreamCallbackFlags, void* self) {
        static_cast<SoundCard*>(self)->m_callback({static_cast<float*>(out), {}, int(frames), {}, {}});
        return paContinue;
    }

    const std::string m_card;
    const int m_frames;
    Library m_library;
    bool m_resting = false;
    PaStream* m_stream = nullptr;
    RenderCallback m_callback;
    std::string m_name = "sound card";
};

}  // namespace

std::vector<std::string> soundCards() {
    const Library library;
    std::vector<std::string> names;
    if (!library.ready()) return names;
    for (PaDeviceIndex i = 0; i < Pa_GetDeviceCount(); ++i) {
        const PaDeviceInfo* info = Pa_GetDeviceInfo(i);
        // JACK's ports are ours to make.
        if (info->maxOutputChannels >= 2 && Pa_GetHostApiInfo(info->hostApi)->type != paJACK)
            names.push_back(nameOf(*info));
    }
    return names;
}

std::unique_ptr<Device> makeSoundCard(const std::string& name, int frames) {
    return std::make_unique<SoundCard>(name, frames);
}

}  // namespace rivlen
