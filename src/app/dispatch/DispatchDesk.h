#pragma once
#include <map>

#include "app/dispatch/DeliverablesDesk.h"
#include "app/work/OwnWork.h"
#include "core/session/DeliveryQueue.h"

namespace rivlen {

/// The queue that makes the session's deliverables, and hand-overs.
class DispatchDesk : public QObject {
    Q_OBJECT
public:
    DispatchDesk(Document& document, Reels& reels, const DeliverablesDesk& deliverables, Work& work,
                 QObject* parent = nullptr);
    ~DispatchDesk() override;

    /// Queues those that are on, of the present reel or of all, and begins.
    void dispatch(const QString& folder, bool allReels);
    /// Queues some of one reel, whatever is ticked. Where a name is taken in the folder they get a number.
    void dispatchReel(const std::string& id, std::vector<Deliverable> wanted, const QString& folder);
    /// Queues all reels of another session, as its file says.
    void dispatchSession(const QString& file, const QString& folder);
    DeliveryQueue& queue() { return *m_queue; }
    void start();   ///< goes on with what waits
    void cancel();  ///< stops, and takes out what waits
    bool busy() const { return !m_jobs.idle(); }
    QString timeLeft() const;  ///< of the whole, as "3:10"; empty while it is not known
    /// Something waits from an earlier time and is not at work.
    bool leftOver() const { return !busy() && m_queue->waiting(); }
    /// How far the present reel is. Delivered: as it stands now; what was changed since is in work again.
    enum class Standing { Nothing, InWork, Delivered, Refused };
    Standing standing() const;
    std::vector<DeliveryReport> reports() const;  ///< of all that is in the queue
    /// What became of one deliverable of one reel, as the queue had it last.
    struct Delivery {
        enum class State { Waiting, AtWork, Delivered, HeldBack, Failed };
        State state = State::Waiting;
        std::optional<DeliveryReport> report;
        std::string error;
        bool current = false;  ///< neither the reel nor the recipe was changed since
    };
    /// By the reel's id and the deliverable's name.
    using Deliveries = std::map<std::pair<std::string, std::string>, Delivery>;
    const Deliveries& deliveries() const;

    // ---- handing over ----
    void handOver(const QString& folder, double handles);

signals:
    void changed();

private:
    Document& m_document;
    const DeliverablesDesk& m_deliverables;
    Work& m_work;
    std::unique_ptr<DeliveryQueue> m_queue;
    mutable std::optional<Deliveries> m_known;  ///< until something changes: the queue hands out copies
    std::atomic<bool> m_stopped{false};         ///< the work was cancelled; what waits goes on when it is asked to
    std::atomic<bool> m_told{false};            ///< a change is on its way to the window
    OwnWork m_jobs;
};

}  // namespace rivlen
