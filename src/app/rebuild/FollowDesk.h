#pragma once
#include <QObject>
#include <optional>

#include "app/document/Document.h"
#include "app/rebuild/RebuildDesk.h"
#include "app/reels/Reels.h"
#include "app/work/Work.h"
#include "core/following/PanFromPath.h"

namespace rivlen {

/// Something in the picture that a lane's place follows: where it was marked, where it was found, and how that becomes
/// a way through the room. The curves are ordinary automation of the lane that was chosen when it was marked; the way
/// is forgotten with the reel.
class FollowDesk : public QObject {
    Q_OBJECT
public:
    FollowDesk(Document& document, Reels& reels, RebuildDesk& desk, Hearing& hearing, Work& work,
               QObject* parent = nullptr);

    /// The present reel has a picture, and a lane is chosen in a mix with places.
    bool possible() const;
    bool marking() const { return m_marking; }
    void setMarking(bool on);
    /// Here is the object at a time (seconds): what follows goes on from there, to the end of the loop or the reel.
    void mark(const PictureBox& box, double second);
    bool busy() const { return m_job != 0; }
    void stop();
    void forget();

    bool byHand() const { return m_byHand; }
    void setByHand(bool on);
    /// The pointer is at a place of the picture (shares of its width and height) while it plays.
    void point(double x, double y, double second);
    /// Playing has ended: what was pointed at becomes the way.
    void endPointing();

    const PanFromPath& how() const { return m_how; }
    void setHow(const PanFromPath& how, bool dragging);
    void setAspect(double widthOverHeight);

    const std::vector<FollowedFrame>& frames() const { return m_frames; }
    /// Where it was found at a time; null outside of what was followed.
    const FollowedFrame* at(double second) const;
    std::vector<std::pair<double, double>> lost() const { return lostSpans(m_frames); }
    /// Goes to the next place where it was lost, ready to be marked there.
    void toLost();
    /// The beginning of the next span behind the playhead in which it was lost; the first one behind the last.
    std::optional<double> nextLost() const;

signals:
    void changed();

private:
    void follow(double from);  ///< from an anchor on
    void write(bool dragging);
    double end() const;

    Document& m_document;
    Reels& m_reels;
    RebuildDesk& m_desk;
    Hearing& m_hearing;
    Work& m_work;
    std::string m_lane;
    std::vector<FollowAnchor> m_anchors;
    std::vector<FollowedFrame> m_frames, m_pointed;
    PanFromPath m_how;
    bool m_marking = false, m_byHand = false;
    int m_job = 0;
};

}  // namespace rivlen
