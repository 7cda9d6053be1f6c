#pragma once
#include <QObject>
#include <array>
#include <atomic>
#include <functional>
#include <memory>
#include <vector>

#include "app/words/Say.h"
#include "core/jobs/JobQueue.h"

namespace rivlen {

/// The window's work in the background, and what is said of it in one line.
///
/// Three queues, so that reading need not wait for a split and nothing waits for the search for faults; desks have
/// queues of their own (watch()). What was begun for one session never reaches the window after another one is there
/// (forget()).
class Work : public QObject {
    Q_OBJECT
public:
    enum class Queue {
        Long,
        Reading,
        Looking
    };  ///< splitting, treating, exporting; reading and measuring; looking for faults
    /// Brings a call from any thread to the window's thread, as long as the same session is open.
    using Post = std::function<void(std::function<void()>)>;
    using Body = std::function<void(Progress&, const Post&)>;
    using Ended = std::function<void(const JobQueue::Outcome&)>;

    explicit Work(QObject* parent = nullptr);
    ~Work() override;

    /// Runs body on the queue's thread, then ended on the window's; a failure has been told by then. atOnce is called
    /// on the queue's thread first, even when the session is gone. Returns the job's number.
    int submit(Queue queue, const QString& title, Body body, Ended ended = {}, Ended atOnce = {});
    void cancel(Queue queue, int job);
    bool idle() const;
    bool idle(Queue queue) const;
    /// Cancels everything; nothing of it reaches the window.
    void forget();
    /// Cancels everything and waits until nothing runs; nothing can be submitted any more.
    void end();

    /// Queues of desks whose jobs are shown as well, while they live.
    void watch(JobQueue* queue) { m_watched.push_back(queue); }
    void unwatch(JobQueue* queue) { std::erase(m_watched, queue); }
    struct Shown {
        JobQueue* queue;
        double after;  ///< seconds that a job takes before it is shown
    };
    /// The queues whose jobs are shown, the most important first.
    std::vector<Shown> shown() const;
    void warn(const QString& sentence) { emit warned(said(sentence)); }  ///< something the user must know, in one line
    void report(const QString& sentence) { emit reported(said(sentence)); }  ///< something was finished

signals:
    void warned(const QString& sentence);
    void reported(const QString& sentence);

private:
    JobQueue& of(Queue queue) { return *m_queues[size_t(queue)]; }
    Post poster();

    std::atomic<int> m_session{0};
    std::array<std::unique_ptr<JobQueue>, 3> m_queues;
    std::vector<JobQueue*> m_watched;
};

}  // namespace rivlen
