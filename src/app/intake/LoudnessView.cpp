#include "app/intake/LoudnessView.h"

#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/widgets/Plaque.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

constexpr double kLoud = 0, kSoft = -80;  // LUFS and dBFS that the lane reaches from and to

}  // namespace

LoudnessView::LoudnessView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent) {
    setObjectName("loudnessview");
    setFixedHeight(96);
    setToolTip(say(
        "Short-term loudness (LUFS, of the three seconds before) and the noise floor (dBFS, of the quietest tenth of "
        "the three seconds around) along time.\nWhere the two come close, there is little voice over much noise."));
}

void LoudnessView::paintPicture(QPainter& p) {
    p.fillRect(rect(), theme::raised);
    p.setPen(theme::line);
    p.drawLine(0, 0, width(), 0);
    const ReelFacts* state = m_reels.current();
    const bool known = state && state->inspection && !state->inspection->shortTerm.empty() && m_axis.span() > 0;
    p.setFont(theme::font(12, QFont::DemiBold));
    p.setPen(theme::ink);
    p.drawText(QPointF(10, 15), say("Loudness"));
    double x0 = 18 + p.fontMetrics().horizontalAdvance(say("Loudness"));
    p.setFont(theme::font(12));
    p.setPen(theme::quietInk);
    if (!known) return p.drawText(QPointF(x0, 15), say("comes when the recording has been read"));
    const Inspection& found = *state->inspection;
    const auto figure = [](double v, const QString& unit) {
        return std::isfinite(v) && v > -190 ? QString("%1 %2").arg(v, 0, 'f', 1).arg(unit).replace('-', QChar(0x2212))
                                            : say("silent");
    };
    const QString words[] = {say("short-term, ") + figure(found.integratedLufs, say("LUFS integrated")),
                             say("noise floor, ") + figure(found.noiseFloorDbfs, "dBFS")};
    const QPen pens[] = {QPen(theme::ink, 1.5), QPen(theme::ambience, 1.5, Qt::DashLine)};
    for (int i = 0; i < 2; ++i) {
        p.setPen(pens[i]);
        p.drawLine(QPointF(x0, 11), QPointF(x0 + 22, 11));
        p.setPen(theme::quietInk);
        p.drawText(QPointF(x0 + 28, 15), words[i]);
        x0 += 48 + p.fontMetrics().horizontalAdvance(words[i]);
    }
    const QRectF lane(0, 20, width(), height() - 24);
    const auto yOf = [&](double db) {
        return lane.top() + lane.height() * std::clamp((kLoud - db) / (kLoud - kSoft), 0.0, 1.0);
    };
    p.setFont(theme::font(11));
    for (double db : {-20.0, -40.0, -60.0}) {
        p.setPen(theme::line);
        p.drawLine(QPointF(0, yOf(db)), QPointF(width(), yOf(db)));
    }
    p.setRenderHint(QPainter::Antialiasing);
    // Of the seconds that one column covers, the loudest and the noisiest: what is bad is not to be averaged away.
    const auto draw = [&](const std::vector<float>& values, const QPen& pen) {
        QPainterPath path;
        bool drawing = false;
        const double step = std::max(2.0, width() / m_axis.span());
        for (double x = 0; x <= width() + step; x += step) {
            const double from = std::clamp(m_axis.secondAt(x - step / 2, width()), 0.0, double(values.size() - 1)),
                         to = std::clamp(m_axis.secondAt(x + step / 2, width()), 0.0, double(values.size() - 1));
            float most = values[size_t(from)];
            for (size_t s = size_t(from); s <= size_t(to); ++s) most = std::max(most, values[s]);
            const bool sounds = double(most) > kSoft;
            const QPointF at(x, yOf(double(most)));
            if (sounds && drawing) path.lineTo(at);
            else if (sounds) path.moveTo(at);
            drawing = sounds;
        }
        p.setPen(pen);
        p.setBrush(Qt::NoBrush);
        p.drawPath(path);
    };
    if (!found.floor.empty()) draw(found.floor, pens[1]);
    draw(found.shortTerm, pens[0]);
    for (double db : {-20.0, -40.0, -60.0}) {
        const QRectF scale(width() - 36, yOf(db) - 7, 32, 14);
        paintPlaque(p, scale);
        p.setPen(theme::quietInk);
        p.drawText(scale, Qt::AlignCenter, QString(QChar(0x2212)) + QString::number(-db));
    }
}

}  // namespace rivlen
