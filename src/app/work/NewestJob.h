#pragma once
#include <QObject>
#include <functional>
#include <memory>
#include <thread>
#include <vector>

#include "core/base/Progress.h"

namespace rivlen {

/// Computes on a thread of its own what is shown now: a newer job cancels the one before it, whose answer is dropped.
class NewestJob : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    ~NewestJob() override;

    /// Runs on the window's thread when its job has ended and no newer one was begun.
    using Deliver = std::function<void()>;
    /// Free of the window's objects. It may throw Error, when it is cancelled or a file went away: then nothing is
    /// delivered.
    using Job = std::function<Deliver(const Progress&)>;
    void run(Job job);
    void cancel();  ///< without waiting
    bool busy() const { return m_progress != nullptr; }

signals:
    void ended();  ///< the newest job has ended, with or without an answer

private:
    void finish(const std::shared_ptr<Progress>& progress, const Deliver& deliver, std::thread::id thread);
    std::shared_ptr<Progress> m_progress;
    std::thread m_thread;
    std::vector<std::thread> m_retired;  ///< cancelled; joined when they have ended or the window goes away
};

}  // namespace rivlen
