#pragma once
#include "app/views/TimeView.h"

namespace rivlen {

/// How decided the separation is along time (core/separation/Confidence.h): a lane below the picture at the Split
/// stage.
class ConfidenceView : public TimeView {
    Q_OBJECT
public:
    ConfidenceView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent = nullptr);

protected:
    void paintPicture(QPainter& painter) override;
};

}  // namespace rivlen
