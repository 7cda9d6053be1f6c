#include "core/space/Placer.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/audio/Decibel.h"

namespace rivlen {

namespace {

/// The coefficient of y += (1 - c) (x - y) that has the air's loss at 8 kHz; 0 up to a metre.
double coefficient(double metres, int rate) {
    constexpr double kHz = 8000;
    static const double perMetre = airAbsorption(kHz);
    const double loss = perMetre * std::max(0.0, metres - 1);
    if (loss <= 0) return 0;
    // |H|^2 = (1 - c)^2 / (1 - 2 c cos w + c^2) = 10^(-loss / 10), solved for c.
    const double w = 2 * std::numbers::pi * std::min(kHz, 0.45 * rate) / rate, k = std::pow(10, -loss / 10);
    const double b = (1 - k * std::cos(w)) / (1 - k);
    return b - std::sqrt(std::max(0.0, b * b - 1));
}

}  // namespace

Placer::Placer(MixFormat format, int channels, int sampleRate)
    : m_placement(format, channels), m_rate(sampleRate), m_state(size_t(channels), 0.0) {}

void Placer::reset() { std::fill(m_state.begin(), m_state.end(), 0.0); }

void Placer::know(const Where& from, const Where& to) {
    const auto is = [](const std::optional<Known>& known, const Where& where) {
        return known && known->where == where;
    };
    const auto made = [this](const Where& where) {
        Position place = where.place;
        if (where.levelled) place.distance = 1;
        return Known{where, m_placement.gains(place, where.width)};
    };
    if (!is(m_from, from)) m_from = is(m_to, from) ? *m_to : made(from);
    if (!is(m_to, to)) m_to = is(m_from, to) ? *m_from : made(to);
}

void Placer::air(AudioBuffer& sound, int64_t from, int64_t to, double a, double b, double offset) {
    if (a <= 1 && b <= 1 && std::all_of(m_state.begin(), m_state.end(), [](double s) { return s == 0; })) return;
    const double first = coefficient(a, m_rate), last = coefficient(b, m_rate);
    for (int c = 0; c < sound.channels(); ++c) {
        auto row = sound.channel(c);
        double& y = m_state[size_t(c)];
        for (int64_t i = from; i < to; ++i) {
            const double share = (double(i) + offset) / kGrid, pole = first + share * (last - first);
            y += (1 - pole) * (double(row[size_t(i)]) - y);
            row[size_t(i)] = float(y);
        }
        if (last <= 0) y = 0;  // it is as it is: nothing is remembered
    }
}

void Placer::mix(const AudioBuffer& sound, int64_t from, int64_t to, double offset, AudioBuffer& out) const {
    const auto &a = m_from->gains, &b = m_to->gains;
    const size_t channels = size_t(sound.channels());
    for (int o = 0; o < out.channels(); ++o)
        for (size_t c = 0; c < channels; ++c) {
            const double begin = a[size_t(o) * channels + c], step = (b[size_t(o) * channels + c] - begin) / kGrid;
            if (begin == 0 && step == 0) continue;
            const auto x = sound.channel(int(c));
            auto y = out.channel(o);
            for (int64_t i = from; i < to; ++i)
                y[size_t(i)] += float((begin + step * (double(i) + offset)) * double(x[size_t(i)]));
        }
}

}  // namespace rivlen
