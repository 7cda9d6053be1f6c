#pragma once
#include <array>
#include <functional>
#include <memory>
#include <optional>
#include <string>

#include "playback/SharedTransport.h"

namespace rivlen {

/// What a device wants to be filled.
struct DeviceBlock {
    float* heard = nullptr;  ///< interleaved stereo: what is listened to
    /// The same of dialogue, music and ambience as they were separated, whatever is listened to; null: nobody asks.
    std::array<float*, 3> stems{};
    int frames = 0;
    /// Whether the shared transport that is followed runs; nothing: none is.
    std::optional<bool> rolling;
    /// While it runs: the recording's frame that belongs at the block's beginning, where the device knows it exactly.
    std::optional<int64_t> at;
};

/// Fills a block. Called on the device's thread: no lock, no allocation, no file access.
using RenderCallback = std::function<void(const DeviceBlock&)>;

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
    /// It was started and went away: nothing calls back any more.
    virtual bool lost() const { return false; }
    /// It asks for stems too.
    virtual bool hearsStems() const { return false; }
    /// Null where it has none.
    virtual SharedTransport* transport() { return nullptr; }
};

/// A sound card through PortAudio, by its name among soundCards(); empty: the default one. frames: of a block.
/// start() is false where there is none.
std::unique_ptr<Device> makeSoundCard(const std::string& name = {}, int frames = 256);
/// A clock without a sound card: pulls and discards sound in real time.
std::unique_ptr<Device> makeSilentClock();
/// Ports of a JACK server (jackd, or PipeWire in its place): what is listened to, connected to the loudspeakers, and
/// the three stems. A recording at another rate than the server's is converted. start() is false where no server runs.
std::unique_ptr<Device> makeJackPorts(TransportUse use);
/// Whether a server runs.
bool jackRuns();

/// Tries the given one, then the silent clock.
std::unique_ptr<Device> orSilent(std::unique_ptr<Device> device);
std::unique_ptr<Device> makeDefaultDevice();

}  // namespace rivlen
