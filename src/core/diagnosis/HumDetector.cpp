// Hum: see HumSearch.h; a fault above -75 dBFS.
#include <algorithm>

#include "core/diagnosis/Detector.h"
#include "core/diagnosis/HumSearch.h"

namespace rivlen {

namespace {

constexpr double kLeastDb = -75;

class HumDetector : public Detector {
public:
    HumDetector(int channels, int rate) : m_rate(rate), m_search(channels, rate) {}
    void add(const AudioBuffer& block) override {
        m_frames += block.frames();
        m_search.add(block);
    }
    void finish(std::vector<Finding>& findings) override {
        const auto hum = m_search.finish();
        if (hum && hum->levelDb > kLeastDb)
            findings.push_back({Fault::Hum, 0, double(m_frames) / m_rate, -1, hum->levelDb,
                                std::min(1.0, 0.4 + 0.1 * double(hum->harmonics.size())), 100, hum->hz, hum->drift,
                                hum->harmonics});
    }

private:
    int m_rate;
    int64_t m_frames = 0;
    HumSearch m_search;
};

}  // namespace

std::unique_ptr<Detector> makeHumDetector(int channels, int rate) {
    return std::make_unique<HumDetector>(channels, rate);
}

}  // namespace rivlen
