#include "core/space/Placement.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/space/SphericalHarmonics.h"
#include "core/space/Vbap.h"

namespace rivlen {

const std::vector<Parameter<Position>>& placeParameters() {
    static const std::vector<Parameter<Position>> table = {
        {"azimuth", "Azimuth", "°", -180, 180, 0, 1,
         "Where it comes from around the listener: 0 in front, 90 at the left, -90 at the right, 180 behind.",
         &Position::azimuth},
        {"elevation", "Elevation", "°", -90, 90, 0, 1,
         "How far above or below the ears. Only formats with heights and ambisonics know it.", &Position::elevation},
        {"distance", "Distance", "m", 0.5, 60, 1, 0.1,
         "Softer by 6 dB for each doubling beyond one metre, and duller as the air takes the treble.",
         &Position::distance},
        {"spread", "Spread", "°", 0, 180, 0, 1,
         "How wide a part of the room it fills. Too wide, and nobody can tell where it is.", &Position::spread},
        {"divergence", "Divergence", "%", 0, 100, 0, 1,
         "How much comes from 30° to both sides instead: a voice in front leaves the centre for left and right. Too "
         "much, and it is nowhere for who sits aside.",
         &Position::divergence},
    };
    return table;
}

std::pair<double, double> divergenceShares(double percent) {
    const double d = percent / 100;
    return {(1 - d) / (1 + d), d / (1 + d)};
}

double distanceGain(double metres) { return 1 / std::max(1.0, metres); }

double airAbsorption(double hz, double celsius, double humidityPercent) {
    const double kelvin = celsius + 273.15, relative = kelvin / 293.15;
    const double saturation = std::pow(10, -6.8346 * std::pow(273.16 / kelvin, 1.261) + 4.6151);
    const double h = humidityPercent * saturation;  // molar concentration of water vapour, per cent
    const double oxygen = 24 + 4.04e4 * h * (0.02 + h) / (0.391 + h);
    const double nitrogen =
        std::pow(relative, -0.5) * (9 + 280 * h * std::exp(-4.170 * (std::pow(relative, -1.0 / 3) - 1)));
    return 8.686 * hz * hz *
           (1.84e-11 * std::sqrt(relative) +
            std::pow(relative, -2.5) * (0.01275 * std::exp(-2239.1 / kelvin) / (oxygen + hz * hz / oxygen) +
                                        0.1068 * std::exp(-3352.0 / kelvin) / (nitrogen + hz * hz / nitrogen)));
}

struct Placement::Panner {
    int order;
    Vbap vbap;
    int lfe = -1;

    explicit Panner(MixFormat format) : order(mixFormatFacts(format).order), vbap(speakersOf(format)) {
        const auto& speakers = speakersOf(format);
        for (size_t i = 0; i < speakers.size(); ++i)
            if (speakers[i].lfe) lfe = int(i);
    }
    std::vector<double> gains(const Vector3& at, const Position& place) const {
        if (place.divergence <= 0) return gains(directionOf(at), place.spread);
        const Vector3 aside = turned({0, 1, 0}, directionOf(at).azimuth, 0);  // along the ears of who looks there
        const auto [own, side] = divergenceShares(place.divergence);
        std::vector<double> sum;
        for (const auto& [share, angle] : {std::pair{own, 0.0}, {side, kDivergenceRange}, {side, -kDivergenceRange}}) {
            const double a = angle * std::numbers::pi / 180;
            Vector3 v{};
            for (size_t k = 0; k < 3; ++k) v[k] = std::cos(a) * at[k] + std::sin(a) * aside[k];
            const auto g = gains(directionOf(v), place.spread);
            sum.resize(g.size());
            for (size_t i = 0; i < g.size(); ++i) sum[i] += share * (order == 0 ? g[i] * g[i] : g[i]);
        }
        if (order == 0)
            for (double& g : sum) g = std::sqrt(g);
        return sum;
    }
    std::vector<double> gains(const Direction& at, double spread) const {
        if (order == 0) return vbap.gains(at, spread);
        std::vector<double> out = sphericalHarmonics(order, at);
        const auto weights = capWeights(order, spread);
        for (int l = 0; l <= order; ++l)
            for (int n = l * l; n < (l + 1) * (l + 1); ++n) out[size_t(n)] *= weights[size_t(l)];
        return out;
    }
};

Placement::Placement(MixFormat format, int channels)
    : m_format(format), m_channels(channels), m_panner(std::make_shared<Panner>(format)) {}

std::vector<double> Placement::gains(const Position& place, double widthPercent) const {
    const auto& own = speakersOfChannels(m_channels);
    const double level = distanceGain(place.distance);
    std::vector<double> matrix(size_t(outputs() * m_channels), 0.0);
    for (int c = 0; c < m_channels; ++c) {
        if (m_format == MixFormat::Reel) {
            matrix[size_t(c * m_channels + c)] = level;
            continue;
        }
        const Speaker& from = own[size_t(c)];
        if (from.lfe) {
            if (m_panner->lfe >= 0) matrix[size_t(m_panner->lfe * m_channels + c)] = level;
            continue;
        }
        const double aside = m_channels == 2 ? from.at.azimuth * widthPercent / 100 : from.at.azimuth;
        // The picture is turned as a whole: what lies behind is tilted down when the front goes up.
        const Vector3 at = turned(unitVector({aside, from.at.elevation}), place.azimuth, place.elevation);
        const auto g = m_panner->gains(at, place);
        for (size_t o = 0; o < g.size(); ++o) matrix[o * size_t(m_channels) + size_t(c)] = level * g[o];
    }
    return matrix;
}

}  // namespace rivlen
