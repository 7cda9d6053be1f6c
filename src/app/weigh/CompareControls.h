#pragma once
#include <QComboBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QTableWidget>
#include <QTimer>

#include "app/weigh/CandidateDesk.h"
#include "app/weigh/TrialDesk.h"

namespace rivlen {

/// Comparing at Weigh: whose difference is shown as a picture, and networks tried on the loop.
class CompareControls : public QWidget {
    Q_OBJECT
public:
    CompareControls(Hearing& hearing, CandidateDesk& candidates, TrialDesk& trials, QWidget* parent = nullptr);

signals:
    void differenceWanted();  ///< the picture is to be shown, or hidden

private:
    void refresh();
    Hearing& m_hearing;
    CandidateDesk& m_candidates;
    TrialDesk& m_trials;
    QComboBox *m_a, *m_b;
    QPushButton *m_difference, *m_try, *m_own, *m_use;
    QLabel *m_state, *m_reason;
    QProgressBar* m_progress;
    QTableWidget* m_table;
    QTimer m_live;
};

}  // namespace rivlen
