#pragma once
#include <QKeyEvent>
#include <QMouseEvent>

#include "app/rebuild/ClipTools.h"
#include "app/rebuild/LaneCurves.h"
#include "app/rebuild/LaneTools.h"
#include "app/rebuild/LanesLayout.h"

namespace rivlen {

/// What pointer and keys do to the lanes: clips moved, trimmed, slipped and faded, points of curves dragged and drawn.
/// A drag is shown on a copy of the rebuild and becomes one edit when it is let go.
class LaneGestures {
public:
    LaneGestures(const Reels& reels, const Hearing& hearing, RebuildDesk& desk, ClipTools& clips, LaneTools& lanes,
                 LaneCurves& curves)
        : m_reels(reels), m_hearing(hearing), m_desk(desk), m_clips(clips), m_lanes(lanes), m_curves(curves) {}

    void setSnapping(bool on) { m_snapping = on; }
    bool snapping() const { return m_snapping; }
    /// The rebuild as it is while something is dragged.
    const Rebuild& shown() const { return m_preview ? **m_preview : m_desk.rebuild(); }
    int point() const { return m_point; }  ///< of the chosen lane's curve, or -1
    const DrawnCurve* stroke() const;      ///< being drawn by hand, or null
    bool dragging() const { return bool(m_drag); }
    void forgetLostPoint();  ///< when the curve has changed

    /// True where the press is theirs; false: it chooses time, as in every other picture.
    bool press(const LanesLayout& layout, const QMouseEvent& e);
    /// True where every lane has to be painted again.
    bool drag(const LanesLayout& layout, const QMouseEvent& e);
    void release(const LanesLayout& layout, const QMouseEvent& e);
    bool doubleClick(const LanesLayout& layout, const QPointF& at);  ///< a new point of the curve
    bool key(const LanesLayout& layout, const QKeyEvent& e);
    Qt::CursorShape cursorAt(const LanesLayout& layout, const QPointF& at) const;

private:
    using Part = LanesLayout::Part;
    struct Drag {
        Part part = Part::None;
        std::string clip, lane;
        double grabbed = 0;  ///< second of the axis where it was taken
        double at = 0;       ///< of the clip, then
        bool slip = false, moved = false;
        int point = -1;     ///< of a curve
        DrawnCurve stroke;  ///< drawn by hand
    };
    bool pressCaption(const LanesLayout& layout, const QPointF& at);
    bool pressCurve(const LanesLayout& layout, const QMouseEvent& e);
    void applyDrag(const LanesLayout& layout, Rebuild& rebuild, const QPointF& at, Qt::KeyboardModifiers keys) const;
    double snapped(const LanesLayout& layout, double second, Qt::KeyboardModifiers keys) const;
    void movePoint(const LanesLayout& layout, const QPointF& at);
    void stepPoint(const LanesLayout& layout, double x, double y);
    void putPointAtPlayhead();
    const DrawnCurve* curve() const { return m_curves.of(m_desk.strip()); }
    const Reels& m_reels;
    const Hearing& m_hearing;
    RebuildDesk& m_desk;
    ClipTools& m_clips;
    LaneTools& m_lanes;
    LaneCurves& m_curves;
    bool m_snapping = true;
    std::optional<Drag> m_drag;
    std::optional<Shared<Rebuild>> m_preview;
    int m_point = -1;
};

}  // namespace rivlen
