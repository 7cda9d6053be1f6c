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
    TransportUse transport = TransportUse::Alone;
    bool operator==(const OutputChoice&) const = default;
};

/// Sizes of a block in frames that can be chosen.
inline constexpr int kBlockSizes[] = {64, 128, 256, 512, 1024, 2048};

/// Sound cards that can play two channels, by names that stay the same: "ALSA: USB Audio".
std::vector<std::string> soundCards();

std::unique_ptr<Device> makeDevice(const OutputChoice& choice);

}  // namespace rivlen
