#include "core/audio/SpeakerLayout.h"

#include <cmath>
#include <numbers>

#include "core/audio/ChannelLayout.h"

namespace rivlen {

namespace {

constexpr double kHalf = std::numbers::sqrt2 / 2;
using Matrix = std::vector<std::vector<double>>;  ///< by row: one channel of the answer, of all channels of the mix

/// Azimuths by file order, degrees to the left; 1000: the LFE, which has no direction.
std::vector<double> azimuths(int channels) {
    switch (channels) {
        case 1: return {0};
        case 2: return {30, -30};
        case 6: return {30, -30, 0, 1000, 110, -110};
        default: return {30, -30, 0, 1000, 135, -135, 90, -90};
    }
}

Matrix ambisonic(int channels) {
    Matrix m(4, std::vector<double>(size_t(channels), 0.0));
    const auto places = azimuths(channels);
    for (int c = 0; c < channels; ++c) {
        if (places[size_t(c)] > 360) continue;
        const double azimuth = places[size_t(c)] * std::numbers::pi / 180;
        m[0][size_t(c)] = 1;                  // W
        m[1][size_t(c)] = std::sin(azimuth);  // Y; Z is 0 at ear height
        m[3][size_t(c)] = std::cos(azimuth);  // X
    }
    return m;
}

Matrix matrixFor(int from, ChannelLayout layout) {
    if (layout == ChannelLayout::AmbiX) return ambisonic(from);
    const Matrix loRo = from == 6   ? Matrix{{1, 0, kHalf, 0, kHalf, 0}, {0, 1, kHalf, 0, 0, kHalf}}
                        : from == 8 ? Matrix{{1, 0, kHalf, 0, kHalf, 0, kHalf, 0}, {0, 1, kHalf, 0, 0, kHalf, 0, kHalf}}
                                    : Matrix{};
    switch (layout) {
        case ChannelLayout::Mono: {
            if (from == 2) return {{0.5, 0.5}};
            Matrix mono{std::vector<double>(size_t(from))};
            for (int c = 0; c < from; ++c) mono[0][size_t(c)] = 0.5 * (loRo[0][size_t(c)] + loRo[1][size_t(c)]);
            return mono;
        }
        case ChannelLayout::Stereo: return from == 1 ? Matrix{{kHalf}, {kHalf}} : loRo;
        case ChannelLayout::Surround51:
            if (from == 1) return {{0}, {0}, {1}, {0}, {0}, {0}};
            if (from == 2) return {{1, 0}, {0, 1}, {0, 0}, {0, 0}, {0, 0}, {0, 0}};
            return {{1, 0, 0, 0, 0, 0, 0, 0}, {0, 1, 0, 0, 0, 0, 0, 0},         {0, 0, 1, 0, 0, 0, 0, 0},
                    {0, 0, 0, 1, 0, 0, 0, 0}, {0, 0, 0, 0, kHalf, 0, kHalf, 0}, {0, 0, 0, 0, 0, kHalf, 0, kHalf}};
        default: {
            Matrix m(8, std::vector<double>(size_t(from), 0.0));
            if (from == 1) m[2][0] = 1;
            else m[0][0] = m[1][1] = 1;
            if (from == 6) m[2][2] = m[3][3] = 1, m[4][4] = m[5][5] = m[6][4] = m[7][5] = kHalf;
            return m;
        }
    }
}

}  // namespace

const std::vector<ChannelLayoutFacts>& channelLayouts() {
    static const std::vector<ChannelLayoutFacts> table = {
        {ChannelLayout::Own, "own", "the mix's own", 0},
        {ChannelLayout::Mono, "mono", "mono", 1},
        {ChannelLayout::Stereo, "stereo", "stereo", 2},
        {ChannelLayout::Surround51, "5.1", "5.1", 6},
        {ChannelLayout::Surround71, "7.1", "7.1", 8},
        {ChannelLayout::AmbiX, "ambix", "AmbiX, first order", 4},
        {ChannelLayout::Binaural, "binaural", "two ears (headphones)", 2},
    };
    return table;
}

const ChannelLayoutFacts& layoutFacts(ChannelLayout layout) { return channelLayouts()[size_t(layout)]; }

std::vector<std::string> channelNames(ChannelLayout layout, int channels) {
    if (layout == ChannelLayout::AmbiX) return {"W", "Y", "Z", "X"};
    return channelNames(channels);
}

int channelsOf(ChannelLayout layout, int own) {
    return layout == ChannelLayout::Own ? own : layoutFacts(layout).channels;
}

AudioBuffer toLayout(const AudioBuffer& mix, ChannelLayout layout) {
    const int from = mix.channels(), to = channelsOf(layout, from);
    if (to == from && layout != ChannelLayout::AmbiX) return mix;
    const Matrix m = matrixFor(from, layout);
    AudioBuffer out(to, mix.frames());
    for (int c = 0; c < to; ++c)
        for (int s = 0; s < from; ++s) {
            const auto gain = float(m[size_t(c)][size_t(s)]);
            if (gain == 0) continue;
            const auto x = mix.channel(s);
            auto y = out.channel(c);
            for (size_t i = 0; i < y.size(); ++i) y[i] += gain * x[i];
        }
    return out;
}

}  // namespace rivlen
