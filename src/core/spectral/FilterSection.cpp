#include "core/spectral/FilterSection.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace rivlen {

namespace {

/// Frequencies that a rate cannot hold are taken to just below its half.
double angle(double hz, int rate) { return 2 * std::numbers::pi * std::min(hz, 0.49 * rate) / rate; }

FilterSection normalised(double b0, double b1, double b2, double a0, double a1, double a2) {
    return {b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0};
}

FilterSection shelf(double hz, double db, int rate, double sign) {
    const double a = std::pow(10.0, db / 40), w = angle(hz, rate), c = sign * std::cos(w);
    const double alpha = std::sin(w) / 2 * std::numbers::sqrt2, r = 2 * std::sqrt(a) * alpha;  // slope 1
    return normalised(a * ((a + 1) - (a - 1) * c + r), sign * 2 * a * ((a - 1) - (a + 1) * c),
                      a * ((a + 1) - (a - 1) * c - r), (a + 1) + (a - 1) * c + r, sign * -2 * ((a - 1) + (a + 1) * c),
                      (a + 1) + (a - 1) * c - r);
}

}  // namespace

std::complex<double> FilterSection::response(double hz, int rate) const {
    const std::complex<double> z = std::polar(1.0, -2 * std::numbers::pi * hz / rate);
    return (b0 + b1 * z + b2 * z * z) / (1.0 + a1 * z + a2 * z * z);
}

FilterSection FilterSection::highPass(double hz, double q, int rate) {
    const double w = angle(hz, rate), alpha = std::sin(w) / (2 * q), c = std::cos(w);
    return normalised((1 + c) / 2, -(1 + c), (1 + c) / 2, 1 + alpha, -2 * c, 1 - alpha);
}

FilterSection FilterSection::lowPass(double hz, double q, int rate) {
    const double w = angle(hz, rate), alpha = std::sin(w) / (2 * q), c = std::cos(w);
    return normalised((1 - c) / 2, 1 - c, (1 - c) / 2, 1 + alpha, -2 * c, 1 - alpha);
}

FilterSection FilterSection::bandPass(double hz, double q, int rate) {
    const double w = angle(hz, rate), alpha = std::sin(w) / (2 * q), c = std::cos(w);
    return normalised(alpha, 0, -alpha, 1 + alpha, -2 * c, 1 - alpha);
}

FilterSection FilterSection::bell(double hz, double db, double q, int rate) {
    const double a = std::pow(10.0, db / 40), w = angle(hz, rate), alpha = std::sin(w) / (2 * q), c = std::cos(w);
    return normalised(1 + alpha * a, -2 * c, 1 - alpha * a, 1 + alpha / a, -2 * c, 1 - alpha / a);
}

FilterSection FilterSection::lowShelf(double hz, double db, int rate) { return shelf(hz, db, rate, 1); }
FilterSection FilterSection::highShelf(double hz, double db, int rate) { return shelf(hz, db, rate, -1); }

}  // namespace rivlen
