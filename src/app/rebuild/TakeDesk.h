#pragma once
#include "app/document/SessionFile.h"
#include "app/rebuild/RebuildMix.h"
#include "playback/TakeRecorder.h"

namespace rivlen {

/// How voice lines are recorded; remembered.
struct TakeWays {
    VoiceInput input;
    double preRoll = 3;     ///< seconds that are played before
    double correction = 0;  ///< ms by which the voice is later still than its device says
};
inline constexpr double kLongestPreRoll = 20, kLargestCorrection = 500;

/// A voice line: recorded while the reel plays, into the loop or from the playhead on, and laid in where it was spoken.
class TakeDesk : public QObject {
    Q_OBJECT
public:
    TakeDesk(Document& document, const SessionFile& file, Reels& reels, RebuildDesk& desk, RebuildMix& mix,
             Hearing& hearing, Work& work, QObject* parent = nullptr);
    ~TakeDesk() override;

    const TakeWays& ways() const { return m_ways; }
    void setWays(const TakeWays& ways);
    /// The microphone is open, so that its level is seen.
    bool listening() const { return m_hearing.player().listens(); }
    void listen(bool on);
    /// Begins to record, with the pre-roll first; ends it while it does.
    void toggle();
    bool recording() const { return m_recorder != nullptr; }
    /// Plays some seconds of the recording, and sets the correction by when they come back through the microphone.
    void measure();
    QString measured() const { return m_measured; }  ///< what came of it; empty: it was not asked for
    QString state() const;                           ///< how far it is; empty: nothing is recorded
    QString hint() const;                            ///< what toggle() would do
    float peak() const { return m_peak; }            ///< of what came in lately, 1: full scale; falls slowly

signals:
    void changed();

private:
    enum class Purpose { Line, Measure };
    bool begin(Purpose purpose, double from, std::optional<double> to, double preRoll);
    void end();
    void beat();
    void measureTake(TakeRecorder& recorder, const std::filesystem::path& source, const Work::Post& post);
    void recover();
    void layIn(const std::string& reel, const TakeRecorder::Kept& kept, std::pair<double, double> span, int rate,
               const std::string& chosen);
    std::filesystem::path folder() const;

    Document& m_document;
    const SessionFile& m_file;
    Reels& m_reels;
    RebuildDesk& m_desk;
    RebuildMix& m_mix;
    Hearing& m_hearing;
    Work& m_work;
    TakeWays m_ways;
    std::unique_ptr<TakeRecorder> m_recorder;
    std::string m_reel, m_lane;  ///< that it is recorded for
    Purpose m_purpose = Purpose::Line;
    Heard m_heardBefore = Heard::Source;
    QString m_measured;
    double m_from = 0;
    std::optional<double> m_to;  ///< nothing: until it is ended
    float m_peak = 0;
    OwnWork m_own;
};

/// The lane for a take: the chosen one where it holds no stem, else the one for voice lines; empty: it is to be made.
std::string laneForTakes(const Rebuild& rebuild, const std::string& chosen);

}  // namespace rivlen
