#pragma once
#include <array>
#include <vector>

#include "app/views/ComputedPicture.h"
#include "app/views/PictureOverlay.h"
#include "app/widgets/Theme.h"
#include "core/spectral/OwnershipPicture.h"

namespace rivlen {

/// The Ownership picture: a spectrogram whose hue says which stem owns a cell, whose brightness says its level,
/// fading to grey where the network is unsure. Computed for what is visible.
class OwnershipView : public ComputedPicture {
    Q_OBJECT
public:
    OwnershipView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent = nullptr);
    /// Of the spectra, seconds: one of kShortWindow, kUsualWindow, kLongWindow. Remembered between runs.
    void setWindow(double seconds);
    double window() const { return m_window; }
    /// Draws an overlay from now on, over those before; it must live as long as the view.
    void lay(PictureOverlay* overlay) { m_overlays.push_back(overlay); }
    double frequencyAtY(double y) const;
    double yAtFrequency(double hz) const;

protected:
    Job prepare(int columns, int rows) override;
    void paintPicture(QPainter& painter) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;

private:
    std::vector<PictureOverlay*> m_overlays;
    double m_window = kUsualWindow;
};

/// Colours a picture; free of widgets, so that tests can look at single cells.
QImage colourOwnership(const OwnershipPicture& picture,
                       const std::vector<QColor>& owners = {theme::dialogue, theme::music, theme::ambience});

}  // namespace rivlen
