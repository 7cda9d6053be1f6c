#pragma once
#include "app/dispatch/DeliveryHearing.h"
#include "app/dispatch/DeliveryStretch.h"
#include "app/views/TimeView.h"

namespace rivlen {

/// At Dispatch, below the table: the chosen file along time. Its short-term loudness against its target, its waveform
/// against its ceiling, the noise floor before and after, and what was checked.
class DeliveryView : public TimeView {
    Q_OBJECT
public:
    DeliveryView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, DeliverablesDesk& desk,
                 DispatchDesk& dispatch, const DeliveryHearing& heard, QWidget* parent = nullptr);

    const DeliveryStretch& stretch() const { return m_stretch; }

protected:
    void resizeEvent(QResizeEvent*) override { m_stretch.setColumns(std::max(1, width())); }
    void paintPicture(QPainter& painter) override;

private:
    void follow();
    void paintLoudness(QPainter& painter, const QRectF& lane);
    void paintWave(QPainter& painter, const QRectF& lane);
    /// The place of a point of a curve that lies evenly over [from, to) of the axis.
    double xOf(size_t point, size_t points, double from, double to) const;
    std::pair<double, double> whole() const;  ///< where the file lies on the axis
    void paintClose(QPainter& painter, const QRectF& lane, const QColor& colour);
    void paintLevel(QPainter& painter, double y, const QString& words, bool right = true);

    DeliverablesDesk& m_desk;
    DispatchDesk& m_dispatch;
    const DeliveryHearing& m_heard;
    std::optional<Deliverable> m_chosen;
    std::optional<DispatchDesk::Delivery> m_made;
    DeliveryStretch m_stretch;
};

}  // namespace rivlen
