#include "app/views/OwnershipView.h"

#include <QPainter>
#include <QSettings>
#include <algorithm>
#include <cmath>

#include "app/views/PartLook.h"
#include "app/widgets/Theme.h"
#include "core/media/MediaReader.h"

namespace rivlen {

QImage colourOwnership(const OwnershipPicture& picture, const std::vector<QColor>& owners) {
    QImage image(picture.columns, picture.rows, QImage::Format_RGB32);
    const auto toRgb = [](const QColor& c) {
        return std::array<float, 3>{float(c.red()), float(c.green()), float(c.blue())};
    };
    std::vector<std::array<float, 3>> hues;
    for (const QColor& owner : owners) hues.push_back(toRgb(owner));
    const auto grey = toRgb(QColor(0x9a, 0x93, 0x86));
    const auto ground = toRgb(theme::ground);
    for (int y = 0; y < picture.rows; ++y) {
        auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < picture.columns; ++x) {
            std::array<float, 3> colour = grey;
            if (picture.stems > 0) {
                float best = 0;
                int owner = 0;
                for (int s = 0; s < picture.stems; ++s)
                    if (picture.shareAt(s, x, y) > best) best = picture.shareAt(s, x, y), owner = s;
                // An even split is grey, sole ownership the pure hue.
                const float even = 1.0f / float(picture.stems);
                const float sure = std::clamp((best - even) / (1 - even), 0.0f, 1.0f);
                for (size_t c = 0; c < 3; ++c)
                    colour[c] = grey[c] + (hues[size_t(owner) % hues.size()][c] - grey[c]) * std::sqrt(sure);
            }
            const float bright = std::clamp((picture.levelAt(x, y) + 105.0f) / 85.0f, 0.0f, 1.0f);
            const float shade = bright * bright;
            for (size_t c = 0; c < 3; ++c) colour[c] = ground[c] + (colour[c] - ground[c]) * shade;
            line[x] = qRgb(int(colour[0]), int(colour[1]), int(colour[2]));
        }
    }
    return image;
}

OwnershipView::OwnershipView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent)
    : ComputedPicture(document, reels, hearing, axis, parent) {
    const double last = QSettings().value("spectrumWindow", kUsualWindow).toDouble();
    for (double known : {kShortWindow, kLongWindow})
        if (std::fabs(last - known) < 1e-6) m_window = known;
}

ComputedPicture::Job OwnershipView::prepare(int columns, int rows) {
    const auto state = m_reels.current();
    return [source = m_reels.heardFile(*m_document.reel()), stems = state->stems, apart = state->parts,
            rate = state->info->sampleRate, from = m_axis.from(), to = m_axis.to(), columns, rows,
            window = m_window](const Progress& progress) {
        std::vector<QColor> owners;
        const auto eachStem = [&](const auto& store, const auto& take) {  // a stem, or the parts that stand for it
            for (size_t s = 0; s < store.shape().stems.size(); ++s) {
                const auto found = apart.find(store.shape().stems[s]);
                if (found == apart.end()) {
                    take(store, s, theme::stemColor(int(s)));
                    continue;
                }
                const auto& parts = found->second->shape().stems;
                for (size_t p = 0; p < parts.size(); ++p) take(*found->second, p, partColor(parts[p]));
            }
        };
        if (stems) eachStem(*stems, [&](const auto&, size_t, const QColor& colour) { owners.push_back(colour); });
        if (owners.empty()) owners.push_back(theme::leftovers);
        const auto open = [&] {
            OwnershipSources sources{std::make_unique<MediaReader>(source), {}};
            if (stems)
                eachStem(*stems, [&](const StemStore& store, size_t s, const QColor&) {
                    sources.stems.push_back(store.open(int(s)));
                });
            return sources;
        };
        return colourOwnership(
            paintOwnership(open, int64_t(from * rate), int64_t(to * rate), columns, rows, progress, window), owners);
    };
}

void OwnershipView::setWindow(double seconds) {
    if (seconds == m_window) return;
    m_window = seconds;
    QSettings().setValue("spectrumWindow", seconds);
    soon();
}

double OwnershipView::frequencyAtY(double y) const {
    const ReelFacts* facts = m_reels.current();
    return pictureFrequency(std::clamp(y / std::max(1, height()), 0.0, 1.0),
                            facts && facts->info ? facts->info->sampleRate : 48000);
}

double OwnershipView::yAtFrequency(double hz) const {
    double low = 0, high = height();
    for (int i = 0; i < 30; ++i) (frequencyAtY((low + high) / 2) > hz ? low : high) = (low + high) / 2;
    return low;
}

void OwnershipView::mousePressEvent(QMouseEvent* e) {
    for (PictureOverlay* overlay : m_overlays)
        if (overlay->press(*e, *this)) return;
    ComputedPicture::mousePressEvent(e);
}

void OwnershipView::mouseMoveEvent(QMouseEvent* e) {
    for (PictureOverlay* overlay : m_overlays)
        if (overlay->move(*e, *this)) return;
    ComputedPicture::mouseMoveEvent(e);
}

void OwnershipView::mouseReleaseEvent(QMouseEvent* e) {
    for (PictureOverlay* overlay : m_overlays)
        if (overlay->release(*e)) return;
    ComputedPicture::mouseReleaseEvent(e);
}

void OwnershipView::paintPicture(QPainter& p) {
    const ReelFacts* facts = m_reels.current();
    if (!facts || !facts->info) return;
    paintImage(p);
    for (PictureOverlay* overlay : m_overlays) overlay->paint(p, *this);
    paintFrequencies(p);
}

}  // namespace rivlen
