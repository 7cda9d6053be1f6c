#pragma once
#include "app/views/ComputedPicture.h"

namespace rivlen {

/// The picture as a strip of small frames over the time axis, each at its own time.
class PictureStrip : public ComputedPicture {
    Q_OBJECT
public:
    PictureStrip(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent = nullptr);

protected:
    Job prepare(int columns, int rows) override;
    void paintPicture(QPainter& painter) override;
};

}  // namespace rivlen
