// Reverberation from how words die away: in three octaves around 1.4 kHz, levels of 5 ms are searched for falls of 12
// dB or more that last 80 ms or longer and are straight (r^2 above 0.85), the way a room decays; voices alone fall
// faster. A line through a fall gives a decay time, one through its later half another, and how far the fall's peak
// stands over that one tells how strong the direct sound is. After the idea of Ratnam et al. 2003, "Blind estimation of
// reverberation time" (sound decays in the gaps are enough); the weights are a least-squares fit over 600 renderings of
// 24 voices with known decay times of 0.3 to 1.4 s and direct-to-reverberant ratios of -6 to 10 dB: the decay time is
// right within 0.22 s, the ratio within 3.9 dB (one standard deviation). A room is reported when even the fastest fifth
// of all falls takes longer than 0.37 s for 60 dB (of dry voices it takes 0.1 to 0.32 s), or when hardly a peak is
// followed by a fall at all (of dry voices a quarter to half are), and only where the pauses are 38 dB below the words:
// over a loud bed nothing can be told.
#include <algorithm>
#include <array>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/diagnosis/Detector.h"
#include "core/spectral/Biquad.h"

namespace rivlen {

namespace {

constexpr double kDecayStep = 0.005, kLeastFall = 12, kStraight = 0.85, kLong = 0.37, kUnknown = 1.0;
constexpr size_t kShortestFall = 16, kLongestFall = 120, kFewFalls = 4;  // steps; falls
constexpr double kDrowned = 0.08, kRange = 38;                           // of the peaks that a fall follows; dB
constexpr size_t kFewPeaks = 30, kManyPeaks = 60;

class ReverberationDetector : public Detector {
public:
    ReverberationDetector(int channels, int rate)
        : m_channels(channels), m_hop(std::max(1, int(std::lround(kDecayStep * rate)))) {
        const double q = std::numbers::sqrt2 / 2;
        for (double low : {500.0, 1000.0, 2000.0})
            if (2 * low < 0.45 * rate)
                m_bands.push_back({Biquad::highPass(low, q, rate), Biquad::lowPass(2 * low, q, rate), 0, {}});
    }

    void add(const AudioBuffer& block) override {
        for (int64_t i = 0; i < block.frames(); ++i) {
            double x = 0;
            for (int c = 0; c < m_channels; ++c) x += block.channel(c)[size_t(i)] / m_channels;
            for (auto& b : m_bands) {
                const double y = b.low.next(b.high.next(x));
                b.sum += y * y;
            }
            if (++m_count < m_hop) continue;
            for (auto& b : m_bands) b.levels.push_back(float(b.sum / m_hop)), b.sum = 0;
            m_count = 0;
        }
    }

    void finish(std::vector<Finding>& findings) override {
        std::vector<Fall> falls;
        for (const auto& b : m_bands) search(b.levels, falls);
        const double seconds = m_bands.empty() ? 0 : double(m_bands[0].levels.size()) * kDecayStep;
        if (seconds < 4 || m_peaks < kFewPeaks || m_range < kRange)
            return;  // with loud sound between the words nothing can be told
        const bool drowned =
            m_peaks >= kManyPeaks &&
            double(falls.size()) < kDrowned * double(m_peaks);  // hardly a word dies away before the next
        if (falls.size() < kFewFalls) {
            if (drowned) findings.push_back({Fault::Reverberation, 0, seconds, -1, kUnknown, 0.55, 70, 0, 0, {}});
            return;
        }
        const auto quantile = [&](auto member, double share) {
            std::vector<double> v;
            for (const auto& f : falls) v.push_back(f.*member);
            std::sort(v.begin(), v.end());
            const double at = share * double(v.size() - 1);
            const auto i = size_t(at);
            return v[i] + (at - double(i)) * (v[std::min(i + 1, v.size() - 1)] - v[i]);
        };
        const double fast = quantile(&Fall::decay, 0.2), middle = quantile(&Fall::decay, 0.5),
                     late = quantile(&Fall::late, 0.5);
        const double over = quantile(&Fall::over, 0.5), lateOver = quantile(&Fall::lateOver, 0.5);
        const double rt = -0.65 * fast + 0.12 * middle + 1.51 * late + 0.09;
        const double drr =
            std::clamp(-8.02 * fast - 7.02 * middle - 1.87 * over + 8.26 * late + 0.99 * lateOver + 4.97, -10.0, 15.0);
        if (fast < kLong && !drowned) return;
        findings.push_back({Fault::Reverberation,
                            0,
                            seconds,
                            -1,
                            std::max(rt, 0.4),
                            std::clamp(0.6 + (fast - kLong) * 1.2 + (drowned ? 0.15 : 0), 0.55, 0.95),
                            std::clamp(std::round((45 + 40 * (rt - 0.5)) / 5) * 5, 40.0, 90.0),
                            0,
                            drr,
                            {}});
    }

private:
    struct Band {
        Biquad high, low;
        double sum;
        std::vector<float> levels;
    };
    struct Fall {
        double decay, over, late,
            lateOver;  ///< seconds for 60 dB and dB over the line at the peak: of the whole fall, of its later half
    };

