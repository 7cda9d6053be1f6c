#pragma once
#include <complex>
#include <span>
#include <vector>

#include "core/spectral/Fft.h"

namespace rivlen {

/// Rebuilds clipped samples of one frame so that few frequencies explain it and no sample contradicts what was
/// recorded: analysis sparsity with hard thresholding, A-SPADE (Kitic, Bertin and Gribonval 2015, "Sparsity and
/// cosparsity for audio declipping"), with a twice redundant Fourier transform. For one thread.
class SparseDeclipper {
public:
    explicit SparseDeclipper(int size);
    int size() const { return m_size; }
    /// x: size() samples times a window; above: +1 or -1 where the true sample is at least as large as x in that
    /// direction, 0 where x is right. x becomes the rebuilt frame.
    void rebuild(std::span<float> x, std::span<const signed char> above);

private:
    int m_size;
    Fft m_fft;
    std::vector<float> m_long, m_now;
    std::vector<std::complex<float>> m_spectrum, m_sparse, m_dual;
    std::vector<float> m_power;
};

}  // namespace rivlen
