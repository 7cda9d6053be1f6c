#include "core/spectral/Fft.h"

#include <fftw3.h>

#include <algorithm>
#include <cmath>
#include <mutex>
#include <numbers>

namespace rivlen {

namespace {
std::mutex& plannerGuard() {  // FFTW plans may only be made and destroyed by one thread at a time
    static std::mutex guard;
    return guard;
}
}  // namespace

struct Fft::Plans {
    float* time = nullptr;
    fftwf_complex* spectrum = nullptr;
    fftwf_plan forward = nullptr, inverse = nullptr;
};

Fft::Fft(int size) : m_size(size), m(std::make_unique<Plans>()) {
    const std::lock_guard lock(plannerGuard());
    m->time = fftwf_alloc_real(size_t(size));
    m->spectrum = fftwf_alloc_complex(size_t(bins()));
    m->forward = fftwf_plan_dft_r2c_1d(size, m->time, m->spectrum, FFTW_ESTIMATE);
    m->inverse = fftwf_plan_dft_c2r_1d(size, m->spectrum, m->time, FFTW_ESTIMATE);
}

Fft::~Fft() {
    if (!m) return;
    const std::lock_guard lock(plannerGuard());
    fftwf_destroy_plan(m->forward);
    fftwf_destroy_plan(m->inverse);
    fftwf_free(m->time);
    fftwf_free(m->spectrum);
}

Fft::Fft(Fft&&) noexcept = default;

void Fft::forward(std::span<const float> in, std::span<std::complex<float>> out) {
    std::copy_n(in.begin(), m_size, m->time);
    fftwf_execute(m->forward);
    std::copy_n(reinterpret_cast<const std::complex<float>*>(m->spectrum), bins(), out.begin());
}

void Fft::inverse(std::span<const std::complex<float>> in, std::span<float> out) {
    std::copy_n(in.begin(), bins(), reinterpret_cast<std::complex<float>*>(m->spectrum));
    fftwf_execute(m->inverse);
    const float scale = 1.0f / float(m_size);
    std::transform(m->time, m->time + m_size, out.begin(), [scale](float v) { return v * scale; });
}

std::vector<float> hannWindow(int size) {
    std::vector<float> w(static_cast<size_t>(size));
    for (int i = 0; i < size; ++i) w[size_t(i)] = float(0.5 - 0.5 * std::cos(2 * std::numbers::pi * i / size));
    return w;
}

int nextPowerOfTwo(double n) {
    int size = 2;
    while (size < n) size *= 2;
    return size;
}

}  // namespace rivlen
