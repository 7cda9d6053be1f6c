#include "app/rebuild/SpaceListening.h"

#include <algorithm>

#include "core/audio/Decibel.h"

namespace rivlen {

namespace {
constexpr int kPicturesASecond = 20, kColumns = 60, kRows = 30;
constexpr double kFall = 20.0 / kPicturesASecond;  // dB a picture
}  // namespace

SpaceListening::SpaceListening(Hearing& hearing, QObject* parent) : QObject(parent), m_hearing(hearing) {
    m_timer.setInterval(1000 / kPicturesASecond);
    connect(&m_timer, &QTimer::timeout, this, &SpaceListening::listen);
    connect(&hearing, &Hearing::changed, this, &SpaceListening::follow);
}

void SpaceListening::look(const QObject* viewer, MixFeed::Measured what) {
    m_viewers[viewer] = what;
    follow();
}

void SpaceListening::follow() {
    auto most = MixFeed::Measured::Nothing;
    for (const auto& [viewer, what] : m_viewers) most = std::max(most, what);
    const bool wanted = most != MixFeed::Measured::Nothing;
    m_hearing.player().setMeasured(most);
    const bool playing = wanted && m_hearing.player().playing();
    if (playing && !m_timer.isActive()) m_timer.start();
    if (!wanted) m_timer.stop();
}

void SpaceListening::forgetHighest() {
    std::fill(m_highest.begin(), m_highest.end(), kSilenceDb);
    emit heard();
}

void SpaceListening::listen() {
    const bool playing = m_hearing.player().playing() && m_hearing.player().heard() == Heard::Mix;
    const SpaceReading now = m_hearing.player().takeReading();
    if (now.channels > 0) {
        if (!m_map || m_map->format() != now.format || m_map->channels() != now.channels) {
            m_map.emplace(now.format, now.channels, kColumns, kRows);
            m_peaks.assign(size_t(now.channels), kSilenceDb);
            m_highest = m_peaks;
        }
        m_reading = now;
        if (!playing) std::fill(m_reading.covariance.begin(), m_reading.covariance.end(), 0.0);
        for (size_t c = 0; c < m_peaks.size(); ++c) {
            m_peaks[c] = std::max(now.truePeaks[c], m_peaks[c] - kFall);
            m_highest[c] = std::max(m_highest[c], now.truePeaks[c]);
        }
        emit heard();
    }
    const bool fallen = std::all_of(m_peaks.begin(), m_peaks.end(), [](double p) { return p < -70; });
    if (!m_hearing.player().playing() && fallen) m_timer.stop();  // idle means idle
}

}  // namespace rivlen
