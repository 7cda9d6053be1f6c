#pragma once
#include <QWidget>

#include "app/hearing/HeardMeters.h"

namespace rivlen {

/// Loudness, true peak, phase and spectrum of what is heard. A click begins the integrated loudness anew.
class MeterView : public QWidget {
    Q_OBJECT
public:
    explicit MeterView(HeardMeters& meters, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {308, 118}; }

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override { m_meters.restart(); }

private:
    HeardMeters& m_meters;
};

/// The x of a frequency on a scale of octaves from 20 Hz to 20 kHz over a width, and back.
double frequencyX(double hz, double width);
double frequencyAt(double x, double width);

/// The spectrum as a filled shape over rect, -90 to 0 dBFS.
void paintSpectrum(QPainter& painter, const QRectF& rect, const HeardMeters& meters);

}  // namespace rivlen
