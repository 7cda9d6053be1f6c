#pragma once
#include <QPixmap>
#include <map>

#include "app/rebuild/RebuildTools.h"
#include "app/views/TimeView.h"

class QPushButton;

namespace rivlen {

/// The lanes of the rebuild under the shared time axis. Each has a caption (name, mute, solo, meter) and a body with
/// its clips; a clip is moved and trimmed by its title strip, faded by the corners of its body, and in the body time is
/// chosen as in every other picture. Groups and the mix have captions alone.
class LanesView : public TimeView {
    Q_OBJECT
public:
    static constexpr int kCaption = 20, kTitle = 14, kLeastBody = 56, kMostBody = 110, kGap = 3, kMarkers = 16,
                         kNote = 34;
    LanesView(RebuildTools& tools, Document& document, Reels& reels, Splitting& splitting, Hearing& hearing,
              TimeAxis& axis, QWidget* parent = nullptr);

    /// Takes the meters; called at the picture rate.
    void tick();
    void setSnapping(bool on) { m_snapping = on; }
    bool snapping() const { return m_snapping; }

    // Where things are, for the mouse and for tests.
    QRectF captionRect(const std::string& id) const;
    QRectF bodyRect(const std::string& lane) const;
    QRectF clipRect(const std::string& clip) const;  ///< with its title strip
    QRectF muteRect(const std::string& id) const;
    QRectF soloRect(const std::string& id) const;
    QPointF curvePoint(const std::string& lane, double seconds, double value) const;

protected:
    void paintPicture(QPainter& painter) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void resizeEvent(QResizeEvent*) override { placeNote(); }
    void dragEnterEvent(QDragEnterEvent*) override;
    void dropEvent(QDropEvent*) override;

private:
    enum class Part { None, Title, Begin, End, FadeIn, FadeOut, Body };
    struct Hit {
        std::string lane, clip;
        Part part = Part::None;
    };
    struct Row {
        std::string id;
        double top;
        bool body;
    };
    struct Drag {
        Part part = Part::None;
        std::string clip, lane;
        double grabbed = 0;  ///< second of the axis where it was taken
        double at = 0;       ///< of the clip, then
        bool slip = false, moved = false;
        int point = -1;     ///< of a curve
        DrawnCurve stroke;  ///< drawn by hand
    };
    const Rebuild& shown() const { return m_preview ? **m_preview : m_desk.rebuild(); }
    std::vector<Row> rows() const;
    double contentHeight() const;
    double lanesHeight() const;  ///< of the view, without the lines at its foot: names of markers, what is missing
    bool silent() const;         ///< there are lanes, but no stems to fill them
    void placeNote();
    double bodyHeight() const;  ///< of all lanes: what the view has room for
    Hit hitAt(const QPointF& at) const;
    double snapped(double second, const std::string& butClip, Qt::KeyboardModifiers keys) const;
    void dragTo(const QPointF& at, Qt::KeyboardModifiers keys);
    void applyDrag(Rebuild& rebuild, const QPointF& at, Qt::KeyboardModifiers keys) const;
    bool pressCaption(const QPointF& at);
    bool pressCurve(QMouseEvent* e);
    double curveValue(const std::string& lane, double y) const;
    void moveCurvePoint(const QPointF& at);
    void scrollTo(const std::string& id);

    void paintStatic();
    void paintMarks(QPainter& p);
    void paintCaption(QPainter& p, const Row& row, const Strip& strip, const QString& name, int stem);
    void paintLane(QPainter& p, const Row& row, const Lane& lane);
    void paintClip(QPainter& p, const QRectF& body, const Lane& lane, const Clip& clip);
    void paintWave(QPainter& p, const QRectF& body, const Clip& clip, const QColor& colour, const DrawnCurve* duck);
    void paintCurve(QPainter& p, const QRectF& body, const Lane& lane);
    float levelOf(const Clip& clip, double from, double to) const;  ///< RMS of what is loudest in between, 0 ... 1

    RebuildTools& m_tools;
    RebuildDesk& m_desk;
    QPushButton* m_split;  ///< offered where the lanes are silent
    QPixmap m_static;
    bool m_stale = true, m_all = true;  ///< lanes have to be painted again: those that are others than before, or all
    bool m_snapping = true;
    std::map<std::string, Shared<Lane>> m_painted;
    double m_scroll = 0;
    std::optional<Drag> m_drag;
    std::optional<Shared<Rebuild>> m_preview;
    int m_point = -1;                                         ///< of the chosen lane's curve
    std::map<std::string, std::pair<float, float>> m_levels;  ///< dB of the meters, by strip
};

}  // namespace rivlen
