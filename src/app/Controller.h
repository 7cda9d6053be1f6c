#pragma once
#include <QObject>
#include <QString>
#include <QTimer>
#include <atomic>
#include <map>
#include <memory>
#include <optional>

#include "core/delivery/Inspection.h"
#include "core/delivery/StemFiles.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/jobs/JobQueue.h"
#include "core/media/MediaInfo.h"
#include "core/separation/Network.h"
#include "core/session/History.h"
#include "core/treatment/RepairedFile.h"
#include "playback/Player.h"

namespace rivlen {

/// What the program knows of a reel while it is open: made again from the files, never saved.
struct ReelState {
    std::optional<MediaInfo> info;
    std::shared_ptr<LevelTrack> levels;  ///< of the source
    std::optional<Inspection> inspection;
    std::optional<Diagnosis> diagnosis;
    std::vector<Treatment> followed;  ///< the treatments that what is heard has behind it
    std::optional<RepairedFile> repaired;
    std::shared_ptr<LevelTrack> repairedLevels;  ///< of what the treatments made of it; null: there are none
    const LevelTrack* shownLevels() const { return repairedLevels ? repairedLevels.get() : levels.get(); }
    std::optional<RepairedStems> repairedStems;
    int repairJob = 0;
    std::shared_ptr<StemStore> stems;
    bool reading = false, splitting = false, missing = false;
    int splitJob = 0;
    double speed = 0;                ///< of the split done last, as a multiple of real time; 0: not known
    std::map<int, double> loudness;  ///< LUFS by Heard, for level match
    /// LUFS of Result and Leftovers at the present strength and the candidates', so that switching needs no waiting.
    using Matched = std::vector<std::pair<StrengthCourse, std::pair<double, double>>>;
    Matched matched;
    std::pair<int64_t, int64_t> matchedSpan{-1, -1};  ///< frames that were measured for it
};

inline std::filesystem::path toPath(const QString& text) { return std::filesystem::path(text.toStdString()); }

/// The reel's strength with other settings where work goes on.
StrengthCourse courseWith(const Reel& reel, const IsolationSettings& settings);

/// True when all of a network's stems have a place in the window.
bool fitsTheWindow(const NetworkCard& card);

/// The one object between the window and the core: the document, the jobs, the player. It computes nothing.
class Controller : public QObject {
    Q_OBJECT
public:
    explicit Controller(std::unique_ptr<Device> device = makeDefaultDevice(), QObject* parent = nullptr);
    ~Controller() override;

    const Session& session() const { return m_history.session(); }
    const History& history() const { return m_history; }
    const Reel* reel() const { return session().currentReel(); }
    ReelState& state(const std::string& reelId) { return m_states[reelId]; }
    ReelState* currentState() { return reel() ? &m_states[reel()->id] : nullptr; }
    Player& player() { return m_player; }
    JobQueue& jobs() { return m_jobs; }
    JobQueue& reading() { return m_quick; }  ///< opening, reading and measuring
    JobQueue& diagnosing() { return m_looking; }
    /// Queues of desks whose jobs the work line shows as well, while they live.
    void watch(JobQueue* queue) { m_watched.push_back(queue); }
    void unwatch(JobQueue* queue) { std::erase(m_watched, queue); }
    const std::vector<JobQueue*>& watched() const { return m_watched; }
    /// True while anything is being read, measured, split or exported.
    bool busy() const { return !m_jobs.idle() || !m_looking.idle() || !m_quick.idle() || m_loudness.isActive(); }
    QString sessionFile() const { return m_file; }

    // ---- the document ----
    void newSession();
    bool openSession(const QString& file);
    bool saveSession(const QString& file);
    /// Adds recordings, in the order of their names; of folders and the folders in them all that may be recordings.
    /// What cannot be read is reported in one line and leaves the session as it was.
    void addFiles(const QStringList& files);
    void removeReels(const std::vector<std::string>& ids);
    void removeReel(const std::string& id) { removeReels({id}); }
    void selectReel(const std::string& id);
    void relink(const std::string& id, const QString& file);
    /// Lays another file under a reel in one step with changes to its settings, as when a newer version of the picture
    /// cut follows.
    void replaceSource(const std::string& id, const QString& file, const std::function<void(Reel&)>& change);
    void setStage(const std::string& stage);
    void editReel(const QString& name, const std::function<void(Reel&)>& change, const std::string& gesture = "");
    /// Changes some reels in one step.
    void editReels(const QString& name, const std::vector<std::string>& ids, const std::function<void(Reel&)>& change);
    /// Changes the session's deliverables.
    void editDeliverables(const QString& name, const std::function<void(std::vector<Deliverable>&)>& change,
                          const std::string& gesture = "");
    /// Gives a strength for a stem to the whole of some reels, in one step.
    void strengthToReels(const std::vector<std::string>& ids, const IsolationSettings& settings);
    void endGesture() { m_history.endGesture(); }
    /// Changes what is remembered of the current reel but not undone: which region is worked on.
    void rememberReel(const std::function<void(Reel&)>& change);
    void undo();
    void redo();

