#pragma once
#include <QObject>

#include "app/work/Work.h"

namespace rivlen {

/// Work of one desk or dialog in the background: it has a queue of its own, only the newest counts, and it ends with
/// its owner.
class OwnWork {
public:
    enum class Shown { No, InWorkLine };
    OwnWork(Work& work, QObject* owner, Shown shown = Shown::No);
    ~OwnWork();  ///< cancels and waits

    /// What was submitted before is cancelled, and nothing of it reaches the owner any more.
    void begin();
    /// Runs body on the queue's thread. What it posts, and ended, are called on the window's thread as long as nothing
    /// newer has begun. A failure is told before ended is called, unless the owner shows it itself.
    enum class Failure { Told, Owners };
    int submit(const QString& title, Work::Body body, Work::Ended ended = {}, Failure failure = Failure::Told);
    /// Brings a call from any thread to the owner on the window's thread, as long as nothing newer has begun.
    Work::Post poster() const;
    void cancel(int job) { m_queue.cancel(job); }
    bool idle() const { return m_queue.idle(); }
    /// Of what runs and waits.
    std::vector<JobQueue::Status> status() const { return m_queue.status(); }

private:
    Work& m_work;
    QObject* m_owner;
    std::shared_ptr<int> m_newest = std::make_shared<int>(0);  ///< of the window's thread
    JobQueue m_queue;
};

}  // namespace rivlen
