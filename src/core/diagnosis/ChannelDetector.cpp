// DC offset: the mean of each channel; a fault above 0.1 % of full scale (-60 dBFS) when it is steady: the means of
// ten-second stretches stay within a third of it. Polarity: the correlation of left and right in stretches of a second
// in which both play; a fault when three quarters of them, by energy, are below -0.7. A stereo width effect that works
// against mono has the same sign, and the same consequence. Dead channel: below -90 dBFS throughout while another is
// above -60.
#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/diagnosis/Detector.h"

namespace rivlen {

namespace {

constexpr double kLeastOffset = 0.001, kDead = 1e-9, kAlive = 1e-6, kAgainst = -0.7, kShareAgainst = 0.75;

class ChannelDetector : public Detector {
public:
    ChannelDetector(int channels, int rate)
        : m_rate(rate), m_means(size_t(channels)), m_energy(size_t(channels)), m_sum(size_t(channels)) {}

    void add(const AudioBuffer& block) override {
        std::vector<double> energy(m_energy.size());
        for (int c = 0; c < block.channels(); ++c) {
            double sum = 0;
            for (float v : block.channel(c)) sum += v, energy[size_t(c)] += double(v) * v;
            m_sum[size_t(c)] += sum;
            m_energy[size_t(c)] += energy[size_t(c)];
        }
        m_frames += block.frames();
        m_stretch += block.frames();
        if (m_stretch >= 10 * m_rate) endStretch();
        if (block.channels() != 2 || block.frames() < m_rate / 4) return;
        const double mean = (energy[0] + energy[1]) / 2 / double(block.frames());
        if (std::min(energy[0], energy[1]) < 0.01 * std::max(energy[0], energy[1]) || mean < 1e-7) return;
        double both = 0;
        for (int64_t i = 0; i < block.frames(); ++i)
            both += double(block.channel(0)[size_t(i)]) * block.channel(1)[size_t(i)];
        const double correlation = both / std::sqrt(energy[0] * energy[1]);
        m_weight += mean;
        if (correlation < kAgainst) {
            m_against += mean;
            m_correlation += mean * correlation;
        }
    }

    void finish(std::vector<Finding>& findings) override {
        if (m_frames == 0) return;
        if (m_stretch > m_rate || m_means[0].empty()) endStretch();
        const double to = double(m_frames) / m_rate;
        double loudest = 0;
        for (double e : m_energy) loudest = std::max(loudest, e / double(m_frames));
        for (size_t c = 0; c < m_energy.size(); ++c) {
            double mean = 0;
            for (double m : m_means[c]) mean += m / double(m_means[c].size());
            const bool steady = std::all_of(m_means[c].begin(), m_means[c].end(),
                                            [&](double m) { return std::fabs(m - mean) < std::fabs(mean) / 3; });
            if (std::fabs(mean) > kLeastOffset && steady)
                findings.push_back({Fault::DcOffset, 0, to, int(c), 100 * mean, 1, 100, 0, mean, {}});
            const double power = m_energy[c] / double(m_frames);
            if (power < kDead && loudest > kAlive)
                findings.push_back({Fault::DeadChannel, 0, to, int(c), toDb(std::sqrt(power)), 1, 0, 0, 0, {}});
        }
        if (m_weight > 0 && m_against > kShareAgainst * m_weight)
            findings.push_back(
                {Fault::Polarity, 0, to, -1, m_correlation / m_against, m_against / m_weight, 100, 0, 0, {}});
    }

private:
    void endStretch() {
        for (size_t c = 0; c < m_sum.size(); ++c) {
            m_means[c].push_back(m_sum[c] / double(std::max<int64_t>(1, m_stretch)));
            m_sum[c] = 0;
        }
        m_stretch = 0;
    }

    int m_rate;
    std::vector<std::vector<double>> m_means;  ///< by channel and stretch
    std::vector<double> m_energy, m_sum;
    int64_t m_frames = 0, m_stretch = 0;
    double m_weight = 0, m_against = 0, m_correlation = 0;
};

}  // namespace

std::unique_ptr<Detector> makeChannelDetector(int channels, int rate) {
    return std::make_unique<ChannelDetector>(channels, rate);
}

}  // namespace rivlen
