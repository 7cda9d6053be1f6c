#pragma once
#include <QObject>
#include <filesystem>

#include "app/work/Work.h"
#include "playback/Player.h"

namespace rivlen {

/// What a mix can be heard as.
struct Monitor {
    ChannelLayout layout;
    const char* name;
};
const std::vector<Monitor>& monitors();

/// Whether the mix is heard on headphones, through whose ears, and where the head looks. The first two are remembered.
class Headphones : public QObject {
    Q_OBJECT
public:
    Headphones(Player& player, Work& work, QObject* parent = nullptr);

    bool on() const { return m_on; }
    void set(bool on);
    double yaw() const { return m_yaw; }  ///< degrees to the left
    void turn(double degrees);            ///< by so many; 0: to the front
    /// A SOFA file of one's own; empty: the one that is shipped. What cannot be read is told, and nothing changes.
    void choose(const std::filesystem::path& file);
    const std::filesystem::path& file() const { return m_file; }
    /// By an absolute angle, as a head tracker gives it.
    void turnTo(double degrees);
    /// The layout that the mix is folded to before it is heard; Own: as it is made.
    ChannelLayout monitor() const { return m_monitor; }
    void setMonitor(ChannelLayout layout);
    void follow();  ///< another recording is in the player, perhaps at another rate

signals:
    void changed();

private:
    void read(const std::filesystem::path& file);  ///< beside the window: a set takes a moment
    void give();                                   ///< to the player
    Player& m_player;
    Work& m_work;
    bool m_on = false;
    double m_yaw = 0;
    ChannelLayout m_monitor = ChannelLayout::Own;
    std::filesystem::path m_file;
    std::shared_ptr<const HeadResponses> m_responses;
};

}  // namespace rivlen
