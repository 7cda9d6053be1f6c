#pragma once
#include <condition_variable>
#include <mutex>

#include "core/delivery/ReelDelivery.h"
#include "core/session/Session.h"

namespace rivlen {

/// One reel of a session that is to be delivered: as it was when it was put into the queue.
struct DeliveryTask {
    enum class State { Waiting, Running, Done, HeldBack, Failed };
    enum class Priority { First, Usual, Later };

    std::string id;
    Session session;  ///< with that reel alone, and its deliverables
    std::filesystem::path folder;
    bool overwrite = false;
    Priority priority = Priority::Usual;
    State state = State::Waiting;
    std::string error;  ///< why it failed
    Error::Kind errorKind = Error::Kind::Other;
    std::vector<DeliveryReport> reports;  ///< of what was made so far
    std::vector<DeliveryReport> begun;    ///< of what may have got its name when work broke off
    double cost = 1;                      ///< estimated seconds of work

    const Reel& reel() const { return session.reels.at(0); }
    size_t files() const { return session.deliverables.size(); }
};

/// Reels of any sessions, delivered one after the other: those of priority first before the usual ones before the later
/// ones, in the order they came. What is queued is written down at each step, so that after a crash or power cut the
/// queue goes on with the next deliverable; what had its name by then is known by its sums and not made again.
/// Functions may be called from any thread; run() works on the caller's.
class DeliveryQueue {
public:
    /// folder: where the queue is written down (docs/formats.md), a file for each reel; what an earlier one left there
    /// is taken over. A damaged file is left out.
    explicit DeliveryQueue(std::filesystem::path folder);

    /// Puts a reel in; its id. Throws Error (Usage, OutputUnwritable) when names collide with each other, with what is
    /// queued for the same folder, or with files that are there.
    std::string add(const Session& session, const Reel& reel, const std::vector<Deliverable>& deliverables,
                    const std::filesystem::path& folder, bool overwrite);
    void setPriority(const std::string& id, DeliveryTask::Priority priority);
    void remove(const std::string& id);  ///< one at work is cancelled
    void retry(const std::string& id);   ///< one that failed or was held back waits again
    void clearEnded();                   ///< forgets what is done, held back or failed
    void clear();                        ///< forgets everything, and the file
    void setPaused(bool paused);
    bool paused() const { return m_paused; }

    std::vector<DeliveryTask> tasks() const;
    bool waiting() const;     ///< something waits or is at work
    double fraction() const;  ///< of the whole, done, 0 ... 1
    std::string at() const;   ///< what is being made: "Reel 2, mix"; empty: nothing

    /// Works until nothing waits; reports on the whole. A task that fails does not stop the others. When tasks of a
    /// folder have all ended, a report on them is written there (delivery.html, .pdf, .json, .csv, .sha256, .md5; where
    /// one is there already, delivery-2 and so on). Throws Error (Cancelled): then all goes back to waiting.
    void run(const Progress& progress);
    /// Called on the working thread after each step.
    std::function<void()> onChange;
    /// Name of the reports, for folders that several queues deliver to.
    std::string reportName = "delivery";

private:
    void save(const std::string& id);  ///< flushes to disk: never under m_guard, which the window's thread takes
    void work(DeliveryTask task, const Progress& progress);
    void finish(const std::string& id, DeliveryTask::State state, const std::string& error = {},
                Error::Kind kind = Error::Kind::Other);
    void report(const std::filesystem::path& folder);
    void changed(const std::string& id);
    void forget(const std::function<bool(const DeliveryTask&)>& which);
    std::filesystem::path fileOf(const std::string& id) const { return m_folder / (id + ".json"); }
    DeliveryTask* find(const std::string& id);
    DeliveryTask* next();

    const std::filesystem::path m_folder;
    mutable std::mutex
        m_guard;          ///< held for moments: the window asks for tasks() and fraction() while a file is written
    std::mutex m_saving;  ///< taken before m_guard
    std::condition_variable m_wake;
    std::vector<DeliveryTask> m_tasks;
    std::string m_cancelled, m_at;
    double m_within = 0, m_spent = 0;  ///< of the running task; cost of what ended since something waited
    std::atomic<bool> m_paused{false};
    int m_number = 0;
};

}  // namespace rivlen
