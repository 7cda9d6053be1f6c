#pragma once
#include <QObject>
#include <QString>
#include <functional>

#include "app/document/Path.h"
#include "app/document/Stage.h"
#include "app/work/Work.h"
#include "core/session/History.h"

namespace rivlen {

/// The document as the window edits it: the session with its undo and redo. Whoever shows something of it listens to
/// changed().
class Document : public QObject {
    Q_OBJECT
public:
    explicit Document(Work& work, QObject* parent = nullptr);

    const Session& session() const { return m_history.session(); }
    const History& history() const { return m_history; }
    const Reel* reel() const { return session().currentReel(); }  ///< the one that is worked on, or null

    /// Another session, without a history.
    void reset(Session session);
    /// Another session as the first edit of an empty one, so that it counts as not saved.
    void adopt(const Session& session, const QString& step);
    /// It was written to a file under a name.
    void saved(const std::string& name);

    /// Adds a reel; edits of the same gesture are undone as one step. The first one is chosen in any case.
    void add(const Reel& reel, const std::string& step, const std::string& gesture, bool choose);
    void removeReels(const std::vector<std::string>& ids);
    void selectReel(const std::string& id);
    /// Lays another file under a reel in one step with changes to its settings, as when a newer version of the picture
    /// cut follows.
    void replaceSource(const std::string& id, const QString& file, const std::function<void(Reel&)>& change = {});
    void setStage(const std::string& stage);
    void editReel(const QString& step, const std::function<void(Reel&)>& change, const std::string& gesture = "");
    /// Changes some reels in one step.
    void editReels(const QString& step, const std::vector<std::string>& ids, const std::function<void(Reel&)>& change);
    /// Changes reels and what else the session holds in one step.
    void editSession(const QString& step, const std::function<void(Session&)>& change);
    /// Changes the session's deliverables.
    void editDeliverables(const QString& step, const std::function<void(std::vector<Deliverable>&)>& change,
                          const std::string& gesture = "");
    /// Changes what is remembered of the current reel but not undone: which region is worked on.
    void rememberReel(const std::function<void(Reel&)>& change);
    void endGesture() { m_history.endGesture(); }
    void undo();
    void redo();
    /// Tells everyone to look again: what is shown beside the document is otherwise.
    void announce();

signals:
    void changed();  ///< anything in the document
    void voided();   ///< another session takes its place: nothing of the former counts any more
    void filled();   ///< reels of another session are there
    void added(const std::string& id);
    void sourceReplaced(const std::string& id);
    void chosen();     ///< another reel is the current one, or it has another file
    void edited();     ///< the current reel may be otherwise; before changed(), for those who follow it
    void travelled();  ///< after undo or redo

private:
    void afterHistory();
    History m_history;
    Work& m_work;
};

}  // namespace rivlen
