#pragma once
#include <atomic>
#include <functional>

#include "core/audio/Error.h"

namespace rivlen {

/// What a long computation reports to and is cancelled by. report() is called on the working thread.
class Progress {
public:
    std::function<void(double fraction)> onProgress;

    void report(double fraction) const {
        if (onProgress) onProgress(fraction);
    }
    void cancel() { m_cancelled = true; }
    bool cancelled() const { return m_cancelled; }
    void throwIfCancelled() const {
        if (m_cancelled) throw Error(Error::Kind::Cancelled, "Cancelled; nothing was changed.");
    }

private:
    std::atomic<bool> m_cancelled{false};
};

}  // namespace rivlen
