#include "core/treatment/SparseDeclipper.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

namespace {
constexpr int kMoreEachTime = 2;  // coefficients
constexpr double kEnough = 0.03;  // of the frame's norm: how well the sparse spectrum explains it
constexpr int kMostRounds = 400;
}  // namespace

SparseDeclipper::SparseDeclipper(int size)
    : m_size(size),
      m_fft(2 * size),
      m_long(size_t(2 * size)),
      m_now(static_cast<size_t>(size)),
      m_spectrum(size_t(m_fft.bins())),
      m_sparse(m_spectrum.size()),
      m_dual(m_spectrum.size()),
      m_power(m_spectrum.size()) {}

void SparseDeclipper::rebuild(std::span<float> x, std::span<const signed char> above) {
    double norm = 0;
    for (float v : x) norm += double(v) * v;
    if (norm < 1e-12) return;
    std::copy(x.begin(), x.end(), m_now.begin());
    std::fill(m_dual.begin(), m_dual.end(), std::complex<float>{});
    const double unit = std::sqrt(2.0 * m_size);  // the transform divided by it is a tight frame
    size_t keep = size_t(kMoreEachTime);
    for (int round = 0; round < kMostRounds && keep < m_spectrum.size(); ++round, keep += size_t(kMoreEachTime)) {
        std::copy(m_now.begin(), m_now.end(), m_long.begin());
        std::fill(m_long.begin() + m_size, m_long.end(), 0.0f);
        m_fft.forward(m_long, m_spectrum);
        for (size_t k = 0; k < m_spectrum.size(); ++k) {
            m_sparse[k] = m_spectrum[k] + m_dual[k];
            m_power[k] = std::norm(m_sparse[k]);
        }
        std::vector<float>& sorted = m_power;
        std::vector<float> order(sorted);
        std::nth_element(order.begin(), order.begin() + long(keep - 1), order.end(), std::greater<>());
        const float least = order[keep - 1];
        for (size_t k = 0; k < m_sparse.size(); ++k)
            if (m_power[k] < least) m_sparse[k] = {};
        // The frame nearest to the sparse spectrum that agrees with the recording.
        std::vector<std::complex<float>>& wanted = m_spectrum;
        for (size_t k = 0; k < wanted.size(); ++k) wanted[k] = m_sparse[k] - m_dual[k];
        m_fft.inverse(wanted, m_long);
        for (int i = 0; i < m_size; ++i) {
            const size_t n = size_t(i);
            m_now[n] = above[n] == 0 ? x[n] : above[n] > 0 ? std::max(m_long[n], x[n]) : std::min(m_long[n], x[n]);
        }
        std::copy(m_now.begin(), m_now.end(), m_long.begin());
        std::fill(m_long.begin() + m_size, m_long.end(), 0.0f);
        m_fft.forward(m_long, m_spectrum);
        double left = 0;
        for (size_t k = 0; k < m_spectrum.size(); ++k) {
            const auto d = m_spectrum[k] - m_sparse[k];
            left += 2 * double(std::norm(d));
            m_dual[k] += d;
        }
        if (std::sqrt(left) / unit < kEnough * std::sqrt(norm)) break;
    }
    std::copy(m_now.begin(), m_now.end(), x.begin());
}

}  // namespace rivlen
