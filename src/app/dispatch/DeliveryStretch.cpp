#include "app/dispatch/DeliveryStretch.h"

#include <cmath>
#include <deque>
#include <numeric>

#include "app/views/WaveDrawing.h"
#include "core/loudness/Loudness.h"
#include "core/media/JoinedFiles.h"

namespace rivlen {

namespace {

constexpr int kTenths = 30;                            // of the short-term loudness's three seconds (EBU Tech 3341)
constexpr double kTenth = 0.1, kOutlineColumn = 0.02;  // seconds

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
                            int columns, bool withLoudness, const Progress& progress) {
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
    if (withLoudness) found.shortTerm = shortTermOf(source, first, end, progress);
    return found;
}

}  // namespace

DeliveryStretch::DeliveryStretch(const TimeAxis& axis, QObject* parent) : QObject(parent), m_axis(axis) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(60);
    connect(&m_wait, &QTimer::timeout, this, &DeliveryStretch::read);
    connect(&axis, &TimeAxis::changed, this, &DeliveryStretch::move);
}

void DeliveryStretch::follow(std::vector<std::filesystem::path> files, double begin) {
    if (files == m_files && begin == m_begin) return;
    m_files = std::move(files);
    m_begin = begin;
    m_found.reset();
    m_outline.clear();
    m_tenths.clear();
    m_outlining.cancel();
    m_newest.cancel();
    if (!m_files.empty()) outline();
    move();
}

void DeliveryStretch::move() {
    if (m_axis.span() > 0 && m_axis.span() <= kReadSeconds) return m_wait.start();
    m_wait.stop();
    m_newest.cancel();
    showOutline();
}

void DeliveryStretch::outline() {
    m_outlining.run([this, files = m_files](const Progress& progress) {
        const JoinedFiles source(files);
        const double seconds = double(source.frames()) / source.sampleRate();
        const int columns = std::max(1, int(seconds / kOutlineColumn));
        auto wave = waveOfFiles(files, 0, source.frames(), columns, progress);
        return [this, wave = std::move(wave), column = seconds / columns] {
            m_outline = wave;
            m_outlineColumn = column;
            if (m_axis.span() > kReadSeconds) showOutline();
            outlineLoudness();
        };
    });
}

void DeliveryStretch::outlineLoudness() {
    m_outlining.run([this, files = m_files](const Progress& progress) {
        JoinedFiles source(files);
        auto tenths = shortTermOf(source, 0, source.frames(), progress);
        return [this, tenths = std::move(tenths)] {
            m_tenths = tenths;
            if (m_axis.span() > kReadSeconds) showOutline();
        };
    });
}

std::vector<float> DeliveryStretch::loudnessBetween(double from, double to) const {
    const auto tenths = int64_t(m_tenths.size());
    const auto at = [&](double second) {
        return std::clamp<int64_t>(std::llround((second - m_begin) / kTenth), 0, tenths);
    };
    const int64_t first = at(from), end = at(to), group = std::max<int64_t>(1, (end - first) / std::max(1, m_columns));
    std::vector<float> loudest;
    for (int64_t i = first; i < end; i += group)
        loudest.push_back(*std::max_element(m_tenths.begin() + i, m_tenths.begin() + std::min(i + group, end)));
    return loudest;
}

void DeliveryStretch::showOutline() {
    m_found.reset();
    const auto columns = int64_t(m_outline.size());
    const auto at = [&](double second) {
        return std::clamp<int64_t>(std::llround((second - m_begin) / m_outlineColumn), 0, columns);
    };
    if (const int64_t first = columns ? at(m_axis.from()) : 0, end = columns ? at(m_axis.to()) : 0; end > first) {
        // Groups begin at the same columns wherever the axis stands: a picture that is scrolled does not flicker.
        const int64_t group = std::max<int64_t>(1, (end - first) / std::max(1, m_columns)),
                      from = first / group * group;
        Found found;
        for (int64_t i = from; i < end; i += group) {
            auto column = m_outline[size_t(i)];
            for (int64_t k = i + 1; k < std::min(i + group, columns); ++k)
                column = {std::min(column.first, m_outline[size_t(k)].first),
                          std::max(column.second, m_outline[size_t(k)].second)};
            found.wave.push_back(column);
        }
        found.from = m_begin + double(from) * m_outlineColumn;
        found.to = found.from + double(int64_t(found.wave.size()) * group) * m_outlineColumn;
        found.shortTerm = loudnessBetween(found.from, found.to);
        m_found = std::move(found);
    }
    emit changed();
}

void DeliveryStretch::read() {
    if (m_files.empty()) return;
    m_newest.run([this, files = m_files, begin = m_begin, from = m_axis.from(), to = m_axis.to(), columns = m_columns,
                  withLoudness = m_tenths.empty() && m_axis.span() <= kLoudnessSeconds](const Progress& progress) {
        return [this, found = rivlen::read(files, begin, from, to, columns, withLoudness, progress)] {
            m_found = found;
            if (!m_tenths.empty()) m_found->shortTerm = loudnessBetween(found.from, found.to);
            emit changed();
        };
    });
}

}  // namespace rivlen
