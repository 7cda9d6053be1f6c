#pragma once
#include <vector>

#include "core/audio/SampleSource.h"
#include "core/base/Progress.h"
#include "core/spectral/Biquad.h"

namespace rivlen {

/// Levels of what beats on a microphone (15 to 60 Hz) and of the voice's body (200 Hz to 4 kHz), mean of all channels,
/// every 10 ms, while a recording passes by.
class GustLevels {
public:
    static constexpr double kStep = 0.01;  ///< seconds
    GustLevels(int channels, int rate);
    void add(const AudioBuffer& block);

    const std::vector<float>& low() const { return m_low; }    ///< dB, one a step
    const std::vector<float>& body() const { return m_body; }  ///< dB
    /// Level of the voice, dB: mean power of the steps that are within 15 dB of the loud ones; nothing was said: -200.
    double voiceDb() const;

private:
    struct Channel {
        Biquad lowHigh, lowLow, bodyHigh, bodyLow;
    };
    std::vector<Channel> m_channels;
    int m_hop, m_count = 0;
    double m_lowSum = 0, m_bodySum = 0;
    std::vector<float> m_low, m_body;
};

/// RMS of the voice in a recording, linear. Throws Error (Cancelled, InputUnreadable).
double voiceLevel(SampleSource& source, const Progress& progress);

}  // namespace rivlen
