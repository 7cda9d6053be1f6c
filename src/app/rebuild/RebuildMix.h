#pragma once
#include <map>

#include "app/hearing/MixMaker.h"
#include "app/rebuild/RebuildDesk.h"
#include "app/work/OwnWork.h"
#include "core/rebuild/Materials.h"

namespace rivlen {

/// What the rebuild is made of: the stems and sounds that its clips play, read in the background, and the plan by which
/// the player plays it. Whatever is computed for the rebuild runs here, one after the other, and is given up when
/// another reel is there.
class RebuildMix : public MixMaker {
    Q_OBJECT
public:
    RebuildMix(Document& document, Reels& reels, Hearing& hearing, RebuildDesk& desk, Work& work,
               QObject* parent = nullptr);

    std::shared_ptr<Materials> materials() const override { return m_materials; }
    const std::string& materialsKey() const override { return m_key; }
    /// Of a sound, or of "voice" and "room"; null while it is read.
    std::shared_ptr<LevelTrack> levels(const std::string& material) const;
    double soundSeconds(const std::string& sound) const;  ///< 0: not known yet
    void importSounds(const QStringList& files);          ///< each on a lane of its own, at the playhead
    /// Runs work beside the window; done is called with it afterwards, when the same reel is still there.
    int run(const QString& title, std::function<void(Progress&)> work, std::function<void()> done);
    void cancel(int job) { m_own.cancel(job); }
    void planAnew() override { makePlan(); }
    /// Plays the rebuild without a lane, which the document does not know of; empty: with all of them.
    void leaveOut(const std::string& lane);
    bool busy() const { return !m_own.idle(); }

signals:
    void followed();  ///< the rebuild, or what it is made of, may be otherwise
    void renewed();   ///< materials are others than before

private:
    void makePlan();
    void play(std::shared_ptr<const MixPlan> plan);
    void readSounds();
    void readRoom();  ///< levels of the voice without its room and of the room, for drawing
    std::string soundKey(const std::string& sound) const;

    struct SoundFacts {
        std::shared_ptr<LevelTrack> levels;
        double seconds = 0;
        bool reading = false;
    };
    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    RebuildDesk& m_desk;
    std::map<std::string, SoundFacts> m_sounds;  ///< by file and rate
    std::shared_ptr<Materials> m_materials;
    std::string m_key, m_leftOut;
    OwnWork m_own;
};

/// The id of a file among a rebuild's sounds, where it is put when it is not there yet.
std::string soundFor(Rebuild& rebuild, const std::filesystem::path& file);

}  // namespace rivlen
