#include "app/weigh/WorstPlaceMarks.h"

#include <algorithm>

#include "app/views/OwnershipView.h"
#include "app/widgets/Theme.h"

namespace rivlen {

WorstPlaceMarks::WorstPlaceMarks(const Document& document, WeighDesk& desk, OwnershipView& view)
    : QObject(&view), m_document(document), m_desk(desk) {
    view.lay(this);
    connect(&desk, &WeighDesk::changed, &view, qOverload<>(&QWidget::update));
}

void WorstPlaceMarks::paint(QPainter& p, const OwnershipView& view) {
    const auto* found = m_document.session().stage == stage::weigh ? m_desk.result() : nullptr;
    if (!found) return;
    const TimeAxis& axis = view.axis();
    p.setFont(theme::font(11, QFont::DemiBold));
    for (size_t i = 0; i < found->places.size(); ++i) {
        const double at = found->from + found->places[i].seconds;
        const double a = axis.xAt(at - kMomentSeconds / 2, view.width()),
                     b = axis.xAt(at + kMomentSeconds / 2, view.width());
        const bool chosen = int(i) == m_desk.place();
        QColor shade = theme::attention;
        shade.setAlpha(chosen ? 120 : 60);
        p.fillRect(QRectF(a, 18, std::max(2.0, b - a), view.height() - 18), shade);
        const QRectF tag((a + b) / 2 - 10, 2, 20, 16);
        p.setPen(Qt::NoPen);
        p.setBrush(chosen ? theme::ink : theme::attention);
        p.drawRoundedRect(tag, 3, 3);
        p.setPen(theme::ground);
        p.drawText(tag, Qt::AlignCenter, QString::number(i + 1));
    }
}

}  // namespace rivlen
