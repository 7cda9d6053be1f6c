#include "app/views/CurrentView.h"

#include <QPainter>
#include <QPainterPath>
#include <array>
#include <cmath>
#include <map>

#include "app/views/LevelWidth.h"
#include "app/views/PartLook.h"
#include "app/views/WaveDrawing.h"
#include "app/widgets/Plaque.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/separation/Parts.h"

namespace rivlen {

namespace {

/// The hatching of the parts of a stem, by place.
Qt::BrushStyle hatchOf(const std::string& stem, size_t part) {
    static const Qt::BrushStyle music[] = {Qt::NoBrush, Qt::VerPattern, Qt::HorPattern, Qt::FDiagPattern,
                                           Qt::DiagCrossPattern};
    static const Qt::BrushStyle ambience[] = {Qt::Dense5Pattern, Qt::Dense7Pattern};
    return stem == "music" ? music[part % 5] : ambience[part % 2];
}

/// A stem's band divided into its parts, each by its share of the stem's energy.
struct DividedBand {
    const StemStore* parts;
    std::string stem;
    std::vector<std::vector<QPointF>> rims;  ///< between the parts, from the top

    void add(double x, double top, double bottom, int64_t from, int64_t to) {
        const size_t count = parts->shape().stems.size();
        rims.resize(count + 1);
        std::vector<double> energy(count);
        double total = 1e-20;
        for (size_t p = 0; p < count; ++p) total += energy[p] = double(parts->levels().meanSquare(int(p), from, to));
        double y = top;
        rims[0].push_back({x, y});
        for (size_t p = 0; p < count; ++p) rims[p + 1].push_back({x, y += (bottom - top) * energy[p] / total});
    }
};

/// A chip with letters and a name behind it; where the next one begins.
int paintName(QPainter& p, int x, const QColor& colour, const QString& letters, const QString& name) {
    const int wide = letters.size() > 1 ? 22 : 18;
    const QRectF chip(x, 8, wide, 18);
    p.setPen(Qt::NoPen);
    p.setBrush(colour);
    p.drawRoundedRect(chip, 4, 4);
    p.setPen(theme::ground);
    p.drawText(chip, Qt::AlignCenter, letters);
    p.setPen(theme::ink);
    p.drawText(QPointF(x + wide + 6, 22), name);
    return x + wide + (name.isEmpty() ? 4 : 22 + p.fontMetrics().horizontalAdvance(name));
}

}  // namespace

CurrentView::CurrentView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent), m_waves(new WaveView(document, reels, hearing, axis, this)) {
    m_waves->setObjectName("waves");
    m_waves->hide();
    connect(&axis, &TimeAxis::changed, this, &CurrentView::lookClosely);
}

void CurrentView::lookClosely() {
    // A short recording is seen whole as a stream, like a long one.
    m_waves->setVisible(m_axis.span() > 0 && m_axis.span() < kCloseSeconds && m_axis.span() < 0.75 * m_axis.duration());
}

void CurrentView::resizeEvent(QResizeEvent* e) {
    TimeView::resizeEvent(e);
    m_waves->setGeometry(rect());
}

