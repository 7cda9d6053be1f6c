#pragma once
#include <complex>
#include <memory>
#include <span>
#include <vector>

namespace rivlen {

/// Real FFT of one size (FFTW, single precision). Each object is for one thread at a time.
class Fft {
public:
    explicit Fft(int size);  ///< even, at least 2
    ~Fft();
    Fft(Fft&&) noexcept;

    int size() const { return m_size; }
    int bins() const { return m_size / 2 + 1; }
    /// size() samples -> bins() values, unscaled.
    void forward(std::span<const float> in, std::span<std::complex<float>> out);
    /// bins() values -> size() samples, scaled by 1 / size() so that it undoes forward().
    void inverse(std::span<const std::complex<float>> in, std::span<float> out);

private:
    struct Plans;
    int m_size;
    std::unique_ptr<Plans> m;
};

/// Periodic Hann window of the given size.
std::vector<float> hannWindow(int size);

/// Smallest power of two not below n.
int nextPowerOfTwo(double n);

}  // namespace rivlen
