#include "core/space/SphericalHarmonics.h"

#include <cmath>
#include <numbers>

namespace rivlen {

std::vector<double> legendre(int most, double x) {
    std::vector<double> p{1, x};
    for (int l = 2; l <= most; ++l) p.push_back(((2 * l - 1) * x * p[size_t(l - 1)] - (l - 1) * p[size_t(l - 2)]) / l);
    p.resize(size_t(most) + 1);
    return p;
}

std::vector<Direction> evenDirections(int count) {
    std::vector<Direction> all;
    for (int j = 0; j < count; ++j) {
        const double z = 1 - (2.0 * j + 1) / count, flat = std::sqrt(1 - z * z);
        const double turn = j * std::numbers::pi * (3 - std::sqrt(5.0));
        all.push_back(directionOf({flat * std::cos(turn), flat * std::sin(turn), z}));
    }
    return all;
}

std::vector<double> sphericalHarmonics(int order, const Direction& at) {
    const double azimuth = at.azimuth * std::numbers::pi / 180, elevation = at.elevation * std::numbers::pi / 180;
    const double x = std::sin(elevation), root = std::cos(elevation);
    std::vector<double> out(size_t(ambisonicChannels(order)));
    double diagonal = 1;  // P_m^m
    for (int m = 0; m <= order; ++m) {
        if (m > 0) diagonal *= (2 * m - 1) * root;
        double before = 0, now = diagonal;
        for (int l = m; l <= order; ++l) {
            if (l > m) {
                const double next = ((2 * l - 1) * x * now - (l + m - 1) * before) / (l - m);
                before = now, now = next;
            }
            double norm = m == 0 ? 1 : 2;
            for (int k = l - m + 1; k <= l + m; ++k) norm /= k;
            norm = std::sqrt(norm);
            out[size_t(l * l + l + m)] = norm * now * std::cos(m * azimuth);
            if (m > 0) out[size_t(l * l + l - m)] = norm * now * std::sin(m * azimuth);
        }
    }
    return out;
}

std::vector<double> capWeights(int order, double acrossDegrees) {
    std::vector<double> weights(size_t(order) + 1, 1.0);
    const double x = std::cos(acrossDegrees / 2 * std::numbers::pi / 180);
    if (1 - x < 1e-6) return weights;
    const auto p = legendre(order + 1, x);
    for (int l = 1; l <= order; ++l)
        weights[size_t(l)] = (p[size_t(l - 1)] - p[size_t(l + 1)]) / ((2 * l + 1) * (1 - x));
    return weights;
}

}  // namespace rivlen
