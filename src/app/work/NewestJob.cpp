#include "app/work/NewestJob.h"

#include <algorithm>

#include "core/base/Error.h"

namespace rivlen {

NewestJob::~NewestJob() {
    cancel();
    for (auto& thread : m_retired) thread.join();
}

void NewestJob::cancel() {
    if (m_progress) m_progress->cancel();
    if (m_thread.joinable()) m_retired.push_back(std::move(m_thread));
    m_progress.reset();
}

void NewestJob::run(Job job) {
    cancel();
    m_progress = std::make_shared<Progress>();
    m_thread = std::thread([this, progress = m_progress, job = std::move(job)] {
        Deliver deliver;
        try {
            deliver = job(*progress);
        } catch (const Error&) {  // cancelled, or the file went away: the reel's own state tells that
        }
        QMetaObject::invokeMethod(
            this, [this, progress, deliver, thread = std::this_thread::get_id()] { finish(progress, deliver, thread); },
            Qt::QueuedConnection);
    });
}

void NewestJob::finish(const std::shared_ptr<Progress>& progress, const Deliver& deliver, std::thread::id thread) {
    if (progress != m_progress) {  // a newer one has taken over
        const auto mine = std::find_if(m_retired.begin(), m_retired.end(),
                                       [thread](const std::thread& t) { return t.get_id() == thread; });
        if (mine == m_retired.end()) return;
        mine->join();
        m_retired.erase(mine);
        return;
    }
    m_thread.join();
    m_progress.reset();
    if (deliver) deliver();
    emit ended();
}

}  // namespace rivlen
