#pragma once
#include <functional>
#include <memory>
#include <string>

namespace rivlen {

/// Fills interleaved stereo frames. Called on the device's thread: no lock, no allocation, no file access.
using RenderCallback = std::function<void(float* out, int frames)>;

/// Something that asks for sound at a steady pace.
class Device {
public:
    virtual ~Device() = default;
    /// Starts calling back at the given rate (Hz). False when the device cannot; then nothing is called.
    virtual bool start(int sampleRate, RenderCallback callback) = 0;
    virtual void stop() = 0;  ///< no callback runs after this returns
    /// Calls back no more until resume(), so that nothing wakes the machine while nothing is heard. Devices that cannot
    /// rest go on.
    virtual void pause() {}
    virtual void resume() {}
    virtual std::string name() const = 0;
};

/// The default sound card through PortAudio. start() is false where there is none.
std::unique_ptr<Device> makeSoundCard();
/// A clock without a sound card: pulls and discards sound in real time.
std::unique_ptr<Device> makeSilentClock();

/// Tries the sound card, then the silent clock.
std::unique_ptr<Device> makeDefaultDevice();

}  // namespace rivlen
