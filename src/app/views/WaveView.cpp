#include "app/views/WaveView.h"

#include <QPainter>
#include <cmath>

#include "app/views/WaveDrawing.h"
#include "app/widgets/Theme.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace {

AudioBuffer meanOf(const AudioBuffer& x) {
    AudioBuffer mean(1, x.frames());
    for (int c = 0; c < x.channels(); ++c)
        for (int64_t i = 0; i < x.frames(); ++i)
            mean.channel(0)[size_t(i)] += x.channel(c)[size_t(i)] / float(x.channels());
    return mean;
}

}  // namespace

QImage drawWaves(const std::vector<WaveRow>& rows, int imageWidth, int imageHeight, qreal ratio) {
    QImage image(imageWidth, imageHeight, QImage::Format_RGB32);
    image.fill(theme::ground);
    if (rows.empty() || rows.front().sound.frames() == 0) return image;
    float loudest = 1e-6f;
    int channels = 0;
    for (const auto& row : rows) {
        channels += row.sound.channels();
        for (float v : row.sound.samples()) loudest = std::max(loudest, std::fabs(v));
    }
    QPainter p(&image);
    p.scale(ratio, ratio);
    const double width = imageWidth / ratio, height = imageHeight / ratio;
    const double high = double(height) / std::max(1, channels);
    double top = 0;
    for (const auto& row : rows) {
        for (int c = 0; c < row.sound.channels(); ++c, top += high) {
            if (top > 0) {
                p.setPen(theme::line);
                p.drawLine(QPointF(0, top), QPointF(width, top));
            }
            paintSamples(p, row.sound.channel(c), QRectF(0, top, width, high), loudest, row.colour);
            if (c > 0 || row.letter.isEmpty()) continue;
            const QRectF chip(10, top + 6, 18, 18);
            p.setRenderHint(QPainter::Antialiasing);
            p.setPen(Qt::NoPen);
            p.setBrush(row.colour);
            p.drawRoundedRect(chip, 4, 4);
            p.setPen(theme::ground);
            p.setFont(theme::font(12, QFont::DemiBold));
            p.drawText(chip, Qt::AlignCenter, row.letter);
        }
    }
    paintFullHeight(p, width, 0, loudest);
    return image;
}

ComputedPicture::Job WaveView::prepare(int columns, int rows) {
    const ReelFacts* state = m_reels.current();
    const int rate = state->info->sampleRate;
    const int64_t first = std::llround(m_axis.from() * rate),
                  count = std::max<int64_t>(1, std::llround(m_axis.span() * rate));
    return [file = m_reels.heardFile(*m_document.reel()), stems = state->stems, first, count, columns, rows,
            fine = devicePixelRatioF()](const Progress& progress) {
        std::vector<WaveRow> all;
        MediaReader reader(file);
        AudioBuffer source = reader.read(first, count);
        all.push_back({source.channels() <= 2 ? std::move(source) : meanOf(source), theme::ink, ""});
        for (size_t s = 0; stems && s < stems->shape().stems.size(); ++s) {
            progress.throwIfCancelled();
            all.push_back(
                {meanOf(stems->open(int(s))->read(first, count)), theme::stemColor(int(s)), theme::stemLetter(int(s))});
        }
        return drawWaves(all, columns, rows, fine);
    };
}

void WaveView::paintPicture(QPainter& p) { paintImage(p); }

}  // namespace rivlen
