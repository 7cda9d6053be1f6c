#include "core/space/AmbisonicDecoder.h"

#include <cmath>
#include <numbers>

#include "core/space/SphericalHarmonics.h"
#include "core/space/Vbap.h"

namespace rivlen {

std::vector<double> maxReWeights(int order) {
    return legendre(order, std::cos(137.9 / (order + 1.51) * std::numbers::pi / 180));
}

std::vector<double> ambisonicDecoder(int order, const std::vector<Speaker>& speakers) {
    constexpr int kPoints = 1200;  // far more than any order here needs
    const int channels = ambisonicChannels(order);
    const Vbap vbap(speakers);
    const auto weights = maxReWeights(order);
    std::vector<double> decoder(speakers.size() * size_t(channels), 0.0);
    for (const Direction& at : evenDirections(kPoints)) {
        const auto gains = vbap.gains(at);
        const auto y = sphericalHarmonics(order, at);
        for (size_t s = 0; s < speakers.size(); ++s)
            for (int l = 0; l <= order; ++l)
                for (int n = l * l; n < (l + 1) * (l + 1); ++n)  // SN3D: (2 l + 1) makes the harmonics orthonormal
                    decoder[s * size_t(channels) + size_t(n)] +=
                        gains[s] * y[size_t(n)] * (2 * l + 1) * weights[size_t(l)] / kPoints;
    }
    // A plane wave from everywhere alike: the mean over directions of the power that the loudspeakers give, made 1.
    double power = 1e-30;
    for (size_t s = 0; s < speakers.size(); ++s)
        for (int l = 0; l <= order; ++l)
            for (int n = l * l; n < (l + 1) * (l + 1); ++n) {
                const double d = decoder[s * size_t(channels) + size_t(n)];
                power += d * d / (2 * l + 1);
            }
    for (double& d : decoder) d /= std::sqrt(power);
    return decoder;
}

}  // namespace rivlen
