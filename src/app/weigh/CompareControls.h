#pragma once
#include <QComboBox>
#include <QPushButton>

#include "app/weigh/CandidateDesk.h"
#include "app/weigh/TrialControls.h"

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
    QComboBox *m_a, *m_b;
    QPushButton* m_difference;
};

}  // namespace rivlen
