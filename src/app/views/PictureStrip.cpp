#include "app/views/PictureStrip.h"

#include <QPainter>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/media/PictureReader.h"

namespace rivlen {

PictureStrip::PictureStrip(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent)
    : ComputedPicture(document, reels, hearing, axis, parent) {
    setObjectName("pictureStrip");
    setFixedHeight(52);
    setToolTip(say("The picture over time; the picture window shows the exact frame"));
}

ComputedPicture::Job PictureStrip::prepare(int columns, int rows) {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->info || !state->info->picture || rows < 8) return nullptr;
    return [file = m_document.reel()->source, from = m_axis.from(), to = m_axis.to(), columns, rows,
            picture = *state->info->picture](const Progress& progress) {
        QImage strip(columns, rows, QImage::Format_RGB32);
        strip.fill(theme::ground);
        PictureReader reader(file);
        QPainter p(&strip);
        const int height = rows - 4;
        int x = 0;
        while (x < columns) {
            progress.throwIfCancelled();
            const double each = (to - from) / columns;  // seconds a pixel
            const double at = from + each * x;
            // Far apart the nearest key frame does; near together each frame is the exact one.
            const double wide = each * height * picture.width / std::max(1, picture.height);
            const auto frame = wide > 4 ? reader.near(at, height) : reader.at(at, height);
            if (!frame) break;
            p.drawImage(x, 2,
                        QImage(frame->rgba.data(), frame->width, frame->height, frame->width * 4,
                               QImage::Format_RGBA8888));
            x += frame->width + 1;
        }
        p.end();
        return strip;
    };
}

void PictureStrip::paintPicture(QPainter& p) { paintImage(p); }

}  // namespace rivlen
