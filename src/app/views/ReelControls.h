#pragma once
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTreeView>

#include "app/Desks.h"
#include "app/ReelsModel.h"

namespace rivlen {

/// The page Reels of Intake: the reels, searched and sorted, and the facts of the present one.
class ReelControls : public QWidget {
    Q_OBJECT
public:
    ReelControls(Controller& controller, ReelsModel& model, QWidget* parent = nullptr);

signals:
    void tableWanted();  ///< all reels are to be shown as a table, or no longer

private:
    void refresh();
    void conform();
    Controller& m_controller;
    ReelsModel& m_model;
    ReelsFilter* m_filter;
    QLineEdit *m_search, *m_group, *m_note;
    QComboBox* m_sort;
    QTreeView* m_list;
    QPushButton *m_remove, *m_find, *m_newer;
    QLabel *m_name, *m_facts;
};

}  // namespace rivlen
