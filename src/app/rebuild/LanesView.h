#pragma once
#include <QPixmap>
#include <map>

#include "app/rebuild/LaneGestures.h"
#include "app/rebuild/LanePainter.h"
#include "app/rebuild/RebuildTools.h"
#include "app/views/TimeView.h"

class QPushButton;

namespace rivlen {

/// The lanes of the rebuild under the shared time axis. Each has a caption (name, mute, solo, meter) and a body with
/// its clips; a clip is moved and trimmed by its title strip, faded by the corners of its body, and in the body time is
/// chosen as in every other picture. Groups and the mix have captions alone. Where things lie is LanesLayout's, how a
/// lane looks LanePainter's, what pointer and keys do LaneGestures'.
class LanesView : public TimeView {
    Q_OBJECT
public:
    LanesView(RebuildTools& tools, Document& document, Reels& reels, Splitting& splitting, Hearing& hearing,
              TimeAxis& axis, QWidget* parent = nullptr);

    /// Takes the meters; called at the picture rate.
    void tick();
    void setSnapping(bool on) { m_gestures.setSnapping(on); }
    bool snapping() const { return m_gestures.snapping(); }
    LanesLayout lanesLayout() const;
    const LaneWaves& waves() const { return m_waves; }

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
    const Rebuild& shown() const { return m_gestures.shown(); }
    bool silent() const;  ///< there are lanes, but no stems to fill them
    void placeNote();
    void paintAgain();  ///< everything, not only lanes that are others than before
    void paintLanes(const LanesLayout& layout);
    void paintMarks(QPainter& p, const LanesLayout& layout);
    void paintMeters(QPainter& p, const LanesLayout& layout);

    RebuildMix& m_mix;
    const ToneTools& m_tones;
    LaneGestures m_gestures;
    LaneWaves m_waves;
    LanePainter m_painter;
    QPushButton* m_split;  ///< offered where the lanes are silent
    QPixmap m_static;
    bool m_stale = true, m_all = true;  ///< lanes have to be painted again: those that are others than before, or all
    std::map<std::string, Shared<Lane>> m_painted;
    double m_scroll = 0;
    std::map<std::string, std::pair<float, float>> m_levels;  ///< dB of the meters, by strip
};

}  // namespace rivlen
