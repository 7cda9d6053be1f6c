#include <QHelpEvent>
#include <QPainter>
#include <QToolTip>
#include <array>

#include "app/weigh/WeighStrip.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

constexpr int kRows = 2 + Damage::kParts;
constexpr double kMuch = 50;  // points from which a bar is drawn as a warning

constexpr std::array<const char*, kRows> kExplained = {
    QT_TRID_NOOP(
        "What should not be in the dialogue but is, against it: an estimate, most true for differences between "
        "settings."),
    QT_TRID_NOOP(
        "What isolation did to the dialogue, from 0 (untouched) to 100: how much moves in it that did not move "
        "before."),
    QT_TRID_NOOP(
        "Beginnings of t, s and x that were taken away. Words sound lisped or swallowed; raise Onset guard or lower "
        "Depth."),
    QT_TRID_NOOP("Treble lost against the middle. The voice sounds as if behind a curtain; lower Firmness or Depth."),
    QT_TRID_NOOP(
        "Gain that flutters from moment to moment. The voice rings like water; raise Steadiness or lower Firmness."),
    QT_TRID_NOOP("The bed swells around the words. Pauses go dead, words bring the bed back; lower Depth."),
    QT_TRID_NOOP("Gated gaps inside words. The voice cuts out for moments; lower Firmness or raise Steadiness."),
};

}  // namespace

DamageBars::DamageBars(WeighDesk& desk, QWidget* parent) : QWidget(parent), m_desk(desk) {
    setObjectName("damage");
    setFixedWidth(232);
    setMouseTracking(true);
    connect(&desk, &WeighDesk::changed, this, qOverload<>(&QWidget::update));
}

QRectF DamageBars::row(int i) const {
    const double tall = std::min(24.0, (height() - 8.0) / kRows);
    return QRectF(0, 4 + i * tall, width(), tall);
}

void DamageBars::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto* found = m_desk.result();
    const auto& damage = found ? found->now.damage : Damage{};
    const std::array<double, kRows> values = {
        0, damage.total, damage.onsetLoss, damage.dulling, damage.warble, damage.pumping, damage.holes};
    for (int i = 0; i < kRows; ++i) {
        const QRectF r = row(i);
        const bool heading = i < 2;
        p.setFont(theme::font(heading ? 13 : 12, heading ? QFont::DemiBold : QFont::Normal));
        p.setPen(heading ? theme::ink : theme::quietInk);
        p.drawText(QRectF(heading ? 0 : 10, r.top(), 90, r.height()), Qt::AlignVCenter,
                   i == 0   ? say("Spill")
                   : i == 1 ? say("Damage")
                            : said(Damage::partName(i - 2)));
        p.setPen(theme::ink);
        const QString text = !found   ? QString("–")
                             : i == 0 ? QString("%1 dB").arg(found->now.spillDb, 0, 'f', 1).replace('-', QChar(0x2212))
                                      : QString::number(std::lround(values[size_t(i)]));
        p.drawText(QRectF(i == 0 ? 92 : width() - 34, r.top(), i == 0 ? width() - 96 : 30, r.height()),
                   Qt::AlignVCenter | Qt::AlignRight, text);
        if (i == 0) continue;
        const QRectF whole(92, r.center().y() - 3, width() - 92 - 38, 6);
        p.setPen(Qt::NoPen);
        p.setBrush(theme::line);
        p.drawRoundedRect(whole, 3, 3);
        if (!found || values[size_t(i)] <= 0) continue;
        p.setBrush(values[size_t(i)] >= kMuch ? theme::attention : theme::quietInk);
        p.drawRoundedRect(QRectF(whole.left(), whole.top(), std::max(3.0, whole.width() * values[size_t(i)] / 100),
                                 whole.height()),
                          3, 3);
    }
}

bool DamageBars::event(QEvent* e) {
    if (e->type() != QEvent::ToolTip) return QWidget::event(e);
    const auto* help = static_cast<QHelpEvent*>(e);
    for (int i = 0; i < kRows; ++i)
        if (row(i).contains(help->pos())) QToolTip::showText(help->globalPos(), say(kExplained[size_t(i)]), this);
    return true;
}

}  // namespace rivlen
