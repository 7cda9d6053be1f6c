#include "app/views/WaveDrawing.h"

#include <algorithm>
#include <cmath>

#include "app/widgets/Plaque.h"
#include "app/words/Say.h"
#include "core/audio/Decibel.h"

namespace rivlen {

void paintSamples(QPainter& p, std::span<const float> x, const QRectF& lane, float loudest, const QColor& colour) {
    if (x.empty()) return;
    const double middle = lane.center().y(), reach = lane.height() / 2 - 3, step = lane.width() / double(x.size());
    const auto yOf = [&](float v) { return middle - reach * std::clamp(double(v / loudest), -1.0, 1.0); };
    QColor faint = colour;
    faint.setAlpha(70);
    p.save();
    p.setPen(faint);
    p.drawLine(QPointF(lane.left(), middle), QPointF(lane.right(), middle));
    p.setPen(QPen(colour, 1));
    if (step < 1) {
        QVector<QLineF> columns;
        for (int column = 0; column < int(lane.width()); ++column) {
            const size_t from = std::min(x.size() - 1, size_t(column / step)),
                         to = std::min(x.size(), std::max(from + 1, size_t((column + 1) / step) + 1));
            const auto [low, high] = std::minmax_element(x.begin() + long(from), x.begin() + long(to));
            columns.append(QLineF(lane.left() + column + 0.5, yOf(*high), lane.left() + column + 0.5, yOf(*low)));
        }
        p.drawLines(columns);
        p.restore();
        return;
    }
    p.setRenderHint(QPainter::Antialiasing);
    QPolygonF line;
    for (size_t i = 0; i < x.size(); ++i) line << QPointF(lane.left() + (double(i) + 0.5) * step, yOf(x[i]));
    p.drawPolyline(line);
    if (step >= kDotPixels) {
        p.setBrush(colour);
        for (const QPointF& at : line) p.drawEllipse(at, 2, 2);
    }
    p.restore();
}

void paintFullHeight(QPainter& p, double right, double top, float loudest) {
    const QString scale = say("full height %1 dBFS").arg(toDb(double(loudest)), 0, 'f', 1).replace('-', QChar(0x2212));
    p.setFont(theme::font(11));
    const double wide = p.fontMetrics().horizontalAdvance(scale) + 12;
    const QRectF behind(right - wide - 4, top + 4, wide, 18);
    paintPlaque(p, behind);
    p.setPen(theme::quietInk);
    p.drawText(behind, Qt::AlignCenter, scale);
}

}  // namespace rivlen
