#pragma once
#include <QWidget>

#include "app/hearing/HeardMeters.h"
#include "app/rebuild/RebuildDesk.h"

namespace rivlen {

/// What a module of the chosen chain does, drawn: filters as their response over the live spectrum (bands are dragged),
/// the others as output level against input level with the reduction of the moment, the room as its fall in time.
class ChainCurve : public QWidget {
    Q_OBJECT
public:
    ChainCurve(RebuildDesk& desk, HeardMeters& meters, Hearing& hearing, QWidget* parent = nullptr);
    void showModule(size_t module);
    QSize sizeHint() const override { return {308, 112}; }
    /// Where the handle of an equaliser band lies; 0 low shelf, 1 low bell, 2 mid bell, 3 high shelf.
    QPointF bandPoint(int band) const;

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;

private:
    bool isFilter() const;
    void paintFilters(QPainter& p);
    void paintLevels(QPainter& p);
    void paintRoom(QPainter& p);
    double yOfDb(double db) const;
    RebuildDesk& m_desk;
    HeardMeters& m_meters;
    Hearing& m_hearing;
    size_t m_module = 0;
    int m_band = -1;
    double m_down = 0;  ///< dB that are shown as taken down
};

}  // namespace rivlen