    // ---- faults and treatments ----
    /// What was found in a reel and not dismissed; where there is only music, without what is a fault of voices alone.
    std::vector<Finding> findings(const Reel& reel);
    /// What a reel holds: as the user says, else as it was found.
    std::optional<Content> content(const Reel& reel);
    /// What is separated: the recording, or what its treatments made of it.
    std::filesystem::path splitFile(const Reel& reel) const;
    /// What a reel's finishedStems() sum to: as splitFile(), without what treatments took from single stems.
    std::filesystem::path workFile(const Reel& reel);
    /// True while a reel's treatments are not at work on the whole of it.
    bool repairPending(const Reel& reel) const;
    /// Runs a reel's treatments over the whole of it in the background, when that was not done before.
    void repair(const std::string& id);
    /// Gives treatments to reels, in one step.
    void treatmentsToReels(const std::map<std::string, std::vector<Treatment>>& treatments);
    /// Makes the player play the present reel as its treatments left it, when it does not yet.
    void playVersions();
    /// Plays other versions of the present reel (Player::setVersions) until playVersions() is called.
    void tryVersions(Player::OpenSource source, Player::OpenSource recorded, Player::OpenSource removed);

    // ---- work ----
    void split();  ///< separates the current reel in the background
    void cancelSplit();
    /// The stems of a reel at its network and quality, when they were made before; null otherwise.
    std::shared_ptr<StemStore> finishedStems(const Reel& reel);
    /// Checks a network from elsewhere in a process of its own and installs it; says what came of it.
    void installNetwork(const QString& card);
    void removeNetwork(const std::string& id);
    void stemsTouched();  ///< the current reel's stems read otherwise than before
    void reopenStems();   ///< after another network or quality was chosen: finds what was split before
    /// Writes the current reel's stems at its settings into a folder.
    void exportStems(const QString& folder, AudioFormat format);

    /// For a desk's own queue: tells of a failure and calls changed on the window's thread, when the job still matters
    /// to the desk.
    JobQueue::Finished ending(QObject* desk, std::function<bool()> matters, std::function<void()> changed);

    // ---- hearing ----
    void togglePlay();
    void setLevelMatch(bool on);
    bool levelMatch() const { return m_levelMatch; }
    void hear(Heard heard);
    /// The loop in force, in seconds: the one being auditioned, else the reel's own.
    std::optional<std::pair<double, double>> loop() const { return m_audition || !reel() ? m_audition : reel()->loop; }
    /// Plays a stretch in a loop that is no part of the document, until another loop is set or it is taken away.
    void audition(double from, double to);
    void removeLoop();
    /// Plays the current reel at settings that do not become part of the document, for as long as nothing is edited.
    void tryIsolation(const IsolationSettings& settings);
    /// Plays the current reel with other stems at a strength, with a gain for Result, until the reel's own are attached
    /// again by endTrial() or an edit.
    void tryStems(std::shared_ptr<StemStore> stems, const StrengthCourse& course, float resultGain);
    void endTrial();
    bool trying() const { return m_trying; }
    /// While true the window shows no settings and no measures.
    void setBlind(bool on);
    bool blind() const { return m_blind; }

    // ---- recent and recovered sessions ----
    QStringList recentSessions() const;
    /// A session that was not saved when the program ended last, or nothing.
    QString recoverable() const;
    void recover();

signals:
    void sessionChanged();  ///< anything in the document
    void reelOpened();      ///< another reel is current, or its file has been read
    void stemsChanged();    ///< a separation began, grew or ended
    void heardChanged();
    void networksChanged();                ///< one was installed or removed
    void notice(const QString& sentence);  ///< something the user must know, in one line
    void done(const QString& sentence);    ///< something was finished

private:
    void changed();
    void afterHistory();
    void openCurrent();
    void addReel(const QString& file, const QString& group, const MediaInfo& info, bool last,
                 const std::string& gesture);
    void readReel(const Reel& reel);
    void diagnoseReel(const Reel& reel);
    void attachStems(const std::string& id);
    void followTreatments();
    void repairStems(const Reel& reel);
    void measureLoudness();
    void matchRecorded();  ///< before a split: the recording as it came in against what treatments made of it
    void followLoop();
    void matchLevels(const StrengthCourse& course);
    void autosave();
    void remember(const QString& file);
    QString recoveryFile() const;
    std::filesystem::path storeFolder(const Reel& reel) const;
    /// Runs on the window's thread, as long as this object lives and the same session is open.
    void later(int sessionNumber, std::function<void()> f);

    History m_history;
    std::map<std::string, ReelState> m_states;
    Player m_player;
    QString m_file;
    std::string m_opened;            ///< id of the reel in the player
    std::filesystem::path m_played;  ///< the file that it plays; empty: versions that are tried
    bool m_levelMatch = true, m_blind = false, m_trying = false;
    std::optional<std::pair<double, double>> m_audition;
    std::atomic<int> m_sessionNumber{0};  ///< work begun for another session is not delivered to this one
    QTimer m_autosave, m_loudness, m_repair;
    std::string m_splitAfterRepair;      ///< id of the reel that is to be split once its treatments are through
    std::shared_ptr<Network> m_network;  ///< kept loaded between splits; touched by the job thread only
    JobQueue m_jobs;                     ///< splitting and exporting
    JobQueue m_quick;                    ///< reading and measuring, so that they need not wait for a split
    std::vector<JobQueue*> m_watched;
    JobQueue m_looking;  ///< looking for faults, which nothing waits for
};

}  // namespace rivlen
