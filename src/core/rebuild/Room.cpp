#include "core/rebuild/Room.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <random>

#include "core/audio/Decibel.h"
#include "core/base/Error.h"

namespace rivlen {

namespace {

constexpr double kLeastFall = 15;  // dB
constexpr std::array<double, 7> kOctaves{125, 250, 500, 1000, 2000, 4000, 8000};

/// How much of a frequency belongs to an octave band: raised cosines over the octave, which sum to 1.
double share(double hz, size_t band) {
    const double at = std::log2(std::max(hz, 1.0) / kOctaves[band]);
    if (band == 0 && at < 0) return 1;
    if (band + 1 == kOctaves.size() && at > 0) return 1;
    return std::fabs(at) < 1 ? 0.5 + 0.5 * std::cos(std::numbers::pi * at) : 0;
}

}  // namespace

RoomShape RoomShape::plain(double decay, double tone) {
    RoomShape room;
    for (double hz : kOctaves) {
        const double octaves = std::log2(hz / 1000);
        // Air and furniture take the treble first: a plain room is 10 % shorter an octave above 1 kHz.
        const double slope = std::clamp(-0.10 + tone / 100 * 0.10, -0.25, 0.10);
        room.bands.push_back({hz, decay * std::max(0.15, 1 + slope * octaves * (octaves > 0 ? 1.0 : 0.5)),
                              octaves * (-1.5 + tone / 100 * 3)});
    }
    return room;
}

double RoomShape::decay() const {
    double sum = 0;
    int count = 0;
    for (const Band& b : bands)
        if (b.hz >= 400 && b.hz <= 2500) sum += b.decay, ++count;
    return count ? sum / count : bands.empty() ? 0 : bands.front().decay;
}

nlohmann::json toJson(const RoomShape& room) {
    nlohmann::json bands = nlohmann::json::array();
    for (const auto& b : room.bands) bands.push_back({b.hz, b.decay, b.level});
    return {{"bands", bands}};
}

RoomShape roomFromJson(const nlohmann::json& json) {
    RoomShape room;
    const nlohmann::json bands = json.at("bands");
    for (const auto& b : bands) {
        room.bands.push_back({b.at(0), b.at(1), b.at(2)});
        if (!(room.bands.back().decay >= 0.02 && room.bands.back().decay <= 20))
            throw Error(Error::Kind::InputUnreadable,
                        "A room's decay of " + b.at(1).dump() + " s is out of range: 0.02 to 20 s are known.");
    }
    return room;
}

AudioBuffer roomImpulse(const RoomShape& room, int channels, int rate) {
    double longest = 0.1;
    for (const auto& b : room.bands) longest = std::max(longest, b.decay);
    const int frames = int(std::min(6.0, longest) * rate), size = nextPowerOfTwo(2.0 * frames);
    AudioBuffer out(channels, frames);
    Fft fft(size);
    std::vector<std::complex<float>> noise(size_t(fft.bins())), part(noise.size());
    std::vector<float> block(static_cast<size_t>(size));
    for (int c = 0; c < channels; ++c) {
        std::mt19937 random(unsigned(7919 * (c + 1)));
        std::normal_distribution<float> normal;
        for (float& v : block) v = normal(random);
        fft.forward(block, noise);
        for (size_t b = 0; b < room.bands.size(); ++b) {
            for (size_t k = 0; k < part.size(); ++k)
                part[k] = noise[k] * float(share(double(k) * rate / size, b) * fromDb(room.bands[b].level));
            fft.inverse(part, block);
            const double fall = std::log(1000.0) / (room.bands[b].decay * rate);  // 60 dB
            for (int i = 0; i < frames; ++i) out.channel(c)[size_t(i)] += float(block[size_t(i)] * std::exp(-fall * i));
        }
        double energy = 1e-20;
        for (float v : out.channel(c)) energy += double(v) * v;
        for (float& v : out.channel(c)) v = float(v / std::sqrt(energy));
    }
    return out;
}

std::optional<RoomShape> estimateRoom(SampleSource& voice, int64_t from, int64_t to, const Progress& progress) {
    const int rate = voice.sampleRate(), hop = std::max(1, rate / 100), size = nextPowerOfTwo(2.0 * hop);
    Fft fft(size);
    const auto window = hannWindow(size);
    std::vector<float> block(static_cast<size_t>(size));
    std::vector<std::complex<float>> spectrum(static_cast<size_t>(fft.bins()));
    std::array<std::vector<double>, kOctaves.size()> levels;
    std::array<std::vector<float>, kOctaves.size()> shares;
    for (size_t b = 0; b < kOctaves.size(); ++b)
        for (int k = 0; k < fft.bins(); ++k) shares[b].push_back(float(share(double(k) * rate / size, b)));
    const int64_t piece = int64_t(rate) * 4;
    for (int64_t at = from; at < to; at += piece) {
        progress.throwIfCancelled();
        const AudioBuffer audio = voice.read(at, std::min(piece, to - at) + size);
        for (int64_t i = 0; i < std::min(piece, to - at); i += hop) {
            for (int k = 0; k < size; ++k) {
                float x = 0;
                for (int c = 0; c < audio.channels(); ++c) x += audio.channel(c)[size_t(i + k)];
                block[size_t(k)] = x * window[size_t(k)] / float(audio.channels());
            }
            fft.forward(block, spectrum);
            std::array<double, kOctaves.size()> power{};
            for (size_t k = 1; k < spectrum.size(); ++k)
                for (size_t b = 0; b < kOctaves.size(); ++b) power[b] += double(shares[b][k] * std::norm(spectrum[k]));
            for (size_t b = 0; b < kOctaves.size(); ++b) levels[b].push_back(power[b] + 1e-12);
        }
        progress.report(double(at - from) / double(to - from));
    }
    RoomShape room;
    const double step = double(hop) / rate;
    for (size_t b = 0; b < kOctaves.size(); ++b) {
        // Over 50 ms: narrow bands sway by themselves.
        std::vector<double> e(levels[b].size());
        for (size_t i = 0; i < e.size(); ++i) {
            double sum = 0;
            const size_t last = std::min(i + 3, e.size());
            for (size_t k = i < 2 ? 0 : i - 2; k < last; ++k) sum += levels[b][k];
            e[i] = powerDb(sum / 5);
        }
        if (e.size() < 100 || kOctaves[b] > 0.4 * rate) continue;
        std::vector<double> sorted = e;
        std::sort(sorted.begin(), sorted.end());
        const double floor = sorted[sorted.size() / 20], top = sorted[sorted.size() * 95 / 100];
        std::vector<double> falls;
        for (size_t i = 1; i + 8 < e.size();) {
            if (e[i] < top - 25 || e[i] < e[i - 1] || e[i] < e[i + 1]) {
                ++i;
                continue;
            }
            size_t j = i;
            for (size_t k = i + 1; k < e.size() && k - i < 150 && e[k] < e[j] + 3 && e[k] > floor + 8; ++k)
                if (e[k] < e[j]) j = k;
            if (j - i >= 8 && e[i] - e[j] >= kLeastFall) {
                // The later half: what comes first is the voice itself.
                const size_t a = i + (j - i) / 2;
                double n = 0, sx = 0, sy = 0, sxx = 0, sxy = 0, syy = 0;
                for (size_t k = a; k <= j; ++k) {
                    const double x = double(k - a) * step;
                    ++n, sx += x, sy += e[k], sxx += x * x, sxy += x * e[k], syy += e[k] * e[k];
                }
                const double vx = sxx - sx * sx / n, vy = syy - sy * sy / n, cov = sxy - sx * sy / n;
                const double slope = cov / vx, r2 = vx > 0 && vy > 0 ? cov * cov / vx / vy : 0;
                if (slope < -10 && r2 > 0.8) {
                    falls.push_back(-60 / slope);
                }
            }
            i = j + 1;
        }
        if (falls.size() < 3) continue;
        std::sort(falls.begin(), falls.end());
        room.bands.push_back({kOctaves[b], std::clamp(falls[falls.size() / 2], 0.05, 10.0), 0});
    }
    if (room.bands.size() < 3) return std::nullopt;
    // A band without falls takes its neighbour's decay.
    RoomShape whole;
    for (double hz : kOctaves) {
        const auto near = std::min_element(room.bands.begin(), room.bands.end(), [hz](const auto& a, const auto& b) {
            return std::fabs(std::log(a.hz / hz)) < std::fabs(std::log(b.hz / hz));
        });
        whole.bands.push_back({hz, near->decay, std::log2(hz / 1000) * -1.5});
    }
    return whole;
}

Convolver::Convolver(const AudioBuffer& impulse, int channels)
    : m_channels(channels),
      m_parts(int(std::max<int64_t>(1, (impulse.frames() + kBlock - 1) / kBlock))),
      m_fft(2 * kBlock),
      m_rows(std::max(1, impulse.channels())) {
    std::vector<float> block(2 * kBlock);
    for (int r = 0; r < m_rows; ++r)
        for (int p = 0; p < m_parts; ++p) {
            std::fill(block.begin(), block.end(), 0.0f);
            for (int i = 0; i < kBlock; ++i)
                if (const int64_t at = int64_t(p) * kBlock + i; r < impulse.channels() && at < impulse.frames())
                    block[size_t(i)] = impulse.channel(r)[size_t(at)];
            m_impulse.emplace_back(size_t(m_fft.bins()));
            m_fft.forward(block, m_impulse.back());
        }
    m_past.assign(size_t(channels),
                  std::vector(size_t(m_parts), std::vector<std::complex<float>>(size_t(m_fft.bins()))));
    m_last.assign(size_t(channels), std::vector<float>(2 * kBlock, 0.0f));
    m_ready.assign(size_t(channels), std::vector<float>(kBlock, 0.0f));
}

void Convolver::process(const AudioBuffer& in, float gain, AudioBuffer& out) {
    std::vector<std::complex<float>> sum(static_cast<size_t>(m_fft.bins()));
    std::vector<float> block(2 * kBlock);
    for (int c = 0; c < m_channels; ++c) {
        for (int i = 0; i < kBlock; ++i) out.channel(c)[size_t(i)] += gain * m_ready[size_t(c)][size_t(i)];
        auto& last = m_last[size_t(c)];
        std::copy_n(last.begin() + kBlock, kBlock, last.begin());
        std::copy_n(in.channel(c).begin(), kBlock, last.begin() + kBlock);
        m_fft.forward(last, m_past[size_t(c)][size_t(m_at)]);
        std::fill(sum.begin(), sum.end(), std::complex<float>{});
        for (int p = 0; p < m_parts; ++p) {
            const auto* x =
                reinterpret_cast<const float*>(m_past[size_t(c)][size_t((m_at - p + m_parts) % m_parts)].data());
            const auto* h = reinterpret_cast<const float*>(m_impulse[size_t((c % m_rows) * m_parts + p)].data());
            auto* y = reinterpret_cast<float*>(sum.data());
            for (size_t k = 0; k < 2 * sum.size(); k += 2) {  // by hand: std::complex looks for infinities
                y[k] += x[k] * h[k] - x[k + 1] * h[k + 1];
                y[k + 1] += x[k] * h[k + 1] + x[k + 1] * h[k];
            }
        }
        m_fft.inverse(sum, block);
        std::copy_n(block.begin() + kBlock, kBlock, m_ready[size_t(c)].begin());
    }
    m_at = (m_at + 1) % m_parts;
}

}  // namespace rivlen
