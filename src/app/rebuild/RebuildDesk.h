#pragma once
#include <map>
#include <set>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/reels/Splitting.h"
#include "app/work/OwnWork.h"
#include "core/rebuild/ClipEdits.h"
#include "core/rebuild/ReplaceMusic.h"

namespace rivlen {

/// The rebuild of the present reel: what is chosen in it, what is done to it, and what is computed for it in the
/// background. The document is changed through edit() alone.
class RebuildDesk : public QObject {
    Q_OBJECT
public:
    explicit RebuildDesk(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
                         QObject* parent = nullptr);

    /// The reel's rebuild, or the plain one that it begins with; empty without a reel.
    const Rebuild& rebuild() const { return *m_shown; }
    bool ready() const { return !m_shown->empty(); }
    bool begun() const { return m_document.reel() && !m_document.reel()->rebuild->empty(); }
    void edit(const QString& name, const std::function<void(Rebuild&)>& change, const std::string& gesture = "");
    void endDrag() { m_document.endGesture(); }
    double playhead() const;
    std::optional<std::pair<double, double>> loop() const { return m_hearing.loop(); }
    void tell(const QString& sentence) { m_work.warn(sentence); }

    // ---- what is chosen ----
    const std::set<std::string>& selected() const { return m_selected; }
    void select(std::set<std::string> clips);
    const Clip* clip() const;                             ///< the only one that is selected, or null
    const std::string& laneId() const { return m_lane; }  ///< a lane, a group, or "mix"
    void chooseLane(const std::string& id);
    void stepLane(int by);
    const Lane* lane() const { return m_shown->lane(m_lane); }
    /// The strip that is chosen, of a lane, a group or the mix.
    const Strip& strip() const;
    void editStrip(const QString& name, const std::function<void(Strip&)>& change, const std::string& gesture = "");
    QString laneName(const std::string& id) const;
    QString clipName(const Clip& clip) const;

    // ---- clips (RebuildClips.cpp) ----
    void splitAtPlayhead();  ///< the selected clips there; without a selection the chosen lane's
    void removeSelected();
    void duplicateSelected();
    void toggleMuted();
    void nudge(double seconds);
    void slip(double seconds);
    void trimToPlayhead(bool begin);
    void crossFadeSelected();
    void keepBefore();
    void swapBefore();
    void copy();
    void paste();  ///< at the playhead, on the chosen lane
    void stepSelection(int by);
    void editClips(const QString& name, const std::function<void(Clip&)>& change, const std::string& gesture = "");
    void addLane();
    void removeLane();
    void moveLane(int by);
    void setGroup(const QString& name);  ///< of the chosen lane; empty: none
    void addMarker();

    // ---- automation of the chosen strip ----
    const std::string& automated() const { return m_automated; }  ///< id in stripParameters(), or empty
    void showAutomation(const std::string& id);
    void setCurve(DrawnCurve curve, const std::string& gesture = "");
    const DrawnCurve* curve(const Strip& strip) const;
    void trimCurve(double by);  ///< in the loop
    void copyCurve();           ///< of the loop
    void pasteCurve();          ///< at the playhead
    void thinCurve();

    // ---- work (RebuildWork.cpp) ----
    void importSounds(const QStringList& files);  ///< each on a lane of its own, at the playhead
    /// Of a sound, or of "voice" and "room"; null while it is read.
    std::shared_ptr<LevelTrack> levels(const std::string& material) const;
    double soundSeconds(const std::string& sound) const;         ///< 0: not known yet
    const DrawnCurve* duckCurve(const std::string& lane) const;  ///< null while it is not known
    void duckToAutomation();
    void fillWithTone();  ///< the loop on the chosen lane, from what is between the words
    void muteLoop();      ///< cuts the loop out of the chosen lane
    void findSilences(double thresholdDb, double seconds);  ///< of the chosen lane
    const std::vector<std::pair<double, double>>& silences() const { return m_silences; }
    void shortenSilences(double to);
    void fillSilences();
    void estimateRoom();  ///< from the loop (or all) of the dialogue, for the chosen strip
    /// The cue's file becomes one of the rebuild's sounds.
    void replaceMusic(MusicReplacement replacement, const std::filesystem::path& cue, bool matchLoudness);
    void render(const QString& file);
    std::shared_ptr<Materials> materials() const { return m_materials; }
    bool busy() const { return !m_own.idle() || m_follow.isActive(); }

    // ---- mending ----
    void addMend(Mend mend);

signals:
    void changed();

private:
    void follow();  ///< the document, the reel or its stems have changed
    void makePlan();
    void readSounds();
    void readRoom();  ///< levels of the voice without its room and of the room, for drawing
    void followDucks();
    void followMends();
    std::string soundFor(Rebuild& rebuild, const std::filesystem::path& file) const;
    std::pair<double, double> loopOr(double from, double to) const;
    /// Runs work beside the window; done is called with it afterwards, when the same reel is still there.
    int run(const QString& title, std::function<void(Progress&)> work, std::function<void()> done);

    Document& m_document;
    Reels& m_reels;
    Splitting& m_splitting;
    Hearing& m_hearing;
    Work& m_work;
    Shared<Rebuild> m_shown;
    std::string m_reel, m_stage, m_heardReel;
    std::set<std::string> m_selected;
    std::string m_lane, m_automated;
    std::optional<DrawnCurve> m_copiedCurve;
    std::vector<Clip> m_copied;
    std::vector<std::pair<double, double>> m_silences;
    std::string m_silencesOf;
    struct SoundFacts {
        std::shared_ptr<LevelTrack> levels;
        double seconds = 0;
        bool reading = false;
    };
    std::map<std::string, SoundFacts> m_sounds;  ///< by file and rate
    std::string soundKey(const std::string& sound) const;
    struct DuckFacts {
        std::string of;  ///< what it was computed for
        int job = 0;
        DrawnCurve curve;
    };
    std::map<std::string, DuckFacts> m_ducks;  ///< by lane
    std::shared_ptr<Materials> m_materials;
    std::string m_materialsOf;
    std::vector<Mend> m_mended;
    StemStore* m_mendedStems = nullptr;
    QTimer m_follow;
    OwnWork m_own;
};

}  // namespace rivlen
