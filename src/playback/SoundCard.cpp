#include <fcntl.h>
#include <portaudio.h>
#include <unistd.h>

#include <algorithm>
#include <array>
#include <cmath>

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

PaDeviceIndex microphoneOf(const VoiceInput& voice) {
    if (voice.kind == VoiceInput::Kind::Default) return Pa_GetDefaultInputDevice();
    for (PaDeviceIndex i = 0; i < Pa_GetDeviceCount(); ++i)
        if (const PaDeviceInfo* info = Pa_GetDeviceInfo(i); info->maxInputChannels >= 1 && nameOf(*info) == voice.card)
            return i;
    return paNoDevice;
}

/// The cards that can do what is asked. JACK's ports are ours to make.
std::vector<std::string> cards(bool (*fits)(const PaDeviceInfo&)) {
    const Library library;
    std::vector<std::string> names;
    if (!library.ready()) return names;
    for (PaDeviceIndex i = 0; i < Pa_GetDeviceCount(); ++i) {
        const PaDeviceInfo* info = Pa_GetDeviceInfo(i);
        if (fits(*info) && Pa_GetHostApiInfo(info->hostApi)->type != paJACK) names.push_back(nameOf(*info));
    }
    return names;
}

class SoundCard : public Device {
public:
    SoundCard(std::string card, int frames, std::optional<VoiceInput> voice)
        : m_card(std::move(card)), m_frames(frames), m_voice(std::move(voice)) {}
    ~SoundCard() override { stop(); }

    bool start(int sampleRate, RenderCallback callback) override {
        stop();
        const PaDeviceIndex device = m_library.ready() ? cardOf(m_card) : paNoDevice;
        if (device == paNoDevice) return false;
        m_callback = std::move(callback);
        const PaDeviceInfo* info = Pa_GetDeviceInfo(device);
        m_name = info->name;
        const PaStreamParameters out{device, 2, paFloat32, info->defaultLowOutputLatency, nullptr};
        PaStreamParameters in{};
        if (m_voice) {
            in.device = microphoneOf(*m_voice);
            if (in.device == paNoDevice) return false;
            const PaDeviceInfo* from = Pa_GetDeviceInfo(in.device);
            in.channelCount = std::min(std::max(m_voice->channel + 1, 2), from->maxInputChannels);
            if (m_voice->channel >= in.channelCount) return false;
            in.sampleFormat = paFloat32;
            in.suggestedLatency = from->defaultLowInputLatency;
            m_inputs = in.channelCount;
        }
        const QuietStderr quiet;
        if (Pa_OpenStream(&m_stream, m_voice ? &in : nullptr, &out, sampleRate, unsigned(m_frames), paNoFlag,
                          &SoundCard::render, this) != paNoError) {
            m_stream = nullptr;
            return false;
        }
        const PaStreamInfo* facts = Pa_GetStreamInfo(m_stream);
        m_late = int(std::lround((facts->inputLatency + facts->outputLatency) * sampleRate));
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
    bool listens() const override { return m_stream && m_voice; }

private:
    static int render(const void* in, void* out, unsigned long frames, const PaStreamCallbackTimeInfo*,
                      PaStreamCallbackFlags, void* self) {
        static_cast<SoundCard*>(self)->render(static_cast<const float*>(in), static_cast<float*>(out), int(frames));
        return paContinue;
    }

    void render(const float* in, float* out, int frames) {
        if (!m_voice || !in) return m_callback({out, {}, frames, {}, {}});
        for (int done = 0, count; done < frames; done += count) {
            count = std::min(frames - done, int(m_came.size()));
            for (int i = 0; i < count; ++i)
                m_came[size_t(i)] = in[size_t(done + i) * size_t(m_inputs) + size_t(m_voice->channel)];
            m_callback({out + 2 * done, {}, count, {}, {}, m_came.data(), m_late});
        }
    }

    const std::string m_card;
    const int m_frames;
    const std::optional<VoiceInput> m_voice;
    int m_inputs = 0, m_late = 0;
    std::array<float, 2048> m_came{};
    Library m_library;
    bool m_resting = false;
    PaStream* m_stream = nullptr;
    RenderCallback m_callback;
    std::string m_name = "sound card";
};

}  // namespace

std::vector<std::string> soundCards() {
    return cards([](const PaDeviceInfo& info) { return info.maxOutputChannels >= 2; });
}

std::vector<std::string> microphones() {
    return cards([](const PaDeviceInfo& info) { return info.maxInputChannels >= 1; });
}

std::unique_ptr<Device> makeSoundCard(const std::string& name, int frames, std::optional<VoiceInput> voice) {
    return std::make_unique<SoundCard>(name, frames, std::move(voice));
}

}  // namespace rivlen
