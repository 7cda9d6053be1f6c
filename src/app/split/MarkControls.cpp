#include "app/split/MarkControls.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/widgets/PanelParts.h"
#include "core/isolation/StemNames.h"
#include "core/media/Timecode.h"

namespace rivlen {

MarkControls::MarkControls(MarkDesk& desk, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_hearing(hearing) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, "Marks: what alone is heard where");
    m_text = addPageText(column);
    auto* only = new QHBoxLayout;
    only->setSpacing(6);
    for (size_t s = 0; s < kStemCount; ++s) {
        const QString letter = theme::stemLetter(int(s)), name = theme::stemName(int(s)).toLower();
        m_only[s] =
            makeSmallButton(("only" + kStemNames[s]).c_str(), "Only " + name,
                            QString("Says that nothing but %1 is heard in the loop (Shift+%2)").arg(name, letter));
        only->addWidget(m_only[s]);
        connect(m_only[s], &QPushButton::clicked, this, [this, s] { m_desk.add(kStemNames[s]); });
    }
    column->addLayout(only);
    m_list = new QListWidget;
    m_list->setObjectName("marks");
    m_list->setAccessibleName("Marks");
    m_list->setStyleSheet("QListWidget::item { padding: 2px 6px; }");
    m_list->setToolTip("Marks, and what Rivlen proposes where the split was sure. N and Shift+N step through them.");
    m_list->setMinimumHeight(70);
    column->addWidget(m_list, 1);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    m_hear = makeSmallButton("hearmark", "Hear", "Plays it in a loop (N: the next one)");
    m_accept = makeSmallButton("acceptmark", "Take it", "Makes the proposal a mark (K)");
    m_take = makeSmallButton("removemark", "Remove", "Removes the mark, or dismisses the proposal (Shift+K)");
    for (auto* b : {m_hear, m_accept, m_take}) row->addWidget(b);
    row->addStretch();
    column->addLayout(row);
    connect(m_list, &QListWidget::currentRowChanged, this, [this](int r) { m_desk.choose(r); });
    connect(m_list, &QListWidget::itemActivated, &m_desk, &MarkDesk::hear);
    connect(m_hear, &QPushButton::clicked, &m_desk, &MarkDesk::hear);
    connect(m_accept, &QPushButton::clicked, &m_desk, &MarkDesk::accept);
    connect(m_take, &QPushButton::clicked, &m_desk, &MarkDesk::takeAway);
    connect(&m_desk, &MarkDesk::changed, this, &MarkControls::refresh);
    connect(&m_hearing, &Hearing::changed, this, &MarkControls::refresh);
    refresh();
}

void MarkControls::refresh() {
    const QSignalBlocker quiet(m_list);
    const bool looped = m_hearing.loop().has_value();
    for (auto* b : m_only) b->setEnabled(looped);
    m_text->setText(m_desk.count() == 0
                        ? "Loop a span in which only one thing is heard, and say which. With marks Rivlen knows this "
                          "recording's voices, music and surroundings."
                    : m_desk.proposals().empty() ? "Of the loop, say what alone is heard in it."
                                                 : "Proposals are dashed: hear them before you take them.");
    while (m_list->count() > int(m_desk.count())) delete m_list->takeItem(m_list->count() - 1);
    while (m_list->count() < int(m_desk.count())) m_list->addItem("");
    for (int i = 0; i < int(m_desk.count()); ++i) {
        const Mark& mark = m_desk.at(i);
        const int stem = int(stemPlace(mark.stem));
        auto* item = m_list->item(i);
        item->setText(QString("%1  %2 – %3   only %4%5")
                          .arg(theme::stemLetter(stem), QString::fromStdString(formatDuration(mark.from)),
                               QString::fromStdString(formatDuration(mark.to)), theme::stemName(stem).toLower(),
                               m_desk.proposed(i) ? "   proposed" : ""));
        item->setForeground(m_desk.proposed(i) ? theme::quietInk : theme::stemColor(stem));
    }
    m_list->setVisible(m_desk.count() > 0);
    m_list->setCurrentRow(m_desk.chosen());
    const bool chosen = m_desk.chosen() >= 0;
    for (auto* b : {m_hear, m_take, m_accept}) b->setVisible(m_desk.count() > 0);
    m_hear->setEnabled(chosen);
    m_take->setEnabled(chosen);
    m_take->setText(chosen && m_desk.proposed(m_desk.chosen()) ? "Dismiss" : "Remove");
    m_accept->setEnabled(chosen && m_desk.proposed(m_desk.chosen()));
}

}  // namespace rivlen
