#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <numbers>

#include "core/audio/Resampler.h"
#include "core/measures/SeparationMeasures.h"
#include "core/spectral/Fft.h"

namespace rivlen {

namespace {

constexpr int kRate = 10000, kFrame = 256, kHop = 128, kFft = 512, kBands = 15, kSegment = 30;
constexpr double kRangeDb = 40;

using Bands = std::array<double, kBands>;

std::vector<float> prepared(const AudioBuffer& in, int sampleRate) {
    AudioBuffer mono(1, in.frames());
    for (int c = 0; c < in.channels(); ++c)
        for (size_t i = 0; i < size_t(in.frames()); ++i) mono.samples()[i] += in.channel(c)[i] / float(in.channels());
    Resampler resampler(sampleRate, kRate, 1);
    AudioBuffer out = resampler.process(mono);
    out.append(resampler.finish());
    return {out.samples().begin(), out.samples().end()};
}

const std::vector<float>& window() {
    static const std::vector<float> w = [] {
        std::vector<float> values(kFrame);
        for (int i = 0; i < kFrame; ++i)
            values[size_t(i)] = float(0.5 - 0.5 * std::cos(2 * std::numbers::pi * (i + 1) / (kFrame + 1)));
        return values;
    }();
    return w;
}

/// Both signals with only those frames in which the reference speaks, overlapped and added.
void dropPauses(std::vector<float>& reference, std::vector<float>& estimate) {
    std::vector<double> level;
    for (size_t at = 0; at + kFrame <= reference.size(); at += kHop) {
        double energy = 1e-24;
        for (size_t i = 0; i < kFrame; ++i) energy += std::pow(double(reference[at + i]) * window()[i], 2);
        level.push_back(10 * std::log10(energy));
    }
    const double loudest = level.empty() ? 0 : *std::max_element(level.begin(), level.end());
    std::vector<float> a(reference.size() + kFrame), b = a;
    size_t to = 0;
    for (size_t k = 0; k < level.size(); ++k) {
        if (level[k] <= loudest - kRangeDb) continue;
        for (size_t i = 0; i < kFrame; ++i) {
            a[to + i] += reference[k * kHop + i] * window()[i];
            b[to + i] += estimate[k * kHop + i] * window()[i];
        }
        to += kHop;
    }
    const size_t length = to == 0 ? 0 : to - kHop + kFrame;
    a.resize(length);
    b.resize(length);
    reference = std::move(a);
    estimate = std::move(b);
}

std::vector<Bands> thirdOctaves(const std::vector<float>& x) {
    static const auto edges = [] {
        std::array<std::pair<int, int>, kBands> e;
        const auto bin = [](double hz) { return int(std::lround(hz * kFft / kRate)); };
        for (int b = 0; b < kBands; ++b) {
            const double centre = 150 * std::pow(2.0, b / 3.0);
            e[size_t(b)] = {bin(centre * std::pow(2.0, -1 / 6.0)), bin(centre * std::pow(2.0, 1 / 6.0))};
        }
        return e;
    }();
    Fft fft(kFft);
    std::vector<float> block(kFft);
    std::vector<std::complex<float>> spectrum(size_t(fft.bins()));
    std::vector<Bands> out;
    for (size_t at = 0; at + kFrame <= x.size(); at += kHop) {
        std::fill(block.begin(), block.end(), 0.0f);
        for (size_t i = 0; i < kFrame; ++i) block[i] = x[at + i] * window()[i];
        fft.forward(block, spectrum);
        Bands bands{};
        for (int b = 0; b < kBands; ++b) {
            for (int k = edges[size_t(b)].first; k < edges[size_t(b)].second; ++k)
                bands[size_t(b)] += double(std::norm(spectrum[size_t(k)]));
            bands[size_t(b)] = std::sqrt(bands[size_t(b)]);
        }
        out.push_back(bands);
    }
    return out;
}

using Segment = std::array<std::array<double, kSegment>, kBands>;

template <size_t N>
void toUnit(std::array<double, N>& v) {
    double mean = 0, norm = 0;
    for (double x : v) mean += x / double(N);
    for (double& x : v) {
        x -= mean;
        norm += x * x;
    }
    for (double& x : v) x /= std::sqrt(norm) + 1e-12;
}

/// Every band over time, then every moment over bands: mean zero and length one.
Segment normalised(const std::vector<Bands>& frames, size_t first) {
    Segment s;
    for (size_t b = 0; b < kBands; ++b) {
        for (size_t t = 0; t < kSegment; ++t) s[b][t] = frames[first + t][b];
        toUnit(s[b]);
    }
    for (size_t t = 0; t < kSegment; ++t) {
        Bands column;
        for (size_t b = 0; b < kBands; ++b) column[b] = s[b][t];
        toUnit(column);
        for (size_t b = 0; b < kBands; ++b) s[b][t] = column[b];
    }
    return s;
}

}  // namespace

std::optional<double> estoi(const AudioBuffer& estimate, const AudioBuffer& reference, int sampleRate) {
    auto x = prepared(reference, sampleRate), y = prepared(estimate, sampleRate);
    y.resize(x.size());
    dropPauses(x, y);
    if (x.size() < size_t(kFrame + kSegment * kHop)) return std::nullopt;
    const auto a = thirdOctaves(x), b = thirdOctaves(y);
    double sum = 0;
    size_t count = 0;
    for (size_t first = 0; first + kSegment <= a.size(); ++first, ++count) {
        const Segment p = normalised(a, first), q = normalised(b, first);
        for (size_t k = 0; k < kBands; ++k)
            for (size_t t = 0; t < kSegment; ++t) sum += p[k][t] * q[k][t] / kSegment;
    }
    return sum / double(count);
}

}  // namespace rivlen
