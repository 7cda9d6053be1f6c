#include "core/space/MixFold.h"

#include <numbers>

#include "core/space/AmbisonicDecoder.h"
#include "core/space/SphericalHarmonics.h"

namespace rivlen {

namespace {

constexpr double kHalf = std::numbers::sqrt2 / 2;

/// Rows of outputs over columns of inputs.
struct Matrix {
    size_t rows, columns;
    std::vector<double> gains = std::vector<double>(rows * columns, 0.0);
    double& at(size_t r, size_t c) { return gains[r * columns + c]; }
    double at(size_t r, size_t c) const { return gains[r * columns + c]; }
};

Matrix product(const Matrix& a, const Matrix& b) {
    Matrix out{a.rows, b.columns};
    for (size_t r = 0; r < a.rows; ++r)
        for (size_t k = 0; k < a.columns; ++k)
            for (size_t c = 0; c < b.columns; ++c) out.at(r, c) += a.at(r, k) * b.at(k, c);
    return out;
}

/// What toLayout() does, as a matrix: of a unit impulse in each channel.
Matrix layoutMatrix(int channels, ChannelLayout to) {
    AudioBuffer units(channels, channels);
    for (int c = 0; c < channels; ++c) units.channel(c)[size_t(c)] = 1;
    const AudioBuffer out = toLayout(units, to);
    Matrix m{size_t(out.channels()), size_t(channels)};
    for (size_t r = 0; r < m.rows; ++r)
        for (size_t c = 0; c < m.columns; ++c) m.at(r, c) = double(out.channel(int(r))[c]);
    return m;
}

/// A format's loudspeakers into those of a layout at ear height that has all of their places, heights one below.
Matrix toEarHeight(const std::vector<Speaker>& from, const std::vector<Speaker>& to) {
    Matrix m{to.size(), from.size()};
    for (size_t c = 0; c < from.size(); ++c) {
        const std::string name = from[c].name;
        for (size_t r = 0; r < to.size(); ++r) {
            if (name == to[r].name) m.at(r, c) = 1;
            const std::string below = name == "Ltf"   ? "L"
                                      : name == "Rtf" ? "R"
                                      : name == "Ltb" ? "Lb"
                                      : name == "Rtb" ? "Rb"
                                                      : "";
            const bool back = below == "Lb" || below == "Rb";
            const std::string other = back ? std::string(1, below[0]) + "s" : below;  // 5.1 has no backs
            const bool has = std::string(to[r].name) == below || (to.size() == 6 && std::string(to[r].name) == other);
            if (has) m.at(r, c) = kHalf;
        }
    }
    return m;
}

}  // namespace

MixFormat formatOfLayout(ChannelLayout layout) {
    switch (layout) {
        case ChannelLayout::Mono: return MixFormat::Mono;
        case ChannelLayout::Stereo:
        case ChannelLayout::Binaural: return MixFormat::Stereo;
        case ChannelLayout::Surround51: return MixFormat::Surround51;
        case ChannelLayout::Surround71: return MixFormat::Surround71;
        case ChannelLayout::AmbiX: return MixFormat::Ambix1;
        default: return MixFormat::Reel;
    }
}

ChannelLayout measuredLayoutOf(MixFormat format) {
    return mixFormatFacts(format).order > 0 ? ChannelLayout::Surround71 : ChannelLayout::Own;
}

MixFold::MixFold(MixFormat from, int channels, ChannelLayout to) : m_to(to) {
    const MixFormatFacts& facts = mixFormatFacts(from);
    const int inputs = facts.channels > 0 ? facts.channels : channels;
    m_outputs = channelsOf(to, inputs);
    const bool known = inputs == 1 || inputs == 2 || inputs == 6 || inputs == 8;
    if (to == ChannelLayout::Binaural) m_to = ChannelLayout::Own;  // made by a head (Binaural.h), not by gains
    if (m_to == ChannelLayout::Own || (facts.order == 0 && known)) return;
    Matrix m{0, 0};
    if (facts.order > 0 && to == ChannelLayout::AmbiX) {
        m = Matrix{4, size_t(inputs)};
        for (size_t n = 0; n < 4; ++n) m.at(n, n) = 1;
    } else if (facts.order > 0) {
        const MixFormat ring = to == ChannelLayout::Surround71 ? MixFormat::Surround71 : MixFormat::Surround51;
        const auto& speakers = speakersOf(ring);
        m = Matrix{speakers.size(), size_t(inputs), ambisonicDecoder(facts.order, speakers)};
        if (to != ChannelLayout::Surround71 && to != ChannelLayout::Surround51) m = product(layoutMatrix(6, to), m);
    } else if (to == ChannelLayout::AmbiX) {
        const auto& speakers = speakersOf(from);
        m = Matrix{4, speakers.size()};
        for (size_t c = 0; c < speakers.size(); ++c)
            for (size_t n = 0; n < 4 && !speakers[c].lfe; ++n) m.at(n, c) = sphericalHarmonics(1, speakers[c].at)[n];
    } else {
        const bool backs = from == MixFormat::Surround714;
        const auto& ear = speakersOf(backs ? MixFormat::Surround71 : MixFormat::Surround51);
        m = product(layoutMatrix(int(ear.size()), to), toEarHeight(speakersOf(from), ear));
    }
    m_matrix = std::move(m.gains);
}

AudioBuffer MixFold::operator()(const AudioBuffer& mix) const {
    if (m_matrix.empty()) return toLayout(mix, m_to);
    AudioBuffer out(m_outputs, mix.frames());
    const size_t inputs = size_t(mix.channels());
    for (int r = 0; r < m_outputs; ++r)
        for (size_t c = 0; c < inputs; ++c) {
            const auto gain = float(m_matrix[size_t(r) * inputs + c]);
            if (gain == 0) continue;
            const auto x = mix.channel(int(c));
            auto y = out.channel(r);
            for (size_t i = 0; i < y.size(); ++i) y[i] += gain * x[i];
        }
    return out;
}

}  // namespace rivlen
