#pragma once
#include <condition_variable>
#include <functional>
#include <mutex>
#include <thread>
#include <vector>

namespace rivlen {

/// A few threads that share a list of jobs and wait in between. run() returns when all are done; the caller works
/// along.
class WorkPool {
public:
    explicit WorkPool(int threads) {
        for (int t = 1; t < threads; ++t) m_threads.emplace_back([this] { work(); });
    }
    ~WorkPool() {
        {
            const std::lock_guard lock(m_guard);
            m_end = true;
        }
        m_wake.notify_all();
        for (auto& t : m_threads) t.join();
    }
    WorkPool(const WorkPool&) = delete;

    /// Calls job(0) ... job(count - 1), each once, in no particular order.
    void run(size_t count, const std::function<void(size_t)>& job) {
        if (m_threads.empty() || count < 2) {
            for (size_t i = 0; i < count; ++i) job(i);
            return;
        }
        {
            const std::lock_guard lock(m_guard);
            m_job = &job;
            m_next = 0;
            m_count = m_left = count;
        }
        m_wake.notify_all();
        std::unique_lock lock(m_guard);
        takeJobs(lock);
        m_done.wait(lock, [this] { return m_left == 0; });
    }

private:
    void takeJobs(std::unique_lock<std::mutex>& lock) {
        while (m_next < m_count) {
            const size_t mine = m_next++;
            const auto* job = m_job;
            lock.unlock();
            (*job)(mine);
            lock.lock();
            if (--m_left == 0) m_done.notify_all();
        }
    }
    void work() {
        std::unique_lock lock(m_guard);
        while (true) {
            m_wake.wait(lock, [this] { return m_end || m_next < m_count; });
            if (m_end) return;
            takeJobs(lock);
        }
    }

    std::vector<std::thread> m_threads;
    std::mutex m_guard;
    std::condition_variable m_wake, m_done;
    const std::function<void(size_t)>* m_job = nullptr;
    size_t m_next = 0, m_count = 0, m_left = 0;
    bool m_end = false;
};

}  // namespace rivlen
