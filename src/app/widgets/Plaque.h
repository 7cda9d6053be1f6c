#pragma once
#include <QPainter>

#include "app/widgets/Theme.h"

namespace rivlen {

/// The ground behind words that lie on a picture, so that they can be read whatever is under them.
inline void paintPlaque(QPainter& painter, const QRectF& behind) {
    QColor shade = theme::ground;
    shade.setAlpha(215);
    painter.setPen(Qt::NoPen);
    painter.setBrush(shade);
    painter.drawRoundedRect(behind, 5, 5);
}

}  // namespace rivlen
