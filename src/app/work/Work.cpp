#include "app/work/Work.h"

#include <algorithm>

namespace rivlen {

Work::Work(QObject* parent) : QObject(parent) {
    for (auto& queue : m_queues) queue = std::make_unique<JobQueue>();
}

Work::~Work() { end(); }

Work::Post Work::poster() {
    return [this, session = m_session.load()](std::function<void()> f) {
        QMetaObject::invokeMethod(
            this,
            [this, session, f = std::move(f)] {
                if (session == m_session) f();
            },
            Qt::QueuedConnection);
    };
}

int Work::submit(Queue queue, const QString& title, Body body, Ended ended, Ended atOnce) {
    if (!m_queues[size_t(queue)]) return 0;
    const Post post = poster();
    return of(queue).submit(
        title.toStdString(), [body = std::move(body), post](Progress& progress) { body(progress, post); },
        [this, post, ended = std::move(ended), atOnce = std::move(atOnce)](const JobQueue::Outcome& o) {
            if (atOnce) atOnce(o);
            post([this, ended, o] {
                if (!o.done && !o.cancelled) warn(QString::fromStdString(o.error));
                if (ended) ended(o);
            });
        });
}

void Work::cancel(Queue queue, int job) { of(queue).cancel(job); }

bool Work::idle(Queue queue) const {
    const auto& found = m_queues[size_t(queue)];
    return !found || found->idle();
}

bool Work::idle() const { return idle(Queue::Long) && idle(Queue::Looking) && idle(Queue::Reading); }

void Work::forget() {
    ++m_session;
    for (auto& queue : m_queues)
        if (queue) queue->cancelAll();
}

void Work::end() {
    forget();
    for (auto& queue : m_queues) queue.reset();
}

std::vector<Work::Shown> Work::shown() const {
    // Reading and looking for faults are shown only when they take a while.
    std::vector<Shown> all{{m_queues[size_t(Queue::Long)].get(), 0}, {m_queues[size_t(Queue::Reading)].get(), 1}};
    for (JobQueue* queue : m_watched) all.push_back({queue, 0.5});
    all.push_back({m_queues[size_t(Queue::Looking)].get(), 1});
    std::erase_if(all, [](const Shown& s) { return !s.queue; });
    return all;
}

}  // namespace rivlen
