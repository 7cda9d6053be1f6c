#pragma once
#include <QWidget>
#include <optional>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/views/TimeAxis.h"

namespace rivlen {

/// A picture over the shared time axis: playhead, loop, click to locate, drag to set the loop, wheel to
/// zoom (with Shift: scroll). Derived views draw what is below.
class TimeView : public QWidget {
    Q_OBJECT
public:
    TimeView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent = nullptr);
    const TimeAxis& axis() const { return m_axis; }
    QString inWords() const;  ///< where the playhead is, and what is in sight

protected:
    virtual void paintPicture(QPainter& painter) = 0;
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;

    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    TimeAxis& m_axis;

private:
    std::optional<double> m_pressed, m_dragged;  ///< seconds
};

/// The scale above the pictures.
class TimeRuler : public TimeView {
    Q_OBJECT
public:
    using TimeView::TimeView;
    QSize sizeHint() const override { return {400, 26}; }

protected:
    void paintPicture(QPainter& painter) override;
};

}  // namespace rivlen
