#pragma once
#include "app/views/TimeView.h"

namespace rivlen {

/// The Current: the recording as one stream along time, as wide as it is loud, which divides into its
/// stems; the width of each is its share of the energy. Hue, letter and hatching tell the stems apart.
class CurrentView : public TimeView {
    Q_OBJECT
public:
    using TimeView::TimeView;

protected:
    void paintPicture(QPainter& painter) override;
};

}  // namespace rivlen
