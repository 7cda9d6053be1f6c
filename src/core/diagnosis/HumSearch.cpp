#include "core/diagnosis/HumSearch.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

constexpr double kSegment = 30;    // seconds
constexpr double kStandsOut = 10;  // dB
constexpr int kHarmonics = 20, kLeastHarmonics = 3;

float quantile(std::vector<float> values, double q) {
    const size_t n = size_t(q * double(values.size() - 1));
    std::nth_element(values.begin(), values.begin() + long(n), values.end());
    return values[n];
}

/// Quantile of each column.
std::vector<float> byBin(const std::vector<std::vector<float>>& rows, double q) {
    std::vector<float> out(rows.front().size()), column(rows.size());
    for (size_t k = 0; k < out.size(); ++k) {
        for (size_t t = 0; t < rows.size(); ++t) column[t] = rows[t][k];
        out[k] = quantile(column, q);
    }
    return out;
}

/// What stands out of a steady spectrum at multiples of a frequency.
class Comb {
public:
    Comb(const std::vector<float>& levels, double binHz)
        : m_levels(levels), m_binHz(binHz), m_near(std::max(4, int(10 / binHz))), m_far(std::max(8, int(22 / binHz))) {}

    int binOf(double hz) const { return int(std::lround(hz / m_binHz)); }
    double line(double hz) const {  ///< dB above its surroundings; 0 where there are none
        const int bin = binOf(hz);
        if (bin < 3 || bin + m_far >= int(m_levels.size())) return 0;
        const float here = std::max({m_levels[size_t(bin - 1)], m_levels[size_t(bin)], m_levels[size_t(bin + 1)]});
        // The flank of another line is none.
        for (int d : {-3, -2, 2, 3})
            if (bin + d > 0 && m_levels[size_t(bin + d)] > here) return 0;
        std::vector<float> around;
        for (int d = m_near; d <= m_far; ++d) {
            if (bin - d > 1) around.push_back(m_levels[size_t(bin - d)]);
            around.push_back(m_levels[size_t(bin + d)]);
        }
        return powerDb(here) - powerDb(quantile(around, 0.5));
    }
    template <typename F>
    void lines(double hz, F&& give) const {
        for (int h = 1; h <= kHarmonics && h * hz < SteadySpectrum::kHighest; ++h)
            if (const double out = line(h * hz); out >= kStandsOut) give(h, out);
    }
    /// The fundamental near another one that fits best; how well, and how many harmonics it has.
    double best(double around, double reach, double step, int* count) const {
        double most = 0, found = 0;
        for (double hz = around * (1 - reach); hz <= around * (1 + reach); hz += step) {
            double sum = 0;
            int n = 0;
            bool low = false;
            lines(hz, [&](int h, double out) { sum += std::min(out, 40.0), ++n, low |= h <= 2; });
            if (n >= kLeastHarmonics && low && sum > most + 1e-9) most = sum, found = hz, *count = n;
        }
        m_score = most;
        return found;
    }
    double score() const { return m_score; }
    double refined(double hz) const {
        double sum = 0, weight = 0;
        lines(hz, [&](int h, double) {
            size_t bin = size_t(binOf(h * hz));
            // Up the line's flank to its top.
            for (int step = 0; step < 6; ++step) {
                if (bin + 2 < m_levels.size() && m_levels[bin + 1] > m_levels[bin]) ++bin;
                else if (bin > 2 && m_levels[bin - 1] > m_levels[bin]) --bin;
            }
            const double a = powerDb(m_levels[bin - 1]), b = powerDb(m_levels[bin]), c = powerDb(m_levels[bin + 1]);
            const double offset = std::clamp(0.5 * (a - c) / (a - 2 * b + c + 1e-12), -0.5, 0.5);
            sum += double(h) * h * (double(bin) + offset) * m_binHz / h;
            weight += double(h) * h;
        });
        return weight > 0 ? sum / weight : hz;
    }

private:
    const std::vector<float>& m_levels;
    double m_binHz;
    int m_near, m_far;
    mutable double m_score = 0;
};

}  // namespace

