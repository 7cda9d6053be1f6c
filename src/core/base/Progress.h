#pragma once
#include <atomic>
#include <functional>

#include "core/base/Error.h"

namespace rivlen {

/// What a long computation reports to and is cancelled by. report() is called on the working thread.
class Progress {
public:
    Progress() = default;
    /// A share of some work: its own 0 ... 1 is from ... to of the whole, and it is cancelled with it. Must not outlive
    /// it.
    Progress(const Progress& whole, double from, double to) : m_whole(&whole) {
        onProgress = [&whole, from, to](double f) { whole.report(from + (to - from) * f); };
    }
    std::function<void(double fraction)> onProgress;

    void report(double fraction) const {
        if (onProgress) onProgress(fraction);
    }
    void cancel() { m_cancelled = true; }
    bool cancelled() const { return m_cancelled || (m_whole && m_whole->cancelled()); }
    void throwIfCancelled() const {
        if (cancelled()) throw Error(Error::Kind::Cancelled, "Cancelled; nothing was changed.");
    }

private:
    const Progress* m_whole = nullptr;
    std::atomic<bool> m_cancelled{false};
};

}  // namespace rivlen
