#pragma once
#include "app/split/UnsureDesk.h"
#include "app/views/TimeView.h"

namespace rivlen {

/// How decided the separation is along time (core/separation/Confidence.h): a lane below the picture at the Split
/// stage. The moments that the network was unsure of are marked; a press on
/// one plays it.
class ConfidenceView : public TimeView {
    Q_OBJECT
public:
    ConfidenceView(UnsureDesk& desk, Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis,
                   QWidget* parent = nullptr);

protected:
    void paintPicture(QPainter& painter) override;
    void mousePressEvent(QMouseEvent*) override;

private:
    int momentAt(double x) const;
    void paintMoments(QPainter& painter);
    UnsureDesk& m_desk;
};

}  // namespace rivlen
