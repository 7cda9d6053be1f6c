#pragma once
#include <QTimer>

#include "app/rebuild/LaneCurves.h"
#include "app/rebuild/RebuildMix.h"

namespace rivlen {

/// The curves by which lanes give way to others, computed once a slider rests.
class Ducking : public QObject {
    Q_OBJECT
public:
    Ducking(RebuildDesk& desk, RebuildMix& mix, LaneCurves& curves, QObject* parent = nullptr);
    const DrawnCurve* curve(const std::string& lane) const;  ///< null while it is not known
    void toAutomation();                                     ///< of the chosen lane
    bool busy() const { return m_wait.isActive(); }

private:
    void follow();
    struct Facts {
        std::string of;  ///< what it was computed for
        int job = 0;
        DrawnCurve curve;
    };
    RebuildDesk& m_desk;
    RebuildMix& m_mix;
    LaneCurves& m_curves;
    std::map<std::string, Facts> m_ducks;  ///< by lane
    QTimer m_wait;
};

}  // namespace rivlen
