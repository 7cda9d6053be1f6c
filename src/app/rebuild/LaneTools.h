#pragma once
#include "app/rebuild/RebuildDesk.h"

namespace rivlen {

/// What is done to lanes: the chosen one; and markers.
class LaneTools {
public:
    explicit LaneTools(RebuildDesk& desk) : m_desk(desk) {}
    void addLane();
    void removeLane();
    void moveLane(int by);
    void setGroup(const QString& name);  ///< of the chosen lane; empty: none
    void addMarker();                    ///< at the playhead; one that is there is taken away
    void step(int by);                   ///< chooses the next or the one before, groups and the mix after the lanes

private:
    RebuildDesk& m_desk;
};

}  // namespace rivlen
