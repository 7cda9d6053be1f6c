#pragma once
#include <string>
#include <vector>

#include "playback/Device.h"

namespace rivlen {

/// Where sound goes, as it is chosen and remembered.
struct OutputChoice {
    enum class Kind { Default, Card, Jack, Silent };
    Kind kind = Kind::Default;
    std::string card;  ///< Kind::Card: one of soundCards()
    int frames = 256;  ///< of a block; JACK has its own
    int rate = 0;      ///< Hz, what is played converted to it; 0: the recording's. JACK has its own
    TransportUse transport = TransportUse::Alone;
    bool operator==(const OutputChoice&) const = default;
};

/// Sizes of a block in frames that can be chosen.
inline constexpr int kBlockSizes[] = {64, 128, 256, 512, 1024, 2048};
/// Rates of a sound card that can be chosen, Hz.
inline constexpr int kCardRates[] = {44100, 48000, 88200, 96000, 176400, 192000};

/// Sound cards that can play two channels, by names that stay the same: "ALSA: USB Audio".
std::vector<std::string> soundCards();

/// Sound cards that a voice can be recorded from, named in the same way.
std::vector<std::string> microphones();

/// voice: the device listens, too, where it can (Device::listens()). JACK's ports bring what is connected to them.
std::unique_ptr<Device> makeDevice(const OutputChoice& choice, const std::optional<VoiceInput>& voice = {});

}  // namespace rivlen
