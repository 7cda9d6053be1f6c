#pragma once
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/rebuild/Filters.h"

namespace rivlen {

/// The compressor's static curve: output level for an input level, dB, without make-up gain. Above the knee T + (x - T)
/// / R, inside a quadratic (Giannoulis, Massberg and Reiss 2012, "Digital dynamic range compressor design", eq. 4).
double compressorCurve(const ChainSettings& chain, double db);

/// The expander's: below the threshold each dB becomes gateRatio of them, at most gateRange down.
double gateCurve(const ChainSettings& chain, double db);

/// A gain in dB that moves at its own pace: exponentially to 1 - 1/e within the time constants (smooth branching,
/// Giannoulis et al. eq. 17).
class GainFollower {
public:
    /// Seconds down and up, and how long it stays down at least.
    void set(double down, double up, double hold, int rate);
    /// target: dB, 0 or below.
    double next(double target);
    double gainDb() const { return m_gain; }

private:
    double m_down = 0, m_up = 0, m_gain = 0;
    int64_t m_hold = 0, m_held = 0;
};

/// Modules of the chain that turn a level into a gain; channels are linked, so that the stereo image stays. In place.
class Compressor {
public:
    Compressor(int rate) : m_rate(rate) {}
    void set(const ChainSettings& chain);
    void process(AudioBuffer& audio);
    double reductionDb() const { return m_least; }  ///< largest in the last block, 0 or below

private:
    int m_rate;
    ChainSettings m_chain;
    GainFollower m_gain;
    double m_least = 0;
};

class Gate {
public:
    Gate(int rate) : m_rate(rate) {}
    void set(const ChainSettings& chain);
    void process(AudioBuffer& audio);
    double reductionDb() const { return m_least; }

private:
    int m_rate;
    ChainSettings m_chain;
    GainFollower m_gain;
    double m_level = 0, m_decay = 0, m_least = 0;
};

/// Lowers a band while it holds more of the voice's energy than the threshold allows: y = x + (g - 1) b, b being the
/// band.
class DeEsser {
public:
    DeEsser(int channels, int rate) : m_rate(rate), m_bands(size_t(channels)) {}
    void set(const ChainSettings& chain);
    void process(AudioBuffer& audio);
    double reductionDb() const { return m_least; }

private:
    int m_rate;
    ChainSettings m_chain;
    FilterSection m_section;
    std::vector<FilterState> m_bands;
    GainFollower m_gain;
    double m_whole = 0, m_band = 0, m_smooth = 0, m_least = 0;
};

}  // namespace rivlen
