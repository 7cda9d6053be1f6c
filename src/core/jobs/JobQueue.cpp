#include "core/jobs/JobQueue.h"

#include <sys/resource.h>
#include <sys/syscall.h>
#include <unistd.h>

#include "core/base/Memory.h"
#include "core/base/Unexpected.h"

namespace rivlen {

JobQueue::JobQueue() : m_thread([this] { run(); }) {}

JobQueue::~JobQueue() {
    cancelAll();
    {
        const std::lock_guard lock(m_guard);
        m_ending = true;
    }
    m_wake.notify_all();
    m_thread.join();
}

int JobQueue::submit(std::string title, Work work, Finished finished) {
    auto job = std::make_shared<Job>();
    job->title = std::move(title);
    job->work = std::move(work);
    job->finished = std::move(finished);
    {
        const std::lock_guard lock(m_guard);
        job->id = ++m_lastId;
        m_jobs.push_back(job);
    }
    m_wake.notify_all();
    return job->id;
}

void JobQueue::cancel(int id) {
    const std::lock_guard lock(m_guard);
    for (auto& job : m_jobs)
        if (job->id == id) job->progress.cancel();
}

void JobQueue::cancelAll() {
    const std::lock_guard lock(m_guard);
    for (auto& job : m_jobs) job->progress.cancel();
}

std::vector<JobQueue::Status> JobQueue::status() const {
    const std::lock_guard lock(m_guard);
    std::vector<Status> all;
    for (const auto& job : m_jobs) {
        Status s{job->id, job->title, job->running, job->fraction, -1, 0};
        if (job->running)
            s.secondsSpent = std::chrono::duration<double>(std::chrono::steady_clock::now() - job->started).count();
        if (job->fraction > 0.02) s.secondsLeft = s.secondsSpent * (1 - job->fraction) / job->fraction;
        all.push_back(s);
    }
    return all;
}

void JobQueue::run() {
    // Sound must not wait for work: on Linux a thread has a niceness of its own, and hands it on to those it starts.
    setpriority(PRIO_PROCESS, id_t(::syscall(SYS_gettid)), 5);
    while (true) {
        std::shared_ptr<Job> job;
        {
            std::unique_lock lock(m_guard);
            m_wake.wait(lock, [this] { return m_ending || !m_jobs.empty(); });
            if (m_jobs.empty()) return;
            job = m_jobs.front();
            job->running = true;
            job->started = std::chrono::steady_clock::now();
        }
        job->progress.onProgress = [this, &job](double fraction) {
            const std::lock_guard lock(m_guard);
            job->fraction = fraction;
        };
        Outcome outcome;
        try {
            job->progress.throwIfCancelled();
            job->work(job->progress);
            outcome.done = true;
        } catch (const Error& e) {
            outcome.cancelled = e.kind() == Error::Kind::Cancelled;
            outcome.error = e.what();
        } catch (const std::exception& e) {
            outcome.error = unexpected(e, "\"" + job->title + "\" was done").what();
        }
        {
            const std::lock_guard lock(m_guard);
            m_jobs.pop_front();
        }
        const bool lasted = std::chrono::steady_clock::now() - job->started > std::chrono::seconds(1);
        if (job->finished) job->finished(outcome);
        job.reset();
        if (lasted) releaseMemory();
    }
}

}  // namespace rivlen
