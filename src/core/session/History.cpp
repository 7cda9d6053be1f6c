#include "core/session/History.h"

namespace rivlen {

namespace {
constexpr size_t kMostSteps = 500;
}

void History::edit(const std::string& name, const std::function<void(Session&)>& change, const std::string& gesture) {
    Session next = m_session;
    change(next);
    if (next == m_session) return;
    const bool merged = !gesture.empty() && gesture == m_gesture && !m_undo.empty();
    if (!merged) m_undo.push_back({name, std::move(m_session)});
    if (m_undo.size() > kMostSteps) m_undo.erase(m_undo.begin());
    m_redo.clear();
    m_gesture = gesture;
    m_session = std::move(next);
}

void History::remember(const std::function<void(Session&)>& change) { change(m_session); }

void History::swapWith(std::vector<Step>& from, std::vector<Step>& to) {
    if (from.empty()) return;
    Step step = std::move(from.back());
    from.pop_back();
    to.push_back({step.name, m_session});
    // The stage in use stays: undoing a setting must not throw the user out of the room.
    step.session.stage = m_session.stage;
    if (step.session.reel(m_session.current)) step.session.current = m_session.current;
    m_session = std::move(step.session);
    m_gesture.clear();
}

void History::undo() { swapWith(m_undo, m_redo); }
void History::redo() { swapWith(m_redo, m_undo); }

bool History::modified() const {
    Session now = m_session;
    now.stage = m_saved.stage;
    now.current = m_saved.current;
    for (Reel& r : now.reels)
        if (const Reel* before = m_saved.reel(r.id)) r.region = before->region;
    return !(now == m_saved);
}

void History::reset(Session session) {
    m_session = m_saved = std::move(session);
    m_undo.clear();
    m_redo.clear();
    m_gesture.clear();
}

}  // namespace rivlen
