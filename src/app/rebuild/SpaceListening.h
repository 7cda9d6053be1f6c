#pragma once
#include <QTimer>
#include <map>
#include <optional>

#include "app/hearing/Hearing.h"
#include "core/space/SpaceMeter.h"

namespace rivlen {

/// What is heard of the mix in space, 20 times a second while it plays and somebody looks. Nothing is measured while
/// nobody does.
class SpaceListening : public QObject {
    Q_OBJECT
public:
    explicit SpaceListening(Hearing& hearing, QObject* parent = nullptr);
    /// viewer looks, at the energy alone or at everything, or no longer.
    void look(const QObject* viewer, MixFeed::Measured what);
    const SpaceReading& reading() const { return m_reading; }
    /// Of the last reading; null before there is one.
    const SphereMap* map() const { return m_map ? &*m_map : nullptr; }
    /// dBTP a channel reached, falling slowly; loudest since the mix began.
    const std::vector<double>& peaks() const { return m_peaks; }
    const std::vector<double>& highest() const { return m_highest; }
    void forgetHighest();

signals:
    void heard();

private:
    void listen();
    void follow();
    Hearing& m_hearing;
    QTimer m_timer;
    std::map<const QObject*, MixFeed::Measured> m_viewers;
    SpaceReading m_reading;
    std::optional<SphereMap> m_map;
    std::vector<double> m_peaks, m_highest;
};

}  // namespace rivlen
