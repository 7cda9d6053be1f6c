#pragma once
#include <array>

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

protected:
    Job prepare(int columns, int rows) override;
    void paintPicture(QPainter& painter) override;

private:
    void paintScars(QPainter& painter);
    WeighDesk* m_desk = nullptr;
};

/// Colours a picture; free of widgets, so that tests can look at single cells.
QImage colourOwnership(const OwnershipPicture& picture, const std::array<QColor, 3>& owners = {theme::dialogue, theme::music, theme::ambience});

}  // namespace rivlen