    void search(const std::vector<float>& power, std::vector<Fall>& falls) {
        std::vector<double> e(power.size());
        for (size_t i = 0; i < power.size(); ++i) {
            double sum = 0;
            for (size_t k = i < 2 ? 0 : i - 2; k <= i; ++k) sum += power[k];
            e[i] = powerDb(sum / 3 + 1e-12);
        }
        std::vector<double> sorted = e;
        std::sort(sorted.begin(), sorted.end());
        if (sorted.size() < 200) return;
        m_range = std::max(m_range, sorted[sorted.size() * 95 / 100] - sorted[sorted.size() * 3 / 100]);
        const double floor = sorted[sorted.size() * 3 / 100], top = sorted[sorted.size() * 95 / 100];
        for (size_t i = 0; i + 20 < e.size();) {
            const bool peak = e[i] > top - 20 && e[i] >= *std::max_element(e.begin() + long(i < 10 ? 0 : i - 10),
                                                                           e.begin() + long(i + 10));
            if (!peak) {
                ++i;
                continue;
            }
            ++m_peaks;
            size_t j = i;
            while (j + 1 < e.size() && e[j + 1] < e[j] + 1 && e[j + 1] > floor + 6 && j - i < kLongestFall) ++j;
            if (j - i >= kShortestFall && e[i] - e[j] > kLeastFall) {
                const auto [slope, start, r] = line(e, i + 2, j);
                const auto [lateSlope, lateStart, ignored] = line(e, (i + 2 + j) / 2, j);
                const double at = double(i) * kDecayStep;
                if (slope < -20 && r > kStraight) {
                    const double s = std::min(lateSlope, -1.0);
                    falls.push_back(
                        {-60 / slope, e[i] - (start + slope * at), -60 / s, e[i] - (lateStart + lateSlope * at)});
                }
            }
            i = j + 1;
        }
    }

    /// Slope (dB a second), value at second 0 and squared correlation of a straight line through steps from ... to.
    static std::array<double, 3> line(const std::vector<double>& e, size_t from, size_t to) {
        double n = 0, x = 0, y = 0, xx = 0, xy = 0, yy = 0;
        for (size_t i = from; i <= to; ++i) {
            const double t = double(i) * kDecayStep;
            ++n, x += t, y += e[i], xx += t * t, xy += t * e[i], yy += e[i] * e[i];
        }
        const double vx = xx - x * x / n, vy = yy - y * y / n, c = xy - x * y / n, slope = vx > 0 ? c / vx : 0;
        return {slope, y / n - slope * x / n, vx > 0 && vy > 0 ? c * c / vx / vy : 0};
    }

    int m_channels, m_hop, m_count = 0;
    std::vector<Band> m_bands;
    double m_range = 0;  ///< dB from pauses to loud words
    size_t m_peaks = 0;  ///< that a fall could follow
};

}  // namespace

std::unique_ptr<Detector> makeReverberationDetector(int channels, int rate) {
    return std::make_unique<ReverberationDetector>(channels, rate);
}

}  // namespace rivlen
