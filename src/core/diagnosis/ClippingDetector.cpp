// Clipping: flat tops (FlatTops.h); those of a channel within two seconds of each other are one finding.
#include <algorithm>
#include <cmath>

#include "core/diagnosis/Detector.h"
#include "core/diagnosis/FlatTops.h"

namespace rivlen {

namespace {

constexpr double kRunsApart = 2.0;  // seconds between findings

class ClippingDetector : public Detector {
public:
    ClippingDetector(int channels, int rate) : m_rate(rate), m_found(size_t(channels)) {}

    void add(const AudioBuffer& block) override {
        for (int c = 0; c < block.channels(); ++c)
            for (float sign : {1.0f, -1.0f}) look(block.channel(c), sign, m_found[size_t(c)]);
        m_at += block.frames();
    }

    void finish(std::vector<Finding>& findings) override {
        for (size_t c = 0; c < m_found.size(); ++c) {
            auto& runs = m_found[c];
            std::sort(runs.begin(), runs.end(), [](const Run& a, const Run& b) { return a.at < b.at; });
            for (size_t i = 0; i < runs.size();) {
                size_t j = i;
                int64_t samples = 0;
                float level = 1e9f;
                for (; j < runs.size() && (j == i || double(runs[j].at - runs[j - 1].at) < kRunsApart * m_rate); ++j)
                    samples += runs[j].length, level = std::min(level, runs[j].level);
                const double from = double(runs[i].at) / m_rate,
                             to = double(runs[j - 1].at + runs[j - 1].length) / m_rate;
                findings.push_back({Fault::Clipping,
                                    from,
                                    to,
                                    m_found.size() > 1 ? int(c) : -1,
                                    double(samples),
                                    std::min(1.0, 0.6 + 0.05 * double(j - i)),
                                    100,
                                    0,
                                    level,
                                    {}});
                i = j;
            }
        }
    }

private:
    struct Run {
        int64_t at;
        int length;
        float level;
    };
    void look(std::span<const float> x, float sign, std::vector<Run>& found) {
        const FlatTops tops = flatTops(x, sign);
        for (const auto& [at, length] : tops.runs) found.push_back({m_at + at, length, tops.level});
    }

    int m_rate;
    int64_t m_at = 0;
    std::vector<std::vector<Run>> m_found;  ///< by channel
};

}  // namespace

std::unique_ptr<Detector> makeClippingDetector(int channels, int rate) {
    return std::make_unique<ClippingDetector>(channels, rate);
}

}  // namespace rivlen
