#include "core/rebuild/Limiter.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

constexpr int kHalfTaps = 12, kTaps = 2 * kHalfTaps, kPhases = 3;
constexpr double kMargin = 0.996;    // another meter's filter may see 0.03 dB more than ours
constexpr int64_t kUnity = 1 << 30;  // gains are averaged as whole numbers: nothing drifts, and 1 stays 1

constexpr int kRows = 8;  // six phases and two that stay empty, side by side so that they are computed together

/// Tap by tap: between two samples, at a quarter, half and three quarters: sinc with a Kaiser window (beta 7); and once
/// more with a Hann window of 48 quarters, as meters have it that follow the standard's annex with short filters: near
/// half the rate short and long ones differ.
const std::array<std::array<float, kRows>, kTaps>& interpolators() {
    static const auto table = [] {
        std::array<std::array<float, kRows>, kTaps> t{};
        const auto bessel = [](double x) {
            double sum = 1, term = 1;
            for (int k = 1; k < 30; ++k) sum += term *= x * x / (4.0 * k * k);
            return sum;
        };
        for (int p = 0; p < kPhases; ++p)
            for (int k = 0; k < kTaps; ++k) {
                const double at = k - (kHalfTaps - 1) - (p + 1) / 4.0, w = at / kHalfTaps,
                             sinc = std::sin(std::numbers::pi * at) / (std::numbers::pi * at);
                t[size_t(k)][size_t(p)] = float(sinc * bessel(7 * std::sqrt(std::max(0.0, 1 - w * w))) / bessel(7));
                t[size_t(k)][size_t(p + kPhases)] =
                    std::fabs(at) < 6 ? float(sinc * (0.5 + 0.5 * std::cos(std::numbers::pi * at / 6))) : 0.0f;
            }
        return t;
    }();
    return table;
}

/// The most that interpolation can make of samples of magnitude 1.
float largestGrowth() {
    float most = 1;
    for (size_t r = 0; r < kRows; ++r) {
        float sum = 0;
        for (const auto& tap : interpolators()) sum += std::fabs(tap[r]);
        most = std::max(most, sum);
    }
    return most;
}

}  // namespace

Limiter::Stage::Stage(int channelCount, int windowFrames)
    : channels(channelCount),
      window(windowFrames),
      ring(size_t(channelCount), std::vector<float>(size_t(2 * (kTaps + windowFrames)), 0.0f)),
      averaged(size_t(windowFrames), kUnity),
      sum(kUnity * windowFrames) {}

int64_t Limiter::Stage::latency() const { return kHalfTaps + window - 1; }

double Limiter::Stage::asked(double ceiling) {
    static const float growth = largestGrowth();
    const size_t size = ring[0].size() / 2;  // the newest sample is at at + size
    float now = 0;
    for (const auto& row : ring) now = std::max(now, std::fabs(row[at]));
    if (double(now) * growth > ceiling) quiet = 0;  // any of the last samples may be part of a peak
    else ++quiet;
    if (quiet > kTaps) return 1;
    static const auto& taps = interpolators();
    float peak = 0;
    for (const auto& row : ring) {
        const float* x = row.data() + at + size - (kTaps - 1);
        peak = std::max(peak, std::fabs(x[kHalfTaps - 1]));
        alignas(32) float y[kRows] = {};
        for (size_t k = 0; k < kTaps; ++k)
            for (size_t r = 0; r < kRows; ++r) y[r] += taps[k][r] * x[k];
        for (float v : y) peak = std::max(peak, std::fabs(v));
    }
    return peak > ceiling ? ceiling / peak : 1.0;
}

void Limiter::Stage::next(const float* in, float* out, double ceiling, double release, double& least) {
    const size_t size = ring[0].size() / 2;
    for (int c = 0; c < channels; ++c) ring[size_t(c)][at] = ring[size_t(c)][at + size] = in[c];
    const size_t old = at + size - size_t(latency());
    const double mine = asked(ceiling), wanted = std::min(mine, before);  // a peak between two samples concerns both
    before = mine;
    if (wanted >= 1 && held >= 1 && sum == kUnity * window && lowest.size() == 1 &&
        lowest.front().second >= 1) {  // nothing near, nothing wearing off: a pure delay
        lowest.front().first = time;
        for (int c = 0; c < channels; ++c) out[c] = ring[size_t(c)][old];
        return step();
    }
    while (!lowest.empty() && lowest.back().second >= wanted) lowest.pop_back();
    lowest.emplace_back(time, wanted);
    if (lowest.front().first <= time - window) lowest.pop_front();
    const double low = lowest.front().second;
    held = low < held ? low : std::min(low, held + (1.0 - held) * release + 1e-7);
    sum -= averaged[slot];
    averaged[slot] = int64_t(held * double(kUnity));
    sum += averaged[slot];
    const double gain = double(sum) / double(kUnity * window);
    least = std::min(least, gain);
    for (int c = 0; c < channels; ++c) out[c] = float(gain * ring[size_t(c)][old]);
    step();
}

void Limiter::Stage::step() {
    ++time;
    if (++at == ring[0].size() / 2) at = 0;
    if (++slot == size_t(window)) slot = 0;
}

Limiter::Limiter(int channels, int rate)
    : m_channels(channels),
      m_rate(rate),
      m_first(channels, std::max(8, int(0.0015 * rate))),
      m_second(channels, std::max(6, int(0.0006 * rate))) {}

int64_t Limiter::latency() const { return m_first.latency() + m_second.latency(); }

void Limiter::set(const ChainSettings& chain) {
    m_ceiling = fromDb(chain.ceiling) * kMargin;
    m_releaseStep = 1 - std::exp(-1000.0 / (chain.limiterRelease * m_rate));
}

void Limiter::process(AudioBuffer& audio) {
    double least = 1;
    std::vector<float> in(static_cast<size_t>(m_channels)), between(in), out(in);
    const double ceiling = m_on ? m_ceiling : 1e9;
    for (int64_t i = 0; i < audio.frames(); ++i) {
        for (int c = 0; c < m_channels; ++c) in[size_t(c)] = audio.channel(c)[size_t(i)];
        m_first.next(in.data(), between.data(), ceiling, m_releaseStep, least);
        double second = 1;
        m_second.next(between.data(), out.data(), ceiling, m_releaseStep, second);
        least = std::min(least, second);
        for (int c = 0; c < m_channels; ++c) audio.channel(c)[size_t(i)] = out[size_t(c)];
    }
    m_least = toDb(least);
}

}  // namespace rivlen
