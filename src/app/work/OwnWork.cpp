#include "app/work/OwnWork.h"

namespace rivlen {

OwnWork::OwnWork(Work& work, QObject* owner, Shown shown) : m_work(work), m_owner(owner) {
    if (shown == Shown::InWorkLine) work.watch(&m_queue);
}

OwnWork::~OwnWork() {
    m_work.unwatch(&m_queue);
    m_queue.cancelAll();
}

void OwnWork::begin() {
    ++*m_newest;
    m_queue.cancelAll();
}

Work::Post OwnWork::poster() const {
    return [owner = m_owner, newest = m_newest, number = *m_newest](std::function<void()> f) {
        QMetaObject::invokeMethod(
            owner,
            [newest, number, f = std::move(f)] {
                if (number == *newest) f();
            },
            Qt::QueuedConnection);
    };
}

int OwnWork::submit(const QString& title, Work::Body body, Work::Ended ended, Failure failure) {
    const Work::Post post = poster();
    return m_queue.submit(
        title.toStdString(), [body = std::move(body), post](Progress& progress) { body(progress, post); },
        [work = &m_work, post, ended = std::move(ended), failure](const JobQueue::Outcome& o) {
            post([work, ended, failure, o] {
                if (failure == Failure::Told && !o.done && !o.cancelled) work->warn(QString::fromStdString(o.error));
                if (ended) ended(o);
            });
        });
}

}  // namespace rivlen
