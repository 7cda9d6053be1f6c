#pragma once
#include "app/intake/TreatmentDesk.h"
#include "app/views/TimeView.h"

namespace rivlen {

/// At Intake, below the picture: a row for each kind of fault that was found, each fault where it is along time, as
/// high as it is bad beside the worst of its kind. A press on one chooses it and plays it.
class FaultsView : public TimeView {
    Q_OBJECT
public:
    FaultsView(TreatmentDesk& desk, Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis,
               QWidget* parent = nullptr);
    bool any() const { return !m_rows.empty(); }
    /// Where a fault is drawn; index into TreatmentDesk::found().
    QRectF box(int fault) const;

protected:
    void paintPicture(QPainter& painter) override;
    void mousePressEvent(QMouseEvent*) override;
    bool event(QEvent*) override;

private:
    void follow();
    int faultAt(const QPointF& at) const;
    int row(Fault kind) const;
    void paintRow(QPainter& painter, int row);

    TreatmentDesk& m_desk;
    std::vector<Finding> m_found;
    std::vector<Fault> m_rows;  ///< kinds, in their order
    int m_more = 0;             ///< kinds that there is no room for: the list has them
};

}  // namespace rivlen
