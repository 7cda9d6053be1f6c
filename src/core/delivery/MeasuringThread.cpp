#include "core/delivery/MeasuringThread.h"

namespace rivlen {

namespace {
constexpr size_t kMostWaiting = 4;
}

MeasuringThread::MeasuringThread(int channels, int sampleRate, int64_t frames, int speechChannels,
                                 MeasurementDetail detail)
    : m_measurer(channels, sampleRate, frames, speechChannels, detail), m_thread([this] { run(); }) {}

MeasuringThread::~MeasuringThread() {
    {
        const std::lock_guard lock(m_guard);
        m_left = m_ended = true;
    }
    m_changed.notify_all();
    if (m_thread.joinable()) m_thread.join();
}

void MeasuringThread::add(AudioBuffer sound, AudioBuffer speech) {
    std::unique_lock lock(m_guard);
    m_changed.wait(lock, [this] { return m_waiting.size() < kMostWaiting; });
    m_waiting.emplace_back(std::move(sound), std::move(speech));
    m_changed.notify_all();
}

Measurement MeasuringThread::finish() {
    {
        const std::lock_guard lock(m_guard);
        m_ended = true;
    }
    m_changed.notify_all();
    m_thread.join();
    return m_measurer.finish();
}

void MeasuringThread::run() {
    for (;;) {
        std::unique_lock lock(m_guard);
        m_changed.wait(lock, [this] { return m_ended || !m_waiting.empty(); });
        if (m_left || m_waiting.empty()) return;
        const auto [sound, speech] = std::move(m_waiting.front());
        m_waiting.pop_front();
        m_changed.notify_all();
        lock.unlock();
        m_measurer.add(sound, speech);
    }
}

}  // namespace rivlen
