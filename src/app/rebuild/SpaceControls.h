#pragma once
#include <QComboBox>
#include <QPushButton>

#include "app/rebuild/PlanView.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// What the mix is made for, and where its lanes stand in it.
class SpaceControls : public QWidget {
    Q_OBJECT
public:
    SpaceControls(RebuildDesk& desk, Hearing& hearing, QWidget* parent = nullptr);

private:
    void refresh();
    RebuildDesk& m_desk;
    Hearing& m_hearing;
    QPushButton* m_phones;
    QComboBox* m_format;
    PlanView* m_plan;
    QLabel *m_lane, *m_hint;
    std::vector<ValueRow*> m_rows;
};

}  // namespace rivlen
