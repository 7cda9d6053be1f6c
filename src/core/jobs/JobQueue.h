#pragma once
#include <chrono>
#include <condition_variable>
#include <deque>
#include <functional>
#include <memory>
#include <mutex>
#include <string>
#include <thread>
#include <vector>

#include "core/base/Progress.h"

namespace rivlen {

/// Background work, one job after the other, in order of submission.
class JobQueue {
public:
    /// What the work line shows of a job that waits or runs.
    struct Status {
        int id = 0;
        std::string title;
        bool running = false;
        double fraction = 0;
        double secondsLeft = -1;  ///< -1: not known yet
        double secondsSpent = 0;
    };
    /// How a job ended. error is empty when it is done; kind Cancelled when it was cancelled.
    struct Outcome {
        bool done = false, cancelled = false;
        std::string error;
    };
    using Work = std::function<void(Progress&)>;
    using Finished = std::function<void(const Outcome&)>;

    JobQueue();
    ~JobQueue();  ///< cancels everything and waits

    /// finished is called on the queue's thread, also for jobs cancelled before they ran.
    int submit(std::string title, Work work, Finished finished);
    void cancel(int id);
    void cancelAll();
    std::vector<Status> status() const;
    bool idle() const { return status().empty(); }

private:
    struct Job {
        int id;
        std::string title;
        Work work;
        Finished finished;
        Progress progress;
        double fraction = 0;
        bool running = false;
        std::chrono::steady_clock::time_point started;
    };
    void run();

    mutable std::mutex m_guard;
    std::condition_variable m_wake;
    std::deque<std::shared_ptr<Job>> m_jobs;  ///< the first one runs
    bool m_ending = false;
    int m_lastId = 0;
    std::thread m_thread;
};

}  // namespace rivlen
