#include "app/weigh/TrialControls.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <cmath>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

TrialControls::TrialControls(Hearing& hearing, TrialDesk& trials, const QString& prefix, QWidget* parent)
    : QWidget(parent), m_hearing(hearing), m_trials(trials) {
    const auto named = [&prefix](const char* name) { return (prefix + name).toUtf8(); };
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    m_state = addPageText(column);
    auto* tries = new QHBoxLayout;
    m_try = makeSmallButton(
        named("try").constData(), say("Try them"),
        say("Separates the loop with every network and quality, at this strength and the candidates' (T)"));
    m_progress = new QProgressBar;
    m_progress->setTextVisible(false);
    m_progress->setFixedHeight(6);
    m_progress->setRange(0, 1000);
    tries->addWidget(m_try);
    tries->addWidget(m_progress, 1);
    column->addLayout(tries);
    m_table = new QTableWidget(0, 3);
    m_table->setTabKeyNavigation(false);  // Tab goes on to the next control, arrows go from cell to cell
    m_table->setObjectName(named("trials"));
    m_table->setAccessibleName(say("Trials, the best first"));
    m_table->setHorizontalHeaderLabels({say("Best first"), say("Spill"), say("Damage")});
    m_table->verticalHeader()->hide();
    m_table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    m_table->horizontalHeader()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
    m_table->horizontalHeader()->setSectionResizeMode(2, QHeaderView::ResizeToContents);
    m_table->verticalHeader()->setDefaultSectionSize(24);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::SingleSelection);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->setShowGrid(false);
    m_table->setFont(theme::font(12));
    m_table->setToolTip(say("A click or Return plays one in the loop, at equal loudness"));
    column->addWidget(m_table, 1);
    m_reason = addPageText(column);
    m_reason->setObjectName(named("trialreason"));
    auto* last = new QHBoxLayout;
    m_own = makeSmallButton(named("hearown").constData(), say("Back to this reel's"),
                            say("Plays the stems that the reel has"));
    m_use = makeSmallButton(named("usetrial").constData(), say("Use it"),
                            say("Takes its network, quality and strength for the whole reel"));
    last->addWidget(m_own);
    last->addStretch();
    last->addWidget(m_use);
    column->addLayout(last);

    connect(m_try, &QPushButton::clicked, this, [this] {
        if (m_trials.busy()) m_trials.cancel();
        else m_trials.start();
    });
    connect(m_table, &QTableWidget::cellClicked, this, [this](int r) { m_trials.hear(r); });
    connect(m_table, &QTableWidget::cellActivated, this, [this](int r) { m_trials.hear(r); });
    connect(m_own, &QPushButton::clicked, this, [this] { m_trials.hear(-1); });
    connect(m_use, &QPushButton::clicked, this, [this] { m_trials.use(m_table->currentRow()); });
    connect(m_table, &QTableWidget::itemSelectionChanged, this,
            [this] { m_use->setEnabled(m_table->currentRow() >= 0); });
    connect(&m_trials, &TrialDesk::changed, this, &TrialControls::refresh);
    connect(&m_live, &QTimer::timeout, this, [this] { m_progress->setValue(int(1000 * m_trials.fraction())); });
    refresh();
}

void TrialControls::refresh() {
    const bool blind = m_hearing.blind();
    const QString why = m_trials.hindrance();
    const bool busy = m_trials.busy();
    m_try->setText(busy ? say("Cancel") : say("Try them"));
    m_try->setEnabled(!blind && (busy || why.isEmpty()));
    m_progress->setVisible(busy);
    if (busy && !m_live.isActive()) m_live.start(100);
    if (!busy) m_live.stop();
    const auto& answers = m_trials.answers();
    const auto time = [](double s) { return QString::fromStdString(formatTime(s)).chopped(2); };
    m_state->setText(!why.isEmpty() ? why
                     : answers.empty()
                         ? say("Each is separated at once, and heard before it is used.")
                         : say("Of %1 to %2.").arg(time(m_trials.span().first), time(m_trials.span().second)));
    if (m_table->rowCount() != int(answers.size())) m_table->setRowCount(int(answers.size()));
    for (size_t i = 0; i < answers.size(); ++i) {
        const auto& row = answers[i].row;
        const QStringList cells{
            said(row.name),
            blind ? say("hidden") : QString("%1 dB").arg(row.weighing.spillDb, 0, 'f', 1).replace('-', QChar(0x2212)),
            blind ? say("hidden") : QString::number(std::lround(row.weighing.damage.total))};
        for (int c = 0; c < cells.size(); ++c) {
            if (!m_table->item(int(i), c)) m_table->setItem(int(i), c, new QTableWidgetItem);
            auto* item = m_table->item(int(i), c);
            item->setText(cells[c]);
            item->setToolTip(say("Separated in %1 s").arg(row.seconds, 0, 'f', 1));
            item->setTextAlignment((c == 0 ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter);
            item->setFont(theme::font(12, int(i) == m_trials.heard() ? QFont::DemiBold : QFont::Normal));
        }
    }
    m_table->setEnabled(!blind && !answers.empty());
    m_reason->setText(blind ? QString() : m_trials.reason());
    m_own->setEnabled(m_trials.heard() >= 0);
    m_use->setEnabled(!blind && m_table->currentRow() >= 0 && m_table->currentRow() < int(answers.size()));
}

}  // namespace rivlen
