#pragma once
#include <QImage>
#include <QTimer>
#include <memory>
#include <thread>

#include "app/WeighDesk.h"
#include "app/views/TimeView.h"
#include "core/spectral/OwnershipPicture.h"

namespace rivlen {

/// The Ownership picture: a spectrogram whose hue says which stem owns a cell, whose brightness says its level,
/// fading to grey where the network is unsure. Computed on a thread of its own for what is visible.
class OwnershipView : public TimeView {
    Q_OBJECT
public:
    OwnershipView(Controller& controller, TimeAxis& axis, QWidget* parent = nullptr);
    ~OwnershipView() override;
    /// Whose worst places are marked on the picture while the Weigh stage is shown.
    void setDesk(WeighDesk* desk);
    bool busy() const { return m_progress != nullptr || m_wait.isActive(); }

protected:
    void paintPicture(QPainter& painter) override;
    void resizeEvent(QResizeEvent*) override { m_wait.start(); }
    void showEvent(QShowEvent*) override { m_wait.start(); }

private:
    void compute();
    void paintScars(QPainter& painter);
    void retire();  ///< cancels the computation without waiting for it
    QTimer m_wait;  ///< gathers quick changes into one computation
    std::shared_ptr<Progress> m_progress;
    std::thread m_thread;
    std::vector<std::thread> m_retired;  ///< cancelled, joined when the view goes away or they have ended
    QImage m_image;
    double m_from = 0, m_to = 0;  ///< seconds that the image shows
    std::string m_reel;
    WeighDesk* m_desk = nullptr;
};

/// Colours a picture; free of widgets, so that tests can look at single cells.
QImage colourOwnership(const OwnershipPicture& picture);

}  // namespace rivlen
