#pragma once
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QTableWidget>
#include <QTimer>

#include "app/weigh/TrialDesk.h"

namespace rivlen {

/// Networks and settings tried on the loop: at Weigh, and at Split without leaving it.
class TrialControls : public QWidget {
    Q_OBJECT
public:
    /// prefix: of the controls' names, which are unique in the window.
    TrialControls(Hearing& hearing, TrialDesk& trials, const QString& prefix, QWidget* parent = nullptr);

private:
    void refresh();
    Hearing& m_hearing;
    TrialDesk& m_trials;
    QPushButton *m_try, *m_own, *m_use;
    QLabel *m_state, *m_reason;
    QProgressBar* m_progress;
    QTableWidget* m_table;
    QTimer m_live;
};

}  // namespace rivlen
