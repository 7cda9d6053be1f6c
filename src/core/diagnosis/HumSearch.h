#pragma once
#include <optional>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/spectral/Fft.h"

namespace rivlen {

/// A mains hum.
struct Hum {
    double hz = 0;       ///< fundamental
    double drift = 0;    ///< Hz, between the lowest and the highest of its half minutes; 0 for shorter recordings
    double levelDb = 0;  ///< RMS of all its harmonics, dBFS
    std::vector<double> harmonics;  ///< numbers of those that stand out
};

/// The power that each bin of a spectrum exceeds in nine tenths of the time: what is always there, whatever comes and
/// goes. Hann window, half overlap; below kHighest Hz. Memory is that of half a minute.
class SteadySpectrum {
public:
    static constexpr double kHighest = 1300;
    SteadySpectrum(int channels, int rate, int size);
    void add(const AudioBuffer& block);
    /// Median of the half minutes by bin, power of the transform; empty when there were not two windows.
    std::vector<float> levels();
    int size() const { return m_size; }
    /// Of each half minute; complete after levels().
    const std::vector<std::vector<float>>& segments() const { return m_segments; }

private:
    void endSegment();
    int m_rate, m_size, m_bins;
    Fft m_fft;
    std::vector<float> m_window, m_frame;
    std::vector<std::complex<float>> m_spectrum;
    AudioBuffer m_waiting;
    std::vector<std::vector<float>> m_powers;    ///< [window][bin] of the present half minute
    std::vector<std::vector<float>> m_segments;  ///< [half minute][bin]
};

/// Finds hum while a recording passes by.
///
/// Hum is a comb at 50 or 60 Hz (0.5 % to either side) that is always there, also between words: three harmonics or
/// more, one of them among the first two, stand 10 dB above the median of what is around them in the steady spectrum of
/// 0.34 s windows. Windows of 1.4 s then give its frequency, read from the highest harmonics by parabolic
/// interpolation.
class HumSearch {
public:
    HumSearch(int channels, int rate)
        : m_rate(rate),
          m_short(channels, rate, nextPowerOfTwo(0.3 * rate)),
          m_long(channels, rate, nextPowerOfTwo(1.2 * rate)) {}
    void add(const AudioBuffer& block) {
        m_short.add(block);
        m_long.add(block);
    }
    std::optional<Hum> finish();

private:
    int m_rate;
    SteadySpectrum m_short, m_long;
};

}  // namespace rivlen
