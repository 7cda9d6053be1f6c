#include "app/views/ComputedPicture.h"

#include <QPainter>
#include <algorithm>

#include "app/widgets/Theme.h"
#include "core/base/Error.h"
#include "core/spectral/OwnershipPicture.h"

namespace rivlen {

ComputedPicture::ComputedPicture(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(60);
    connect(&m_wait, &QTimer::timeout, this, &ComputedPicture::compute);
    connect(&axis, &TimeAxis::changed, this, [this] { soon(); });
    connect(&reels, &Reels::stemsChanged, this, [this] {
        if (!m_wait.isActive()) soon();
    });
    connect(&reels, &Reels::read, this, [this] { soon(); });
}

ComputedPicture::~ComputedPicture() {
    retire();
    for (auto& thread : m_retired) thread.join();
}

void ComputedPicture::retire() {
    if (m_progress) m_progress->cancel();
    if (m_thread.joinable()) m_retired.push_back(std::move(m_thread));
    m_progress.reset();
}

void ComputedPicture::compute() {
    retire();
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!isVisible() || !reel || !state || !state->info || m_axis.span() <= 0 || width() < 8) return;
    const Job job = prepare(width(), std::min(height(), mostRows()));
    if (!job) {
        m_image = {};
        return update();
    }
    m_progress = std::make_shared<Progress>();
    m_thread = std::thread([this, progress = m_progress, job, id = reel->id, from = m_axis.from(), to = m_axis.to()] {
        QImage image;
        try {
            image = job(*progress);
        } catch (const Error&) {  // cancelled, or the file went away: the reel's own state tells that
        }
        QMetaObject::invokeMethod(
            this,
            [this, progress, image, id, from, to, thread = std::this_thread::get_id()] {
                if (progress != m_progress) {  // a newer computation has taken over
                    const auto ended = std::find_if(m_retired.begin(), m_retired.end(),
                                                    [thread](const std::thread& t) { return t.get_id() == thread; });
                    if (ended != m_retired.end()) {
                        ended->join();
                        m_retired.erase(ended);
                    }
                    return;
                }
                m_thread.join();
                m_progress.reset();
                update();
                if (image.isNull()) return;
                m_image = image;
                m_from = from;
                m_to = to;
                m_reel = id;
            },
            Qt::QueuedConnection);
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
        const QString text = f >= 1000 ? QString("%1 kHz").arg(f / 1000) : QString("%1 Hz").arg(f);
        p.setPen(theme::ground);
        p.drawText(QPointF(7, low * height() + 5), text);
        p.setPen(theme::ink);
        p.drawText(QPointF(6, low * height() + 4), text);
    }
}

}  // namespace rivlen
