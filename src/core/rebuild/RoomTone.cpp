#include "core/rebuild/RoomTone.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <map>
#include <numbers>

#include "core/audio/Decibel.h"
#include "core/spectral/Fft.h"

namespace rivlen {

namespace {

/// A good mixer of bits (splitmix64; Steele, Lea and Flood 2014): random numbers that can be asked for in any order.
uint64_t mixed(uint64_t x) {
    x += 0x9e3779b97f4a7c15u;
    x = (x ^ (x >> 30)) * 0xbf58476d1ce4e5b9u;
    x = (x ^ (x >> 27)) * 0x94d049bb133111ebu;
    return x ^ (x >> 31);
}

std::vector<double> levelsOf(SampleSource& source, double step, const Progress& progress, double from, double to) {
    const auto hop = std::max<int64_t>(1, int64_t(step * source.sampleRate()));
    std::vector<double> db;
    const int64_t piece = hop * 500;
    for (int64_t at = 0; at < source.frames(); at += piece) {
        progress.throwIfCancelled();
        progress.report(from + (to - from) * double(at) / double(source.frames()));
        const AudioBuffer audio = source.read(at, std::min(piece, source.frames() - at));
        for (int64_t i = 0; i < audio.frames(); i += hop) {
            double sum = 0;
            const int64_t n = std::min(hop, audio.frames() - i);
            for (int c = 0; c < audio.channels(); ++c)
                for (int64_t k = 0; k < n; ++k)
                    sum += double(audio.channel(c)[size_t(i + k)]) * audio.channel(c)[size_t(i + k)];
            db.push_back(powerDb(sum / double(n * audio.channels()) + 1e-20));
        }
    }
    return db;
}

}  // namespace

struct RoomToneSource::Impl {
    std::shared_ptr<const AudioBuffer> sample;
    int rate;
    uint64_t seed;
    int size, hop;
    Fft fft;
    std::vector<float> window;
    std::map<int64_t, AudioBuffer> grains;  ///< by number, the last few

    Impl(std::shared_ptr<const AudioBuffer> s, int r, unsigned seedNumber)
        : sample(std::move(s)),
          rate(r),
          seed(seedNumber),
          size(nextPowerOfTwo(std::min(0.34 * r, double(sample->frames()) / 2))),
          hop(size / 2),
          fft(size),
          window(hannWindow(size)) {
        // Grains are unlike each other, so powers add: the squares of these windows sum to 1.
        for (float& w : window) w = std::sqrt(w);
    }

