#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QListWidget>

#include "app/rebuild/MendTool.h"
#include "app/rebuild/RebuildDesk.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// How areas of the Ownership picture are marked and what is done to them, and what was done so far.
class MendControls : public QWidget {
    Q_OBJECT
public:
    MendControls(RebuildDesk& desk, MendTool& tool, QWidget* parent = nullptr);

private:
    void refresh();
    void take();
    RebuildDesk& m_desk;
    MendTool& m_tool;
    QCheckBox* m_active;
    QComboBox *m_kind, *m_stem, *m_action;
    ValueRow *m_amount, *m_harmonics, *m_width, *m_height;
    QListWidget* m_list;
    QPushButton* m_remove;
};

}  // namespace rivlen
