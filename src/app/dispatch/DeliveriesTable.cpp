#include "app/dispatch/DeliveriesTable.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/widgets/Strong.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

DeliveriesTable::DeliveriesTable(Document& document, Reels& reels, DeliverablesDesk& desk, DispatchDesk& dispatch,
                                 QWidget* parent)
    : QWidget(parent), m_document(document), m_desk(desk), m_model(document, reels, desk, dispatch) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    m_count = new QLabel;
    m_count->setObjectName("deliveriescount");
    m_all = new QCheckBox(say("All reels"));
    m_all->setObjectName("allreels");
    m_all->setToolTip(say("Shows and delivers those of all reels, not of the present one alone (Y)"));
    top->addWidget(m_count, 1);
    top->addWidget(m_all);
    column->addLayout(top);
    m_sorted.setSourceModel(&m_model);
    m_sorted.setSortRole(DeliveriesModel::kSortRole);
    m_table = new QTableView;
    m_table->setTabKeyNavigation(false);  // Tab goes on to the next control, arrows go from cell to cell
    m_table->setObjectName("deliveries");
    m_table->setAccessibleName(say("What leaves the house"));
    m_table->setModel(&m_sorted);
    m_table->setSortingEnabled(true);
    m_table->horizontalHeader()->setSortIndicator(-1, Qt::AscendingOrder);
    m_sorted.sort(-1);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::ExtendedSelection);
    m_table->setShowGrid(false);
    m_table->setWordWrap(false);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(24);
    m_table->horizontalHeader()->setHighlightSections(false);
    m_table->horizontalHeader()->setStretchLastSection(true);
    constexpr int widths[DeliveriesModel::kColumns] = {90, 144, 142, 96, 48, 54, 58, 70, 100};
    for (int c = 0; c < DeliveriesModel::kColumns; ++c) m_table->setColumnWidth(c, widths[c]);
    m_table->setTextElideMode(Qt::ElideMiddle);  // names differ at their ends
    column->addWidget(m_table, 1);
    connect(m_all, &QCheckBox::clicked, this, [this](bool on) { m_desk.setAllReels(on); });
    connect(m_table->selectionModel(), &QItemSelectionModel::selectionChanged, this, &DeliveriesTable::select);
    connect(m_table->selectionModel(), &QItemSelectionModel::currentChanged, this, &DeliveriesTable::select);
    connect(&desk, &DeliverablesDesk::changed, this, &DeliveriesTable::refresh);
    connect(&m_model, &QAbstractItemModel::modelReset, this, &DeliveriesTable::refresh);
    refresh();
}

std::set<int> DeliveriesTable::selected() const {
    std::set<int> all;
    for (const auto& index : m_table->selectionModel()->selectedRows())
        all.insert(m_model.at(m_sorted.mapToSource(index).row()).deliverable);
    return all;
}

void DeliveriesTable::select() {
    if (m_following) return;
    const QModelIndex now = m_table->currentIndex();
    if (!now.isValid()) return;
    const DeliveriesModel::Row row = m_model.at(m_sorted.mapToSource(now).row());
    m_desk.choose(row.deliverable, selected());
    m_document.selectReel(row.reel);
}

void DeliveriesTable::refresh() {
    m_all->setChecked(m_desk.allReels());
    m_all->setEnabled(m_document.session().reels.size() > 1);
    const auto& all = m_desk.deliverables();
    const auto on = std::count_if(all.begin(), all.end(), [](const Deliverable& d) { return d.on; });
    const size_t reels = m_desk.allReels() ? m_document.session().reels.size() : m_document.reel() ? 1 : 0;
    const QString of = m_desk.allReels()   ? say("%1 reels").arg(reels)
                       : m_document.reel() ? QString::fromStdString(m_document.reel()->name)
                                           : say("no reel");
    const long files = long(reels) * on;
    m_count->setText(strong(files == 1
                                ? say("<b>%1 file</b> of %2 ticked; X ticks the selected rows, what is changed at the "
                                      "right counts for all of them")
                                : say("<b>%1 files</b> of %2 ticked; X ticks the selected rows, what is changed at the "
                                      "right counts for all of them"))
                         .arg(files)
                         .arg(of.toHtmlEscaped()));
    // The row of what is chosen, where the hand has not chosen several.
    const int row = m_document.reel() ? m_model.rowOf(m_document.reel()->id, m_desk.chosen()) : -1;
    const QModelIndex at = row < 0 ? QModelIndex() : m_sorted.mapFromSource(m_model.index(row, 0));
    m_following = true;
    if (at.isValid() &&
        (!m_table->selectionModel()->isRowSelected(at.row()) || m_table->currentIndex().row() != at.row()))
        m_table->selectRow(at.row());
    m_following = false;
}

}  // namespace rivlen
