#pragma once
#include "app/document/Document.h"
#include "app/reels/Reels.h"
#include "app/work/OwnWork.h"
#include "core/delivery/DeliverySets.h"
#include "core/session/DeliveryQueue.h"

namespace rivlen {

/// The session's deliverables, the queue that makes them, and hand-overs.
class DispatchDesk : public QObject {
    Q_OBJECT
public:
    explicit DispatchDesk(Document& document, Reels& reels, Work& work, QObject* parent = nullptr);
    ~DispatchDesk() override;

    // ---- deliverables ----
    const std::vector<Deliverable>& deliverables() const;
    int chosen() const { return m_chosen; }  ///< index, or -1
    void choose(int index);
    void edit(const QString& name, const std::function<void(Deliverable&)>& change,
              const std::string& gesture = "");  ///< of the chosen one
    void setOn(int index, bool on);
    void add();
    void remove();
    void useSet(const DeliverySet& set);
    void keepSet(const QString& name);  ///< as one of one's own
    void readSet(const QString& file);
    void writeSet(const QString& file);
    /// The chosen one's file name for the present reel, or the sentence that says why there is none.
    QString preview() const;
    bool hasPicture() const;  ///< the present reel is of a video file

    // ---- the queue ----
    /// Queues those that are on, of the present reel or of all, and begins.
    void dispatch(const QString& folder, bool allReels);
    /// Queues all reels of another session, as its file says.
    void dispatchSession(const QString& file, const QString& folder);
    DeliveryQueue& queue() { return *m_queue; }
    void start();   ///< goes on with what waits
    void cancel();  ///< stops, and takes out what waits
    void tell(const QString& sentence) { m_work.warn(sentence); }
    bool busy() const { return !m_jobs.idle(); }
    QString timeLeft() const;  ///< of the whole, as "3:10"; empty while it is not known
    /// Something waits from an earlier time and is not at work.
    bool leftOver() const { return !busy() && m_queue->waiting(); }
    /// How far the present reel is. Delivered: as it stands now; what was changed since is in work again.
    enum class Standing { Nothing, InWork, Delivered, Refused };
    Standing standing() const;
    std::vector<DeliveryReport> reports() const;  ///< of all that is in the queue

    // ---- handing over ----
    void handOver(const QString& folder, double handles);

signals:
    void changed();

private:
    template <typename Action>
    bool tried(Action action);
    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    int m_chosen = 0;
    std::unique_ptr<DeliveryQueue> m_queue;
    std::atomic<bool> m_stopped{false};  ///< the work was cancelled; what waits goes on when it is asked to
    std::atomic<bool> m_told{false};     ///< a change is on its way to the window
    OwnWork m_jobs;
};

}  // namespace rivlen
