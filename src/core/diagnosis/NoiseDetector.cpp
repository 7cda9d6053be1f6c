// From power spectra of 170 ms:
// Hiss: the quietest moments of a recording between 1.6 and 12.5 kHz. They are hiss when they are above -70 dBFS, all
// alike (a fiftieth of all moments or more, in half of the recording's eighths or more, lies within 1.5 dB of the
// quietest) and noise, not tones (the ratio of geometric and arithmetic mean of the bins is that of noise, 0.56 on
// average, and not below 0.42). Programme changes, noise stays. Rumble: what is between 12 and 30 Hz nine tenths of the
// time, above -48 dBFS. Voices begin at some 80 Hz, few instruments go below 30. Bandwidth limit: the frequency at
// which the mean spectrum falls most from the 1.2 kHz below it to the 1.2 kHz above it, if by 30 dB or more and to
// nothing, below 18.5 kHz. Natural sound fades, filters and coders cut.
#include <algorithm>
#include <bit>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/diagnosis/Detector.h"
#include "core/spectral/Fft.h"

namespace rivlen {

namespace {

constexpr double kLeastHissDb = -70, kAlikeDb = 1.5, kLeastShare = 0.02, kLeastFlatness = 0.42;
constexpr int kLeastParts = 4;
constexpr double kLeastRumbleDb = -48;
constexpr double kCut = 30, kNothingDb = -95;

class NoiseDetector : public Detector {
public:
    NoiseDetector(int channels, int rate)
        : m_rate(rate),
          m_size(nextPowerOfTwo(0.12 * rate)),
          m_fft(m_size),
          m_window(hannWindow(m_size)),
          m_frame(size_t(m_size)),
          m_spectrum(size_t(m_fft.bins())),
          m_mean(size_t(m_fft.bins()), 0.0),
          m_waiting(channels, 0) {}

    void add(const AudioBuffer& block) override {
        m_frames += block.frames();
        m_waiting.append(block);
        int64_t at = 0;
        for (; at + m_size <= m_waiting.frames(); at += m_size) look(at);
        m_waiting = m_waiting.slice(at, m_waiting.frames() - at);
    }

    void finish(std::vector<Finding>& findings) override {
        if (m_moments.size() < 12) return;
        hiss(findings);
        rumble(findings);
        bandwidth(findings);
    }

private:
    struct Moment {
        float high, low, flatness;
        int part = 0;  ///< eighth of the recording
    };
    size_t bin(double hz) const {
        return size_t(std::clamp<int>(int(std::lround(hz * m_size / m_rate)), 1, m_size / 2 - 1));
    }

    void look(int64_t at) {
        std::vector<double> power(m_spectrum.size(), 0.0);
        for (int c = 0; c < m_waiting.channels(); ++c) {
            const auto x = m_waiting.channel(c).subspan(size_t(at), size_t(m_size));
            for (size_t i = 0; i < x.size(); ++i) m_frame[i] = x[i] * m_window[i];
            m_fft.forward(m_frame, m_spectrum);
            // Parseval with a Hann window: the sum over bins becomes the mean square.
            for (size_t k = 0; k < power.size(); ++k)
                power[k] +=
                    double(std::norm(m_spectrum[k])) * 2 / (0.375 * double(m_size) * m_size * m_waiting.channels());
        }
        const double highest = std::min(12500.0, 0.45 * m_rate);
        const auto between = [&](double from, double to) {
            double sum = 0;
            for (size_t k = bin(from); k <= bin(to); ++k) sum += power[k];
            return sum;
        };
        double logs = 0, sum = 0;
        const size_t a = bin(1600), b = bin(std::min(8000.0, 0.45 * m_rate));
        for (size_t k = a; k <= b; ++k) logs += std::log(power[k] + 1e-30), sum += power[k];
        const double n = double(b - a + 1);
        const double all = between(20, 0.49 * m_rate);
        if (all < 1e-11) return;  // digital silence tells nothing
        for (size_t k = 0; k < power.size(); ++k) m_mean[k] += power[k];
        m_moments.push_back(
            {float(between(1600, highest)), float(between(12, 30)), float(std::exp(logs / n) / (sum / n + 1e-30))});
    }

