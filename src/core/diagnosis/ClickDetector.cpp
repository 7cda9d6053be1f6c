// Clicks and crackle: ClickSearch on every channel; those within two seconds of each other are one finding.
#include <algorithm>

#include "core/diagnosis/ClickSearch.h"
#include "core/diagnosis/Detector.h"

namespace rivlen {

namespace {

constexpr double kClicksApart = 2.0;  // seconds
constexpr double kSure = 12;          // times as large as what is beside it

class ClickDetector : public Detector {
public:
    ClickDetector(int channels, int rate) : m_rate(rate), m_searches(size_t(channels), ClickSearch(rate)) {}

    void add(const AudioBuffer& block) override {
        for (int c = 0; c < block.channels(); ++c) m_searches[size_t(c)].add(block.channel(c));
    }

    void finish(std::vector<Finding>& findings) override {
        struct Place {
            int64_t at;
            int channel;
            double sure;
        };
        std::vector<Place> all;
        for (size_t c = 0; c < m_searches.size(); ++c) {
            m_searches[c].finish();
            for (const Click& k : m_searches[c].found())
                all.push_back({k.at, int(c), std::min(1.0, double(k.error) / (double(k.beside) + 1e-9) / kSure)});
        }
        std::sort(all.begin(), all.end(), [](const Place& a, const Place& b) { return a.at < b.at; });
        for (size_t i = 0; i < all.size();) {
            Finding f{Fault::Click, double(all[i].at) / m_rate, 0, all[i].channel, 0, 0, 50, 0, 0, {}};
            int64_t before = -1;
            size_t j = i;
            for (; j < all.size() && (j == i || double(all[j].at - all[j - 1].at) < kClicksApart * m_rate); ++j) {
                if (all[j].channel != f.channel) f.channel = -1;
                f.confidence = std::max(f.confidence, all[j].sure);
                if (before >= 0 && all[j].at - before < m_rate / 500) continue;  // the same one on another channel
                before = all[j].at;
                f.places.push_back(double(all[j].at) / m_rate);
            }
            if (m_searches.size() == 1) f.channel = -1;
            f.to = f.places.back();
            f.severity = double(f.places.size());
            findings.push_back(std::move(f));
            i = j;
        }
    }

private:
    int m_rate;
    std::vector<ClickSearch> m_searches;
};

}  // namespace

std::unique_ptr<Detector> makeClickDetector(int channels, int rate) {
    return std::make_unique<ClickDetector>(channels, rate);
}

}  // namespace rivlen
