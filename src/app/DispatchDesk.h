#pragma once
#include "app/Controller.h"
#include "core/delivery/DeliveryFiles.h"

namespace rivlen {

/// The session's deliverables, and the work that makes them.
class DispatchDesk : public QObject {
    Q_OBJECT
public:
    explicit DispatchDesk(Controller& controller, QObject* parent = nullptr);
    ~DispatchDesk() override;

    const std::vector<Deliverable>& deliverables() const;
    int chosen() const { return m_chosen; }  ///< index, or -1
    void choose(int index);
    void edit(const QString& name, const std::function<void(Deliverable&)>& change, const std::string& gesture = "");  ///< of the chosen one
    void setOn(int index, bool on);
    void add();
    void remove();
    void useSet(size_t set);
    /// The chosen one's file name for the present reel, or the sentence that says why there is none.
    QString preview() const;

    /// Makes those that are on, of the present reel or of all, one after the other, with a report beside them.
    void dispatch(const QString& folder, bool allReels);
    void cancel() { m_queue.cancelAll(); }
    bool busy() const { return !m_queue.idle(); }
    const std::vector<DeliveryReport>& reports() const { return m_reports; }  ///< of the last dispatch, so far

signals:
    void changed();

private:
    Controller& m_controller;
    int m_chosen = 0, m_number = 0;
    std::vector<DeliveryReport> m_reports;
    JobQueue m_queue;
};

}  // namespace rivlen
