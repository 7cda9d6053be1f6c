// De-click: clicks are found by ClickSearch, at a finer ratio for a larger amount (10 at 0 %, 5 at 50 %, 2.5 at 100 %).
// Around each one, the samples whose prediction error is beyond a tenth of the largest and six times the median, seen
// from both sides, are unknown, and one to either side; they are replaced by least squares autoregressive interpolation
// from some 20 ms on both sides (Janssen, Veldhuis and Vries 1986; Godsill and Rayner 1998).
#include <algorithm>
#include <cmath>

#include "core/audio/AudioQueue.h"
#include "core/diagnosis/ClickSearch.h"
#include "core/spectral/Autoregression.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

namespace {

constexpr int kOrder = 64, kContext = 1024, kLongest = 32, kWide = 12;  // samples
constexpr float kOutlier = 6;                                           // times the median
constexpr int kRounds = 3;

class Declick : public Treater {
public:
    Declick(double amount, const TreatmentFacts& facts)
        : m_channels(facts.channels),
          m_late(facts.sampleRate / 8 + 2 * kContext),
          m_searches(size_t(facts.channels), ClickSearch(facts.sampleRate, float(5 * std::pow(2, (50 - amount) / 50)))),
          m_waiting(facts.channels) {}

    AudioBuffer process(const AudioBuffer& block) override {
        m_waiting.append(block);
        for (int c = 0; c < m_channels; ++c) m_searches[size_t(c)].add(block.channel(c));
        return give(std::max<int64_t>(0, m_waiting.frames() - m_late - kContext));
    }
    AudioBuffer finish() override {
        for (auto& s : m_searches) s.finish();
        return give(m_waiting.frames());
    }

private:
    /// Treating what is known and hands out count frames.
    AudioBuffer give(int64_t count) {
        if (count <= 0) return AudioBuffer(m_channels, 0);
        const bool last = count == m_waiting.frames();
        AudioBuffer all = m_waiting.take(m_waiting.frames());
        for (int c = 0; c < m_channels; ++c) {
            for (const Click& click : m_searches[size_t(c)].found())
                if (const int64_t at = click.at - m_first; at >= 0 && (last || at < all.frames() - kContext))
                    fillIn(all.channel(c), at);
            m_searches[size_t(c)].forget();
        }
        AudioBuffer out = all.slice(0, count);
        // What was handed out stays as context for what follows.
        m_waiting.append(all, count, all.frames() - count);
        m_first += count;
        return out;
    }

    /// How far each sample is from what both its past and its future foretell. Errors run on after a click as long as a
    /// predictor remembers it, and from the other side before it: what stands out both ways is the click itself.
    static std::vector<float> surprise(std::span<const float> x, const std::vector<double>& a) {
        std::vector<float> error(x.size()), turned(x.rbegin(), x.rend()), back(x.size());
        predictionError(x, a, error);
        predictionError(turned, a, back);
        for (size_t i = 0; i < error.size(); ++i)
            error[i] = std::min(std::fabs(error[i]), std::fabs(back[error.size() - 1 - i]));
        return error;
    }

    static void fillIn(std::span<float> x, int64_t at) {
        const int64_t from = std::max<int64_t>(0, at - kContext),
                      to = std::min<int64_t>(int64_t(x.size()), at + kContext);
        if (to - from < 4 * kOrder) return;
        const auto around = x.subspan(size_t(from), size_t(to - from));
        const int n = int(around.size()), here = int(at - from), low = std::max(kOrder, here - kLongest),
                  high = std::min(n - kOrder, here + kLongest);
        if (low >= high) return;
        // A click spoils the prediction itself: it is made without all that it may have touched.
        std::vector<float> clean(around.begin(), around.end());
        std::vector<int> unknown;
        for (int i = std::max(0, here - kWide); i <= std::min(n - 1, here + kWide); ++i) unknown.push_back(i);
        interpolate(clean, unknown, autoregression(clean, kOrder));
        const auto a = autoregression(clean, kOrder);
        std::vector<float> odd = surprise(around, a), sizes(odd.begin() + kOrder, odd.end() - kOrder);
        std::nth_element(sizes.begin(), sizes.begin() + long(sizes.size() / 2), sizes.end());
        const auto most = std::max_element(odd.begin() + low, odd.begin() + high);
        const float limit = std::max(*most / 10, kOutlier * sizes[sizes.size() / 2]);
        int first = int(most - odd.begin()), end = first + 1;
        // What still stands out after a repair belongs to the click as well.
        for (int round = 0; round < kRounds; ++round) {
            const int before = end - first;
            for (int i = low; i < high; ++i)
                if (odd[size_t(i)] > limit) first = std::min(first, i), end = std::max(end, i + 1);
            if (round > 0 && end - first == before) break;
            unknown.clear();
            for (int i = std::max(0, first - 1); i < std::min(n, end + 1); ++i) unknown.push_back(i);
            clean.assign(around.begin(), around.end());
            interpolate(clean, unknown, a);
            odd = surprise(clean, a);
        }
        // A repair that is louder than what it is put into is none.
        float known = 0, made = 0;
        for (float v : around) known = std::max(known, std::fabs(v));
        for (int i : unknown) made = std::max(made, std::fabs(clean[size_t(i)]));
        if (made > known) return;
        for (int i : unknown) around[size_t(i)] = clean[size_t(i)];
    }

    int m_channels;
    int64_t m_late;
    std::vector<ClickSearch> m_searches;
    AudioQueue m_waiting;
    int64_t m_first = 0;  ///< place of the first waiting frame
};

}  // namespace

std::unique_ptr<Treater> makeDeclick(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Declick>(amount, facts);
}

}  // namespace rivlen
