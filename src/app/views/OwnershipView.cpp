#include "app/views/OwnershipView.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/Theme.h"
#include "core/media/MediaReader.h"

namespace rivlen {

QImage colourOwnership(const OwnershipPicture& picture) {
    QImage image(picture.columns, picture.rows, QImage::Format_RGB32);
    const auto toRgb = [](const QColor& c) { return std::array<float, 3>{float(c.red()), float(c.green()), float(c.blue())}; };
    const std::array<std::array<float, 3>, 3> hues = {toRgb(theme::dialogue), toRgb(theme::music), toRgb(theme::ambience)};
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
                for (size_t c = 0; c < 3; ++c) colour[c] = grey[c] + (hues[size_t(owner) % 3][c] - grey[c]) * std::sqrt(sure);
            }
            const float bright = std::clamp((picture.levelAt(x, y) + 105.0f) / 85.0f, 0.0f, 1.0f);
            const float shade = bright * bright;
            for (size_t c = 0; c < 3; ++c) colour[c] = ground[c] + (colour[c] - ground[c]) * shade;
            line[x] = qRgb(int(colour[0]), int(colour[1]), int(colour[2]));
        }
    }
    return image;
}

OwnershipView::OwnershipView(Controller& controller, TimeAxis& axis, QWidget* parent) : TimeView(controller, axis, parent) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(60);
    connect(&m_wait, &QTimer::timeout, this, &OwnershipView::compute);
    connect(&axis, &TimeAxis::changed, this, [this] { m_wait.start(); });
    connect(&controller, &Controller::stemsChanged, this, [this] { if (!m_wait.isActive()) m_wait.start(); });
    connect(&controller, &Controller::reelOpened, this, [this] { m_wait.start(); });
}

OwnershipView::~OwnershipView() {
    retire();
    for (auto& thread : m_retired) thread.join();
}

void OwnershipView::retire() {
    if (m_progress) m_progress->cancel();
    if (m_thread.joinable()) m_retired.push_back(std::move(m_thread));
    m_progress.reset();
}

void OwnershipView::compute() {
    retire();
    const Reel* reel = m_controller.reel();
    const ReelState* state = m_controller.currentState();
    if (!isVisible() || !reel || !state || !state->info || m_axis.span() <= 0 || width() < 8) return;
    m_progress = std::make_shared<Progress>();
    const double from = m_axis.from(), to = m_axis.to();
    const int columns = width(), rows = std::min(height(), 400), rate = state->info->sampleRate;
    m_thread = std::thread([this, progress = m_progress, source = reel->source, stems = state->stems, id = reel->id, from, to, columns, rows, rate] {
        QImage image;
        try {
            MediaReader reader(source);
            std::vector<std::unique_ptr<SampleSource>> readers;
            std::vector<SampleSource*> parts;
            for (size_t s = 0; stems && s < stems->shape().stems.size(); ++s) {
                readers.push_back(stems->open(int(s)));
                parts.push_back(readers.back().get());
            }
            image = colourOwnership(paintOwnership(reader, parts, int64_t(from * rate), int64_t(to * rate), columns, rows, *progress));
        } catch (const Error&) {  // cancelled, or the file went away: the reel's own state tells that
        }
        QMetaObject::invokeMethod(this, [this, progress, image, id, from, to, thread = std::this_thread::get_id()] {
            if (progress != m_progress) {  // a newer computation has taken over
                const auto ended = std::find_if(m_retired.begin(), m_retired.end(), [thread](const std::thread& t) { return t.get_id() == thread; });
                if (ended != m_retired.end()) {
                    ended->join();
                    m_retired.erase(ended);
                }
                return;
            }
            m_thread.join();
            m_progress.reset();
            if (image.isNull()) return;
            m_image = image;
            m_from = from;
            m_to = to;
            m_reel = id;
            update();
        }, Qt::QueuedConnection);
    });
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
    if (!m_image.isNull() && m_controller.reel() && m_reel == m_controller.reel()->id) {
        const double a = m_axis.xAt(m_from, width()), b = m_axis.xAt(m_to, width());
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        p.drawImage(QRectF(a, 0, b - a, height()), m_image);
    }
    paintScars(p);
    p.setFont(theme::font(11));
    for (double f : {100.0, 300.0, 1000.0, 3000.0, 10000.0}) {
        // The scale has no closed inverse worth writing twice: find the height by bisection.
        double low = 0, high = 1;
        for (int i = 0; i < 30; ++i) {
            const double y = (low + high) / 2;
            (pictureFrequency(y, state->info->sampleRate) > f ? low : high) = y;
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
