// De-clip: frames of some 43 ms with clipped samples go through SparseDeclipper, Hann windows at a quarter hop; all
// others pass as they are. Where a channel is clipped, and at which level, the findings tell.
#include <algorithm>
#include <cmath>

#include "core/audio/AudioQueue.h"
#include "core/treatment/SparseDeclipper.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

namespace {

class Declip : public Treater {
public:
    Declip(double amount, const TreatmentFacts& facts)
        : m_amount(float(amount / 100)),
          m_channels(facts.channels),
          m_declipper(nextPowerOfTwo(0.03 * facts.sampleRate)),
          m_window(hannWindow(m_declipper.size())),
          m_waiting(facts.channels) {
        for (const auto& f : facts.findings)
            if (f.kind == Fault::Clipping && f.level > 0)
                m_spans.push_back({int64_t(f.from * facts.sampleRate) - 1,
                                   int64_t(std::ceil(f.to * facts.sampleRate)) + 1, f.channel,
                                   float(f.level * (1 - 4e-4))});
        // A frame before the beginning, so that windows overlap there as well.
        m_waiting.append(AudioBuffer(m_channels, m_declipper.size()));
        m_at = -m_declipper.size();
        m_sum = AudioBuffer(m_channels, m_declipper.size());
    }

    AudioBuffer process(const AudioBuffer& block) override {
        m_in += block.frames();
        m_waiting.append(block);
        return work();
    }
    AudioBuffer finish() override {
        m_waiting.append(AudioBuffer(m_channels, 2 * m_declipper.size()));
        AudioBuffer rest = work();
        return rest.slice(0, std::min(rest.frames(), m_in - m_out + rest.frames()));
    }

private:
    struct Span {
        int64_t from, to;
        int channel;
        float level;
    };

    AudioBuffer work() {
        const int n = m_declipper.size(), hop = n / 4;
        AudioBuffer ready(m_channels, 0);
        while (m_waiting.frames() >= n) {
            AudioBuffer frame = m_waiting.peek(0, n), plain = frame;
            for (int c = 0; c < m_channels; ++c) {
                auto x = frame.channel(c);
                const bool clipped = mark(x, c);
                for (int i = 0; i < n; ++i) x[size_t(i)] *= m_window[size_t(i)];
                if (clipped) m_declipper.rebuild(x, m_above);
                for (int i = 0; i < n; ++i)
                    m_sum.channel(c)[size_t(i)] += 0.5f * x[size_t(i)];  // Hann at a quarter hop sums to 2
            }
            AudioBuffer out = m_sum.slice(0, hop);
            for (int c = 0; c < m_channels; ++c)
                for (int i = 0; i < hop; ++i) {
                    float& v = out.channel(c)[size_t(i)];
                    const float was = plain.channel(c)[size_t(i)];
                    // Outside clipped spans nothing changes, not even by rounding.
                    v = inside(c, m_at + i) ? was + m_amount * (v - was) : was;
                }
            m_sum = m_sum.slice(hop, n);
            m_waiting.drop(hop);
            const int64_t from = std::clamp<int64_t>(-m_at, 0, hop);
            if (from < hop) ready.append(out.slice(from, hop - from));
            m_at += hop;
        }
        m_out += ready.frames();
        return ready;
    }

    bool inside(int c, int64_t at) const {
        return std::any_of(m_spans.begin(), m_spans.end(), [&](const Span& s) {
            return (s.channel < 0 || s.channel == c) && at >= s.from && at < s.to;
        });
    }

    bool mark(std::span<const float> x, int c) {
        m_above.assign(x.size(), 0);
        bool any = false;
        for (const auto& s : m_spans) {
            if ((s.channel >= 0 && s.channel != c) || s.to <= m_at || s.from >= m_at + int64_t(x.size())) continue;
            for (int64_t i = std::max<int64_t>(0, s.from - m_at); i < std::min<int64_t>(int64_t(x.size()), s.to - m_at);
                 ++i)
                if (std::fabs(x[size_t(i)]) >= s.level) m_above[size_t(i)] = x[size_t(i)] > 0 ? 1 : -1, any = true;
        }
        return any;
    }

    float m_amount;
    int m_channels;
    SparseDeclipper m_declipper;
    std::vector<float> m_window;
    std::vector<Span> m_spans;
    std::vector<signed char> m_above;
    AudioQueue m_waiting;
    AudioBuffer m_sum;  ///< of the frames that reach beyond what is done
    int64_t m_at = 0;   ///< place of the first waiting frame
    int64_t m_in = 0, m_out = 0;
};

}  // namespace

std::unique_ptr<Treater> makeDeclip(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Declip>(amount, facts);
}

}  // namespace rivlen
