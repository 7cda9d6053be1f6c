#include "app/hearing/HeardMeters.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"

namespace rivlen {

HeardMeters::HeardMeters(Hearing& hearing, QObject* parent) : QObject(parent), m_hearing(hearing) { restart(); }

void HeardMeters::restart() {
    m_meter.reset();
    m_momentary = m_shortTerm = m_integrated = -INFINITY;
    m_truePeak = kSilenceDb;
    emit changed();
}

void HeardMeters::tick() {
    Player& player = m_hearing.player();
    if (!player.isOpen()) return;
    if (player.sampleRate() != m_rate || player.heard() != m_heard) {  // what was measured belongs to something else
        m_rate = player.sampleRate();
        m_heard = player.heard();
        restart();
    }
    const std::vector<float> fresh = player.takeHeard();
    const size_t frames = fresh.size() / 2;
    if (frames > 0) {
        if (!m_meter) m_meter = std::make_unique<LoudnessMeter>(2, m_rate);
        AudioBuffer block(2, int64_t(frames));
        for (size_t i = 0; i < frames; ++i) block.channel(0)[i] = fresh[2 * i], block.channel(1)[i] = fresh[2 * i + 1];
        m_meter->add(block);
        m_momentary = m_meter->momentary();
        m_shortTerm = m_meter->shortTerm();
        m_integrated = m_meter->integrated();
        m_truePeak = m_meter->truePeak();
        m_last.insert(m_last.end(), fresh.begin(), fresh.end());
    }
    const size_t keep = 2 * std::max<size_t>(kSize, size_t(0.3 * m_rate));
    if (m_last.size() > keep) m_last.erase(m_last.begin(), m_last.end() - long(keep));
    if (frames == 0) {
        if (m_quiet) return;
        for (float& v : m_spectrum) v = std::max(-120.0f, v - 3);
        m_quiet = std::all_of(m_spectrum.begin(), m_spectrum.end(), [](float v) { return v <= -120; });
        return void(emit changed());
    }
    m_quiet = false;
    double lr = 0, ll = 1e-12, rr = 1e-12;
    for (size_t i = 0; i + 1 < m_last.size(); i += 2)
        lr += double(m_last[i]) * m_last[i + 1], ll += double(m_last[i]) * m_last[i],
            rr += double(m_last[i + 1]) * m_last[i + 1];
    m_correlation = ll + rr < 1e-9 ? 1 : lr / std::sqrt(ll * rr);
    if (m_last.size() >= 2 * size_t(kSize)) {
        std::vector<float> x(kSize);
        std::vector<std::complex<float>> bins(size_t(m_fft.bins()));
        const float* from = m_last.data() + m_last.size() - 2 * size_t(kSize);
        for (size_t i = 0; i < size_t(kSize); ++i) x[i] = 0.5f * (from[2 * i] + from[2 * i + 1]) * m_window[i];
        m_fft.forward(x, bins);
        for (size_t k = 0; k < bins.size(); ++k)  // a sine of full scale reads 0 dB: the window's sum is half its size
            m_spectrum[k] = std::max(
                {float(20 * std::log10(std::abs(bins[k]) * 4 / kSize + 1e-7f)), m_spectrum[k] - 2.0f, -120.0f});
    }
    emit changed();
}

}  // namespace rivlen
