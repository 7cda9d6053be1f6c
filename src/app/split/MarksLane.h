#pragma once
#include "app/split/MarkDesk.h"
#include "app/views/TimeView.h"

namespace rivlen {

/// At Split, under the Current: the marks along time, proposals dashed. A click chooses and hears one, its ends can be
/// dragged; elsewhere the pointer sets the loop as in every picture.
class MarksLane : public TimeView {
    Q_OBJECT
public:
    MarksLane(MarkDesk& desk, Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis,
              QWidget* parent = nullptr);

protected:
    void paintPicture(QPainter& painter) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;

private:
    QRectF box(const Mark& mark) const;
    /// Which mark or proposal lies there, -1: none; edge: -1 or 1 where its beginning or end can be taken, else 0.
    int placeAt(const QPointF& at, int& edge) const;

    MarkDesk& m_desk;
    int m_dragged = -1, m_edge = 0;
};

}  // namespace rivlen