void CurrentView::paintPicture(QPainter& p) {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->shownLevels() || !state->info || m_axis.span() <= 0) return;
    p.setRenderHint(QPainter::Antialiasing);
    const int w = width();
    const double middle = height() / 2.0, reach = height() * 0.44;
    const double rate = state->info->sampleRate;
    const StemStore* stems = state->stems.get();
    const int64_t separatedTo = stems ? stems->available() : 0;

    constexpr int step = 2;       // pixels
    std::vector<QPointF> rim[4];  // between the bands, from the top
    std::vector<QPointF> whole[2];
    std::map<int, DividedBand> divided;  // by stem
    for (const auto& [stem, parts] : state->parts)
        if (stems && stems->finished()) divided[stems->stemIndex(stem)] = {parts.get(), stem, {}};
    for (int x = 0; x <= w; x += step) {
        const int64_t from = int64_t(m_axis.secondAt(x - step, w) * rate),
                      to = int64_t(m_axis.secondAt(x + step, w) * rate);
        const double half = reach * levelWidth(double(state->shownLevels()->meanSquare(0, from, to)));
        whole[0].push_back({double(x), middle - half});
        whole[1].push_back({double(x), middle + half});
        if (to > separatedTo || !stems) continue;
        std::array<double, 3> energy{};
        double total = 1e-20;
        // Shares are read over a wider span than the width: the shores flow instead of flickering.
        const int64_t blur = 4 * (to - from);
        for (int s = 0; s < 3 && s < stems->levels().rows(); ++s)
            total += energy[size_t(s)] = double(
                stems->levels().meanSquare(s, std::max<int64_t>(0, from - blur), std::min(to + blur, separatedTo)));
        double y = middle - half;
        rim[0].push_back({double(x), y});
        for (int s = 0; s < 3; ++s) {
            const double top = y;
            rim[s + 1].push_back({double(x), y += 2 * half * energy[size_t(s)] / total});
            if (const auto found = divided.find(s); found != divided.end())
                found->second.add(x, top, y, std::max<int64_t>(0, from - blur), std::min(to + blur, separatedTo));
        }
    }
    const auto fill = [&p](const std::vector<QPointF>& top, const std::vector<QPointF>& bottom, const QBrush& brush) {
        if (top.size() < 2) return;
        QPainterPath path(top.front());
        for (const auto& q : top) path.lineTo(q);
        for (auto i = bottom.rbegin(); i != bottom.rend(); ++i) path.lineTo(*i);
        path.closeSubpath();
        p.fillPath(path, brush);
    };
    fill(whole[0], whole[1], theme::shade);
    static const Qt::BrushStyle hatch[3] = {Qt::SolidPattern, Qt::BDiagPattern, Qt::Dense6Pattern};
    for (int s = 0; s < 3; ++s) {
        if (const auto found = divided.find(s); found != divided.end() && !found->second.rims.empty()) {
            const auto& rims = found->second.rims;
            for (size_t part = 0; part + 1 < rims.size(); ++part) {
                fill(rims[part], rims[part + 1], partColor(partsOf(found->second.stem)[part]));
                fill(rims[part], rims[part + 1], QBrush(theme::ground.lighter(120), hatchOf(found->second.stem, part)));
            }
            continue;
        }
        QColor base = theme::stemColor(s);
        fill(rim[s], rim[s + 1], base);
        // Smooth edges of a pattern are dear and nobody sees them: the shore lies over them.
        p.setRenderHint(QPainter::Antialiasing, false);
        if (s > 0) fill(rim[s], rim[s + 1], QBrush(theme::ground.lighter(120), hatch[s]));
        p.setRenderHint(QPainter::Antialiasing);
    }
    // Shores between the bands, so that they can be told apart without their hue.
    p.setPen(QPen(theme::ground, 1.5));
    for (int s = 1; s < 3; ++s) p.drawPolyline(rim[s].data(), int(rim[s].size()));

    p.setPen(theme::line);
    p.drawLine(QPointF(0, middle), QPointF(w, middle));
    if (stems && !rim[0].empty()) {
        p.setFont(theme::font(12, QFont::DemiBold));
        int wide = 0;
        for (int s = 0; s < 3; ++s) {
            wide += 40 + p.fontMetrics().horizontalAdvance(theme::stemName(s));
            if (divided.count(s)) wide += 12 + 26 * int(partsOf(divided[s].stem).size());
        }
        paintPlaque(p, QRectF(4, 4, wide, 26));
        int x = 10;
        for (int s = 0; s < 3; ++s) {
            x = paintName(p, x, theme::stemColor(s), theme::stemLetter(s), theme::stemName(s));
            if (!divided.count(s)) continue;
            for (const auto& part : partsOf(divided[s].stem))
                x = paintName(p, x, partColor(part), partLetter(part), {});
            x += 12;
        }
    } else {
        p.setFont(theme::font(12));
        const QString text = state->reading ? say("Reading the recording…") : say("One stream: not split yet");
        paintPlaque(p, QRectF(4, 5, 12 + p.fontMetrics().horizontalAdvance(text), 25));
        p.setPen(theme::quietInk);
        p.drawText(QPointF(10, 22), text);
    }
}

}  // namespace rivlen
