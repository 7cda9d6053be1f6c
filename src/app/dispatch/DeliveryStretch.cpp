#include "app/dispatch/DeliveryStretch.h"

#include <cmath>
#include <deque>
#include <numeric>

#include "app/views/WaveDrawing.h"
#include "core/loudness/Loudness.h"
#include "core/media/JoinedFiles.h"

namespace rivlen {

namespace {

constexpr int kTenths = 30;  // of the short-term loudness's three seconds (EBU Tech 3341)

/// The mean of the last three seconds' powers at each tenth of a second of [first, end).
std::vector<float> shortTermOf(SampleSource& source, int64_t first, int64_t end, const Progress& progress) {
    const int64_t tenth = source.sampleRate() / 10;
    LoudnessMeter meter(source.channels(), source.sampleRate(), LoudnessMeter::Detail::LoudnessAndPeak);
    std::deque<double> powers;
    std::vector<float> all;
    for (int64_t at = std::max<int64_t>(0, first - kTenths * tenth); at + tenth <= end; at += tenth) {
        progress.throwIfCancelled();
        meter.add(source.read(at, tenth));
        powers.push_back(std::pow(10, meter.lastTenth() / 10));
        if (powers.size() > kTenths) powers.pop_front();
        if (at < first) continue;
        const double sum = std::accumulate(powers.begin(), powers.end(), 0.0);
        all.push_back(float(10 * std::log10(sum / kTenths + 1e-12)));
    }
    return all;
}

DeliveryStretch::Found read(const std::vector<std::filesystem::path>& files, double begin, double from, double to,
                            int columns, const Progress& progress) {
    DeliveryStretch::Found found{from, to, {}, {}, {}, 1e-6f};
    JoinedFiles source(files);
    const double rate = source.sampleRate();
    const int64_t first = std::max<int64_t>(0, std::llround((from - begin) * rate)),
                  end = std::min(source.frames(), int64_t(std::llround((to - begin) * rate)));
    if (end <= first) return found;
    found.from = begin + double(first) / rate, found.to = begin + double(end) / rate;
    if (to - from < kCloseSeconds) {
        const AudioBuffer all = source.read(first, end - first);
        for (int c = 0; c < all.channels(); ++c) {
            found.samples.emplace_back(all.channel(c).begin(), all.channel(c).end());
            for (const float v : found.samples.back()) found.loudest = std::max(found.loudest, std::fabs(v));
        }
    } else {
        found.wave = waveOfFiles(files, first, end, columns, progress);
    }
    if (to - from <= DeliveryStretch::kLoudnessSeconds) found.shortTerm = shortTermOf(source, first, end, progress);
    return found;
}

}  // namespace

DeliveryStretch::DeliveryStretch(const TimeAxis& axis, QObject* parent) : QObject(parent), m_axis(axis) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(60);
    connect(&m_wait, &QTimer::timeout, this, &DeliveryStretch::read);
    connect(&axis, &TimeAxis::changed, &m_wait, qOverload<>(&QTimer::start));
}

void DeliveryStretch::follow(std::vector<std::filesystem::path> files, double begin) {
    if (files == m_files && begin == m_begin) return;
    m_files = std::move(files);
    m_begin = begin;
    m_found.reset();
    m_wait.start();
}

void DeliveryStretch::read() {
    m_newest.cancel();
    if (m_files.empty() || m_axis.span() <= 0 || m_axis.span() > kWaveSeconds) {
        m_found.reset();
        emit changed();
        return;
    }
    m_newest.run([this, files = m_files, begin = m_begin, from = m_axis.from(), to = m_axis.to(),
                  columns = m_columns](const Progress& progress) {
        return [this, found = rivlen::read(files, begin, from, to, columns, progress)] {
            m_found = found;
            emit changed();
        };
    });
}

}  // namespace rivlen
