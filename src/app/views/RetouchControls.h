#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QListWidget>

#include "app/RebuildDesk.h"
#include "app/RetouchTool.h"
#include "app/views/ValueRow.h"

namespace rivlen {

/// How areas of the Ownership picture are marked and what is done to them, and what was done so far.
class RetouchControls : public QWidget {
    Q_OBJECT
public:
    RetouchControls(RebuildDesk& desk, RetouchTool& tool, QWidget* parent = nullptr);

private:
    void refresh();
    void take();
    RebuildDesk& m_desk;
    RetouchTool& m_tool;
    QCheckBox* m_active;
    QComboBox *m_kind, *m_stem, *m_action;
    ValueRow *m_amount, *m_harmonics, *m_width, *m_height;
    QListWidget* m_list;
    QPushButton* m_remove;
};

}  // namespace rivlen
