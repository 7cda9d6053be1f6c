#include "app/intake/ReelTable.h"
#include "app/widgets/Theme.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

ReelTable::ReelTable(Document& document, Reels& reels, Treating& treating, Work& work, ReelsModel& model,
                     QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_treating(treating), m_work(work), m_model(model) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(8);
    auto* top = new QHBoxLayout;
    m_search = new QLineEdit;
    m_search->setObjectName("searchTable");
    m_search->setPlaceholderText(say("Search names, groups, notes, faults"));
    m_search->setClearButtonEnabled(true);
    m_count = new QLabel;
    m_count->setObjectName("reelCount");
    m_count->setStyleSheet(theme::sheet("color: @quiet"));
    auto* close = makeSmallButton("closeTable", say("Back to the picture"),
                                  say("Shows the pictures of the present reel again (Y)"));
    top->addWidget(m_search, 1);
    top->addWidget(m_count);
    top->addWidget(close);
    column->addLayout(top);
    m_filter = new ReelsFilter(this);
    m_filter->setSourceModel(&model);
    m_filter->setSortRole(ReelsModel::kSortRole);
    m_table = new QTableView;
    m_table->setTabKeyNavigation(false);  // Tab goes on to the next control, arrows go from cell to cell
    m_table->setObjectName("reelTableView");
    m_table->setAccessibleName(say("All reels"));
    m_table->setModel(m_filter);
    m_table->setSortingEnabled(true);
    m_table->horizontalHeader()->setSortIndicator(-1, Qt::AscendingOrder);
    m_filter->sort(-1);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setShowGrid(false);
    m_table->setWordWrap(false);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(24);
    m_table->horizontalHeader()->setHighlightSections(false);
    constexpr int widths[ReelsModel::kColumns] = {150, 80, 58, 66, 190, 180, 100, 56, 56, 56, 96, 70, 210, 200};
    for (int c = 0; c < ReelsModel::kColumns; ++c) m_table->setColumnWidth(c, widths[c]);
    column->addWidget(m_table, 1);
    auto* actions = new QHBoxLayout;
    actions->setSpacing(6);
    m_accept =
        makeSmallButton("acceptMany", say("Accept faults"),
                        say("Gives each selected reel the treatments that its faults propose, and begins to treat it"));
    m_copy =
        makeSmallButton("copyTreatments", say("Copy treatments"),
                        say("Gives the present reel's treatments to all selected reels, and begins to treat them"));
    m_treat =
        makeSmallButton("treatMany", say("Treat now"),
                        say("Runs the treatments of the selected reels over the whole of them, one after the other"));
    m_group = new QLineEdit;
    m_group->setObjectName("groupMany");
    m_group->setPlaceholderText(say("Group"));
    m_group->setFixedWidth(110);
    m_setGroup =
        makeSmallButton("setGroup", say("Group"),
                        say("Puts the selected reels into the group that is typed on the left; empty: into none"));
    m_remove = makeSmallButton("removeMany", say("Remove"),
                               say("Takes the selected reels out of the session; their files stay where they are"));
    for (QWidget* w : {static_cast<QWidget*>(m_accept), static_cast<QWidget*>(m_copy), static_cast<QWidget*>(m_treat)})
        actions->addWidget(w);
    actions->addStretch();
    for (QWidget* w :
         {static_cast<QWidget*>(m_group), static_cast<QWidget*>(m_setGroup), static_cast<QWidget*>(m_remove)})
        actions->addWidget(w);
    column->addLayout(actions);

    connect(m_search, &QLineEdit::textChanged, this, [this](const QString& text) {
        m_filter->setWords(text);
        refresh();
    });
    connect(close, &QPushButton::clicked, this, &ReelTable::closed);
    connect(m_table->selectionModel(), &QItemSelectionModel::selectionChanged, this, &ReelTable::refresh);
    connect(m_table->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (now.isValid()) m_document.selectReel(m_model.id(m_filter->mapToSource(now).row()));
    });
    connect(m_accept, &QPushButton::clicked, this, &ReelTable::acceptFaults);
    connect(m_copy, &QPushButton::clicked, this, &ReelTable::copyTreatments);
    connect(m_treat, &QPushButton::clicked, this, &ReelTable::treatNow);
    connect(m_remove, &QPushButton::clicked, this, [this] { m_document.removeReels(chosen()); });
    connect(m_setGroup, &QPushButton::clicked, this, [this] {
        m_document.editReels(say("Group reels"), chosen(),
                             [group = m_group->text().trimmed().toStdString()](Reel& r) { r.group = group; });
    });
    connect(&document, &Document::changed, this, &ReelTable::refresh);
    refresh();
}

std::vector<std::string> ReelTable::chosen() const {
    std::vector<std::string> ids;
    const auto rows = m_table->selectionModel()->selectedRows();
    for (const QModelIndex& i : rows) ids.push_back(m_model.id(m_filter->mapToSource(i).row()));
    return ids;
}

void ReelTable::refresh() {
    const auto ids = chosen();
    m_count->setText(
        say("%1 of %2 reels, %3 selected").arg(m_filter->rowCount()).arg(m_model.rowCount()).arg(ids.size()));
    for (auto* b : {m_accept, m_remove, m_setGroup, m_treat}) b->setEnabled(!ids.empty());
    m_copy->setEnabled(ids.size() > 1 && m_document.reel() && !m_document.reel()->treatments.empty());
}

void ReelTable::acceptFaults() {
    std::map<std::string, std::vector<Treatment>> all;
    int waiting = 0;
    for (const auto& id : chosen()) {
        const Reel& r = *m_document.session().reel(id);
        if (!m_reels.of(id).diagnosis) {
            ++waiting;
            continue;
        }
        all[id] = withProposals(r.treatments, proposed(m_reels.findings(r), m_reels.content(r)));
    }
    m_treating.treatmentsToReels(all);
    if (waiting)
        m_work.warn(
            say("%1 of the reels are still being looked through: accept their faults once that is done.").arg(waiting));
}

void ReelTable::copyTreatments() {
    std::map<std::string, std::vector<Treatment>> all;
    for (const auto& id : chosen()) all[id] = m_document.reel()->treatments;
    m_treating.treatmentsToReels(all);
}

void ReelTable::treatNow() {
    for (const auto& id : chosen()) m_treating.treat(id);
}

}  // namespace rivlen
