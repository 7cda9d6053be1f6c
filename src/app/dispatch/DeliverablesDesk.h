#pragma once
#include <set>

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
    /// selected: those that are edited with it; the chosen one is always among them.
    void choose(int index, std::set<int> selected = {});
    const std::set<int>& selected() const { return m_selected; }
    bool allReels() const { return m_allReels; }  ///< all of the session's are shown and delivered
    void setAllReels(bool on);
    void edit(const QString& name, const std::function<void(Deliverable&)>& change,
              const std::string& gesture = "");  ///< of all selected ones
    void editChosen(const QString& name, const std::function<void(Deliverable&)>& change);
    void setOn(const std::set<int>& which, bool on);
    void tickSelected();  ///< all that are selected; where all are ticked, none
    void add();
    void remove();
    void useSet(const DeliverySet& set);
    void keepSet(const QString& name);  ///< as one of one's own
    void readSet(const QString& file);
    void writeSet(const QString& file);
    /// The chosen one's file name for the present reel, or the sentence that says why there is none.
    QString preview() const;
    QString fileName(const Deliverable& deliverable, const Reel& reel) const;  ///< likewise
    bool hasPicture() const;                                                   ///< the present reel is of a video file
    void tell(const QString& sentence) { m_work.warn(sentence); }

signals:
    void changed();

private:
    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    int m_chosen = 0;
    std::set<int> m_selected = {0};
    bool m_allReels = false;
};

}  // namespace rivlen
