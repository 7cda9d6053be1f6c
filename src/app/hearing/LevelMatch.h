#pragma once
#include <QTimer>
#include <map>

#include "app/reels/Reels.h"
#include "playback/Player.h"

namespace rivlen {

/// Level match: everything is heard at the loudness of the source (ITU-R BS.1770), measured in the background around
/// the playhead.
class LevelMatch : public QObject {
    Q_OBJECT
public:
    LevelMatch(Player& player, const Document& document, const Reels& reels, Work& work, QObject* parent = nullptr);

    bool on() const { return m_on; }
    void set(bool on);
    void soon() { m_wait.start(); }  ///< measures anew a moment later
    bool waiting() const { return m_wait.isActive(); }
    /// Plays at a strength whose loudness is known; else nothing changes until it is measured.
    void follow(const StrengthTimeline& timeline);
    /// Other stems than the reel's are heard: gains stay as they are.
    void hold(bool on) { m_held = on; }
    /// Which strength is heard is not the reel's: what is measured waits for follow().
    void wait(bool on) { m_waits = on; }
    /// LUFS of the current reel by Heard; empty: not known.
    const std::map<int, double>& loudness() const { return current().loudness; }
    /// LUFS of Result and Leftovers at the present strength and the candidates', so that switching needs no waiting.
    using Courses = std::vector<std::pair<StrengthTimeline, std::pair<double, double>>>;
    const Courses& timelines() const { return current().timelines; }

signals:
    void changed();

private:
    struct Levels {
        std::map<int, double> loudness;  ///< LUFS by Heard
        Courses timelines;
        std::pair<int64_t, int64_t> span{-1, -1};  ///< frames that were measured for it
    };
    const Levels& current() const;
    void measure();
    void measureStems(const Reel& reel, const ReelFacts& facts);
    void measureRecorded(const Reel& reel, const ReelFacts& facts);
    /// Frames around the playhead, or of the loop, that are measured; empty: too few.
    std::pair<int64_t, int64_t> span(const Reel& reel, int rate, int64_t end) const;
    bool isCurrent(const std::string& id) const { return m_document.reel() && m_document.reel()->id == id; }

    Player& m_player;
    const Document& m_document;
    const Reels& m_reels;
    Work& m_work;
    QTimer m_wait;
    bool m_on = true, m_held = false, m_waits = false;
    std::map<std::string, Levels> m_levels;  ///< by reel
};

}  // namespace rivlen