SteadySpectrum::SteadySpectrum(int channels, int rate, int size)
    : m_rate(rate),
      m_size(size),
      m_bins(std::min(size / 2, int(kHighest * size / rate))),
      m_fft(size),
      m_window(hannWindow(size)),
      m_frame(size_t(size)),
      m_spectrum(size_t(m_fft.bins())),
      m_waiting(channels, 0) {}

void SteadySpectrum::add(const AudioBuffer& block) {
    m_waiting.append(block);
    int64_t at = 0;
    for (; at + m_size <= m_waiting.frames(); at += m_size / 2) {
        std::vector<float> power(size_t(m_bins), 0.0f);
        for (int c = 0; c < m_waiting.channels(); ++c) {
            const auto x = m_waiting.channel(c).subspan(size_t(at), size_t(m_size));
            for (size_t i = 0; i < x.size(); ++i) m_frame[i] = x[i] * m_window[i];
            m_fft.forward(m_frame, m_spectrum);
            for (size_t k = 0; k < power.size(); ++k)
                power[k] += std::norm(m_spectrum[k]) / float(m_waiting.channels());
        }
        m_powers.push_back(std::move(power));
        if (double(m_powers.size()) * m_size / 2 >= kSegment * m_rate) endSegment();
    }
    m_waiting = m_waiting.slice(at, m_waiting.frames() - at);
}

void SteadySpectrum::endSegment() {
    m_segments.push_back(byBin(m_powers, 0.1));
    m_powers.clear();
}

std::vector<float> SteadySpectrum::levels() {
    if (double(m_powers.size()) * m_size / 2 >= kSegment / 6 * m_rate || (m_segments.empty() && m_powers.size() >= 2))
        endSegment();
    return m_segments.empty() ? std::vector<float>{} : byBin(m_segments, 0.5);
}

std::optional<Hum> HumSearch::finish() {
    const auto steady = m_short.levels(), fine = m_long.levels();
    if (steady.empty()) return std::nullopt;
    const Comb comb(steady, double(m_rate) / m_short.size());
    Hum hum;
    double most = 0, near = 0;
    for (double mains : {50.0, 60.0}) {
        int count = 0;
        const double hz = comb.best(mains, 0.005, 0.05, &count);
        if (comb.score() > most) most = comb.score(), near = mains, hum.hz = hz;
    }
    if (most == 0) return std::nullopt;
    double power = 0;
    comb.lines(hum.hz, [&](int h, double) {
        hum.harmonics.push_back(h);
        const size_t bin = size_t(comb.binOf(h * hum.hz));
        for (size_t k = bin - 2; k <= bin + 2; ++k) power += double(steady[k]);
    });
    // A sine of amplitude A makes 1.5 (A N / 4)^2 in the bins of a Hann window's main lobe, and A^2 / 2 of power.
    hum.levelDb = powerDb(power * 8 / 1.5 / (double(m_short.size()) * m_short.size()));
    hum.hz = comb.refined(hum.hz);
    if (!fine.empty()) {
        const Comb exact(fine, double(m_rate) / m_long.size());
        int count = 0;
        if (const double hz = exact.best(hum.hz, 0.006, 0.02, &count); exact.score() > 0) hum.hz = exact.refined(hz);
    }
    double low = hum.hz, high = hum.hz;
    for (const auto& segment : m_long.segments()) {
        const Comb then(segment, double(m_rate) / m_long.size());
        int count = 0;
        const double hz = then.best(hum.hz, 0.004, 0.01, &count);
        if (then.score() <= 0 || m_long.segments().size() < 2) continue;
        const double exact = then.refined(hz);
        low = std::min(low, exact), high = std::max(high, exact);
    }
    hum.drift = high - low;
    if (std::fabs(hum.hz / near - 1) > 0.006) return std::nullopt;  // a low note that the search only touched
    return hum;
}

}  // namespace rivlen
