#include "core/separation/Remainder.h"

#include <cmath>

namespace rivlen {

Remainder::Remainder(int stems, int channels, int sampleRate)
    : m_stems(size_t(stems)),
      m_block(blockAt(sampleRate)),
      m_states(size_t(stems) * size_t(channels)),
      m_smoothing(1.0 - std::exp(-double(m_block) / (0.02 * sampleRate))) {}

void Remainder::newWeights(State* first, size_t stride) {
    double total = 1e-14;
    for (size_t s = 0; s < m_stems; ++s) {
        State& state = first[s * stride];
        state.energy += m_smoothing * (state.block / m_block - state.energy);
        state.block = 0;
        total += state.energy;
    }
    for (size_t s = 0; s < m_stems; ++s) {
        State& state = first[s * stride];
        state.weight = state.target;
        state.target = state.energy / total;
    }
}

/// The energy of the third difference, after three samples that came before.
double Remainder::Treble::energyOf(const float* x, size_t n) {
    // Where three samples came before in the same block no sum waits for the one before it.
    double sums[4] = {0, 0, 0, 0};
    const auto third = [](double now, double a, double b, double c) { return now - 3 * a + 3 * b - c; };
    size_t i = 0;
    for (; i < std::min<size_t>(n, 3); ++i) {
        const double d = third(x[i], before[0], before[1], before[2]);
        sums[0] += d * d;
        before = {double(x[i]), before[0], before[1]};
    }
    for (; i + 4 <= n; i += 4)
        for (size_t k = 0; k < 4; ++k) {
            const float* at = x + i + k;
            const double d = third(at[0], at[-1], at[-2], at[-3]);
            sums[k] += d * d;
        }
    for (; i < n; ++i) {
        const double d = third(x[i], x[i - 1], x[i - 2], x[i - 3]);
        sums[0] += d * d;
    }
    if (n > 3) before = {double(x[n - 1]), double(x[n - 2]), double(x[n - 3])};
    return sums[0] + sums[1] + sums[2] + sums[3];
}

void Remainder::share(const AudioBuffer& source, std::vector<AudioBuffer>& stems) {
    const size_t channels = size_t(source.channels());
    const int64_t frames = source.frames();
    m_rest.resize(size_t(m_block));
    m_others.resize(size_t(m_block));
    for (int64_t from = 0; from < frames;) {
        // Blocks lie on a fixed grid of the whole stream: the answer does not depend on how it is fed.
        const size_t n = size_t(std::min<int64_t>(m_block - m_at, frames - from));
        for (size_t c = 0; c < channels; ++c) {
            const float* x = source.channel(int(c)).data() + from;
            std::fill_n(m_rest.begin(), n, 0.0);
            for (size_t s = 0; s < m_stems; ++s) {
                const float* v = stems[s].channel(int(c)).data() + from;
                State& state = m_states[s * channels + c];
                state.block += state.treble.energyOf(v, n);
                for (size_t i = 0; i < n; ++i) m_rest[i] += double(v[i]);
            }
            for (size_t i = 0; i < n; ++i) m_rest[i] = double(x[i]) - m_rest[i];
            std::fill_n(m_others.begin(), n, 0.0);
            for (size_t s = 0; s + 1 < m_stems; ++s) {
                float* v = stems[s].channel(int(c)).data() + from;
                const State& state = m_states[s * channels + c];
                const double step = (state.target - state.weight) / m_block, start = state.weight + step * m_at;
                for (size_t i = 0; i < n; ++i) {
                    v[i] = float(double(v[i]) + m_rest[i] * (start + step * double(i)));
                    m_others[i] += double(v[i]);
                }
            }
            float* last = stems[m_stems - 1].channel(int(c)).data() + from;
            for (size_t i = 0; i < n; ++i) last[i] = float(double(x[i]) - m_others[i]);
        }
        from += int64_t(n);
        m_at += int(n);
        if (m_at == m_block) {
            m_at = 0;
            for (size_t c = 0; c < channels; ++c) newWeights(&m_states[c], channels);
        }
    }
}

}  // namespace rivlen
