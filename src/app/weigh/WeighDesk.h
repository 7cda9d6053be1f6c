#pragma once
#include <QTimer>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/work/OwnWork.h"
#include "core/isolation/SpanSpectrum.h"
#include "core/isolation/TradeOff.h"
#include "core/isolation/WorstPlaces.h"

namespace rivlen {

/// Keeps the measures of the present span and settings up to date, in the background, while the Weigh stage is shown.
///
/// The span is the loop; without one, the region that is worked on; else the whole of a short reel or half a minute
/// around the playhead.
class WeighDesk : public QObject {
    Q_OBJECT
public:
    /// What is known of the present span. Seconds count from the recording's first sample.
    struct Result {
        std::string reel;
        double from = 0, to = 0;
        IsolationSettings settings;      ///< that are worked on
        Weighing now;                    ///< of the strength in force
        std::optional<TradeOff> curve;   ///< follows a moment later
        std::vector<WorstPlace> places;  ///< seconds from `from`
        std::shared_ptr<const SpanSpectrum> spectrum;
    };

    explicit WeighDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent = nullptr);

    /// Of the present reel, or nothing.
    const Result* result() const;
    const QString& hindrance() const { return m_hindrance; }  ///< why nothing can be weighed here; or empty
    bool hidden() const { return m_hearing.blind(); }
    bool busy() const { return m_wait.isActive() || !m_own.idle(); }

    /// Sets Depth and Firmness to a place on the curve: an index of its points, fractions lie between them.
    void moveTo(double position, bool dragging);
    void endDrag() { m_document.endGesture(); }
    /// Where the present settings lie on the curve, as moveTo() takes it.
    double position() const;
    void useSuggestion();
    /// Loops a worst place with what is around it and plays it.
    void audition(int place);
    void step(int direction);              ///< to the next or the last one
    int place() const { return m_place; }  ///< the one auditioned last, or -1

    /// Looks whether the span is still the present one: called now and then, since the playhead moves without a signal.
    void tick();

signals:
    void changed();

private:
    struct Bench;  ///< what is kept between computations; touched by the queue's thread only
    std::pair<double, double> span() const;
    void start();
    void take(Result result);

    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    std::shared_ptr<Bench> m_bench;
    std::optional<Result> m_result;
    std::pair<double, double> m_begun{-1, -1};  ///< span of the last computation
    double m_baseFirmness = 0;                  ///< firmness that the curve begins with
    std::optional<double> m_chartFirmness;      ///< firmness that moveTo() set last
    QString m_hindrance;
    int m_place = -1;
    QTimer m_wait;
    OwnWork m_own;
};

}  // namespace rivlen
