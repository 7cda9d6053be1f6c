#pragma once
#include <QPointF>
#include <QRectF>
#include <set>
#include <vector>

#include "app/rebuild/CurveRange.h"
#include "app/views/TimeAxis.h"
#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// Where the lanes of a rebuild lie in a view of a given size: captions, bodies, clips and the points of curves, in
/// pixels. A lane has a caption and a body, a group and the mix have a caption alone. Made anew whenever it is asked;
/// knows no widget. The rebuild and the axis must outlive it.
class LanesLayout {
public:
    static constexpr int kCaption = 20, kTitle = 14, kLeastBody = 56, kMostBody = 110, kGap = 3, kMarkers = 16,
                         kNote = 34;
    struct Row {
        std::string id;
        double top;
        bool body;
    };
    enum class Part { None, Title, Begin, End, FadeIn, FadeOut, Body };
    struct Hit {
        std::string lane, clip;
        Part part = Part::None;
    };

    /// note: a line at the foot says that the stems are silent. scroll: pixels above the view.
    LanesLayout(const TimeAxis& axis, const Rebuild& rebuild, QSize size, double scroll, bool note);

    const Rebuild& rebuild() const { return m_rebuild; }
    const std::vector<Row>& rows() const& { return m_rows; }
    std::vector<Row> rows() && = delete;  // of one that is gone at the end of the line
    int width() const { return m_size.width(); }
    double lanesHeight() const { return m_lanesHeight; }  ///< without the lines at the foot: markers' names, the note
    double contentHeight() const;
    bool hidden(const Lane& lane) const;          ///< its group is folded
    QRectF fold(const std::string& group) const;  ///< what folds and unfolds it
    double mostScroll() const { return std::max(0.0, contentHeight() - lanesHeight()); }
    /// The scroll at which a row is seen whole, as near to the present one as possible.
    double scrollTo(const std::string& id) const;

    double xAt(double second) const { return m_axis.xAt(second, width()); }
    double secondAt(double x) const { return m_axis.secondAt(x, width()); }
    const TimeAxis& axis() const { return m_axis; }
    QRectF caption(const std::string& id) const;
    QRectF body(const std::string& lane) const;
    QRectF body(const Row& row) const { return {0, row.top + kCaption, double(width()), m_bodyHeight}; }
    QRectF clip(const std::string& clip) const;  ///< with its title strip
    QRectF mute(const std::string& id) const;
    QRectF solo(const std::string& id) const { return mute(id).translated(23, 0); }
    QPointF curvePoint(const std::string& lane, const CurveRange& of, double seconds, double value) const;
    double curveValue(const std::string& lane, const CurveRange& of, double y) const;
    /// The lane whose caption or body is at y, or empty.
    std::string laneAt(double y) const;
    /// What the pointer would take hold of; fades have handles on selected clips alone.
    Hit hitAt(const QPointF& at, const std::set<std::string>& selected) const;

private:
    const TimeAxis& m_axis;
    const Rebuild& m_rebuild;
    QSize m_size;
    double m_scroll, m_lanesHeight, m_bodyHeight;  ///< the latter of all lanes: what the view has room for
    std::vector<Row> m_rows;
};

}  // namespace rivlen
