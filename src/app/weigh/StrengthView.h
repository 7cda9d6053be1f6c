#pragma once
#include <QComboBox>

#include "app/views/TimeView.h"
#include "app/weigh/StrengthDesk.h"

namespace rivlen {

/// Strength along time, below the picture: regions as bars whose borders can be dragged, and one setting as a line on
/// which points can be drawn.
class StrengthView : public TimeView {
    Q_OBJECT
public:
    StrengthView(StrengthDesk& desk, Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis,
                 QWidget* parent = nullptr);

    static constexpr int kHeight = 92, kBarTop = 4, kBarHeight = 16;
    /// Where a value lies, in the widget's own coordinates.
    QPointF pointAt(double seconds, double value) const;

protected:
    void paintPicture(QPainter& painter) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

private:
    QRectF lane() const;
    double valueAt(double y) const;
    int pointNear(const QPointF& at) const;  ///< of the drawn curve, or -1
    /// The border near a place on the bars: region and whether it is its beginning.
    std::optional<std::pair<int, bool>> borderNear(const QPointF& at) const;
    void paintRegions(QPainter& painter);
    void movePoint(const QPointF& to);
    void removePoint();

    StrengthDesk& m_desk;
    QComboBox* m_choice;
    int m_point = -1;  ///< chosen
    bool m_moving = false;
    std::optional<std::pair<int, bool>> m_border;
};

}  // namespace rivlen
