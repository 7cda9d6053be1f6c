#pragma once
#include "app/rebuild/RebuildDesk.h"
#include "core/rebuild/ClipEdits.h"

namespace rivlen {

/// What is done to clips: the selected ones, or those of the chosen lane.
class ClipTools {
public:
    explicit ClipTools(RebuildDesk& desk) : m_desk(desk) {}
    void cutAtPlayhead();  ///< the selected clips there; without a selection the chosen lane's
    void removeSelected();
    void duplicateSelected();
    void toggleMuted();
    void nudge(double seconds);
    void slip(double seconds);
    void trimToPlayhead(bool begin);
    void crossFadeSelected();
    void keepBefore();
    void swapBefore();
    void copy();
    void paste();  ///< at the playhead, on the chosen lane
    void stepSelection(int by);
    void edit(const QString& name, const std::function<void(Clip&)>& change, const std::string& gesture = "");

private:
    RebuildDesk& m_desk;
    std::vector<Clip> m_copied;
};

}  // namespace rivlen
