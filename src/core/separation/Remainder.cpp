#include "core/separation/Remainder.h"

#include <cmath>

namespace rivlen {

Remainder::Remainder(int stems, int channels, int sampleRate)
    : m_states(size_t(stems) * size_t(channels)), m_smoothing(1.0 - std::exp(-1.0 / (0.02 * sampleRate))) {}

void Remainder::share(const AudioBuffer& source, std::vector<AudioBuffer>& stems) {
    const size_t count = stems.size();
    std::vector<double> weights(count);
    for (int c = 0; c < source.channels(); ++c) {
        const auto x = source.channel(c);
        for (size_t i = 0; i < x.size(); ++i) {
            double sum = 0, total = 1e-14;
            for (size_t s = 0; s < count; ++s) {
                State& state = m_states[s * size_t(source.channels()) + size_t(c)];
                const float v = stems[s].channel(c)[i];
                const double d = double(v) - state.previous;
                state.previous = v;
                state.energy += m_smoothing * (d * d - state.energy);
                weights[s] = state.energy;
                total += state.energy;
                sum += v;
            }
            const double rest = double(x[i]) - sum;
            double others = 0;
            for (size_t s = 0; s + 1 < count; ++s) {
                float& v = stems[s].channel(c)[i];
                v = float(v + rest * weights[s] / total);
                others += v;
            }
            stems[count - 1].channel(c)[i] = float(double(x[i]) - others);
        }
    }
}

}  // namespace rivlen
