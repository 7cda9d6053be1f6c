#pragma once
#include <condition_variable>
#include <deque>
#include <mutex>
#include <thread>

#include "core/delivery/Measurement.h"

namespace rivlen {

/// Measures on a thread of its own while its owner renders, decodes or writes: measuring takes about as long as those.
/// Holds a few blocks at most; add() waits for room.
class MeasuringThread {
public:
    /// As Measurer's.
    MeasuringThread(int channels, int sampleRate, int64_t frames, int speechChannels, MeasurementDetail detail);
    ~MeasuringThread();  ///< without finish(): what waits is left
    void add(AudioBuffer sound, AudioBuffer speech);
    Measurement finish();  ///< waits for all blocks

private:
    void run();

    Measurer m_measurer;
    std::deque<std::pair<AudioBuffer, AudioBuffer>> m_waiting;
    bool m_ended = false, m_left = false;
    std::mutex m_guard;
    std::condition_variable m_changed;
    std::thread m_thread;
};

}  // namespace rivlen
