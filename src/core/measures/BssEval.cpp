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

struct BssEval::Impl {
    int sources, taps;
    size_t padded;
    Eigen::FFT<double> fft;
    std::vector<Spectrum> spectra;
    std::vector<Eigen::LDLT<Eigen::MatrixXd>> own;  ///< of each reference's distorted versions
    Eigen::LDLT<Eigen::MatrixXd> all;
    std::vector<double> energies;  ///< of the references

    double at(const std::vector<double>& r, int lag) const { return r[lag >= 0 ? size_t(lag) : padded - size_t(-lag)]; }
};

BssEval::BssEval(const std::vector<AudioBuffer>& references, int taps) : m(std::make_unique<Impl>()) {
    const int sources = m->sources = int(references.size());
    m->taps = taps;
    m->padded = std::bit_ceil(size_t(references[0].frames()) + size_t(taps));
    m->spectra.resize(size_t(sources));
    for (int s = 0; s < sources; ++s) m->fft.fwd(m->spectra[size_t(s)], folded(references[size_t(s)], m->padded));
    // The distorted versions of the references span a space; its Gram matrix is block Toeplitz.
    Eigen::MatrixXd gram(sources * taps, sources * taps);
    for (int a = 0; a < sources; ++a)
        for (int b = a; b < sources; ++b) {
            const auto r = correlation(m->fft, m->spectra[size_t(a)], m->spectra[size_t(b)]);
            for (int i = 0; i < taps; ++i)
                for (int k = 0; k < taps; ++k)
                    gram(a * taps + i, b * taps + k) = gram(b * taps + k, a * taps + i) = m->at(r, i - k);
        }
    m->all.compute(gram);
    for (int s = 0; s < sources; ++s) {
        m->own.emplace_back(gram.block(s * taps, s * taps, taps, taps));
        m->energies.push_back(gram(s * taps, s * taps));
    }
}

BssEval::~BssEval() = default;

BssFigures BssEval::figures(const AudioBuffer& estimate, int source) const {
    const int taps = m->taps;
    const std::vector<double> e = folded(estimate, m->padded);
    Spectrum spectrum;
    m->fft.fwd(spectrum, e);
    double energy = 0;
    for (double v : e) energy += v * v;
    Eigen::VectorXd match(m->sources * taps);
    for (int a = 0; a < m->sources; ++a) {
        const auto r = correlation(m->fft, m->spectra[size_t(a)], spectrum);
        for (int i = 0; i < taps; ++i) match(a * taps + i) = m->at(r, i);
    }
    if (!(energy > 0) || !(m->energies[size_t(source)] > 0)) {
        const double none = std::numeric_limits<double>::quiet_NaN();
        return {none, none, none};
    }
    // Energies of the projections onto the own source and onto all: what is left over follows from Pythagoras.
    const Eigen::VectorXd own = match.segment(source * taps, taps);
    const double target = own.dot(m->own[size_t(source)].solve(own)), within = match.dot(m->all.solve(match));
    const double floor = energy * 1e-14;
    return {decibels(target / std::max(energy - target, floor)), decibels(target / std::max(within - target, floor)),
            decibels(within / std::max(energy - within, floor))};
}

std::vector<BssFigures> bssEval(const std::vector<AudioBuffer>& estimates, const std::vector<AudioBuffer>& references,
                                int taps) {
    const BssEval measure(references, taps);
    std::vector<BssFigures> figures;
    for (size_t s = 0; s < references.size(); ++s) figures.push_back(measure.figures(estimates[s], int(s)));
    return figures;
}

}  // namespace rivlen
