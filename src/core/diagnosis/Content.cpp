#include "core/diagnosis/Content.h"

#include <algorithm>
#include <cmath>

#include <numbers>

#include "core/audio/Decibel.h"
#include "core/diagnosis/ContentModel.h"

namespace rivlen {

namespace {
constexpr size_t kBack = 10;      // frames: some 0.1 s
constexpr int kSmooth = 8;        // bins to either side
constexpr double kSyllables = 4;  // Hz
constexpr double kSpeech = 0.97, kMusic = 0.03;
constexpr double kNotes =
    0.46;  // sameAsBefore between the words: measured 0.46 to 0.75 with music, mostly 0.39 to 0.45 with noise
}  // namespace

const char* contentName(Content content) {
    return content == Content::Speech ? "speech" : content == Content::Music ? "music" : "mixed";
}

ContentSearch::ContentSearch(int rate)
    : m_rate(rate),
      m_size(nextPowerOfTwo(0.02 * rate)),
      m_fft(m_size),
      m_window(hannWindow(m_size)),
      m_frame(size_t(m_size)),
      m_spectrum(size_t(m_fft.bins())) {}

void ContentSearch::add(const AudioBuffer& block) {
    const size_t before = m_waiting.size();
    m_waiting.resize(before + size_t(block.frames()), 0.0f);
    for (int c = 0; c < block.channels(); ++c)
        for (int64_t i = 0; i < block.frames(); ++i)
            m_waiting[before + size_t(i)] += block.channel(c)[size_t(i)] / float(block.channels());
    const size_t hop = size_t(m_size / 2), top = size_t(std::min(8000.0, 0.45 * m_rate) * m_size / m_rate);
    size_t at = 0;
    for (; at + size_t(m_size) <= m_waiting.size(); at += hop) {
        for (int i = 0; i < m_size; ++i) m_frame[size_t(i)] = m_waiting[at + size_t(i)] * m_window[size_t(i)];
        m_fft.forward(m_frame, m_spectrum);
        Frame f{0, 0, 0, 0, {}};
        std::vector<float> level(top), fine(top);
        for (size_t k = 0; k < top; ++k) {
            const float power = std::norm(m_spectrum[k]) / float(m_size) + 1e-9f;
            level[k] = std::log(power);
            f.energy += power;
            f.centroid += float(k) * power;
            f.bands[std::min<size_t>(kBands - 1,
                                     size_t(kBands * std::log2(1 + double(k)) / std::log2(1 + double(top))))] += power;
        }
        f.centroid /= f.energy * float(top);
        double norm = 0;
        for (size_t k = 0; k < top; ++k) {
            const size_t a = k < kSmooth ? 0 : k - kSmooth, b = std::min(top, k + kSmooth + 1);
            float sum = 0;
            for (size_t i = a; i < b; ++i) sum += level[i];
            fine[k] = std::max(0.0f, level[k] - sum / float(b - a));
            norm += double(fine[k]) * fine[k];
        }
        for (float& v : fine) v /= float(std::sqrt(norm) + 1e-9);
        if (!m_last.empty())
            for (size_t k = 0; k < top; ++k) f.flux += std::fabs(level[k] - m_last[k]) / float(top);
        m_last = std::move(level);
        if (m_fine.size() >= kBack) {
            for (size_t k = 0; k < top; ++k) f.sameAsBefore += fine[k] * m_fine.front()[k];
            m_fine.erase(m_fine.begin());
        }
        m_fine.push_back(std::move(fine));
        m_frames.push_back(f);
    }
    m_waiting.erase(m_waiting.begin(), m_waiting.begin() + long(at));
}

std::optional<ContentSearch::Features> ContentSearch::features() const {
    const double perSecond = 2.0 * m_rate / m_size;
    if (double(m_frames.size()) < 2 * perSecond) return std::nullopt;
    float loudest = 0;
    for (const auto& f : m_frames) loudest = std::max(loudest, f.energy);
    if (loudest < 1e-5f) return std::nullopt;
    const auto spread = [&](auto&& value) {  // mean and standard deviation over the frames that sound
        double n = 0, sum = 0, squares = 0;
        for (const auto& f : m_frames)
            if (f.energy > loudest * 1e-4f) n += 1, sum += value(f), squares += value(f) * value(f);
        const double mean = sum / n;
        return std::pair(mean, std::sqrt(std::max(0.0, squares / n - mean * mean)));
    };
    size_t low = 0, pause = 0;
    const size_t second = size_t(perSecond);
    double running = 0;
    for (size_t i = 0; i < m_frames.size(); ++i) {
        running += m_frames[i].energy;
        if (i >= second) running -= m_frames[i - second].energy;
        low += m_frames[i].energy < 0.5 * running / double(std::min(i + 1, second));
        pause += m_frames[i].energy < loudest * 1e-3f;
    }
    // How much of each band's envelope moves at the rate of syllables: a resonator of second order.
    const double w = 2 * std::numbers::pi * kSyllables / perSecond, r = 0.9;
    double moving = 0, still = 0;
    for (int b = 0; b < kBands; ++b) {
        double y1 = 0, y2 = 0, x1 = 0, x2 = 0, mean = 0;
        for (const auto& f : m_frames) mean += std::sqrt(f.bands[size_t(b)]) / double(m_frames.size());
        for (const auto& f : m_frames) {
            const double x = std::sqrt(f.bands[size_t(b)]) - mean,
                         y = (x - x2) * (1 - r) + 2 * r * std::cos(w) * y1 - r * r * y2;
            x2 = x1, x1 = x, y2 = y1, y1 = y;
            moving += y * y / (mean * mean + 1e-12);
            still += 1;
        }
    }
    const auto [logMean, logSpread] = spread([](const Frame& f) { return std::log(double(f.energy)); });
    const auto [fluxMean, fluxSpread] = spread([](const Frame& f) { return double(f.flux); });
    const auto [centre, centreSpread] = spread([](const Frame& f) { return double(f.centroid); });
    const auto [same, sameSpread] = spread([](const Frame& f) { return double(f.sameAsBefore); });
    const double n = double(m_frames.size());
    return Features{double(low) / n,
                    std::log(moving / still + 1e-9),
                    logSpread,
                    fluxSpread / (fluxMean + 1e-9),
                    centreSpread / (centre + 1e-9),
                    same,
                    double(pause) / n};
}

double ContentSearch::likelySpeech(const Features& x) {
    double sum = kContentOffset;
    for (size_t i = 0; i < x.size(); ++i) sum += kContentWeights[i] * (x[i] - kContentMeans[i]) / kContentSpreads[i];
    return 1 / (1 + std::exp(-sum));
}

std::optional<Finding> ContentSearch::under() const {
    std::vector<float> energies;
    for (const auto& f : m_frames) energies.push_back(f.energy);
    if (energies.size() < 40) return std::nullopt;
    std::sort(energies.begin(), energies.end());
    const float quiet = energies[energies.size() / 3], loud = energies[energies.size() * 4 / 5];
    // Between the words notes stand and noise does not: its fine structure is another one in each frame.
    double same = 0, bed = 0, n = 0, voice = 0, m = 0;
    for (const auto& f : m_frames) {
        if (f.energy <= quiet) same += f.sameAsBefore, bed += f.energy, ++n;
        if (f.energy >= loud) voice += f.energy, ++m;
    }
    const double share = same / n, below = powerDb(bed / n) - powerDb(voice / m);
    if (share < kNotes) return std::nullopt;
    return Finding{Fault::MusicUnder,
                   0,
                   double(m_frames.size()) * m_size / 2 / m_rate,
                   -1,
                   below,
                   std::clamp(0.6 + 2 * (share - kNotes), 0.6, 0.95),
                   0,
                   0,
                   0,
                   {}};
}

std::optional<Content> ContentSearch::content() const {
    const auto x = features();
    if (!x) return std::nullopt;
    const double speech = likelySpeech(*x);
    return speech > kSpeech ? Content::Speech : speech < kMusic ? Content::Music : Content::Mixed;
}

}  // namespace rivlen
