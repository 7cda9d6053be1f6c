#include <Eigen/Dense>
#include <bit>
#include <cmath>
#include <complex>
#include <limits>

#include <unsupported/Eigen/FFT>

#include "core/measures/SeparationMeasures.h"

namespace rivlen {

namespace {

using Spectrum = std::vector<std::complex<double>>;

std::vector<double> folded(const AudioBuffer& b, size_t padded) {
    std::vector<double> x(padded, 0.0);
    for (int c = 0; c < b.channels(); ++c)
        for (size_t i = 0; i < size_t(b.frames()); ++i) x[i] += double(b.channel(c)[i]) / b.channels();
    return x;
}

/// Correlation of two signals: result[k] for lag k, negative lags at the end.
std::vector<double> correlation(Eigen::FFT<double>& fft, const Spectrum& a, const Spectrum& b) {
    Spectrum product(a.size());
    for (size_t i = 0; i < a.size(); ++i) product[i] = std::conj(a[i]) * b[i];
    std::vector<double> out;
    fft.inv(out, product);
    return out;
}

double decibels(double ratio) { return 10 * std::log10(ratio); }

}  // namespace

std::vector<BssFigures> bssEval(const std::vector<AudioBuffer>& estimates, const std::vector<AudioBuffer>& references, int taps) {
    const int sources = int(references.size());
    const size_t padded = std::bit_ceil(size_t(references[0].frames()) + size_t(taps));
    Eigen::FFT<double> fft;
    std::vector<Spectrum> spectra(static_cast<size_t>(sources));
    for (int s = 0; s < sources; ++s) fft.fwd(spectra[size_t(s)], folded(references[size_t(s)], padded));
    const auto at = [padded](const std::vector<double>& r, int lag) { return r[lag >= 0 ? size_t(lag) : padded - size_t(-lag)]; };

    // The distorted versions of the references span a space; its Gram matrix is block Toeplitz.
    Eigen::MatrixXd gram(sources * taps, sources * taps);
    for (int a = 0; a < sources; ++a)
        for (int b = a; b < sources; ++b) {
            const auto r = correlation(fft, spectra[size_t(a)], spectra[size_t(b)]);
            for (int i = 0; i < taps; ++i)
                for (int k = 0; k < taps; ++k) gram(a * taps + i, b * taps + k) = gram(b * taps + k, a * taps + i) = at(r, i - k);
        }
    const Eigen::LDLT<Eigen::MatrixXd> all(gram);

    std::vector<BssFigures> figures;
    for (int s = 0; s < sources; ++s) {
        const std::vector<double> e = folded(estimates[size_t(s)], padded);
        Spectrum spectrum;
        fft.fwd(spectrum, e);
        double energy = 0;
        for (double v : e) energy += v * v;
        Eigen::VectorXd match(sources * taps);
        for (int a = 0; a < sources; ++a) {
            const auto r = correlation(fft, spectra[size_t(a)], spectrum);
            for (int i = 0; i < taps; ++i) match(a * taps + i) = at(r, i);
        }
        // Energies of the projections onto the own source and onto all: what is left over follows from Pythagoras.
        const Eigen::VectorXd own = match.segment(s * taps, taps);
        const double target = own.dot(gram.block(s * taps, s * taps, taps, taps).ldlt().solve(own));
        const double within = match.dot(all.solve(match));
        if (!(energy > 0) || !(gram(s * taps, s * taps) > 0)) {
            const double none = std::numeric_limits<double>::quiet_NaN();
            figures.push_back({none, none, none});
            continue;
        }
        const double floor = energy * 1e-14;
        figures.push_back({decibels(target / std::max(energy - target, floor)), decibels(target / std::max(within - target, floor)),
                           decibels(within / std::max(energy - within, floor))});
    }
    return figures;
}

}  // namespace rivlen
