#pragma once
#include <QComboBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QTableWidget>

#include "app/Desks.h"

namespace rivlen {

/// Comparing at Weigh: whose difference is shown as a picture, and networks tried on the loop.
class CompareControls : public QWidget {
    Q_OBJECT
public:
    CompareControls(Controller& controller, Desks& desks, QWidget* parent = nullptr);

signals:
    void differenceWanted();  ///< the picture is to be shown, or hidden

private:
    void refresh();
    Controller& m_controller;
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
