#include "app/weigh/CompareControls.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

CompareControls::CompareControls(Hearing& hearing, CandidateDesk& candidates, TrialDesk& trials, QWidget* parent)
    : QWidget(parent), m_hearing(hearing), m_candidates(candidates) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, say("Difference of two candidates"));
    auto* row = new QHBoxLayout;
    m_a = new QComboBox;
    m_b = new QComboBox;
    m_a->setObjectName("differenceA");
    m_b->setObjectName("differenceB");
    m_a->setAccessibleName(say("First candidate"));
    m_b->setAccessibleName(say("Second candidate"));
    m_difference =
        makeSmallButton("showdifference", say("Show it"), say("A picture of what one has and the other has not (X)"));
    row->addWidget(m_a);
    row->addWidget(new QLabel("and"));
    row->addWidget(m_b);
    row->addStretch();
    row->addWidget(m_difference);
    column->addLayout(row);
    column->addSpacing(8);
    addPageHeading(column, say("Networks and settings on the loop"));
    column->addWidget(new TrialControls(hearing, trials, ""), 1);

    const auto chosen = [this] { m_candidates.compare(m_a->currentData().toInt(), m_b->currentData().toInt()); };
    connect(m_a, &QComboBox::activated, this, chosen);
    connect(m_b, &QComboBox::activated, this, chosen);
    connect(m_difference, &QPushButton::clicked, this, &CompareControls::differenceWanted);
    connect(&m_candidates, &CandidateDesk::changed, this, &CompareControls::refresh);
    refresh();
}

void CompareControls::refresh() {
    const bool blind = m_hearing.blind();
    const auto pair = m_candidates.compared();
    for (auto* box : {m_a, m_b}) {
        const QSignalBlocker quiet(box);
        box->clear();
        for (int i = 0; i < kCandidates; ++i)
            if (m_candidates.at(i)) box->addItem(CandidateDesk::letter(i), i);
        if (pair) box->setCurrentIndex(box->findData(box == m_a ? pair->first : pair->second));
        box->setEnabled(pair.has_value());
    }
    m_difference->setEnabled(!blind);
}

}  // namespace rivlen