    const AudioBuffer& grain(int64_t number) {
        const auto found = grains.find(number);
        if (found != grains.end()) return found->second;
        if (grains.size() > 8) grains.clear();
        AudioBuffer out(sample->channels(), size);
        const int64_t room = std::max<int64_t>(1, sample->frames() - size);
        const uint64_t own = mixed(seed * 0x51ed270b + uint64_t(number));
        const auto at = int64_t(own % uint64_t(room));
        std::vector<std::complex<float>> spectrum(static_cast<size_t>(fft.bins())), turns(spectrum.size());
        for (size_t k = 0; k < turns.size(); ++k)
            turns[k] =
                std::polar(1.0f, float(2 * std::numbers::pi * double(mixed(own + k + 1) >> 11) / double(1ull << 53)));
        turns.front() = turns.back() = 1;
        std::vector<float> block(static_cast<size_t>(size));
        // Scrambled phases spread a windowed grain over its whole length, so it is windowed with a Hann window (power
        // 3/8) and levelled again.
        const float level = std::sqrt(8.0f / 3.0f);
        for (int c = 0; c < out.channels(); ++c) {
            for (int i = 0; i < size; ++i) {
                const int64_t place = at + i;
                const float hann = window[size_t(i)] * window[size_t(i)];
                block[size_t(i)] = place < sample->frames() ? sample->channel(c)[size_t(place)] * hann : 0.0f;
            }
            fft.forward(block, spectrum);
            for (size_t k = 0; k < spectrum.size(); ++k) spectrum[k] *= turns[k];
            fft.inverse(spectrum, block);
            for (int i = 0; i < size; ++i) out.channel(c)[size_t(i)] = level * block[size_t(i)] * window[size_t(i)];
        }
        return grains.emplace(number, std::move(out)).first->second;
    }
};

RoomToneSource::RoomToneSource(std::shared_ptr<const AudioBuffer> sample, int rate, unsigned seed)
    : m(std::make_unique<Impl>(std::move(sample), rate, seed)) {}
RoomToneSource::~RoomToneSource() = default;
int RoomToneSource::channels() const { return m->sample->channels(); }
int RoomToneSource::sampleRate() const { return m->rate; }
int64_t RoomToneSource::frames() const { return int64_t(1) << 46; }

AudioBuffer RoomToneSource::read(int64_t first, int64_t count) {
    AudioBuffer out(channels(), count);
    const int64_t hop = m->hop;
    const auto below = [hop](int64_t t) { return t >= 0 ? t / hop : -((-t + hop - 1) / hop); };
    for (int64_t n = below(first) - 1; n * hop < first + count; ++n) {
        const AudioBuffer& g = m->grain(n);
        const int64_t from = std::max(first, n * hop), to = std::min(first + count, n * hop + m->size);
        for (int c = 0; c < out.channels(); ++c)
            for (int64_t i = from; i < to; ++i) out.channel(c)[size_t(i - first)] += g.channel(c)[size_t(i - n * hop)];
    }
    return out;
}

std::vector<std::pair<double, double>> findRoomTone(SampleSource& material, SampleSource* voice, double wanted,
                                                    const Progress& progress) {
    constexpr double step = 0.05;
    const auto levels = levelsOf(material, step, progress, 0, voice ? 0.5 : 1.0);
    std::vector<double> words;
    if (voice) words = levelsOf(*voice, step, progress, 0.5, 1.0);
    if (levels.empty()) return {};
    double limit = -60;
    if (!words.empty()) {
        auto sorted = words;
        std::sort(sorted.begin(), sorted.end());
        limit = std::max(limit, sorted[sorted.size() * 9 / 10] - 15);
    }
    const auto quiet = [&](size_t i) { return i >= words.size() || words[i] < limit; };
    std::vector<double> open;
    for (size_t i = 0; i < levels.size(); ++i)
        if (quiet(i) && levels[i] > -95) open.push_back(levels[i]);
    if (open.empty()) return {};
    std::sort(open.begin(), open.end());
    const double ceiling = open[open.size() / 5] + 4;
    std::vector<std::pair<double, double>> spans;
    for (size_t i = 0; i < levels.size();) {
        size_t end = i;
        while (end < levels.size() && quiet(end) && levels[end] <= ceiling && levels[end] > -95) ++end;
        if (double(end - i) * step >= 0.25) spans.emplace_back(double(i) * step, double(end) * step);
        i = std::max(end, i + 1);
    }
    std::sort(spans.begin(), spans.end(),
              [](const auto& a, const auto& b) { return a.second - a.first > b.second - b.first; });
    double total = 0;
    size_t kept = 0;
    while (kept < spans.size() && total < wanted) total += spans[kept].second - spans[kept].first, ++kept;
    spans.resize(kept);
    std::sort(spans.begin(), spans.end());
    return spans;
}

AudioBuffer gatherSpans(SampleSource& material, const std::vector<std::pair<double, double>>& spans) {
    AudioBuffer all(material.channels(), 0);
    const int rate = material.sampleRate();
    for (const auto& [from, to] : spans) {
        AudioBuffer next =
            material.read(std::llround(from * rate), std::max<int64_t>(1, std::llround((to - from) * rate)));
        const int64_t fade = std::min<int64_t>({rate / 50, all.frames(), next.frames()});
        AudioBuffer joined(all.channels(), all.frames() + next.frames() - fade);
        for (int c = 0; c < all.channels(); ++c) {
            std::copy(all.channel(c).begin(), all.channel(c).end(), joined.channel(c).begin());
            for (int64_t i = 0; i < next.frames(); ++i) {
                float& v = joined.channel(c)[size_t(all.frames() - fade + i)];
                if (i < fade) {
                    const double x = std::numbers::pi / 2 * (double(i) + 0.5) / double(fade);
                    v = float(std::cos(x) * v + std::sin(x) * next.channel(c)[size_t(i)]);
                } else {
                    v = next.channel(c)[size_t(i)];
                }
            }
        }
        all = std::move(joined);
    }
    return all;
}

SilenceFinder::SilenceFinder(int sampleRate) : m_hop(std::max(1, sampleRate / 100)), m_rate(sampleRate) {}

void SilenceFinder::add(const AudioBuffer& block) {
    for (int64_t i = 0; i < block.frames(); ++i) {
        for (int c = 0; c < block.channels(); ++c)
            m_sum += double(block.channel(c)[size_t(i)]) * block.channel(c)[size_t(i)] / block.channels();
        ++m_frames;
        if (++m_count < m_hop) continue;
        m_levels.push_back(float(powerDb(m_sum / double(m_hop) + 1e-20)));
        m_sum = 0;
        m_count = 0;
    }
}

std::vector<std::pair<double, double>> SilenceFinder::spans(double thresholdDb, double shortest) const {
    const double step = double(m_hop) / m_rate, end = double(m_frames) / m_rate;
    std::vector<std::pair<double, double>> found;
    for (size_t i = 0; i < m_levels.size();) {
        size_t last = i;
        while (last < m_levels.size() && double(m_levels[last]) < thresholdDb) ++last;
        if (double(last - i) * step >= shortest)
            found.emplace_back(double(i) * step, last == m_levels.size() ? end : double(last) * step);
        i = std::max(last, i + 1);
    }
    return found;
}

}  // namespace rivlen
