#pragma once
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableWidget>

#include "app/weigh/OutsideDesk.h"

namespace rivlen {

/// A cleaner outside of Rivlen at Weigh: how it is reached, what is sent, and what came back beside Rivlen's own.
class OutsideControls : public QWidget {
    Q_OBJECT
public:
    OutsideControls(Hearing& hearing, OutsideDesk& desk, QWidget* parent = nullptr);

private:
    void setWays();
    void chooseFolder();
    void chooseAnswer();
    void refresh();
    void refreshTable();
    void refreshLayIn();
    Hearing& m_hearing;
    OutsideDesk& m_desk;
    QComboBox *m_what, *m_way;
    QLineEdit* m_target;
    QDoubleSpinBox* m_handles;
    QPushButton *m_browse, *m_send, *m_take, *m_own, *m_layIn;
    QLabel* m_state;
    QTableWidget* m_table;
};

}  // namespace rivlen
