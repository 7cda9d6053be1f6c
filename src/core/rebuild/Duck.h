#pragma once
#include <string>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/rebuild/Dynamics.h"

namespace rivlen {

/// A lane that is pulled down while another one sounds. Usual values: common practice.
struct Duck {
    bool on = false;
    std::string key;         ///< id of the lane that does it
    bool voice = true;       ///< it counts where somebody speaks there; else wherever it is louder than the threshold
    double threshold = -45;  ///< dBFS
    double depth = 4.8;      ///< dB
    double lookAhead = 12, fall = 10, hold = 150, back = 750;  ///< ms

    bool operator==(const Duck&) const = default;
};

const std::vector<Parameter<Duck>>& duckParameters();

/// Tells where somebody speaks: the level in the voice's band (200 to 4000 Hz, 10 ms) stands 9 dB over a floor that
/// falls at once and rises by 6 dB a second, and over the threshold. The band and the minimum-following floor are
/// common practice.
class VoiceActivity {
public:
    VoiceActivity(int rate);
    bool next(double x, double thresholdDb);

private:
    FilterSection m_high, m_low;
    FilterState m_highState, m_lowState;
    double m_smooth, m_power = 0, m_floor = 1, m_rise;
    bool m_active = false;
};

/// The gain of a ducked lane from the sound of its key, frame by frame. It comes lookAhead late: the ducked lane has to
/// be delayed by as much.
class DuckGain {
public:
    DuckGain(int rate) : m_rate(rate), m_voice(rate) {}
    void set(const Duck& duck);
    /// dB for each frame of the key.
    void process(const AudioBuffer& key, std::vector<float>& db);

private:
    int m_rate;
    Duck m_duck;
    VoiceActivity m_voice;
    GainFollower m_gain;
    double m_level = 0, m_decay = 0;
};

}  // namespace rivlen
