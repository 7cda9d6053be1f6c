#pragma once
#include <complex>

namespace rivlen {

/// A section of second order with the coefficients of the audio EQ cookbook (R. Bristow-Johnson; W3C note "Audio EQ
/// Cookbook"), a0 = 1.
struct FilterSection {
    double b0 = 1, b1 = 0, b2 = 0, a1 = 0, a2 = 0;

    /// Of its transfer function at a frequency, from the coefficients.
    std::complex<double> response(double hz, int rate) const;

    static FilterSection highPass(double hz, double q, int rate);
    static FilterSection lowPass(double hz, double q, int rate);
    static FilterSection bandPass(double hz, double q, int rate);  ///< 0 dB at its centre
    static FilterSection bell(double hz, double db, double q, int rate);
    static FilterSection lowShelf(double hz, double db, int rate);   ///< shelf slope 1
    static FilterSection highShelf(double hz, double db, int rate);  ///< shelf slope 1
};

/// One section at work on one channel, in the transposed direct form II. A new design may be set at any time.
struct FilterState {
    double z1 = 0, z2 = 0;
    double next(const FilterSection& s, double x) {
        const double y = s.b0 * x + z1;
        z1 = s.b1 * x - s.a1 * y + z2;
        z2 = s.b2 * x - s.a2 * y;
        return y;
    }
};

}  // namespace rivlen
