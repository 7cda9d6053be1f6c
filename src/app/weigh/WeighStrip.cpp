#include "app/weigh/WeighStrip.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

WeighStrip::WeighStrip(WeighDesk& desk, QWidget* parent) : QWidget(parent), m_desk(desk) {
    setObjectName("weighstrip");
    setAttribute(Qt::WA_StyledBackground);
    setStyleSheet(theme::sheet("#weighstrip { background: @raised; border-top: 1px solid @line; }"));
    setFixedHeight(196);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(8, 6, 10, 6);
    row->setSpacing(18);
    auto* left = new QVBoxLayout;
    left->setSpacing(2);
    left->addWidget(new TradeOffChart(desk), 1);
    auto* below = new QHBoxLayout;
    m_reason = new QLabel;
    m_reason->setWordWrap(true);
    m_reason->setStyleSheet(theme::sheet("color: @quiet"));
    m_reason->setFont(theme::font(12));
    m_reason->setFixedHeight(34);
    m_take = new QPushButton(say("Take it"));
    m_take->setObjectName("suggestion");
    m_take->setToolTip(say("Sets Depth and Firmness to the suggestion (K)"));
    m_take->setStyleSheet("padding: 3px 10px");
    below->setSpacing(12);
    below->addWidget(m_reason, 1);
    below->addWidget(m_take);
    left->addLayout(below);
    row->addLayout(left, 5);
    row->addWidget(new DamageBars(desk));
    auto* right = new QVBoxLayout;
    right->setSpacing(4);
    auto* title = new QLabel(say("Worst places"));
    title->setFont(theme::font(13, QFont::DemiBold));
    title->setToolTip(
        say("Where isolation hurts most or leaves most. N and Shift+N step through them, each in a loop."));
    m_places = new QListWidget;
    m_places->setObjectName("places");
    m_places->setAccessibleName(say("Worst places"));
    m_places->setFont(theme::font(12));
    m_places->setStyleSheet(theme::sheet(
        "QListWidget { background: @ground; border: 1px solid @line; border-radius: 4px; } QListWidget::item { "
        "padding: 0 6px; }"));
    right->addWidget(title);
    right->addWidget(m_places, 1);
    row->addLayout(right, 3);
    connect(&desk, &WeighDesk::changed, this, &WeighStrip::refresh);
    connect(m_take, &QPushButton::clicked, &desk, &WeighDesk::useSuggestion);
    connect(m_places, &QListWidget::itemClicked, this, [this] { m_desk.audition(m_places->currentRow()); });
    connect(m_places, &QListWidget::itemActivated, this, [this] { m_desk.audition(m_places->currentRow()); });
    refresh();
}

void WeighStrip::refresh() {
    const auto* found = m_desk.result();
    const bool curve = found && found->curve;
    m_take->setEnabled(curve);
    if (curve) {
        const TradePoint& knee = found->curve->curve[size_t(found->curve->knee)];
        const auto& table = isolationParameters();
        m_reason->setText(say("Suggested: Depth %1, Firmness %2. %3")
                              .arg(said(describeValue(table[0], knee.depth)),
                                   said(describeValue(table[1], knee.firmness)), said(found->curve->reason)));
    } else {
        m_reason->clear();
    }
    QStringList lines;
    if (found)
        for (size_t i = 0; i < found->places.size(); ++i) {
            const WorstPlace& w = found->places[i];
            const QString how = w.what == "Spill"
                                    ? QString("%1 dB").arg(w.spillDb, 0, 'f', 0).replace('-', QChar(0x2212))
                                    : QString::number(std::lround(w.points));
            lines << QString("%1   %2   %3 %4")
                         .arg(i + 1, 2)
                         .arg(QString::fromStdString(formatTime(found->from + w.seconds)).chopped(2), said(w.what),
                              how);
        }
    QStringList shown;
    for (int i = 0; i < m_places->count(); ++i) shown << m_places->item(i)->text();
    const QSignalBlocker quiet(m_places);
    if (shown != lines) {
        m_places->clear();
        m_places->addItems(lines);
    }
    m_places->setCurrentRow(m_desk.place());
}

}  // namespace rivlen
