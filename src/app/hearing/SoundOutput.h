#pragma once
#include <QObject>

#include "app/work/Work.h"
#include "playback/Outputs.h"
#include "playback/Player.h"

namespace rivlen {

/// Where sound goes, which is remembered, and the transport that it shares with other programs. For a player that
/// exists as long.
class SoundOutput : public QObject {
    Q_OBJECT
public:
    SoundOutput(Player& player, Work& work, QObject* parent = nullptr);

    /// As it was chosen last, here or before.
    static OutputChoice remembered();
    const OutputChoice& choice() const { return m_choice; }
    void choose(const OutputChoice& choice);
    /// Opens a microphone beside the output, or closes it. False where it cannot be opened: then nothing is changed.
    bool listen(const std::optional<VoiceInput>& voice);
    /// What is in use and, where that is not what was chosen, why.
    QString state() const;

    /// Looks whether the device went away, and where a shared transport wants to be: with each pulse.
    void beat();
    /// The player was sent elsewhere by hand.
    void left();
    /// The transport that goes where we are sent; null: the player runs by itself.
    SharedTransport* led() const;

    /// What was chosen is not there, so that nothing is heard.
    bool silentInstead() const;

signals:
    void changed();

private:
    Player& m_player;
    Work& m_work;
    OutputChoice m_choice;
    std::optional<VoiceInput> m_voice;
    std::optional<int64_t> m_going;  ///< where the transport sends the player
};

}  // namespace rivlen
