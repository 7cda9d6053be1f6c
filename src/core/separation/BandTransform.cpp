#include "core/separation/BandTransform.h"

#include <algorithm>
#include <cmath>

#include "core/spectral/Fft.h"

namespace rivlen {

namespace {

/// Windows are computed alike everywhere, but not to the last bit.
constexpr float kSameWindow = 1e-5f;

std::vector<float> rootOfHann(int size) {
    std::vector<float> w = hannWindow(size);
    for (float& v : w) v = std::sqrt(v);
    return w;
}

bool isFast(int size) {
    for (const int prime : {2, 3, 5, 7})
        while (size % prime == 0) size /= prime;
    return size == 1;
}

}  // namespace

bool BandTransform::fits() const {
    if (size < 2 || size % 2 != 0 || hop < 1 || hop > size || stride < 1 || bands < 3) return false;
    const size_t n = size_t(bins());
    if (window.size() != size_t(size) || synthesis.size() != size_t(size) || bandOfBin.empty() ||
        bandOfBin.size() > n || lowerBand.size() != n || lowerShare.size() != n)
        return false;
    const auto within = [](const std::vector<int>& of, int below) {
        return std::all_of(of.begin(), of.end(), [below](int v) { return v >= 0 && v < below; });
    };
    return within(bandOfBin, bands) && std::is_sorted(bandOfBin.begin(), bandOfBin.end()) &&
           within(lowerBand, bands - 1);
}

int BandTransform::framesFor(int64_t samples) const {
    const int64_t frames = (samples + size) / hop + 2;
    return int((frames + stride - 1) / stride * stride);
}

bool BandTransform::stretches() const {
    if (2 * hop != size) return false;
    const std::vector<float> root = rootOfHann(size);
    const auto same = [&root](const std::vector<float>& w) {
        return std::equal(w.begin(), w.end(), root.begin(), root.end(),
                          [](float a, float b) { return std::abs(a - b) < kSameWindow; });
    };
    return same(window) && same(synthesis);
}

BandTransform BandTransform::stretched(int frame) const {
    BandTransform t = *this;
    t.size = frame;
    t.hop = frame / 2;
    // A recording that was really converted would have frames of so many samples less, and sums smaller by as much.
    const float longer = float(frame) / float(size);
    t.window = t.synthesis = rootOfHann(frame);
    for (float& w : t.window) w /= longer;
    for (float& w : t.synthesis) w *= longer;
    t.bandOfBin.resize(std::min(bandOfBin.size(), size_t(t.bins())));
    t.lowerBand.resize(size_t(t.bins()), bands - 2);
    t.lowerShare.resize(size_t(t.bins()), 0.0f);
    return t;
}

int fastFrame(double wanted) {
    const int below = std::max(2, int(wanted / 2) * 2);
    for (int away = 0;; away += 2) {
        const int lower = std::max(2, below - away), upper = below + 2 + away;
        const bool nearerIsLower = wanted - lower <= upper - wanted;
        for (const int size : {nearerIsLower ? lower : upper, nearerIsLower ? upper : lower})
            if (isFast(size)) return size;
    }
}

BandedSound::BandedSound(const BandTransform& transform, const AudioBuffer& sound)
    : m_transform(transform), m_sound(sound), m_frames(transform.framesFor(sound.frames())) {
    const size_t cells = size_t(m_frames) * size_t(transform.bands), channels = size_t(sound.channels());
    m_bins.resize(channels * size_t(m_frames) * size_t(transform.bins()));
    m_power.assign(2 * cells, 0.0f);
    m_cross.assign(2 * cells, 0.0f);
    Fft fft(transform.size);
    std::vector<float> piece(static_cast<size_t>(transform.size));
    for (int t = 0; t < m_frames; ++t) {
        // The first frame ends where the recording begins.
        const int64_t start = startOf(t);
        const int64_t first = std::clamp<int64_t>(-start, 0, transform.size),
                      last = std::clamp<int64_t>(sound.frames() - start, first, transform.size);
        for (int c = 0; c < int(channels); ++c) {
            std::fill(piece.begin(), piece.begin() + first, 0.0f);
            std::fill(piece.begin() + last, piece.end(), 0.0f);
            const auto a = sound.channel(0);
            if (channels == 1) {
                for (int64_t i = first; i < last; ++i)
                    piece[size_t(i)] = a[size_t(start + i)] * transform.window[size_t(i)];
            } else {
                const auto b = sound.channel(1);
                const float sign = c == 0 ? 1.0f : -1.0f;
                for (int64_t i = first; i < last; ++i)
                    piece[size_t(i)] =
                        (a[size_t(start + i)] + sign * b[size_t(start + i)]) * 0.5f * transform.window[size_t(i)];
            }
            fft.forward(piece, std::span(m_bins).subspan(binsAt(c, t), size_t(transform.bins())));
        }
        sumBands(t);
    }
}

size_t BandedSound::binsAt(int channel, int frame) const {
    return (size_t(channel) * size_t(m_frames) + size_t(frame)) * size_t(m_transform.bins());
}

BandedSound::Bins BandedSound::bins(int channel, int frame) const {
    return std::span(m_bins).subspan(binsAt(channel, frame), size_t(m_transform.bins()));
}

void BandedSound::sumBands(int frame) {
    const size_t bands = size_t(m_transform.bands), cells = size_t(m_frames) * bands, at = size_t(frame) * bands;
    const auto& band = m_transform.bandOfBin;
    const int channels = m_sound.channels();
    float kept[2][2] = {{1, 1}, {1, 1}};
    for (int c = 0; c < channels; ++c) {
        float* power = m_power.data() + size_t(c) * cells + at;
        const Bins x = bins(c, frame);
        for (size_t k = 0; k < band.size(); ++k) power[band[k]] += std::norm(x[k]);
        // An offset is no sound: the two bands that it reaches never count for more than the one above them.
        for (int b = 0; b < 2; ++b) {
            kept[c][b] = std::min(1.0f, power[2] / (power[b] + 1e-20f));
            power[b] *= kept[c][b];
        }
    }
    if (channels == 1) return;
    float *real = m_cross.data() + at, *imaginary = real + cells;
    const Bins middle = bins(0, frame), side = bins(1, frame);
    for (size_t k = 0; k < band.size(); ++k) {
        const std::complex<float> m = middle[k], s = side[k];
        real[band[k]] += m.real() * s.real() + m.imag() * s.imag();
        imaginary[band[k]] += m.imag() * s.real() - m.real() * s.imag();
    }
    for (int b = 0; b < 2; ++b) {
        const float both = std::sqrt(kept[0][b] * kept[1][b]);
        real[b] *= both;
        imaginary[b] *= both;
    }
}

std::vector<AudioBuffer> BandedSound::stems(std::span<const float> shares, int stems, int64_t first,
                                            int64_t count) const {
    const size_t cells = size_t(m_frames) * size_t(m_transform.bands);
    std::vector<AudioBuffer> out;
    AudioBuffer rest = m_sound.slice(first, count);
    for (size_t s = 0; s + 1 < size_t(stems); ++s) {
        AudioBuffer& stem = out.emplace_back(m_sound.channels(), count);
        for (int c = 0; c < stem.channels(); ++c)
            addStem(shares.subspan((s * 2 + size_t(c)) * cells, cells), c, first, stem.channel(c));
        if (stem.channels() == 2) {
            const auto left = stem.channel(0), right = stem.channel(1);
            for (size_t i = 0; i < left.size(); ++i) {
                const float middle = left[i], side = right[i];
                left[i] = middle + side;
                right[i] = middle - side;
            }
        }
        for (size_t i = 0; i < rest.samples().size(); ++i) rest.samples()[i] -= stem.samples()[i];
    }
    out.push_back(std::move(rest));
    return out;
}

void BandedSound::addStem(std::span<const float> shares, int channel, int64_t from, std::span<float> wave) const {
    const size_t n = size_t(m_transform.bins());
    Fft fft(m_transform.size);
    std::vector<std::complex<float>> shared(n);
    std::vector<float> piece(static_cast<size_t>(m_transform.size));
    for (int t = 0; t < m_frames; ++t) {
        const int64_t start = startOf(t) - from;
        const int64_t first = std::clamp<int64_t>(-start, 0, m_transform.size),
                      last = std::clamp<int64_t>(int64_t(wave.size()) - start, first, m_transform.size);
        if (first == last) continue;
        const float* share = shares.data() + size_t(t) * size_t(m_transform.bands);
        const Bins x = bins(channel, t);
        for (size_t k = 0; k < n; ++k) {
            const float *here = share + m_transform.lowerBand[k], lower = m_transform.lowerShare[k];
            shared[k] = x[k] * (lower * here[0] + (1 - lower) * here[1]);
        }
        fft.inverse(shared, piece);
        for (int64_t i = first; i < last; ++i)
            wave[size_t(start + i)] += piece[size_t(i)] * m_transform.synthesis[size_t(i)];
    }
}

}  // namespace rivlen
