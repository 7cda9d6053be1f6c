#pragma once
#include <QTimer>

#include "app/document/SessionFile.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/work/OwnWork.h"
#include "core/exchange/Answer.h"
#include "core/exchange/RoundTrip.h"
#include "core/isolation/Weighing.h"

namespace rivlen {

/// Sends the loop, or the whole reel, through a cleaner outside of Rivlen and lets its answers be weighed, heard beside
/// Rivlen's own and laid in. How it is reached is the user's: kept in the settings, never in a session.
class OutsideDesk : public QObject {
    Q_OBJECT
public:
    struct Ways {
        bool byCommand = true;
        QString command, folder;
        bool sendsStem = false;  ///< Rivlen's own stem, not the recording
        double handles = 1;      ///< seconds
    };
    /// What came back, ready to be heard.
    struct Returned {
        QString name;
        Answer answer;
        SentSound sent;
        std::string stem;
        Weighing weighing;
        double gain = 0;      ///< dB that make its wanted sound as loud as Rivlen's own
        double loudness = 0;  ///< LUFS of its result
        std::shared_ptr<StemStore> stems;
    };
    static constexpr double kLongest = 300;  ///< seconds that are weighed

    /// Edits the present reel's rebuild, or the plain one that it begins with, and chooses the lane that change
    /// returns.
    using EditRebuild = std::function<void(const QString& step, const std::function<std::string(Rebuild&)>& change)>;
    OutsideDesk(Document& document, SessionFile& file, Reels& reels, Hearing& hearing, EditRebuild edit, Work& work,
                QObject* parent = nullptr);

    const Ways& ways() const { return m_ways; }
    void setWays(const Ways& ways);

    /// Why nothing can be sent now, one sentence; empty when it can.
    QString hindrance() const;
    void send();
    void cancel();
    /// An answer to what was sent last that came another way.
    void take(const QString& file);
    bool busy() const { return waiting() || !m_own.idle(); }
    bool waiting() const { return m_watch.has_value(); }
    bool sent() const { return m_sent.has_value(); }
    QString state() const;

    const std::vector<Returned>& answers() const { return m_answers; }
    const std::optional<Weighing>& own() const { return m_ownWeighing; }  ///< of the strength in force, over the span
    int heard() const { return m_heard; }
    int chosen() const {
        return m_heard >= 0 ? m_heard : int(m_answers.size()) - 1;
    }                        ///< the newest where none is heard
    void hear(int answer);   ///< plays it over the span, at the loudness of the source; -1: back to the reel's own
    void layIn(int answer);  ///< on a lane of its own at Rebuild

signals:
    void changed();

private:
    std::filesystem::path folder() const;
    void look();
    void read(const std::filesystem::path& file, const QString& by);
    QString freeName(const QString& name) const;
    void clear();
    Document& m_document;
    SessionFile& m_file;
    Reels& m_reels;
    Hearing& m_hearing;
    EditRebuild m_edit;
    Work& m_work;
    Ways m_ways;
    std::string m_reel, m_stem;  ///< that was sent
    std::optional<SentSound> m_sent;
    std::optional<AnswerWatch> m_watch;
    std::optional<Weighing> m_ownWeighing;
    double m_source = 0;  ///< LUFS of the source in the span
    std::vector<Returned> m_answers;
    int m_heard = -1;
    QTimer m_looking;
    OwnWork m_own;
};

}  // namespace rivlen
