#include "core/separation/Remainder.h"

#include <cmath>
#include <future>

namespace rivlen {

namespace {

/// Frames from which on channels are done side by side: a thread costs more than it saves below.
constexpr int64_t kSideBySide = 1 << 16;

}  // namespace

Remainder::Remainder(int stems, int channels, int sampleRate)
    : m_block(blockAt(sampleRate)), m_smoothing(1.0 - std::exp(-double(m_block) / (0.02 * sampleRate))) {
    Channel channel;
    channel.states.resize(size_t(stems));
    channel.rest.resize(size_t(m_block));
    channel.others.resize(size_t(m_block));
    m_channels.assign(size_t(channels), channel);
}

void Remainder::newWeights(std::vector<State>& states) const {
    double total = 1e-14;
    for (State& state : states) {
        state.energy += m_smoothing * (state.block / m_block - state.energy);
        state.block = 0;
        total += state.energy;
    }
    for (State& state : states) {
        state.weight = state.target;
        state.target = state.energy / total;
    }
}

/// The energy of the third difference, after three samples that came before.
double Remainder::Treble::energyOf(const float* x, int n) {
    // Neighbours are close where the treble is low: in this order their differences lose nothing in float.
    const auto third = [](float now, float a, float b, float c) { return double((now - c) - 3 * (a - b)); };
    double sums[4] = {0, 0, 0, 0};  // that no sum waits for the one before it
    int i = 0;
    for (; i < std::min(n, 3); ++i) {
        const double d = third(x[i], before[0], before[1], before[2]);
        sums[0] += d * d;
        before = {x[i], before[0], before[1]};
    }
    for (; i + 4 <= n; i += 4)
        for (int k = 0; k < 4; ++k) {
            const float* at = x + i + k;
            const double d = third(at[0], at[-1], at[-2], at[-3]);
            sums[k] += d * d;
        }
    for (; i < n; ++i) {
        const double d = third(x[i], x[i - 1], x[i - 2], x[i - 3]);
        sums[0] += d * d;
    }
    if (n > 3) before = {x[n - 1], x[n - 2], x[n - 3]};
    return sums[0] + sums[1] + sums[2] + sums[3];
}

void Remainder::share(Channel& channel, const float* source, const std::vector<float*>& stems, int64_t frames) const {
    double *rest = channel.rest.data(), *others = channel.others.data();
    for (int64_t from = 0; from < frames;) {
        // Blocks lie on a fixed grid of the whole stream: the answer does not depend on how it is fed.
        const int n = int(std::min<int64_t>(m_block - channel.at, frames - from));
        const float* x = source + from;
        std::fill_n(rest, n, 0.0);
        for (size_t s = 0; s < stems.size(); ++s) {
            const float* v = stems[s] + from;
            channel.states[s].block += channel.states[s].treble.energyOf(v, n);
            for (int i = 0; i < n; ++i) rest[i] += double(v[i]);
        }
        for (int i = 0; i < n; ++i) rest[i] = double(x[i]) - rest[i];
        std::fill_n(others, n, 0.0);
        for (size_t s = 0; s + 1 < stems.size(); ++s) {
            float* v = stems[s] + from;
            const State& state = channel.states[s];
            const double step = (state.target - state.weight) / m_block, start = state.weight + step * channel.at;
            for (int i = 0; i < n; ++i) {
                v[i] = float(double(v[i]) + rest[i] * (start + step * i));
                others[i] += double(v[i]);
            }
        }
        float* last = stems.back() + from;
        for (int i = 0; i < n; ++i) last[i] = float(double(x[i]) - others[i]);
        from += n;
        channel.at += n;
        if (channel.at == m_block) {
            channel.at = 0;
            newWeights(channel.states);
        }
    }
}

void Remainder::share(const AudioBuffer& source, std::vector<AudioBuffer>& stems) {
    const auto policy = source.frames() >= kSideBySide ? std::launch::async : std::launch::deferred;
    std::vector<std::future<void>> running;
    for (int c = 0; c < source.channels(); ++c)
        running.push_back(std::async(policy, [this, c, &source, &stems] {
            std::vector<float*> rows;
            for (AudioBuffer& stem : stems) rows.push_back(stem.channel(c).data());
            share(m_channels[size_t(c)], source.channel(c).data(), rows, source.frames());
        }));
    for (auto& channel : running) channel.get();
}

}  // namespace rivlen
