#include "app/views/ComputedPicture.h"

#include <QPainter>
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/spectral/OwnershipPicture.h"

namespace rivlen {

ComputedPicture::ComputedPicture(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(60);
    connect(&m_wait, &QTimer::timeout, this, &ComputedPicture::compute);
    connect(&m_newest, &NewestJob::ended, this, qOverload<>(&QWidget::update));
    connect(&axis, &TimeAxis::changed, this, [this] { soon(); });
    connect(&reels, &Reels::stemsChanged, this, [this] {
        if (!m_wait.isActive()) soon();
    });
    connect(&reels, &Reels::read, this, [this] { soon(); });
}

void ComputedPicture::compute() {
    m_newest.cancel();
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!isVisible() || !reel || !state || !state->info || m_axis.span() <= 0 || width() < 8) return;
    // Of a fine screen each point is computed.
    const qreal fine = devicePixelRatioF();
    const Job job = prepare(int(width() * fine), std::min(int(height() * fine), mostRows()));
    if (!job) {
        m_image = {};
        return update();
    }
    m_newest.run([this, job, id = reel->id, from = m_axis.from(), to = m_axis.to()](const Progress& progress) {
        return [this, image = job(progress), id, from, to] {
            if (!image.isNull()) m_image = image, m_from = from, m_to = to, m_reel = id;
        };
    });
}

void ComputedPicture::paintImage(QPainter& p) {
    if (m_image.isNull() || !m_document.reel() || m_reel != m_document.reel()->id) return;
    const double a = m_axis.xAt(m_from, width()), b = m_axis.xAt(m_to, width());
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(QRectF(a, 0, b - a, height()), m_image);
}

void ComputedPicture::paintFrequencies(QPainter& p) {
    p.setFont(theme::font(11));
    for (double f : {100.0, 300.0, 1000.0, 3000.0, 10000.0}) {
        // The scale has no closed inverse worth writing twice: find the height by bisection.
        double low = 0, high = 1;
        for (int i = 0; i < 30; ++i) {
            const double y = (low + high) / 2;
            (pictureFrequency(y, m_reels.current()->info->sampleRate) > f ? low : high) = y;
        }
        if (low < 0.02 || low > 0.98) continue;
        const QString text = f >= 1000 ? QString("%1 kHz").arg(f / 1000) : say("%1 Hz").arg(f);
        p.setPen(theme::ground);
        p.drawText(QPointF(7, low * height() + 5), text);
        p.setPen(theme::ink);
        p.drawText(QPointF(6, low * height() + 4), text);
    }
}

}  // namespace rivlen
