#include <cmath>

#include "core/measures/SeparationMeasures.h"

namespace rivlen {

double siSdr(const AudioBuffer& estimate, const AudioBuffer& reference) {
    double ee = 0, rr = 0, er = 0;
    for (int c = 0; c < reference.channels(); ++c) {
        const auto e = estimate.channel(c), r = reference.channel(c);
        const double n = double(r.size());
        double meanE = 0, meanR = 0;
        for (size_t i = 0; i < r.size(); ++i) {
            meanE += double(e[i]) / n;
            meanR += double(r[i]) / n;
        }
        for (size_t i = 0; i < r.size(); ++i) {
            const double a = e[i] - meanE, b = r[i] - meanR;
            ee += a * a;
            rr += b * b;
            er += a * b;
        }
    }
    const double target = er * er / std::max(rr, 1e-300);
    return 10 * std::log10((target + 1e-20) / (std::max(ee - target, 0.0) + 1e-20));
}

}  // namespace rivlen
