#pragma once
#include <QImage>
#include <QTimer>
#include <functional>

#include "app/views/TimeView.h"
#include "app/work/NewestJob.h"

namespace rivlen {

/// A picture over time and frequency that is computed on a thread of its own whenever what it shows has changed.
class ComputedPicture : public TimeView {
    Q_OBJECT
public:
    ComputedPicture(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent = nullptr);
    bool busy() const { return m_newest.busy() || m_wait.isActive(); }
    /// Computes anew in a moment; quick changes are gathered into one computation.
    void soon() { m_wait.start(); }

protected:
    using Job = std::function<QImage(const Progress&)>;
    /// What computes the picture of the axis at a size, free of the window's objects; null when there is nothing to
    /// show. Throws Error when it is cancelled or the file went away.
    virtual Job prepare(int columns, int rows) = 0;
    /// Most rows that are computed: what is finer than the eye is stretched.
    virtual int mostRows() const { return 400; }
    void paintImage(QPainter& painter);
    void paintFrequencies(QPainter& painter);
    void resizeEvent(QResizeEvent*) override { soon(); }
    void showEvent(QShowEvent*) override { soon(); }

private:
    void compute();
    QTimer m_wait;
    QImage m_image;
    double m_from = 0, m_to = 0;  ///< seconds that the image shows
    std::string m_reel;
    NewestJob m_newest;  ///< last: gone first
};

}  // namespace rivlen
