#pragma once
#include "app/document/Document.h"
#include "app/reels/Reels.h"
#include "app/work/Work.h"

namespace rivlen {

/// What can be done to the strength of the current reel over its stems and over time: whose strength is worked on,
/// regions with settings of their own, values drawn over time.
class StrengthDesk : public QObject {
    Q_OBJECT
public:
    explicit StrengthDesk(Document& document, Reels& reels, Work& work, QObject* parent = nullptr);

    /// The wanted stem or part: Result, the controls and the measures are for it from now on.
    void chooseStem(const std::string& stem);
    /// The next part of the stem that is weighed, after the last one the whole stem again.
    void chooseNextPart();
    /// The region whose settings the controls change; -1: the whole reel's.
    void workOn(int region);
    /// Makes a region of the loop, with the settings that are worked on, and works on it.
    void regionFromLoop();
    void removeRegion(int region);
    void renameRegion(int region, const QString& name);
    void setFade(int region, double seconds, bool dragging);
    /// Moves a border, not beyond the neighbours and not nearer than kShortestRegion to the other one.
    void moveBorder(int region, bool begin, double seconds);
    /// Gives the settings that are worked on to another region (-1: the whole reel).
    void copyTo(int region);

    /// The setting that is shown and drawn over time.
    const IsolationParameter& parameter() const { return isolationParameters()[m_parameter]; }
    void showParameter(size_t index);
    const DrawnCurve* curve() const;                 ///< null when it is not drawn
    void setCurve(DrawnCurve curve, bool dragging);  ///< empty: not drawn any more
    void endDrag() { m_document.endGesture(); }
    QString regionName(int region) const;

signals:
    void changed();

private:
    void edit(const QString& name, const std::function<void(StrengthTimeline&)>& change,
              const std::string& gesture = "");
    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    size_t m_parameter = 0;
};

}  // namespace rivlen
