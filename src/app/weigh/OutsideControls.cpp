#include "app/weigh/OutsideControls.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>

#include "app/widgets/AskFolder.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

OutsideControls::OutsideControls(Hearing& hearing, OutsideDesk& desk, QWidget* parent)
    : QWidget(parent), m_hearing(hearing), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, say("Through a cleaner outside"));
    addPageText(column,
                say("The loop, or the whole reel, goes out and comes back to the sample, weighed as Rivlen's own."));
    auto* what = new QHBoxLayout;
    m_what = new QComboBox;
    m_what->setObjectName("outsidewhat");
    m_what->setAccessibleName(say("What is sent"));
    m_what->addItems({say("The recording"), say("Rivlen's stem")});
    m_handles = new QDoubleSpinBox;
    m_handles->setObjectName("outsidehandles");
    m_handles->setAccessibleName(say("Handles"));
    m_handles->setRange(0, 60);
    m_handles->setDecimals(1);
    m_handles->setSuffix(" s");
    m_handles->setToolTip(say("Sound sent before and after the span, as far as there is any"));
    what->addWidget(m_what, 1);
    what->addWidget(new QLabel(say("Handles")));
    what->addWidget(m_handles);
    column->addLayout(what);
    auto* way = new QHBoxLayout;
    m_way = new QComboBox;
    m_way->setObjectName("outsideway");
    m_way->setAccessibleName(say("How the cleaner is reached"));
    m_way->addItems({say("Command"), say("Folder")});
    m_target = new QLineEdit;
    m_target->setObjectName("outsidetarget");
    m_browse = makeSmallButton("outsidebrowse", QString(QChar(0x2026)), say("Choose the folder"));
    way->addWidget(m_way);
    way->addWidget(m_target, 1);
    way->addWidget(m_browse);
    column->addLayout(way);
    auto* go = new QHBoxLayout;
    m_send = makeSmallButton("outsidesend", say("Send"), say("Sends the span and waits for what comes back (Shift+O)"));
    m_take = makeSmallButton("outsidetake", say("Take a file…"), say("An answer that came another way"));
    go->addWidget(m_send);
    go->addStretch();
    go->addWidget(m_take);
    column->addLayout(go);
    m_state = addPageText(column);
    m_state->setObjectName("outsidestate");
    m_table = new QTableWidget(0, 3);
    m_table->setTabKeyNavigation(false);  // Tab goes on to the next control, arrows go from cell to cell
    m_table->setObjectName("outsideanswers");
    m_table->setAccessibleName(say("What came back, below Rivlen's own"));
    m_table->setHorizontalHeaderLabels({say("Of the span"), say("Spill"), say("Damage")});
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(24);
    m_table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    m_table->horizontalHeader()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
    m_table->horizontalHeader()->setSectionResizeMode(2, QHeaderView::ResizeToContents);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::SingleSelection);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->setShowGrid(false);
    m_table->setFont(theme::font(12));
    m_table->setToolTip(say("A click or Return plays one over the span, at equal loudness"));
    column->addWidget(m_table, 1);
    auto* last = new QHBoxLayout;
    m_own = makeSmallButton("outsideown", say("Back to this reel's"), say("Plays the stems that the reel has"));
    m_layIn = makeSmallButton("outsidelayin", say("Lay it in"),
                              say("Lays it on a lane of its own at Rebuild, in the place of "
                                  "Rivlen's own (Ctrl+Shift+O)"));
    last->addWidget(m_own);
    last->addStretch();
    last->addWidget(m_layIn);
    column->addLayout(last);

    connect(m_what, &QComboBox::activated, this, &OutsideControls::setWays);
    connect(m_handles, &QDoubleSpinBox::editingFinished, this, &OutsideControls::setWays);
    connect(m_way, &QComboBox::activated, this, [this](int i) {
        OutsideDesk::Ways ways = m_desk.ways();
        ways.byCommand = i == 0;
        m_desk.setWays(ways);
    });
    connect(m_target, &QLineEdit::editingFinished, this, &OutsideControls::setWays);
    connect(m_browse, &QPushButton::clicked, this, &OutsideControls::chooseFolder);
    connect(m_send, &QPushButton::clicked, this, [this] {
        setWays();
        if (m_desk.busy()) m_desk.cancel();
        else m_desk.send();
    });
    connect(m_take, &QPushButton::clicked, this, &OutsideControls::chooseAnswer);
    const auto play = [this](int row) { m_desk.hear(row - 1); };
    connect(m_table, &QTableWidget::cellClicked, this, play);
    connect(m_table, &QTableWidget::cellActivated, this, play);
    connect(m_table, &QTableWidget::itemSelectionChanged, this, &OutsideControls::refreshLayIn);
    connect(m_own, &QPushButton::clicked, this, [this] { m_desk.hear(-1); });
    connect(m_layIn, &QPushButton::clicked, this, [this] { m_desk.layIn(m_table->currentRow() - 1); });
    connect(&desk, &OutsideDesk::changed, this, &OutsideControls::refresh);
    refresh();
}

