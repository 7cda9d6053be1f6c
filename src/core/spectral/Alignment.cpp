#include "core/spectral/Alignment.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>

#include "core/spectral/Fft.h"

namespace rivlen {

namespace {

constexpr int kBands = 8;
constexpr double kStep = 0.02, kWindow = 6, kHop = 2, kMean = 1.0;  // seconds
constexpr double kAlike = 0.55;                                     // correlation from which a window is found
constexpr double kNoMatch = -1;    // similarity that is neither a match (1 to 8) nor none (some -4)
constexpr double kShortest = 0.5;  // seconds of new sound between two stretches
constexpr double kSame = 0.06;     // seconds within which two shifts are one

/// Levels of the bands every kStep, without their means over kMean; all bands one after the other.
struct Movement {
    std::array<std::vector<float>, kBands> bands;
    size_t size() const { return bands[0].size(); }
};

Movement movementOf(SampleSource& source, const Progress& progress) {
    const int rate = source.sampleRate(), hop = std::max(1, int(std::lround(kStep * rate)));
    const int size = nextPowerOfTwo(2 * hop);
    Fft fft(size);
    const auto window = hannWindow(size);
    std::vector<float> frame(static_cast<size_t>(size));
    std::vector<std::complex<float>> spectrum(static_cast<size_t>(fft.bins()));
    Movement m;
    const auto edge = [&](int b) {
        return size_t(std::clamp(100 * std::pow(80.0, double(b) / kBands) * size / rate, 1.0, size / 2.0));
    };
    const int64_t count = source.frames() / hop, batch = 200;
    for (int64_t at = 0; at < count; at += batch) {
        progress.throwIfCancelled();
        progress.report(double(at) / double(count));
        const int64_t n = std::min(batch, count - at);
        const AudioBuffer x = source.read(at * hop, n * hop + size);
        for (int64_t i = 0; i < n; ++i) {
            for (int k = 0; k < size; ++k) {
                float sum = 0;
                for (int c = 0; c < x.channels(); ++c) sum += x.channel(c)[size_t(i * hop + k)];
                frame[size_t(k)] = sum * window[size_t(k)];
            }
            fft.forward(frame, spectrum);
            for (int b = 0; b < kBands; ++b) {
                double energy = 0;
                for (size_t k = edge(b); k < std::max(edge(b + 1), edge(b) + 1); ++k) energy += std::norm(spectrum[k]);
                m.bands[size_t(b)].push_back(float(10 * std::log10(energy / size + 1e-7)));
            }
        }
    }
    const auto half = int64_t(kMean / kStep / 2);
    for (auto& band : m.bands) {
        std::vector<double> sums(band.size() + 1, 0.0);
        for (size_t i = 0; i < band.size(); ++i) sums[i + 1] = sums[i] + band[i];
        std::vector<float> out(band.size());
        for (int64_t i = 0; i < int64_t(band.size()); ++i) {
            const int64_t a = std::max<int64_t>(0, i - half), b = std::min<int64_t>(int64_t(band.size()), i + half + 1);
            out[size_t(i)] =
                std::clamp(float(band[size_t(i)] - (sums[size_t(b)] - sums[size_t(a)]) / double(b - a)), -20.0f, 20.0f);
        }
        band = std::move(out);
    }
    return m;
}

/// Correlation of count steps of a from i on with b from j on.
double likeness(const Movement& a, int64_t i, const Movement& b, int64_t j, int64_t count) {
    double ab = 0, aa = 1e-9, bb = 1e-9;
    for (int64_t n = 0; n < count; ++n) {
        if (i + n < 0 || j + n < 0 || i + n >= int64_t(a.size()) || j + n >= int64_t(b.size())) continue;
        for (int k = 0; k < kBands; ++k) {
            const double x = a.bands[size_t(k)][size_t(i + n)], y = b.bands[size_t(k)][size_t(j + n)];
            ab += x * y, aa += x * x, bb += y * y;
        }
    }
    return ab / std::sqrt(aa * bb);
}

/// Searches windows of the newer version in the whole older one.
class Search {
public:
    explicit Search(const Movement& older)
        : m_older(older),
          m_fft(nextPowerOfTwo(double(older.size()) + 2 * kWindow / kStep)),
          m_energy(older.size() + 1, 0.0) {
        for (const auto& band : older.bands) {
            std::vector<float> x(static_cast<size_t>(m_fft.size()), 0.0f);
            std::copy(band.begin(), band.end(), x.begin());
            m_spectra.emplace_back(static_cast<size_t>(m_fft.bins()));
            m_fft.forward(x, m_spectra.back());
        }
        for (size_t i = 0; i < older.size(); ++i) {
            double sum = 0;
            for (const auto& band : older.bands) sum += double(band[i]) * band[i];
            m_energy[i + 1] = m_energy[i] + sum;
        }
    }
    struct Hit {
        int64_t at = 0;  ///< step in the older version
        double likeness = -1;
    };
    Hit best(const Movement& newer, int64_t first, int64_t count) {
        std::vector<float> x(static_cast<size_t>(m_fft.size()));
        std::vector<std::complex<float>> spectrum(static_cast<size_t>(m_fft.bins())),
            sum(static_cast<size_t>(m_fft.bins()));
        double energy = 1e-9;
        for (int b = 0; b < kBands; ++b) {
            std::fill(x.begin(), x.end(), 0.0f);
            for (int64_t n = 0; n < count; ++n)
                energy += double(x[size_t(n)] = newer.bands[size_t(b)][size_t(first + n)]) * x[size_t(n)];
            m_fft.forward(x, spectrum);
            for (size_t k = 0; k < sum.size(); ++k) sum[k] += m_spectra[size_t(b)][k] * std::conj(spectrum[k]);
        }
        m_fft.inverse(sum, x);
        Hit hit;
        for (int64_t lag = -count / 2; lag < int64_t(m_older.size()) - count / 2; ++lag) {
            const double there = m_energy[size_t(std::clamp<int64_t>(lag + count, 0, int64_t(m_older.size())))] -
                                 m_energy[size_t(std::max<int64_t>(lag, 0))];
            const double r =
                x[size_t((lag + m_fft.size()) % m_fft.size())] / std::sqrt(energy * std::max(there, energy * 0.05));
            if (r > hit.likeness) hit = {lag, r};
        }
        return hit;
    }

private:
    const Movement& m_older;
    Fft m_fft;
    std::vector<double> m_energy;
    std::vector<std::vector<std::complex<float>>> m_spectra;
};

/// A step where the shift to the left goes over into the one to the right, so that both fit best.
int64_t border(const Movement& newer, const Movement& older, int64_t from, int64_t to, const AlignedStretch& left,
               const AlignedStretch& right) {
    const auto similarity = [&](int64_t i, const AlignedStretch& s) {
        if (!s.found) return kNoMatch;
        const int64_t j = i + std::llround(s.shift / kStep);
        if (i < 0 || j < 0 || i >= int64_t(newer.size()) || j >= int64_t(older.size())) return -20.0;
        double distance = 0;
        for (int b = 0; b < kBands; ++b)
            distance += std::fabs(newer.bands[size_t(b)][size_t(i)] - older.bands[size_t(b)][size_t(j)]);
        return 8.0 - distance / kBands * 2;
    };
    double rest = 0;
    for (int64_t i = from; i < to; ++i) rest += similarity(i, right);
    double best = rest, sum = 0;
    int64_t where = from;
    for (int64_t i = from; i < to; ++i) {
        sum += similarity(i, left);
        rest -= similarity(i, right);
        if (sum + rest > best) best = sum + rest, where = i + 1;
    }
    return where;
}

/// The shift to the sample: where the waveforms of both agree best within two steps of it, in up to four seconds around
/// the middle.
double refined(SampleSource& older, SampleSource& newer, const AlignedStretch& s) {
    if (older.sampleRate() != newer.sampleRate()) return s.shift;
    const int rate = newer.sampleRate(), reach = int(2 * kStep * rate);
    const auto length = int64_t(std::min(4.0, s.to - s.from) * rate),
               first = int64_t((s.from + s.to) / 2 * rate) - length / 2;
    const int64_t there = first + std::llround(s.shift * rate) - reach;
    const AudioBuffer a = newer.read(first, length), b = older.read(there, length + 2 * reach);
    Fft fft(nextPowerOfTwo(double(length + 2 * reach)));
    std::vector<float> x(static_cast<size_t>(fft.size()), 0.0f), y = x;
    for (int64_t i = 0; i < length; ++i)
        for (int c = 0; c < a.channels(); ++c) x[size_t(i)] += a.channel(c)[size_t(i)];
    for (int64_t i = 0; i < length + 2 * reach; ++i)
        for (int c = 0; c < b.channels(); ++c) y[size_t(i)] += b.channel(c)[size_t(i)];
    std::vector<std::complex<float>> X(static_cast<size_t>(fft.bins())), Y = X;
    fft.forward(x, X);
    fft.forward(y, Y);
    for (size_t k = 0; k < X.size(); ++k) {  // whitened by half, so that low notes do not blunt the peak
        Y[k] *= std::conj(X[k]);
        Y[k] /= std::sqrt(std::abs(Y[k])) + 1e-12f;
    }
    fft.inverse(Y, y);
    const auto peak = std::max_element(y.begin(), y.begin() + 2 * reach + 1);
    return double(there + (peak - y.begin()) - first) / rate;
}

}  // namespace

std::vector<AlignedStretch> align(SampleSource& older, SampleSource& newer, const Progress& progress) {
    const Movement before = movementOf(older, Progress(progress, 0, 0.3)),
                   now = movementOf(newer, Progress(progress, 0.3, 0.6));
    const double length = double(newer.frames()) / newer.sampleRate();
    if (before.size() < 20 || now.size() < 20) return {{0, length, 0, false, 0}};
    Search search(before);
    const auto count = std::min<int64_t>(int64_t(kWindow / kStep), int64_t(now.size())), hop = int64_t(kHop / kStep);
    std::vector<AlignedStretch> all;
    for (int64_t at = 0; at + count <= int64_t(now.size()) || at == 0; at += hop) {
        progress.throwIfCancelled();
        progress.report(0.6 + 0.35 * double(at) / double(now.size()));
        // The neighbour's shift stands where it fits nearly as well: music repeats itself.
        auto hit = search.best(now, at, count);
        if (!all.empty() && all.back().found)
            if (const int64_t near = at + std::llround(all.back().shift / kStep);
                likeness(now, at, before, near, count) > hit.likeness - 0.03)
                hit = {near, likeness(now, at, before, near, count)};
        const bool found = hit.likeness >= kAlike;
        const AlignedStretch s{double(at) * kStep, double(at + count) * kStep, found ? double(hit.at - at) * kStep : 0,
                               found, hit.likeness};
        AlignedStretch* last = all.empty() ? nullptr : &all.back();
        if (last && last->found == s.found && std::fabs(last->shift - s.shift) < kSame) {
            last->to = s.to;
            last->likeness = std::max(last->likeness, s.likeness);
        } else all.push_back(s);
    }
    const auto settle = [&] {
        for (size_t i = 0; i + 1 < all.size(); ++i) {
            const int64_t from = std::llround(std::max(all[i].from, all[i + 1].from - kWindow) / kStep),
                          to = std::llround(std::min(all[i + 1].to, all[i].to + kWindow) / kStep);
            all[i].to = all[i + 1].from = double(border(now, before, from, to, all[i], all[i + 1])) * kStep;
        }
        std::erase_if(all, [](const AlignedStretch& s) { return s.to - s.from < kStep; });
    };
    settle();
    // Windows across a cut match nothing: once the borders are found hardly anything is left of them, and the
    // neighbours share it.
    if (std::erase_if(all, [&](const AlignedStretch& s) {
            return !s.found && &s != &all.front() && &s != &all.back() && s.to - s.from < kShortest;
        }) > 0)
        settle();
    all.front().from = 0;
    all.back().to = length;
    // What hangs over the ends of the older version was not there before.
    const double had = double(older.frames()) / older.sampleRate();
    std::vector<AlignedStretch> whole;
    for (auto& s : all) {
        if (s.found) s.shift = refined(older, newer, s);
        const double from = s.found ? std::max(s.from, -s.shift) : s.from,
                     to = s.found ? std::min(s.to, had - s.shift) : s.to;
        if (from - s.from > kStep) whole.push_back({s.from, from, 0, false, 0});
        whole.push_back(
            {from - s.from > kStep ? from : s.from, s.to - to > kStep ? to : s.to, s.shift, s.found, s.likeness});
        if (s.to - to > kStep) whole.push_back({to, s.to, 0, false, 0});
    }
    progress.report(1);
    return whole;
}

}  // namespace rivlen
