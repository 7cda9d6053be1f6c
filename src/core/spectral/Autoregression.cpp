#include "core/spectral/Autoregression.h"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>

#include "core/spectral/Fft.h"

namespace rivlen {

std::vector<double> autoregression(std::span<const float> x, int order) {
    thread_local std::vector<float> window, y;
    if (window.size() != x.size()) window = hannWindow(int(x.size()));
    y.resize(x.size());
    for (size_t i = 0; i < x.size(); ++i) y[i] = x[i] * window[i];
    std::vector<double> r(size_t(order) + 1), a(size_t(order), 0.0), before;
    for (int k = 0; k <= order; ++k) {
        const Eigen::Index n = Eigen::Index(y.size()) - k;  // in floats: a block is short
        r[size_t(k)] =
            Eigen::Map<const Eigen::VectorXf>(y.data(), n).dot(Eigen::Map<const Eigen::VectorXf>(y.data() + k, n));
    }
    if (r[0] < 1e-12) return a;
    double error = r[0] *= 1 + 1e-8;
    for (int m = 0; m < order; ++m) {
        double reflection = r[size_t(m) + 1];
        for (int k = 0; k < m; ++k) reflection -= a[size_t(k)] * r[size_t(m - k)];
        reflection /= error;
        before.assign(a.begin(), a.begin() + m);
        for (int k = 0; k < m; ++k) a[size_t(k)] -= reflection * before[size_t(m - 1 - k)];
        a[size_t(m)] = reflection;
        error *= 1 - reflection * reflection;
        if (error <= r[0] * 1e-12) break;
    }
    return a;
}

void predictionError(std::span<const float> x, const std::vector<double>& a, std::span<float> error) {
    const size_t order = a.size();
    std::fill_n(error.begin(), std::min(order, x.size()), 0.0f);
    if (x.size() <= order) return;
    const Eigen::Index n = Eigen::Index(x.size() - order);
    Eigen::Map<Eigen::VectorXf> e(error.data() + order, n);
    e = Eigen::Map<const Eigen::VectorXf>(x.data() + order, n);
    for (size_t k = 0; k < order; ++k)
        e -= float(a[k]) * Eigen::Map<const Eigen::VectorXf>(x.data() + order - 1 - k, n);
}

void interpolate(std::span<float> x, const std::vector<int>& unknown, const std::vector<double>& a) {
    if (unknown.empty()) return;
    const int order = int(a.size()), count = int(unknown.size()), n = int(x.size());
    std::vector<double> b(size_t(order) + 1);  // the error filter 1, -a
    b[0] = 1;
    for (int k = 0; k < order; ++k) b[size_t(k) + 1] = -a[size_t(k)];
    std::vector<double> c(b.size());  // its autocorrelation
    for (int lag = 0; lag <= order; ++lag)
        for (int k = 0; k + lag <= order; ++k) c[size_t(lag)] += b[size_t(k)] * b[size_t(k + lag)];
    std::vector<char> missing(x.size(), 0);
    for (int u : unknown) missing[size_t(u)] = 1;
    Eigen::MatrixXd m(count, count);
    Eigen::VectorXd right(count);
    for (int i = 0; i < count; ++i) {
        for (int j = 0; j < count; ++j) {
            const int lag = std::abs(unknown[size_t(i)] - unknown[size_t(j)]);
            m(i, j) = lag <= order ? c[size_t(lag)] : 0.0;
        }
        double sum = 0;
        for (int lag = -order; lag <= order; ++lag) {
            const int at = unknown[size_t(i)] + lag;
            if (at >= 0 && at < n && !missing[size_t(at)]) sum -= c[size_t(std::abs(lag))] * double(x[size_t(at)]);
        }
        right(i) = sum;
    }
    const Eigen::VectorXd found = m.ldlt().solve(right);
    for (int i = 0; i < count; ++i)
        if (std::isfinite(found(i))) x[size_t(unknown[size_t(i)])] = float(found(i));
}

}  // namespace rivlen
