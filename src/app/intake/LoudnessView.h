#pragma once
#include "app/views/TimeView.h"

namespace rivlen {

/// At Intake, below the picture: short-term loudness and the noise floor along time, so that one sees where a reel is
/// loud, quiet or noisy.
class LoudnessView : public TimeView {
    Q_OBJECT
public:
    LoudnessView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent = nullptr);

protected:
    void paintPicture(QPainter& painter) override;
};

}  // namespace rivlen
