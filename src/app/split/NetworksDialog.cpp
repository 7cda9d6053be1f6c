#include "app/split/NetworksDialog.h"

#include <QFileDialog>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QScrollArea>
#include <QVBoxLayout>

#include "app/split/NetworkText.h"
#include "app/words/Say.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

NetworksDialog::NetworksDialog(Work& work, InstalledNetworks& networks, QWidget* parent)
    : QDialog(parent), m_networks(networks) {
    setObjectName("networks");
    setWindowTitle(say("Networks"));
    resize(860, 640);
    m_list = new QListWidget;
    m_list->setObjectName("networkList");
    m_list->setFixedWidth(230);
    m_card = new QLabel;
    m_card->setObjectName("networkCard");
    m_card->setWordWrap(true);
    m_card->setTextFormat(Qt::RichText);
    m_card->setAlignment(Qt::AlignTop);
    m_card->setMargin(12);
    auto* scroll = new QScrollArea;
    scroll->setWidget(m_card);
    scroll->setWidgetResizable(true);
    m_state = new QLabel;
    m_state->setObjectName("networkState");
    m_state->setWordWrap(true);
    m_install = new QPushButton(say("Install a network…"));
    m_install->setObjectName("installNetwork");
    m_install->setToolTip(say("Choose the card (a .json file) of a network; its module lies beside it"));
    m_remove = new QPushButton(say("Remove"));
    m_remove->setObjectName("removeNetwork");
    m_remove->setToolTip(say("Removes the selected network; the ones that came with Rivlen stay"));
    auto* close = new QPushButton(say("Close"));
    auto* across = new QHBoxLayout;
    across->addWidget(m_list);
    across->addWidget(scroll, 1);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(m_install);
    buttons->addWidget(m_remove);
    buttons->addWidget(m_state, 1);
    buttons->addWidget(close);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(14, 14, 14, 14);
    column->setSpacing(10);
    column->addLayout(across, 1);
    column->addLayout(buttons);
    connect(m_list, &QListWidget::currentRowChanged, this, &NetworksDialog::show);
    connect(close, &QPushButton::clicked, this, &QDialog::accept);
    connect(m_install, &QPushButton::clicked, this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(this, say("Install a network"), {}, say("Network cards (*.json)"));
        if (!file.isEmpty()) install(file);
    });
    connect(m_remove, &QPushButton::clicked, this, [this] {
        const int row = m_list->currentRow();
        if (row >= 0) m_networks.remove(m_cards[size_t(row)].id);
    });
    connect(&networks, &InstalledNetworks::changed, this, &NetworksDialog::reload);
    connect(&work, &Work::warned, m_state, &QLabel::setText);
    connect(&work, &Work::reported, m_state, &QLabel::setText);
    reload();
    m_state->clear();
}

void NetworksDialog::install(const QString& card) {
    m_state->setText(say("Trying the network in a process of its own…"));
    m_install->setEnabled(false);
    m_networks.install(card);
}

void NetworksDialog::reload() {
    m_install->setEnabled(true);
    const QString before = m_list->currentItem() ? m_list->currentItem()->text() : QString();
    m_cards = listNetworks();
    m_list->clear();
    for (const auto& card : m_cards) m_list->addItem(said(card.name));
    for (int i = 0; i < m_list->count(); ++i)
        if (m_list->item(i)->text() == before) m_list->setCurrentRow(i);
    if (m_list->currentRow() < 0 && m_list->count() > 0) m_list->setCurrentRow(0);
}

void NetworksDialog::show(int row) {
    const bool any = row >= 0 && row < int(m_cards.size());
    m_remove->setEnabled(any && !isShipped(m_cards[size_t(row)]));
    m_card->setText(any ? cardInFull(m_cards[size_t(row)], isShipped(m_cards[size_t(row)])) : QString());
}

}  // namespace rivlen
