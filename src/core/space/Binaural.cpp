#include "core/space/Binaural.h"

#include <algorithm>
#include <cmath>

#include "core/space/SphericalHarmonics.h"

namespace rivlen {

namespace {

constexpr int kPoints = 240;  // directions that stand for the sphere: enough for the fifth order

Direction turnedBack(const Direction& at, double yaw) { return {at.azimuth - yaw, at.elevation}; }

double energy(const HeadResponses::Pair& pair) {
    double sum = 0;
    for (const auto* ear : {&pair.left, &pair.right})
        for (float v : *ear) sum += double(v) * v;
    return sum;
}

}  // namespace

Binaural::Binaural(MixFormat format, int channels, std::shared_ptr<const HeadResponses> responses, double yaw)
    : m_format(format),
      m_channels(format == MixFormat::Reel ? channels : mixFormatFacts(format).channels),
      m_past(responses->length() - 1),
      m_responses(std::move(responses)),
      m_yaw(yaw),
      m_fft(nextPowerOfTwo(kBlock + m_past)),
      m_history(m_channels, m_past) {
    double mean = 0;
    for (int a = 0; a < 360; a += 10) mean += energy(m_responses->at({double(a), 0})) / 36;
    m_level = 1 / std::sqrt(std::max(1e-12, mean));
    m_filters = filtersFor(yaw);
}

std::shared_ptr<const Binaural::Filters> Binaural::filtersFor(double yaw) {
    const size_t length = size_t(m_responses->length());
    std::vector<std::array<std::vector<float>, 2>> filters(size_t(m_channels), {std::vector<float>(length, 0.0f),
                                                                                std::vector<float>(length, 0.0f)});
    const auto add = [&](size_t channel, const HeadResponses::Pair& pair, double gain) {
        for (size_t i = 0; i < length; ++i) {
            filters[channel][0][i] += float(gain * double(pair.left[i]));
            filters[channel][1][i] += float(gain * double(pair.right[i]));
        }
    };
    const int order = mixFormatFacts(m_format).order;
    if (order == 0) {
        const auto& speakers = m_format == MixFormat::Reel ? speakersOfChannels(m_channels) : speakersOf(m_format);
        for (size_t c = 0; c < size_t(m_channels); ++c)
            if (!speakers[c].lfe) add(c, m_responses->at(turnedBack(speakers[c].at, yaw)), m_level);
    } else {
        for (const Direction& at : evenDirections(kPoints)) {
            const auto pair = m_responses->at(turnedBack(at, yaw));
            const auto y = sphericalHarmonics(order, at);
            for (int l = 0; l <= order; ++l)
                for (int n = l * l; n < (l + 1) * (l + 1); ++n)
                    add(size_t(n), pair, m_level * (2 * l + 1) * y[size_t(n)] / kPoints);
        }
    }
    auto out = std::make_shared<Filters>();
    std::vector<float> padded(size_t(m_fft.size()), 0.0f);
    for (const auto& both : filters) {
        std::array<Spectrum, 2> spectra;
        for (size_t ear = 0; ear < 2; ++ear) {
            std::copy(both[ear].begin(), both[ear].end(), padded.begin());
            spectra[ear].resize(size_t(m_fft.bins()));
            m_fft.forward(padded, spectra[ear]);
        }
        out->push_back(std::move(spectra));
    }
    return out;
}

void Binaural::turn(double yaw) {
    if (yaw == m_yaw) return;
    m_yaw = yaw;
    if (!m_before) m_before = m_filters;
    m_filters = filtersFor(yaw);
}

void Binaural::reset() { m_history = AudioBuffer(m_channels, m_past); }

AudioBuffer Binaural::heard(const Filters& filters, const std::vector<Spectrum>& input, int64_t frames) {
    AudioBuffer out(2, frames);
    Spectrum sum(size_t(m_fft.bins()));
    std::vector<float> time(size_t(m_fft.size()));
    for (size_t ear = 0; ear < 2; ++ear) {
        std::fill(sum.begin(), sum.end(), 0.0f);
        for (size_t c = 0; c < input.size(); ++c)
            for (size_t k = 0; k < sum.size(); ++k) sum[k] += input[c][k] * filters[c][ear][k];
        m_fft.inverse(sum, time);
        std::copy_n(time.begin() + m_past, frames, out.channel(int(ear)).begin());
    }
    return out;
}

AudioBuffer Binaural::process(const AudioBuffer& mix) {
    const int64_t frames = mix.frames();
    std::vector<Spectrum> input(size_t(m_channels), Spectrum(size_t(m_fft.bins())));
    std::vector<float> time(size_t(m_fft.size()), 0.0f);
    for (int c = 0; c < m_channels; ++c) {
        auto past = m_history.channel(c);
        const auto now = mix.channel(c);
        std::fill(std::copy(now.begin(), now.end(), std::copy(past.begin(), past.end(), time.begin())), time.end(),
                  0.0f);
        m_fft.forward(time, input[size_t(c)]);
        std::copy_n(time.begin() + frames, m_past, past.begin());
    }
    AudioBuffer out = heard(*m_filters, input, frames);
    if (!m_before) return out;
    const AudioBuffer old = heard(*m_before, input, frames);
    m_before.reset();
    for (int ear = 0; ear < 2; ++ear)
        for (int64_t i = 0; i < frames; ++i) {
            const float w = float(i + 1) / float(frames);
            float& v = out.channel(ear)[size_t(i)];
            v = (1 - w) * old.channel(ear)[size_t(i)] + w * v;
        }
    return out;
}

}  // namespace rivlen
