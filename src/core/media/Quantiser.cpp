#include "core/media/Quantiser.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

namespace {
constexpr double kShape[] = {2.033, -2.165, 1.959, -1.590, 0.6149};
}

Quantiser::Quantiser(int bits, int channels, Dither dither)
    : m_bits(bits), m_dither(dither), m_errors(kTaps * size_t(channels), 0.0) {}

void Quantiser::add(const AudioBuffer& audio, std::vector<int32_t>& out) {
    const double full = double(int64_t(1) << (m_bits - 1));
    const int shift = 32 - m_bits;
    const size_t begin = out.size(), channels = size_t(audio.channels());
    out.resize(begin + audio.samples().size());
    std::uniform_real_distribution<double> half(-0.5, 0.5);
    for (size_t c = 0; c < channels; ++c) {
        const auto row = audio.channel(int(c));
        double* errors = m_errors.data() + c * kTaps;
        for (size_t i = 0; i < row.size(); ++i) {
            double v = double(row[i]) * full;
            const double noise = m_dither != Dither::None && row[i] != 0.0f ? half(m_random) + half(m_random) : 0.0;
            if (m_dither == Dither::Shaped)
                for (size_t k = 0; k < kTaps; ++k) v -= kShape[k] * errors[k];
            const double stored = std::clamp(std::nearbyint(v + noise), -full, full - 1);
            if (m_dither == Dither::Shaped) {
                std::copy_backward(errors, errors + kTaps - 1, errors + kTaps);
                errors[0] = std::clamp(stored - v, -2.0, 2.0);  // clipping must not run away
            }
            out[begin + i * channels + c] = int32_t(uint32_t(int32_t(stored)) << shift);
        }
    }
}

}  // namespace rivlen
