// From the levels of 10 ms (GustLevels.h), against the level of the voice:
// Plosives: moments at which what lies below 60 Hz exceeds the whole voice by 3 dB and is gone again within 0.3 s.
// Spoken words of clean recordings reach that in one of fifty recordings. Wind: seconds in which half of all moments
// lie above 12 dB below the voice, and whose level beats (rumble is steady: its levels over 0.2 s differ by some 1.5
// dB).
#include <algorithm>
#include <cmath>

#include "core/diagnosis/Detector.h"
#include "core/diagnosis/GustLevels.h"

namespace rivlen {

namespace {

constexpr double kPop = 3, kWind = -12, kBeat = 2.6;  // dB
constexpr size_t kSecond = 100, kLongestPop = 30;     // steps

class GustDetector : public Detector {
public:
    GustDetector(int channels, int rate) : m_levels(channels, rate) {}
    void add(const AudioBuffer& block) override { m_levels.add(block); }

    void finish(std::vector<Finding>& findings) override {
        const auto& low = m_levels.low();
        const double voice = m_levels.voiceDb();
        if (low.size() < kSecond || voice < -70) return;
        const std::vector<bool> windy = windySeconds(voice);
        for (size_t s = 0; s < windy.size();) {
            if (!windy[s]) {
                ++s;
                continue;
            }
            size_t e = s;
            while (e < windy.size() && (windy[e] || (e + 1 < windy.size() && windy[e + 1]))) ++e;
            double sum = 0;
            for (size_t i = s * kSecond; i < e * kSecond; ++i) sum += std::pow(10, low[i] / 10);
            const double db = 10 * std::log10(sum / double((e - s) * kSecond)), over = db - voice - kWind;
            findings.push_back({Fault::Wind,
                                double(s),
                                double(e),
                                -1,
                                db,
                                std::clamp(0.6 + over / 30, 0.6, 0.97),
                                std::clamp(std::round(over + 18), 12.0, 40.0),
                                0,
                                0,
                                {}});
            s = e;
        }
        pops(findings, windy, voice);
    }

private:
    std::vector<bool> windySeconds(double voice) const {
        const auto& low = m_levels.low();
        std::vector<bool> windy;
        for (size_t at = 0; at + kSecond <= low.size(); at += kSecond) {
            std::vector<float> second(low.begin() + long(at), low.begin() + long(at + kSecond));
            std::nth_element(second.begin(), second.begin() + kSecond / 2, second.end());
            windy.push_back(second[kSecond / 2] > voice + kWind);
        }
        // Whether it beats is asked over five seconds around.
        for (size_t s = 0; s < windy.size(); ++s) {
            if (!windy[s]) continue;
            const size_t from = (s < 2 ? 0 : s - 2) * kSecond, to = std::min((s + 3) * kSecond, low.size());
            double n = 0, sum = 0, squares = 0;
            for (size_t i = from; i + 20 <= to; i += 20) {
                double power = 0;
                for (size_t k = 0; k < 20; ++k) power += std::pow(10, low[i + k] / 10);
                const double db = 10 * std::log10(power / 20 + 1e-12);
                ++n, sum += db, squares += db * db;
            }
            if (std::sqrt(std::max(0.0, squares / n - sum * sum / n / n)) < kBeat) windy[s] = false;
        }
        return windy;
    }

    void pops(std::vector<Finding>& findings, const std::vector<bool>& windy, double voice) {
        const auto& low = m_levels.low();
        Finding all{Fault::Plosive, 0, 0, -1, 0, 0, 0, 0, 0, {}};
        double most = 0;
        for (size_t i = 0; i < low.size(); ++i) {
            if (low[i] < voice + kPop) continue;
            size_t peak = i, end = i;
            while (end < low.size() && low[end] > voice + kPop - 10) {
                if (low[end] > low[peak]) peak = end;
                ++end;
            }
            size_t start = i;
            while (start > 0 && low[start - 1] > voice + kPop - 10) --start;
            const bool wind = peak / kSecond < windy.size() && windy[peak / kSecond];
            if (end - start <= kLongestPop && !wind) {
                all.places.push_back(double(peak) * GustLevels::kStep);
                most = std::max(most, low[peak] - voice - kPop);
            }
            i = end;
        }
        if (all.places.empty()) return;
        all.from = std::max(0.0, all.places.front() - 0.1);
        all.to = all.places.back() + 0.2;
        all.severity = double(all.places.size());
        all.confidence = std::clamp(0.6 + most / 20, 0.6, 0.97);
        all.amount = std::clamp(std::round(most + 15), 12.0, 30.0);
        findings.push_back(std::move(all));
    }

    GustLevels m_levels;
};

}  // namespace

std::unique_ptr<Detector> makeGustDetector(int channels, int rate) {
    return std::make_unique<GustDetector>(channels, rate);
}

}  // namespace rivlen
