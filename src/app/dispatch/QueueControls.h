#pragma once
#include <QComboBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QTimer>
#include <QTreeWidget>

#include "app/dispatch/DispatchDesk.h"

namespace rivlen {

/// What is being delivered, what waits, and what became of what was: reels, their files, the files' checks.
class QueueControls : public QWidget {
    Q_OBJECT
public:
    explicit QueueControls(DispatchDesk& desk, QWidget* parent = nullptr);
    void refresh();

private:
    void tick();
    std::string chosenTask() const;
    void fillTask(QTreeWidgetItem* item, const DeliveryTask& task);

    DispatchDesk& m_desk;
    QTreeWidget* m_tree;
    QLabel* m_state;
    QProgressBar* m_bar;
    QPushButton *m_pause, *m_cancel, *m_remove, *m_again, *m_clear;
    QComboBox* m_priority;
    QTimer m_tick;
};

}  // namespace rivlen
