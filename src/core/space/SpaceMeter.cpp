#include "core/space/SpaceMeter.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/space/AmbisonicDecoder.h"
#include "core/space/SphericalHarmonics.h"

namespace rivlen {

namespace {
constexpr double kMemory = 0.1;  // seconds in which what was heard fades out of the covariance
constexpr int kOrder = 3;        // that loudspeakers are encoded in
}  // namespace

double SpaceReading::correlation(int a, int b) const {
    const double both = product(a, a) * product(b, b);
    return both > 1e-20 ? std::clamp(product(a, b) / std::sqrt(both), -1.0, 1.0) : 0;
}

SpaceMeter::SpaceMeter(MixFormat format, int channels, int sampleRate)
    : m_format(format),
      m_channels(channels),
      m_rate(sampleRate),
      m_measured(format, channels, measuredLayoutOf(format)),
      m_whole(m_measured.outputs(), sampleRate, LoudnessMeter::Detail::LoudnessAndPeak),
      m_covariance(size_t(channels * channels), 0.0) {
    for (int c = 0; c < channels; ++c) {
        m_peaks.emplace_back(1, sampleRate);
        if (mixFormatFacts(format).order == 0)
            m_loudness.emplace_back(1, sampleRate, LoudnessMeter::Detail::LoudnessAndPeak);
    }
}

void SpaceMeter::add(const AudioBuffer& mix, Detail detail) {
    if (mix.channels() != m_channels || mix.frames() == 0) return;
    const bool everything = detail == Detail::Everything;
    std::vector<double> peaks, loudness;
    for (int c = 0; c < m_channels && everything; ++c) {
        AudioBuffer one(1, mix.frames());
        std::copy(mix.channel(c).begin(), mix.channel(c).end(), one.channel(0).begin());
        m_peaks[size_t(c)].add(one);
        peaks.push_back(toDb(m_peaks[size_t(c)].take()));
        if (m_loudness.empty()) continue;
        m_loudness[size_t(c)].add(one);
        loudness.push_back(m_loudness[size_t(c)].momentary());
    }
    const double kept = std::exp(-double(mix.frames()) / (kMemory * m_rate));
    for (int a = 0; a < m_channels; ++a)
        for (int b = a; b < m_channels; ++b) {
            const auto x = mix.channel(a), y = mix.channel(b);
            float sum = 0;
            for (size_t i = 0; i < x.size(); ++i) sum += x[i] * y[i];
            double& c = m_covariance[size_t(a * m_channels + b)];
            c = kept * c + (1 - kept) * double(sum) / double(mix.frames());
            m_covariance[size_t(b * m_channels + a)] = c;
        }
    if (everything) m_whole.add(m_measured(mix));
    const std::lock_guard lock(m_guard);
    if (everything) {
        m_reading.momentary = m_whole.momentary();
        m_reading.shortTerm = m_whole.shortTerm();
        m_reading.integrated = m_whole.integrated();
    }
    if (m_reading.channels == 0) {
        m_reading.channels = m_channels;
        m_reading.format = m_format;
        m_reading.truePeaks.assign(size_t(m_channels), kSilenceDb);
    }
    for (size_t c = 0; c < peaks.size(); ++c) m_reading.truePeaks[c] = std::max(m_reading.truePeaks[c], peaks[c]);
    if (everything) m_reading.loudness = std::move(loudness);
    m_reading.covariance = m_covariance;
}

SpaceReading SpaceMeter::read() {
    const std::lock_guard lock(m_guard);
    SpaceReading out = m_reading;
    std::fill(m_reading.truePeaks.begin(), m_reading.truePeaks.end(), kSilenceDb);
    return out;
}

SphereMap::SphereMap(MixFormat format, int channels, int columns, int rows)
    : m_format(format), m_channels(channels), m_columns(columns), m_rows(rows) {
    const int own = mixFormatFacts(format).order;
    m_order = own > 0 ? own : kOrder;
    const auto count = size_t(ambisonicChannels(m_order));
    if (own == 0) {
        const auto& speakers = format == MixFormat::Reel ? speakersOfChannels(channels) : speakersOf(format);
        m_encoder.assign(count * size_t(channels), 0.0);
        for (size_t c = 0; c < speakers.size() && c < size_t(channels); ++c) {
            if (speakers[c].lfe) continue;
            const auto y = sphericalHarmonics(m_order, speakers[c].at);
            for (size_t n = 0; n < count; ++n) m_encoder[n * size_t(channels) + c] = y[n];
        }
    }
    // A beam's answer to a plane wave from its own direction is the sum of (2 l + 1) w_l over the degrees (SN3D).
    const auto weights = maxReWeights(m_order);
    double whole = 0;
    for (int l = 0; l <= m_order; ++l) whole += (2 * l + 1) * weights[size_t(l)];
    for (int row = 0; row < rows; ++row)
        for (int column = 0; column < columns; ++column) {
            auto beam = sphericalHarmonics(m_order, at(column, row));
            for (int l = 0; l <= m_order; ++l)
                for (int n = l * l; n < (l + 1) * (l + 1); ++n)
                    beam[size_t(n)] *= (2 * l + 1) * weights[size_t(l)] / whole;
            m_beams.insert(m_beams.end(), beam.begin(), beam.end());
        }
}

Direction SphereMap::at(int column, int row) const {
    return {180 - 360 * (column + 0.5) / m_columns, 90 - 180 * (row + 0.5) / m_rows};
}

std::vector<double> SphereMap::ambisonic(const SpaceReading& reading) const {
    if (m_encoder.empty()) return reading.covariance;
    const auto count = size_t(ambisonicChannels(m_order)), inputs = size_t(m_channels);
    std::vector<double> half(count * inputs, 0.0), out(count * count, 0.0);
    for (size_t n = 0; n < count; ++n)
        for (size_t k = 0; k < inputs; ++k)
            for (size_t c = 0; c < inputs; ++c)
                half[n * inputs + c] += m_encoder[n * inputs + k] * reading.covariance[k * inputs + c];
    for (size_t n = 0; n < count; ++n)
        for (size_t k = 0; k < count; ++k)
            for (size_t c = 0; c < inputs; ++c) out[n * count + k] += half[n * inputs + c] * m_encoder[k * inputs + c];
    return out;
}

std::vector<double> SphereMap::energy(const SpaceReading& reading) const {
    std::vector<double> out(size_t(m_columns * m_rows), 0.0);
    if (reading.channels != m_channels) return out;
    const auto covariance = ambisonic(reading);
    const auto count = size_t(ambisonicChannels(m_order));
    for (size_t cell = 0; cell < out.size(); ++cell) {
        const double* beam = m_beams.data() + cell * count;
        double power = 0;
        for (size_t a = 0; a < count; ++a) {
            double row = 0;
            for (size_t b = 0; b < count; ++b) row += covariance[a * count + b] * beam[b];
            power += beam[a] * row;
        }
        out[cell] = std::max(0.0, power);
    }
    return out;
}

SphereMap::Whence SphereMap::whence(const SpaceReading& reading) const {
    Whence w;
    if (reading.channels != m_channels) return w;
    const auto covariance = ambisonic(reading);
    const auto count = size_t(ambisonicChannels(m_order));
    const auto of = [&](size_t a, size_t b) { return covariance[a * count + b]; };
    const Vector3 intensity{of(0, 3), of(0, 1), of(0, 2)};  // ACN: W, Y, Z, X
    const double energy = (of(0, 0) + of(1, 1) + of(2, 2) + of(3, 3)) / 2,
                 length = std::sqrt(dot(intensity, intensity));
    w.power = of(0, 0);
    if (energy < 1e-12) return w;
    w.diffuseness = std::clamp(1 - length / energy, 0.0, 1.0);
    if (length > 1e-12) w.at = directionOf(intensity);
    return w;
}

}  // namespace rivlen
