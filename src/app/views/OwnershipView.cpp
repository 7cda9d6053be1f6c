#include "app/views/OwnershipView.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/Theme.h"
#include "core/media/MediaReader.h"

namespace rivlen {

QImage colourOwnership(const OwnershipPicture& picture, const std::array<QColor, 3>& owners) {
    QImage image(picture.columns, picture.rows, QImage::Format_RGB32);
    const auto toRgb = [](const QColor& c) {
        return std::array<float, 3>{float(c.red()), float(c.green()), float(c.blue())};
    };
    const std::array<std::array<float, 3>, 3> hues = {toRgb(owners[0]), toRgb(owners[1]), toRgb(owners[2])};
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
                    colour[c] = grey[c] + (hues[size_t(owner) % 3][c] - grey[c]) * std::sqrt(sure);
            }
            const float bright = std::clamp((picture.levelAt(x, y) + 105.0f) / 85.0f, 0.0f, 1.0f);
            const float shade = bright * bright;
            for (size_t c = 0; c < 3; ++c) colour[c] = ground[c] + (colour[c] - ground[c]) * shade;
            line[x] = qRgb(int(colour[0]), int(colour[1]), int(colour[2]));
        }
    }
    return image;
}

ComputedPicture::Job OwnershipView::prepare(int columns, int rows) {
    const auto state = m_controller.currentState();
    return [source = m_controller.workFile(*m_controller.reel()), stems = state->stems, rate = state->info->sampleRate,
            from = m_axis.from(), to = m_axis.to(), columns, rows](const Progress& progress) {
        MediaReader reader(source);
        std::vector<std::unique_ptr<SampleSource>> readers;
        std::vector<SampleSource*> parts;
        for (size_t s = 0; stems && s < stems->shape().stems.size(); ++s) {
            readers.push_back(stems->open(int(s)));
            parts.push_back(readers.back().get());
        }
        return colourOwnership(
            paintOwnership(reader, parts, int64_t(from * rate), int64_t(to * rate), columns, rows, progress));
    };
}

void OwnershipView::setDesk(WeighDesk* desk) {
    m_desk = desk;
    connect(desk, &WeighDesk::changed, this, qOverload<>(&QWidget::update));
}

void OwnershipView::paintScars(QPainter& p) {
    const auto* found = m_desk && m_controller.session().stage == "weigh" ? m_desk->result() : nullptr;
    if (!found) return;
    p.setFont(theme::font(11, QFont::DemiBold));
    for (size_t i = 0; i < found->places.size(); ++i) {
        const double at = found->from + found->places[i].seconds;
        const double a = m_axis.xAt(at - kMomentSeconds / 2, width()), b = m_axis.xAt(at + kMomentSeconds / 2, width());
        const bool chosen = int(i) == m_desk->place();
        QColor shade = theme::attention;
        shade.setAlpha(chosen ? 120 : 60);
        p.fillRect(QRectF(a, 18, std::max(2.0, b - a), height() - 18), shade);
        const QRectF tag((a + b) / 2 - 10, 2, 20, 16);
        p.setPen(Qt::NoPen);
        p.setBrush(chosen ? theme::ink : theme::attention);
        p.drawRoundedRect(tag, 3, 3);
        p.setPen(theme::ground);
        p.drawText(tag, Qt::AlignCenter, QString::number(i + 1));
    }
}

void OwnershipView::paintPicture(QPainter& p) {
    const ReelState* state = m_controller.currentState();
    if (!state || !state->info) return;
    paintImage(p);
    paintScars(p);
    paintAreas(p);
    paintFrequencies(p);
}

}  // namespace rivlen