    void hiss(std::vector<Finding>& findings) {
        std::vector<Moment> sorted = m_moments;
        for (size_t i = 0; i < sorted.size(); ++i) sorted[i].part = int(8 * i / sorted.size());
        std::sort(sorted.begin(), sorted.end(), [](const Moment& a, const Moment& b) { return a.high < b.high; });
        const size_t few = std::max<size_t>(3, sorted.size() / 100);
        double floor = 0;
        for (size_t i = 0; i < few; ++i) floor += sorted[i].high / double(few);
        size_t alike = 0;
        unsigned parts = 0;
        std::vector<float> flatness;
        while (alike < sorted.size() && powerDb(sorted[alike].high) < powerDb(floor) + kAlikeDb)
            parts |= 1u << sorted[alike].part, flatness.push_back(sorted[alike++].flatness);
        const double share = double(alike) / double(sorted.size());
        std::nth_element(flatness.begin(), flatness.begin() + long(flatness.size() / 2), flatness.end());
        if (powerDb(floor) < kLeastHissDb || share < kLeastShare || alike < 6 || std::popcount(parts) < kLeastParts ||
            flatness[flatness.size() / 2] < kLeastFlatness)
            return;
        const double db = powerDb(floor);
        findings.push_back({Fault::Hiss,
                            0,
                            double(m_frames) / m_rate,
                            -1,
                            db,
                            std::clamp(0.5 + 5 * (share - kLeastShare), 0.5, 0.98),
                            std::clamp(std::round(db + 72), 6.0, 18.0),
                            0,
                            0,
                            {}});
    }

    void rumble(std::vector<Finding>& findings) {
        std::vector<float> low;
        for (const auto& m : m_moments) low.push_back(m.low);
        std::nth_element(low.begin(), low.begin() + long(low.size() / 10), low.end());
        const double db = powerDb(low[low.size() / 10]);
        if (db > kLeastRumbleDb)
            findings.push_back({Fault::Rumble,
                                0,
                                double(m_frames) / m_rate,
                                -1,
                                db,
                                std::clamp(0.6 + (db - kLeastRumbleDb) / 25, 0.6, 0.98),
                                80,
                                0,
                                0,
                                {}});
    }

    void bandwidth(std::vector<Finding>& findings) {
        const size_t wide = bin(1200), gap = bin(150);
        std::vector<double> sums(m_mean.size() + 1, 0.0);
        for (size_t k = 0; k < m_mean.size(); ++k) sums[k + 1] = sums[k] + m_mean[k] / double(m_moments.size());
        const auto mean = [&](size_t a, size_t b) { return powerDb((sums[b] - sums[a]) / double(b - a)); };
        double most = 0;
        size_t where = 0;
        for (size_t k = bin(2500); k + gap + wide / 4 < bin(0.49 * m_rate); ++k) {
            const double above = mean(k + gap, std::min(k + gap + wide, m_mean.size() - 1)),
                         below = mean(k - gap - wide, k - gap);
            if (below - above > most && above < kNothingDb && mean(k + gap, m_mean.size() - 1) < kNothingDb)
                most = below - above, where = k;
        }
        if (where == 0) return;
        // The edge itself: where the level has fallen by 20 dB.
        const double fallen = mean(where - gap - wide, where - gap) - 20;
        const size_t few = std::max<size_t>(2, bin(40));
        size_t edge = where - 2 * gap;
        while (edge < where + 2 * gap && mean(edge, edge + few) > fallen) ++edge;
        const double hz = double(edge) * m_rate / m_size;
        if (most < kCut || hz > 0.45 * m_rate || hz > 18500) return;
        findings.push_back(
            {Fault::Bandwidth, 0, double(m_frames) / m_rate, -1, hz, std::clamp(most / 50, 0.6, 1.0), 0, hz, 0, {}});
    }

    int m_rate, m_size;
    Fft m_fft;
    std::vector<float> m_window, m_frame;
    std::vector<std::complex<float>> m_spectrum;
    std::vector<double> m_mean;
    AudioBuffer m_waiting;
    int64_t m_frames = 0;
    std::vector<Moment> m_moments;
};

}  // namespace

std::unique_ptr<Detector> makeNoiseDetector(int channels, int rate) {
    return std::make_unique<NoiseDetector>(channels, rate);
}

}  // namespace rivlen
