#pragma once
#include <cmath>
#include <numbers>

namespace rivlen {

/// A filter of second order with the coefficients of the audio EQ cookbook (R. Bristow-Johnson; W3C note "Audio EQ Cookbook"), in the
/// transposed direct form II.
class Biquad {
public:
    static Biquad highPass(double hz, double q, int rate) {
        const double w = 2 * std::numbers::pi * hz / rate, alpha = std::sin(w) / (2 * q), c = std::cos(w);
        return {(1 + c) / 2, -(1 + c), (1 + c) / 2, 1 + alpha, -2 * c, 1 - alpha};
    }
    static Biquad lowPass(double hz, double q, int rate) {
        const double w = 2 * std::numbers::pi * hz / rate, alpha = std::sin(w) / (2 * q), c = std::cos(w);
        return {(1 - c) / 2, 1 - c, (1 - c) / 2, 1 + alpha, -2 * c, 1 - alpha};
    }
    /// 0 dB at its centre.
    static Biquad bandPass(double hz, double q, int rate) {
        const double w = 2 * std::numbers::pi * hz / rate, alpha = std::sin(w) / (2 * q), c = std::cos(w);
        return {alpha, 0, -alpha, 1 + alpha, -2 * c, 1 - alpha};
    }
    double next(double x) {
        const double y = m_b0 * x + m_1;
        m_1 = m_b1 * x - m_a1 * y + m_2;
        m_2 = m_b2 * x - m_a2 * y;
        return y;
    }

private:
    Biquad(double b0, double b1, double b2, double a0, double a1, double a2) : m_b0(b0 / a0), m_b1(b1 / a0), m_b2(b2 / a0), m_a1(a1 / a0), m_a2(a2 / a0) {}
    double m_b0, m_b1, m_b2, m_a1, m_a2;
    double m_1 = 0, m_2 = 0;
};

}  // namespace rivlen
