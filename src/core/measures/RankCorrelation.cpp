#include "core/measures/RankCorrelation.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace rivlen {

namespace {

std::vector<double> ranks(const std::vector<double>& values) {
    std::vector<size_t> order(values.size());
    std::iota(order.begin(), order.end(), size_t(0));
    std::sort(order.begin(), order.end(), [&](size_t i, size_t j) { return values[i] < values[j]; });
    std::vector<double> out(values.size());
    for (size_t i = 0; i < order.size();) {
        size_t j = i;
        while (j < order.size() && values[order[j]] == values[order[i]]) ++j;
        for (size_t k = i; k < j; ++k) out[order[k]] = double(i + j - 1) / 2;
        i = j;
    }
    return out;
}

}  // namespace

double rankCorrelation(const std::vector<double>& a, const std::vector<double>& b) {
    const auto x = ranks(a), y = ranks(b);
    const double mean = double(x.size() - 1) / 2;
    double xy = 0, xx = 0, yy = 0;
    for (size_t i = 0; i < x.size(); ++i) {
        xy += (x[i] - mean) * (y[i] - mean);
        xx += (x[i] - mean) * (x[i] - mean);
        yy += (y[i] - mean) * (y[i] - mean);
    }
    return xx > 0 && yy > 0 ? xy / std::sqrt(xx * yy) : 0.0;
}

}  // namespace rivlen
