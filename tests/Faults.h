#pragma once
#include <complex>

#include "Support.h"
#include "core/spectral/Fft.h"

// Faults of known size, put into recordings.
namespace rivlen::test {

inline double peak(const AudioBuffer& x) {
    double p = 0;
    for (float v : x.samples()) p = std::max(p, std::fabs(double(v)));
    return p;
}

/// Keeps or takes away bins of the whole recording's transform: what keep(Hz) says, 0 ... 1.
template <typename F>
void shape(AudioBuffer& x, int rate, F&& keep) {
    const int n = nextPowerOfTwo(double(x.frames()));
    Fft fft(n);
    std::vector<float> block(size_t(n), 0.0f);
    std::vector<std::complex<float>> spectrum(size_t(fft.bins()));
    for (int c = 0; c < x.channels(); ++c) {
        std::fill(block.begin(), block.end(), 0.0f);
        std::copy(x.channel(c).begin(), x.channel(c).end(), block.begin());
        fft.forward(block, spectrum);
        for (size_t k = 0; k < spectrum.size(); ++k) spectrum[k] *= float(keep(double(k) * rate / n));
        fft.inverse(spectrum, block);
        std::copy_n(block.begin(), x.frames(), x.channel(c).begin());
    }
}

/// Clicks of one to eight samples, count of them apart from each other, as loud as level times the peak, where they are
/// clearly audible: at least twice as large as anything above 3 kHz within 15 ms. Where there is no such place some are
/// left out. Returns the places, in frames.
inline std::vector<int64_t> addClicks(AudioBuffer& x, int rate, int count, double level, unsigned seed) {
    std::mt19937 random(seed);
    std::uniform_real_distribution<double> uniform(0, 1);
    const double loud = level * peak(x);
    AudioBuffer high = x;
    shape(high, rate, [](double hz) { return hz > 3000 ? 1.0 : 0.0; });
    std::vector<int64_t> places;
    for (int i = 0; i < count; ++i) {
        int64_t at = -1;
        for (int trial = 0; trial < 20 && at < 0; ++trial) {
            const auto there = int64_t((double(i) + 0.2 + 0.6 * uniform(random)) / count * double(x.frames()));
            if (2 * peak(high.slice(there - rate * 15 / 1000, rate * 30 / 1000)) <= loud) at = there;
        }
        const int length = 1 + int(8 * uniform(random));
        const double sign = uniform(random) < 0.5 ? -1 : 1;
        if (at < 0) continue;
        for (int c = 0; c < x.channels(); ++c)
            for (int k = 0; k < length; ++k) {
                float& v = x.channel(c)[size_t(std::min(at + k, x.frames() - 1))];
                v = float(std::clamp(v + sign * loud * (1 - double(k) / length) * (k % 2 ? -0.6 : 1.0), -1.0, 1.0));
            }
        places.push_back(at);
    }
    return places;
}

/// Cuts peaks off at share times the peak of each channel. Returns how many samples were cut.
inline int64_t clip(AudioBuffer& x, double share) {
    int64_t cut = 0;
    for (int c = 0; c < x.channels(); ++c) {
        float top = 0;
        for (float v : x.channel(c)) top = std::max(top, std::fabs(v));
        top *= float(share);
        for (float& v : x.channel(c))
            if (std::fabs(v) > top) v = std::copysign(top, v), ++cut;
    }
    return cut;
}

/// A mains hum with falling harmonics at an RMS level in dBFS.
inline void addHum(AudioBuffer& x, int rate, double hz, double levelDb, int harmonics = 10, double driftHz = 0) {
    double sum = 0;
    for (int h = 1; h <= harmonics; ++h) sum += 0.5 / (h * h);
    const double scale = std::pow(10, levelDb / 20) / std::sqrt(sum);
    double phase = 0;
    for (int64_t i = 0; i < x.frames(); ++i) {
        phase += 2 * std::numbers::pi * (hz + driftHz * double(i) / double(x.frames())) / rate;
        double v = 0;
        for (int h = 1; h <= harmonics; ++h) v += std::sin(h * phase + h) / h;
        for (int c = 0; c < x.channels(); ++c) x.channel(c)[size_t(i)] += float(scale * v);
    }
}

/// White noise at an RMS level in dBFS.
inline void addNoise(AudioBuffer& x, double levelDb, unsigned seed) {
    const AudioBuffer n = noise(x.channels(), x.frames(), float(std::pow(10, levelDb / 20)), seed);
    for (size_t i = 0; i < x.samples().size(); ++i) x.samples()[i] += n.samples()[i];
}

/// Low noise with most of its power below 40 Hz, at an RMS level in dBFS.
inline void addRumble(AudioBuffer& x, int rate, double db, unsigned seed) {
    AudioBuffer n = noise(x.channels(), x.frames(), 1.0f, seed);
    shape(n, rate, [](double hz) { return hz < 5 ? 0.0 : 1 / (1 + std::pow(hz / 30, 3)); });
    const double scale = std::pow(10, (db - levelDb(n)) / 20);
    for (size_t i = 0; i < x.samples().size(); ++i) x.samples()[i] += float(scale * n.samples()[i]);
}

inline void addOffset(AudioBuffer& x, double offset) {
    for (float& v : x.samples()) v += float(offset);
}

/// Both channels from one, the right one turned over; mono becomes stereo.
inline void turnPolarity(AudioBuffer& x) {
    AudioBuffer out(2, x.frames());
    for (int64_t i = 0; i < x.frames(); ++i) {
        out.channel(0)[size_t(i)] = x.channel(0)[size_t(i)];
        out.channel(1)[size_t(i)] = -0.9f * x.channel(x.channels() - 1)[size_t(i)];
    }
    x = out;
}

/// Samples lost for a time, at a place where there is sound; false when there is none.
inline bool dropOut(AudioBuffer& x, int rate, double seconds, unsigned seed) {
    std::mt19937 random(seed);
    const auto length = int64_t(seconds * rate);
    for (int trial = 0; trial < 200; ++trial) {
        const auto at = std::uniform_int_distribution<int64_t>(rate, x.frames() - length - rate)(random);
        const auto loud = [&](int64_t from) {
            float p = 0;
            for (int64_t i = from; i < from + rate / 200; ++i) p = std::max(p, std::fabs(x.channel(0)[size_t(i)]));
            return p > 0.03f;
        };
        if (!loud(at - rate / 200) || !loud(at + length)) continue;
        for (int c = 0; c < x.channels(); ++c) std::fill_n(x.channel(c).begin() + at, length, 0.0f);
        return true;
    }
    return false;
}

}  // namespace rivlen::test
