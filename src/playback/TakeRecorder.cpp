#include "playback/TakeRecorder.h"

#include <chrono>

#include "core/base/Error.h"

namespace rivlen {

namespace {
constexpr auto kStep = std::chrono::milliseconds(50);
constexpr int kStepsToKeep = 20;  // a crash loses at most so many, a second
}  // namespace

TakeRecorder::TakeRecorder(std::unique_ptr<TakeFile> take, int64_t late, int64_t until)
    : m_take(std::move(take)), m_late(late), m_until(until), m_thread([this] { run(); }) {}

TakeRecorder::~TakeRecorder() {
    m_running = false;
    if (m_thread.joinable()) m_thread.join();
}

void TakeRecorder::run() {
    try {
        for (int step = 1; m_running; ++step) {
            drain();
            if (step % kStepsToKeep == 0) m_take->keep();
            std::this_thread::sleep_for(kStep);
        }
        drain();
    } catch (const Error& e) {
        m_why = e.what();
        m_failed = true;
    }
}

void TakeRecorder::drain() {
    for (const auto& sample : m_ring->take())
        if (const int64_t frame = sample.frame - m_late; frame < m_until) m_take->put(frame, sample.value);
    m_frames = m_take->frames();
}

TakeRecorder::Kept TakeRecorder::finish() {
    m_running = false;
    if (m_thread.joinable()) m_thread.join();
    if (m_failed) throw Error(Error::Kind::OutputUnwritable, m_why);
    if (m_take->frames() == 0) {
        m_take->discard();
        throw Error(Error::Kind::Other, "Nothing was recorded: the recording did not play, or the device stopped.");
    }
    Kept kept{{}, m_take->first(), m_take->frames(), m_take->missing() + int64_t(m_ring->lost())};
    kept.file = m_take->finish();
    return kept;
}

}  // namespace rivlen
