#pragma once
#include <cmath>
#include <span>

namespace rivlen {

/// The floor that silence is shown as, dB.
inline constexpr double kSilenceDb = -200.0;

inline double toDb(double amplitude) { return amplitude > 1e-10 ? 20.0 * std::log10(amplitude) : kSilenceDb; }
/// Of a power; far below kSilenceDb for none.
inline double powerDb(double power) { return 10.0 * std::log10(power + 1e-30); }
inline double fromPowerDb(double db) { return std::pow(10.0, db / 10.0); }
inline double fromDb(double db) { return std::pow(10.0, db / 20.0); }

/// Largest magnitude; 0 for no samples.
inline float peakOf(std::span<const float> x) {
    float peak = 0;
    for (float v : x) peak = std::max(peak, std::fabs(v));
    return peak;
}

}  // namespace rivlen
