#include "core/isolation/Isolator.h"

#include <cmath>

#include "core/audio/ChannelLayout.h"
#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

constexpr double kWindowSeconds = 0.0427;  // 2048 at 48 kHz: resolves a voice's harmonics, still short against a syllable

int64_t floorTo(int64_t value, int64_t grid) {
    const int64_t r = value % grid;
    return value - (r < 0 ? r + grid : r);
}

}  // namespace

Isolator::Isolator(int channels, int sampleRate)
    : m_size(std::max(256, nextPowerOfTwo(sampleRate * kWindowSeconds * 0.99))),
      m_hop(m_size / 4),
      m_fft(m_size),
      m_window(hannWindow(m_size)),
      m_groups(channelGroups(channels)) {
    for (float& w : m_window) w = std::sqrt(w);
}

void Isolator::moveByFirmness(double exponent, int wanted, int64_t first, int64_t count, const AudioBuffer& source,
                              const std::vector<AudioBuffer>& stems, std::vector<AudioBuffer>& moved) {
    const size_t bins = size_t(m_fft.bins()), count_s = stems.size();
    const int64_t origin = first - margin();  // position of the buffers' first frame
    std::vector<float> block(static_cast<size_t>(m_size));
    std::vector<std::complex<float>> spectrum(bins), product(bins);
    std::vector<std::vector<float>> power(count_s, std::vector<float>(bins)), gain = power;
    const auto windowed = [&](std::span<const float> row, int64_t at) {
        for (int i = 0; i < m_size; ++i) block[size_t(i)] = row[size_t(at + i)] * m_window[size_t(i)];
        m_fft.forward(block, spectrum);
    };
    for (const auto& group : m_groups) {
        for (int64_t frame = floorTo(first - m_size + m_hop, m_hop); frame < first + count; frame += m_hop) {
            const int64_t at = frame - origin;
            for (size_t s = 0; s < count_s; ++s) {
                std::fill(power[s].begin(), power[s].end(), 0.0f);
                for (int c : group) {
                    windowed(stems[s].channel(c), at);
                    for (size_t k = 0; k < bins; ++k) power[s][k] += std::norm(spectrum[k]);
                }
            }
            for (size_t k = 0; k < bins; ++k) {
                double total = 0;
                for (size_t s = 0; s < count_s; ++s) total += std::sqrt(double(power[s][k]));
                const double p = total > 1e-15 ? std::sqrt(double(power[size_t(wanted)][k])) / total : 0.0;
                const double a = std::pow(p, exponent), b = std::pow(1 - p, exponent);
                const double change = total > 1e-15 ? a / (a + b) - p : 0.0;
                for (size_t s = 0; s < count_s; ++s) {
                    const double share = total > 1e-15 ? std::sqrt(double(power[s][k])) / total : 0.0;
                    gain[s][k] = float(int(s) == wanted ? change : (p < 1 ? -change * share / (1 - p) : 0.0));
                }
            }
            for (int c : group) {
                windowed(source.channel(c), at);
                for (size_t s = 0; s < count_s; ++s) {
                    for (size_t k = 0; k < bins; ++k) product[k] = spectrum[k] * gain[s][k];
                    m_fft.inverse(product, block);
                    auto out = moved[s].channel(c);
                    const int64_t from = std::max<int64_t>(0, first - frame), to = std::min<int64_t>(m_size, first + count - frame);
                    for (int64_t i = from; i < to; ++i)  // squared root-Hann windows at a quarter hop sum to 2
                        out[size_t(frame + i - first)] += 0.5f * block[size_t(i)] * m_window[size_t(i)];
                }
            }
        }
    }
}

std::vector<AudioBuffer> Isolator::apply(const IsolationSettings& settings, int wanted, int64_t first, int64_t count,
                                         const AudioBuffer& source, const std::vector<AudioBuffer>& stems) {
    std::vector<AudioBuffer> out;
    for (const auto& stem : stems) out.push_back(stem.slice(margin(), count));
    if (settings.firmness != 0.0) {
        std::vector<AudioBuffer> moved(stems.size(), AudioBuffer(source.channels(), count));
        moveByFirmness(std::pow(2.0, settings.firmness / 50.0), wanted, first, count, source, stems, moved);
        for (size_t s = 0; s < out.size(); ++s)
            for (size_t i = 0; i < out[s].samples().size(); ++i) out[s].samples()[i] += moved[s].samples()[i];
    }
    const double back = settings.depth >= kFullDepth ? 0.0 : fromDb(-settings.depth);
    if (back == 0.0 && settings.firmness == 0.0) return out;
    // One of the others is what the rest leaves of the source, so that rounding cannot break the sum.
    const size_t last = wanted == int(stems.size()) - 1 ? 0 : stems.size() - 1;
    for (int c = 0; c < source.channels(); ++c) {
        const auto x = source.channel(c).subspan(size_t(margin()), size_t(count));
        for (size_t i = 0; i < x.size(); ++i) {
            double others = 0;
            for (size_t s = 0; s < out.size(); ++s) {
                float& v = out[s].channel(c)[i];
                v = float(int(s) == wanted ? v + back * (double(x[i]) - v) : v * (1.0 - back));
                if (s != last) others += v;
            }
            out[last].channel(c)[i] = float(double(x[i]) - others);
        }
    }
    return out;
}

}  // namespace rivlen
