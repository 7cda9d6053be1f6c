#pragma once
#include "Faults.h"
#include "core/diagnosis/GustLevels.h"
#include "core/treatment/RoomGains.h"

// Faults of voices of known size, put into recordings.
namespace rivlen::test {

inline double voiceDb(const AudioBuffer& x, int rate) {
    GustLevels levels(x.channels(), rate);
    levels.add(x);
    return levels.voiceDb();
}

/// Thumps of 90 ms around 35 Hz as breath makes them, so many dB above the voice where they are strongest; returns
/// their places, seconds.
inline std::vector<double> addPops(AudioBuffer& x, int rate, int count, double overDb, unsigned seed) {
    std::mt19937 random(seed);
    std::uniform_real_distribution<double> uniform(0, 1);
    const double amplitude =
        std::sqrt(2.0) * fromDb(voiceDb(x, rate) + overDb) * 1.25;  // what the low band lets through
    std::vector<double> places;
    for (int n = 0; n < count; ++n) {
        const auto at = int64_t((n + 0.2 + 0.6 * uniform(random)) / count * double(x.frames()));
        const double hz = 28 + 14 * uniform(random), phase = 6 * uniform(random);
        const auto length = int64_t(0.09 * rate);
        for (int64_t i = 0; i < length && at + i < x.frames(); ++i) {
            const double t = double(i) / double(length), shape = std::sin(std::numbers::pi * std::sqrt(t));
            for (int c = 0; c < x.channels(); ++c)
                x.channel(c)[size_t(at + i)] +=
                    float(amplitude * shape * std::sin(2 * std::numbers::pi * hz * double(i) / rate + phase));
        }
        places.push_back(double(at) / rate + 0.03);
    }
    return places;
}

/// Gusts of two to five seconds from a quarter of the recording on, to three quarters, so many dB above the voice on
/// average; low noise that falls by 12 dB an octave from 30 Hz on and beats.
inline void addWind(AudioBuffer& x, int rate, double overDb, unsigned seed) {
    AudioBuffer n = noise(1, x.frames(), 1.0f, seed);
    shape(n, rate, [](double hz) { return hz < 8 ? 0.0 : 1 / (1 + std::pow(hz / 30, 2)); });
    std::mt19937 random(seed);
    std::normal_distribution<double> normal;
    const int64_t from = x.frames() / 4, to = x.frames() * 3 / 4;
    double slow = 0, sum = 0;
    for (int64_t i = from; i < to; ++i) {
        if ((i - from) % (rate / 50) == 0) slow += 0.12 * (normal(random) * 2.2 - slow);
        float& v = n.channel(0)[size_t(i)];
        v *= float(fromDb(8 * slow) * std::min({1.0, double(i - from) / (0.3 * rate), double(to - i) / (0.3 * rate)}));
        sum += double(v) * v;
    }
    const double scale = fromDb(voiceDb(x, rate) + overDb) / std::sqrt(sum / double(to - from));
    for (int c = 0; c < x.channels(); ++c)
        for (int64_t i = from; i < to; ++i) x.channel(c)[size_t(i)] += float(scale * n.channel(0)[size_t(i)]);
}

/// What is above 5 kHz made louder by so many dB.
inline void sharpen(AudioBuffer& x, int rate, double db) {
    shape(x, rate, [db](double hz) {
        return hz < 4500 ? 1.0 : hz > 5500 ? fromDb(db) : fromDb(db * (hz - 4500) / 1000);
    });
}

/// A room with a decay time in seconds and a direct-to-reverberant ratio in dB: an impulse, then from 2 ms on noise
/// that dies away; mono.
inline std::vector<float> roomResponse(int rate, double rt60, double drr, unsigned seed) {
    std::mt19937 random(seed);
    std::normal_distribution<double> normal;
    std::vector<double> h(size_t(1.2 * rt60 * rate), 0.0);
    double sum = 0;
    for (size_t i = size_t(0.002 * rate); i < h.size(); ++i)
        h[i] = normal(random) * std::pow(10, -3 * double(i) / rate / rt60), sum += h[i] * h[i];
    std::vector<float> out(h.size());
    for (size_t i = 0; i < h.size(); ++i) out[i] = float(h[i] * fromDb(-drr) / std::sqrt(sum));
    out[0] = 1;
    return out;
}

inline void convolve(AudioBuffer& x, const std::vector<float>& h) {
    const int n = nextPowerOfTwo(double(x.frames()) + double(h.size()));
    Fft fft(n);
    std::vector<float> a(static_cast<size_t>(n), 0.0f);
    std::vector<std::complex<float>> H(static_cast<size_t>(fft.bins())), X = H;
    std::copy(h.begin(), h.end(), a.begin());
    fft.forward(a, H);
    for (int c = 0; c < x.channels(); ++c) {
        std::fill(a.begin(), a.end(), 0.0f);
        std::copy(x.channel(c).begin(), x.channel(c).end(), a.begin());
        fft.forward(a, X);
        for (size_t k = 0; k < X.size(); ++k) X[k] *= H[k];
        fft.inverse(X, a);
        std::copy_n(a.begin(), x.frames(), x.channel(c).begin());
    }
}

/// Energies of two parts of a reverberant voice after the gains that de-reverb finds for the whole: what is done to a
/// sound is linear once its gains are known, so that its parts can be followed through it.
inline std::pair<double, double> followed(const AudioBuffer& whole, const AudioBuffer& one, const AudioBuffer& other,
                                          int rate, double rt60, double drr, double amount) {
    const int size = roomFrame(rate), hop = size / 4;
    Fft fft(size);
    const auto window = hannWindow(size);
    RoomGains gains(fft.bins(), double(hop) / rate, rt60, drr);
    std::vector<float> frame(static_cast<size_t>(size));
    std::vector<std::complex<float>> cells(static_cast<size_t>(fft.bins()));
    double sums[2] = {0, 0};
    for (int64_t at = 0; at + size <= whole.frames(); at += hop) {
        const auto read = [&](const AudioBuffer& x) {
            for (int i = 0; i < size; ++i)
                frame[size_t(i)] = x.channel(0)[size_t(at + i)] * std::sqrt(window[size_t(i)]);
            fft.forward(frame, cells);
        };
        read(whole);
        const auto g = gains.next(cells);
        for (int part = 0; part < 2; ++part) {
            read(part ? other : one);
            for (size_t k = 0; k < cells.size(); ++k)
                sums[part] += std::norm(cells[k] * float(1 - amount / 100 * (1 - g[k])));
        }
    }
    return {sums[0], sums[1]};
}

}  // namespace rivlen::test
