#include "core/spectral/Lateness.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <vector>

#include "core/spectral/Fft.h"

namespace rivlen {

namespace {
constexpr float kFloor = 1e-3f;    // of the strongest bin: what is weaker says nothing
constexpr double kStandsOut = 10;  // times the root mean square of all lags
}  // namespace

std::optional<int> lateness(std::span<const float> sound, std::span<const float> recorded, int most) {
    const size_t length = std::max(sound.size(), recorded.size());
    if (length == 0 || most <= 0) return std::nullopt;
    Fft fft(nextPowerOfTwo(double(length + size_t(most) + 1)));
    const auto spectrum = [&](std::span<const float> in) {
        std::vector<float> padded(size_t(fft.size()), 0.0f);
        std::ranges::copy(in, padded.begin());
        std::vector<std::complex<float>> out(size_t(fft.bins()));
        fft.forward(padded, out);
        return out;
    };
    const auto a = spectrum(sound), b = spectrum(recorded);
    std::vector<std::complex<float>> cross(a.size());
    float strongest = 0;
    for (size_t k = 0; k < a.size(); ++k) {
        cross[k] = std::conj(a[k]) * b[k];
        strongest = std::max(strongest, std::abs(cross[k]));
    }
    if (strongest <= 0) return std::nullopt;
    for (auto& c : cross) c /= std::abs(c) + kFloor * strongest;
    std::vector<float> correlation(size_t(fft.size()));
    fft.inverse(cross, correlation);
    const auto at = [&](int lag) { return correlation[size_t((lag + fft.size()) % fft.size())]; };
    int best = 0;
    double energy = 0;
    for (int lag = -most; lag <= most; ++lag) {
        energy += double(at(lag)) * at(lag);
        if (at(lag) > at(best)) best = lag;
    }
    const double usual = std::sqrt(energy / (2 * most + 1));
    return at(best) > kStandsOut * usual ? std::optional(best) : std::nullopt;
}

}  // namespace rivlen
