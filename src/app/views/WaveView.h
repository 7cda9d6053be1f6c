#pragma once
#include "app/views/ComputedPicture.h"

namespace rivlen {

/// A stretch of some sounds as waveforms in rows, each channel of the first and the mean of the others' channels.
struct WaveRow {
    AudioBuffer sound;  ///< one channel is drawn for each
    QColor colour;
    QString letter;  ///< may be empty
};
QImage drawWaves(const std::vector<WaveRow>& rows, int width, int height);

/// The Current looked at closely, down to single samples: the recording and its stems as waveforms. It lies over the
/// Current while less than kCloseSeconds are shown.
class WaveView : public ComputedPicture {
    Q_OBJECT
public:
    using ComputedPicture::ComputedPicture;

protected:
    Job prepare(int columns, int rows) override;
    void paintPicture(QPainter& painter) override;
    int mostRows() const override { return 2000; }
};

}  // namespace rivlen
