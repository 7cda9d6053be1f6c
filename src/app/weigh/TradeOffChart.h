#pragma once
#include <QWidget>

#include "app/weigh/WeighDesk.h"

namespace rivlen {

/// Spill against damage over the whole range of strength: the curve, the present strength as a dot that can be dragged
/// along it or moved with the arrow keys, and the suggested knee.
class TradeOffChart : public QWidget {
    Q_OBJECT
public:
    explicit TradeOffChart(WeighDesk& desk, QWidget* parent = nullptr);
    /// Where a place on the curve (WeighDesk::moveTo()) is drawn.
    QPointF pointAt(double position) const;
    QSize sizeHint() const override { return {380, 130}; }

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent*) override { update(); }
    void focusOutEvent(QFocusEvent*) override { update(); }

private:
    QRectF area() const;
    void drag(QPointF to);
    double most() const;  ///< points of damage at the top of the chart
    WeighDesk& m_desk;
    bool m_dragging = false;
};

}  // namespace rivlen
