#pragma once
#include "app/views/WaveView.h"

namespace rivlen {

/// The Current: the recording as one stream along time, as wide as it is loud, which divides into its
/// stems; the width of each is its share of the energy. Hue, letter and hatching tell the stems apart.
class CurrentView : public TimeView {
    Q_OBJECT
public:
    CurrentView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent = nullptr);
    /// The waveforms that lie over it when one looks closely.
    WaveView& waves() { return *m_waves; }

protected:
    void paintPicture(QPainter& painter) override;
    void resizeEvent(QResizeEvent*) override;

private:
    void lookClosely();
    WaveView* m_waves;
};

}  // namespace rivlen
