#pragma once
#include <array>

#include "app/MendTool.h"
#include "app/RebuildDesk.h"
#include "app/Theme.h"
#include "app/WeighDesk.h"
#include "app/views/ComputedPicture.h"
#include "core/spectral/OwnershipPicture.h"

namespace rivlen {

/// The Ownership picture: a spectrogram whose hue says which stem owns a cell, whose brightness says its level,
/// fading to grey where the network is unsure. Computed for what is visible.
class OwnershipView : public ComputedPicture {
    Q_OBJECT
public:
    using ComputedPicture::ComputedPicture;
    /// Whose worst places are marked on the picture while the Weigh stage is shown.
    void setDesk(WeighDesk* desk);
    /// At Rebuild areas are marked on it while the tool is active.
    void setMending(RebuildDesk* desk, MendTool* tool);
    double frequencyAtY(double y) const;
    double yAtFrequency(double hz) const;

protected:
    Job prepare(int columns, int rows) override;
    void paintPicture(QPainter& painter) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;

private:
    bool mending() const;
    void paintAreas(QPainter& painter);
    void paintScars(QPainter& painter);
    RebuildDesk* m_rebuild = nullptr;
    MendTool* m_tool = nullptr;
    std::vector<std::pair<double, double>> m_marked;  ///< (seconds, Hz) while an area is being marked
    WeighDesk* m_desk = nullptr;
};

/// Colours a picture; free of widgets, so that tests can look at single cells.
QImage colourOwnership(const OwnershipPicture& picture,
                       const std::array<QColor, 3>& owners = {theme::dialogue, theme::music, theme::ambience});

}  // namespace rivlen
