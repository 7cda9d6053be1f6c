#include "core/diagnosis/GustLevels.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"

namespace rivlen {

GustLevels::GustLevels(int channels, int rate) : m_hop(std::max(1, int(std::lround(kStep * rate)))) {
    const double q = std::numbers::sqrt2 / 2, top = std::min(4000.0, 0.4 * rate);
    for (int c = 0; c < channels; ++c)
        m_channels.push_back({Biquad::highPass(15, q, rate), Biquad::lowPass(60, q, rate),
                              Biquad::highPass(200, q, rate), Biquad::lowPass(top, q, rate)});
}

void GustLevels::add(const AudioBuffer& block) {
    for (int64_t i = 0; i < block.frames(); ++i) {
        for (size_t c = 0; c < m_channels.size(); ++c) {
            const double x = block.channel(int(c))[size_t(i)];
            const double low = m_channels[c].lowLow.next(m_channels[c].lowHigh.next(x)),
                         body = m_channels[c].bodyLow.next(m_channels[c].bodyHigh.next(x));
            m_lowSum += low * low;
            m_bodySum += body * body;
        }
        if (++m_count < m_hop) continue;
        const double n = double(m_count) * double(m_channels.size());
        m_low.push_back(float(powerDb(m_lowSum / n + 1e-12)));
        m_body.push_back(float(powerDb(m_bodySum / n + 1e-12)));
        m_lowSum = m_bodySum = 0;
        m_count = 0;
    }
}

double GustLevels::voiceDb() const {
    if (m_body.empty()) return -200;
    std::vector<float> sorted = m_body;
    const auto loud = sorted.begin() + long(double(sorted.size() - 1) * 0.95);
    std::nth_element(sorted.begin(), loud, sorted.end());
    const float least = *loud - 15;
    double sum = 0, n = 0;
    for (float v : m_body)
        if (v > least) sum += fromPowerDb(v), ++n;
    return *loud < -80 ? -200 : powerDb(sum / n);
}

double voiceLevel(SampleSource& source, const Progress& progress) {
    GustLevels levels(source.channels(), source.sampleRate());
    const int64_t block = source.sampleRate();
    for (int64_t at = 0; at < source.frames(); at += block) {
        progress.throwIfCancelled();
        levels.add(source.read(at, std::min(block, source.frames() - at)));
    }
    return fromDb(levels.voiceDb());
}

}  // namespace rivlen
