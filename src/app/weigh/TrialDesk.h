#pragma once
#include <map>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/reels/Splitting.h"
#include "app/work/OwnWork.h"
#include "core/isolation/Trial.h"

namespace rivlen {

/// Tries every network and quality, each at the present strength and the kept candidates', on the loop of the current
/// reel, and lets the answers be heard and used. Nothing becomes part of the document before use().
class TrialDesk : public QObject {
    Q_OBJECT
public:
    /// One answer, ready to be heard.
    struct Answer {
        TrialChoice choice;
        int candidate = -1;  ///< whose strength; -1: the one that was in force
        StrengthTimeline timeline;
        TrialRow row;
        double loudness = 0;  ///< LUFS of the result
        std::shared_ptr<StemStore> stems;
    };
    static constexpr double kLongest = 30;  ///< seconds of a loop that are tried

    explicit TrialDesk(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
                       QObject* parent = nullptr);

    /// Why a trial cannot begin now, one sentence; empty when it can.
    QString hindrance() const;
    void start();
    void cancel();
    bool busy() const { return !m_own.idle(); }
    double fraction() const;  ///< of the trial that is running
    void clear();

    const std::vector<Answer>& answers() const { return m_answers; }  ///< the best first
    QString reason() const { return m_reason; }                       ///< of the ranking
    std::pair<double, double> span() const { return m_span; }
    int heard() const { return m_heard; }  ///< the answer that is heard, or -1: the reel's own stems

    void hear(int answer);  ///< plays it in the loop, at the loudness of the source; -1: back to the reel's own
    /// Takes an answer's network, quality and strength for the reel and separates the whole of it when that was not
    /// done before.
    void use(int answer);

signals:
    void began();  ///< a trial was begun
    void changed();

private:
    struct Networks;  ///< kept loaded between trials; touched by the queue's thread only
    void take(const std::vector<Answer>& answers);

    Document& m_document;
    Reels& m_reels;
    Splitting& m_splitting;
    Hearing& m_hearing;
    Work& m_work;
    std::shared_ptr<Networks> m_networks;
    std::vector<Answer> m_answers;
    QString m_reason;
    std::string m_reel;
    std::pair<double, double> m_span{0, 0};
    double m_source = 0;  ///< LUFS of the source in the span
    int m_heard = -1, m_choices = 0, m_done = 0;
    OwnWork m_own;
};

}  // namespace rivlen
