#pragma once
#include "app/document/Document.h"
#include "app/reels/Reels.h"
#include "app/work/Work.h"
#include "core/delivery/DeliverySets.h"

namespace rivlen {

/// What the session delivers: its deliverables, which of them is chosen, and sets of them.
class DeliverablesDesk : public QObject {
    Q_OBJECT
public:
    explicit DeliverablesDesk(Document& document, Reels& reels, Work& work, QObject* parent = nullptr);

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
    void tell(const QString& sentence) { m_work.warn(sentence); }

signals:
    void changed();

private:
    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    int m_chosen = 0;
};

}  // namespace rivlen
