#pragma once
#include <set>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// The rebuild of the present reel and what is chosen in it. The document is changed through edit() alone.
class RebuildDesk : public QObject {
    Q_OBJECT
public:
    RebuildDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent = nullptr);

    /// The reel's rebuild, or the plain one that it begins with; empty without a reel.
    const Rebuild& rebuild() const { return *m_shown; }
    const Shared<Rebuild>& shared() const { return m_shown; }
    bool ready() const { return !m_shown->empty(); }
    void edit(const QString& name, const std::function<void(Rebuild&)>& change, const std::string& gesture = "");
    void endDrag() { m_document.endGesture(); }
    double playhead() const;
    std::optional<std::pair<double, double>> loop() const { return m_hearing.loop(); }

    // ---- what is chosen ----
    const std::set<std::string>& selected() const { return m_selected; }
    void select(std::set<std::string> clips);
    const Clip* clip() const;                             ///< the only one that is selected, or null
    const std::string& laneId() const { return m_lane; }  ///< a lane, a group, or "mix"
    void chooseLane(const std::string& id);
    const Lane* lane() const { return m_shown->lane(m_lane); }
    /// The strip that is chosen, of a lane, a group or the mix.
    const Strip& strip() const;
    void editStrip(const QString& name, const std::function<void(Strip&)>& change, const std::string& gesture = "");

    void tell(const QString& sentence) { m_work.warn(sentence); }
    void report(const QString& sentence) { m_work.report(sentence); }
    void announce() { emit changed(); }  ///< tells everyone to look again
    void follow();                       ///< looks at the document and the reel

signals:
    void reelChanged();  ///< another reel: nothing of the former counts
    void followed();     ///< the document, the reel or its stems have changed; before changed()
    void changed();

private:
    bool begun() const { return m_document.reel() && !m_document.reel()->rebuild->empty(); }
    void followStage();
    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    Work& m_work;
    Shared<Rebuild> m_shown;
    std::string m_reel, m_stage, m_heardReel;
    std::set<std::string> m_selected;
    std::string m_lane;
};

}  // namespace rivlen
