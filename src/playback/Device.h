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
    /// What came in by the time the block was asked for, one channel; null: the device does not listen.
    const float* voice = nullptr;
    /// Frames from what is heard to the voice that answers it, as the device knows it: its ways out and in together.
    int voiceLate = 0;
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
    /// Its blocks bring a voice.
    virtual bool listens() const { return false; }
    /// The rate that it runs at, Hz; 0: the one that it was started with.
    virtual int rate() const { return 0; }
    /// Null where it has none.
    virtual SharedTransport* transport() { return nullptr; }
};

/// Where a voice comes from that is recorded.
struct VoiceInput {
    enum class Kind {
        Default,
        Card,   ///< one of microphones()
        Itself  ///< the stand-in: what is heard, kItselfLate frames later
    };
    Kind kind = Kind::Default;
    std::string card;
    int channel = 0;  ///< of the card, from 0
    bool operator==(const VoiceInput&) const = default;
};
inline constexpr int kVoiceChannels = 32;  ///< that can be chosen from
inline constexpr int kItselfLate = 1000;

/// A sound card through PortAudio, by its name among soundCards(); empty: the default one. frames: of a block.
/// start() is false where there is none, or where it cannot listen as it is asked to.
std::unique_ptr<Device> makeSoundCard(const std::string& name = {}, int frames = 256,
                                      std::optional<VoiceInput> voice = {});
/// A clock without a sound card: pulls and discards sound in real time.
std::unique_ptr<Device> makeSilentClock();
/// Ports of a JACK server (jackd, or PipeWire in its place): what is listened to, connected to the loudspeakers, and
/// the three stems. A recording at another rate than the server's is converted. start() is false where no server runs.
/// listening: with a port more, connected to the first microphone; it listens where the rates are the same.
std::unique_ptr<Device> makeJackPorts(TransportUse use, bool listening = false);
/// A device that runs at a rate of its own, what it plays converted; 0: at the recording's, and where it does not take
/// that, at the first usual one that it takes. While it converts it brings no voice.
std::unique_ptr<Device> atRate(std::unique_ptr<Device> device, int rate = 0);
/// A device that hears itself: the stand-in for a microphone in front of a loudspeaker.
std::unique_ptr<Device> hearingItself(std::unique_ptr<Device> device);
/// Whether a server runs.
bool jackRuns();

/// Tries the given one, then the silent clock.
std::unique_ptr<Device> orSilent(std::unique_ptr<Device> device);
std::unique_ptr<Device> makeDefaultDevice();

}  // namespace rivlen
