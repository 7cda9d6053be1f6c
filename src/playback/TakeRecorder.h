#pragma once
#include <atomic>
#include <filesystem>
#include <memory>
#include <mutex>
#include <string>
#include <thread>

#include "core/media/TakeFile.h"
#include "playback/VoiceRing.h"

namespace rivlen {

/// Brings a voice from the device's ring into a take, on a thread of its own.
class TakeRecorder {
public:
    /// late: frames by which the voice is later still than its device knows (earlier, where negative). until: the first
    /// frame of the recording that the take does not hold any more.
    TakeRecorder(std::unique_ptr<TakeFile> take, int64_t late, int64_t until);
    ~TakeRecorder();  ///< what was not finished stays as the take keeps it

    std::shared_ptr<VoiceRing> ring() const { return m_ring; }
    int64_t frames() const { return m_frames; }  ///< that are in the take so far
    bool failed() const { return m_failed; }     ///< finish() says why

    struct Kept {
        std::filesystem::path file;
        int64_t first = 0, frames = 0;
        int64_t missing = 0;  ///< frames that did not come in time and are silent
    };
    /// To be called when nothing is put into the ring any more. Throws Error where the disk refuses, or nothing came.
    Kept finish();

private:
    void run();
    void drain();

    std::unique_ptr<TakeFile> m_take;
    std::shared_ptr<VoiceRing> m_ring = std::make_shared<VoiceRing>();
    const int64_t m_late, m_until;
    std::atomic<int64_t> m_frames{0};
    std::atomic<bool> m_failed{false}, m_running{true};
    std::string m_why;
    std::thread m_thread;
};

}  // namespace rivlen
