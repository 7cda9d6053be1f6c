#pragma once
#include <QElapsedTimer>
#include <QTimer>

#include "app/hearing/Headphones.h"
#include "app/hearing/LevelMatch.h"
#include "app/hearing/SoundOutput.h"

namespace rivlen {

/// What is listened to: the current reel in the player, its loop, and what is tried without becoming part of the
/// document.
class Hearing : public QObject {
    Q_OBJECT
public:
    Hearing(std::unique_ptr<Device> device, Document& document, Reels& reels, Work& work, QObject* parent = nullptr);
    ~Hearing() override;

    Player& player() { return m_player; }
    const Player& player() const { return m_player; }
    LevelMatch& match() { return m_match; }
    const LevelMatch& match() const { return m_match; }
    Headphones& headphones() { return m_headphones; }
    SoundOutput& output() { return m_output; }
    void togglePlay();
    void hear(Heard heard);
    /// Moves the playhead to a frame of the recording.
    void locate(int64_t frame);

    /// The loop in force, in seconds: the one being auditioned, else the reel's own.
    std::optional<std::pair<double, double>> loop() const;
    /// Plays a stretch in a loop that is no part of the document, until another loop is set or it is taken away.
    void audition(double from, double to);
    void removeLoop();
    /// While it is held no loop repeats; what loop() says stays.
    void holdLoop(bool on);

    /// Plays the current reel at settings that do not become part of the document, for as long as nothing is edited.
    void tryIsolation(const IsolationSettings& settings);
    /// Plays the current reel with other stems at a strength, with a gain for Result, until the reel's own are attached
    /// again by endTrial() or an edit.
    void tryStems(std::shared_ptr<StemStore> stems, const StrengthTimeline& timeline, float resultGain);
    void endTrial();
    bool trying() const { return m_trying; }
    /// While true the window shows no settings and no measures.
    void setBlind(bool on);
    bool blind() const { return m_blind; }

    /// Makes the player play the present reel as its treatments left it, when it does not yet.
    void playVersions();
    /// Plays other versions of the present reel (Player::setVersions) until playVersions() is called.
    void tryVersions(Player::OpenSource source, Player::OpenSource recorded, Player::OpenSource removed);

signals:
    void changed();
    /// For what follows the sound: at the picture rate while something is heard, and until the meters have fallen after
    /// it; four times a second otherwise, so that an idle window sleeps.
    void pulse();
    void opened();  ///< another reel is in the player

private:
    void openCurrent();
    void follow();  ///< the reel was edited
    void attach(const std::string& id);
    void followLoop();
    void setTrying(bool on);
    void beat();
    void quicken();

    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    Player m_player;
    SoundOutput m_output;
    Headphones m_headphones;
    LevelMatch m_match;
    std::string m_opened;            ///< id of the reel in the player
    std::filesystem::path m_played;  ///< the file that it plays; empty: versions that are tried
    QTimer m_pulse;
    QElapsedTimer m_still;  ///< since something was heard or changed
    bool m_blind = false, m_trying = false, m_loopHeld = false;
    std::optional<std::pair<double, double>> m_audition, m_ownLoop;
};

}  // namespace rivlen
