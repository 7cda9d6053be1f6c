#include "app/split/StemsView.h"

#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/views/LevelWidth.h"
#include "app/widgets/Plaque.h"
#include "app/words/Say.h"
#include "core/isolation/StemNames.h"

namespace rivlen {

namespace {

constexpr int kRow = 44, kTallRow = 120;  // pixels

}  // namespace

StemsView::StemsView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent) {
    setObjectName("stemsview");
    setTall(false);
    setToolTip(say("Each stem by itself, as loud as it is; what is done of a split already can be heard (3, 4, 5)"));
}

void StemsView::setTall(bool tall) { setFixedHeight((tall ? kTallRow : kRow) * int(kStemCount)); }

void StemsView::paintPicture(QPainter& p) {
    const ReelFacts* state = m_reels.current();
    const StemStore* stems = state && state->info ? state->stems.get() : nullptr;
    static const Qt::BrushStyle hatch[] = {Qt::SolidPattern, Qt::BDiagPattern, Qt::Dense6Pattern};
    for (int s = 0; s < int(kStemCount); ++s) {
        const double row = double(height()) / double(kStemCount), top = s * row, middle = top + row / 2,
                     reach = row / 2 - 3;
        p.setPen(theme::line);
        p.drawLine(QPointF(0, top), QPointF(width(), top));
        if (stems && s < stems->levels().rows() && m_axis.span() > 0) {
            const double rate = state->info->sampleRate;
            QPolygonF upper, lower;
            for (int x = 0; x <= width(); x += 2) {
                const int64_t from = int64_t(m_axis.secondAt(x - 1, width()) * rate),
                              to = int64_t(m_axis.secondAt(x + 1, width()) * rate);
                if (from > stems->available()) break;
                const double half =
                    reach * levelWidth(double(stems->levels().loudest(s, std::max<int64_t>(0, from), to)));
                upper << QPointF(x, middle - half);
                lower.prepend(QPointF(x, middle + half));
            }
            QPainterPath path;
            path.addPolygon(upper + lower);
            p.setRenderHint(QPainter::Antialiasing);
            p.fillPath(path, theme::stemColor(s));
            if (s > 0) p.fillPath(path, QBrush(theme::ground.lighter(120), hatch[s]));
        }
        p.setFont(theme::font(12, QFont::DemiBold));
        const QRectF chip(10, top + 5, 18, 16);
        const QString name = theme::stemName(s);
        paintPlaque(p, QRectF(5, top + 3, 34 + p.fontMetrics().horizontalAdvance(name), 20));
        p.setBrush(theme::stemColor(s));
        p.drawRoundedRect(chip, 4, 4);
        p.setPen(theme::ground);
        p.drawText(chip, Qt::AlignCenter, theme::stemLetter(s));
        p.setPen(theme::ink);
        p.drawText(QPointF(34, top + 18), name);
    }
}

}  // namespace rivlen
