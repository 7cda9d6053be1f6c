#pragma once
#include <QTimer>
#include <map>

#include "app/rebuild/Ducking.h"
#include "app/rebuild/RebuildMix.h"
#include "app/views/TimeAxis.h"
#include "app/work/NewestJob.h"

namespace rivlen {

/// The samples of the clips that are in sight where little time is shown (kCloseSeconds), read beside the window: at
/// the clip's gain, with its fades and what ducks it, as the mean of the channels.
class LaneWaves : public QObject {
    Q_OBJECT
public:
    LaneWaves(const TimeAxis& axis, RebuildMix& mix, const RebuildDesk& desk, const Ducking& ducking,
              QObject* parent = nullptr);

    struct Wave {
        double from = 0, seconds = 0;  ///< from the clip's beginning
        std::vector<float> samples;
    };
    /// Null where more time is shown, or while it is read.
    const Wave* of(const std::string& clip) const;
    bool close() const;
    bool shows() const { return close() && !m_waves.empty(); }
    float loudest() const { return m_loudest; }  ///< amplitude, of all that are in sight
    bool busy() const { return m_newest.busy() || m_wait.isActive(); }

signals:
    void changed();

private:
    void read();
    const TimeAxis& m_axis;
    RebuildMix& m_mix;
    const RebuildDesk& m_desk;
    const Ducking& m_ducking;
    std::map<std::string, Wave> m_waves;
    float m_loudest = 1;
    QTimer m_wait;
    NewestJob m_newest;  ///< last: gone first
};

}  // namespace rivlen
