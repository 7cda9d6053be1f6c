#pragma once
#include "app/views/ComputedPicture.h"

namespace rivlen {

/// A stretch of some sounds as waveforms in rows, each channel of the first and the mean of the others' channels.
struct WaveRow {
    AudioBuffer sound;  ///< one channel is drawn for each
    QColor colour;
    QString letter;  ///< may be empty
};
/// width, height: of the image, ratio of whose points are one of a usual screen.
QImage drawWaves(const std::vector<WaveRow>& rows, int width, int height, qreal ratio = 1);

/// The Current looked at closely, down to single samples: the recording and its stems as waveforms. It lies over the
/// Current while less than kCloseSeconds are shown.
class WaveView : public ComputedPicture {
    Q_OBJECT
public:
    using ComputedPicture::ComputedPicture;

protected:
    Job prepare(int columns, int rows) override;
    void paintPicture(QPainter& painter) override;
    int mostRows() const override { return 4000; }
};

}  // namespace rivlen
