// Transforms and scales against SciPy and published figures.
#include <gtest/gtest.h>

#include <sstream>

#include "Support.h"
#include "core/spectral/Fft.h"
#include "core/spectral/OwnershipPicture.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(Fft, AgreesWithScipy) {
    const int size = 512;
    std::vector<float> x(size);
    for (int i = 0; i < size; ++i) x[size_t(i)] = float(std::sin(0.1 * i) + 0.3 * std::cos(1.7 * i + 0.2));
    Fft fft(size);
    std::vector<std::complex<float>> bins(size_t(fft.bins()));
    fft.forward(x, bins);
    const auto r = run(
        "/usr/bin/python3 -c \"import numpy as np, scipy.fft; i=np.arange(512); "
        "X=scipy.fft.rfft(np.sin(0.1*i)+0.3*np.cos(1.7*i+0.2)); print(*[f'{v.real:.6f} {v.imag:.6f}' for v in X])\"");
    std::istringstream in(r.out);
    for (const auto& bin : bins) {
        double re = 0, im = 0;
        ASSERT_TRUE(in >> re >> im) << r.out;
        EXPECT_NEAR(double(bin.real()), re, 1e-3);
        EXPECT_NEAR(double(bin.imag()), im, 1e-3);
    }
    std::vector<float> back(size);
    fft.inverse(bins, back);
    for (int i = 0; i < size; ++i) EXPECT_NEAR(back[size_t(i)], x[size_t(i)], 1e-5);
}

// Glasberg and Moore (1990): ERB-rate = 21.4 log10(1 + 0.00437 f); 1 kHz lies at 15.6 Cams (from memory), so the
// picture gives the octave around 1 kHz more room than the one around 10 kHz.
TEST(ErbScale, FollowsGlasbergAndMoore) {
    const auto erb = [](double f) { return 21.4 * std::log10(1 + 0.00437 * f); };
    EXPECT_NEAR(erb(1000), 15.6, 0.05);
    EXPECT_NEAR(pictureFrequency(1, 48000), 40, 1e-6);
    EXPECT_NEAR(pictureFrequency(0, 48000), 20000, 1e-3);
    EXPECT_NEAR(pictureFrequency(0, 16000), 8000, 1e-3);
    EXPECT_NEAR(erb(pictureFrequency(0.5, 48000)), (erb(40) + erb(20000)) / 2, 1e-9);
}
