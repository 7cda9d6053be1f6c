#pragma once
#include <functional>
#include <string>
#include <vector>

#include "core/session/Session.h"

namespace rivlen {

/// The session with its undo and redo. All changes go through edit(); a session is small (settings, no
/// sound), so each step keeps the whole value before it.
class History {
public:
    const Session& session() const { return m_session; }

    /// Applies a change under a name for the undo list. Consecutive edits with the same non-empty gesture
    /// (a slider being dragged) become one step. A change that changes nothing leaves no trace.
    void edit(const std::string& name, const std::function<void(Session&)>& change, const std::string& gesture = "");
    /// Changes what is remembered but not undone: the stage, reel and region in use.
    void remember(const std::function<void(Session&)>& change);
    void endGesture() { m_gesture.clear(); }

    bool canUndo() const { return !m_undo.empty(); }
    bool canRedo() const { return !m_redo.empty(); }
    std::string undoName() const { return canUndo() ? m_undo.back().name : ""; }
    std::string redoName() const { return canRedo() ? m_redo.back().name : ""; }
    void undo();
    void redo();

    void reset(Session session);  ///< a newly opened session: no history
    void markSaved() { m_saved = m_session; }
    /// True when something was edited since it was saved; which reel, stage and region are in use does not count.
    bool modified() const;

private:
    struct Step {
        std::string name;
        Session session;
    };
    void swapWith(std::vector<Step>& from, std::vector<Step>& to);
    Session m_session, m_saved;
    std::vector<Step> m_undo, m_redo;
    std::string m_gesture;
};

}  // namespace rivlen