void OutsideControls::setWays() {
    OutsideDesk::Ways ways = m_desk.ways();
    ways.sendsStem = m_what->currentIndex() == 1;
    ways.handles = m_handles->value();
    (ways.byCommand ? ways.command : ways.folder) = m_target->text();
    m_desk.setWays(ways);
}

void OutsideControls::chooseFolder() {
    const QString folder = askFolder(this, say("The cleaner's folder"), "outside", m_desk.ways().folder);
    if (folder.isEmpty()) return;
    m_target->setText(folder);
    setWays();
}

void OutsideControls::chooseAnswer() {
    const QString file = QFileDialog::getOpenFileName(this, say("What came back"), m_desk.ways().folder);
    if (!file.isEmpty()) m_desk.take(file);
}

void OutsideControls::refresh() {
    const auto& ways = m_desk.ways();
    const bool blind = m_hearing.blind(), busy = m_desk.busy();
    m_what->setCurrentIndex(ways.sendsStem);
    m_way->setCurrentIndex(ways.byCommand ? 0 : 1);
    if (!m_handles->hasFocus()) m_handles->setValue(ways.handles);
    if (!m_target->hasFocus()) {
        m_target->setText(ways.byCommand ? ways.command : ways.folder);
        m_target->setCursorPosition(0);
    }
    m_target->setPlaceholderText(ways.byCommand ? "cleaner {in} {out}" : say("folder"));
    m_target->setAccessibleName(ways.byCommand ? say("Command") : say("Folder"));
    m_target->setToolTip(ways.byCommand
                             ? say("Run by a shell: {in} is what was sent, {out} the file that it must write")
                             : say("The sound is put here; its answer is a file whose name begins in the same way"));
    m_browse->setVisible(!ways.byCommand);
    m_send->setText(busy ? say("Cancel") : say("Send"));
    m_send->setEnabled(!blind);
    m_take->setEnabled(!blind && m_desk.sent());
    m_state->setText(m_desk.state());
    refreshTable();
    m_own->setEnabled(m_desk.heard() >= 0);
    refreshLayIn();
}

void OutsideControls::refreshLayIn() {
    const int row = m_table->currentRow();
    m_layIn->setEnabled(!m_hearing.blind() && row > 0 && row <= int(m_desk.answers().size()));
}

void OutsideControls::refreshTable() {
    const auto& answers = m_desk.answers();
    const bool blind = m_hearing.blind();
    const int rows = m_desk.own() ? 1 + int(answers.size()) : 0;
    if (m_table->rowCount() != rows) m_table->setRowCount(rows);
    for (int r = 0; r < rows; ++r) {
        const Weighing& w = r == 0 ? *m_desk.own() : answers[size_t(r - 1)].weighing;
        const QStringList cells{r == 0 ? say("Rivlen's own, as weighed") : answers[size_t(r - 1)].name,
                                blind ? say("hidden")
                                      : QString("%1 dB").arg(w.spillDb, 0, 'f', 1).replace('-', QChar(0x2212)),
                                blind ? say("hidden") : QString::number(std::lround(w.damage.total))};
        for (int c = 0; c < cells.size(); ++c) {
            if (!m_table->item(r, c)) m_table->setItem(r, c, new QTableWidgetItem);
            auto* item = m_table->item(r, c);
            item->setText(cells[c]);
            item->setToolTip(cells[0]);
            item->setTextAlignment((c == 0 ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter);
            item->setFont(theme::font(12, r == m_desk.heard() + 1 ? QFont::DemiBold : QFont::Normal));
        }
    }
    m_table->setEnabled(!blind && rows > 0);
}

}  // namespace rivlen
