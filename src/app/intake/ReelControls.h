#pragma once
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTreeView>

#include "app/intake/ReelsModel.h"
#include "app/reels/ReelReader.h"

namespace rivlen {

/// The page Reels of Intake: the reels, searched and sorted, and the facts of the present one. foot: what stands below.
class ReelControls : public QWidget {
    Q_OBJECT
public:
    ReelControls(Document& document, Reels& reels, ReelReader& reader, Work& work, ReelsModel& model, QWidget* foot,
                 QWidget* parent = nullptr);

signals:
    void tableWanted();  ///< all reels are to be shown as a table, or no longer

private:
    void refresh();
    void conform();
    Document& m_document;
    Reels& m_reels;
    ReelReader& m_reader;
    Work& m_work;
    ReelsModel& m_model;
    ReelsFilter* m_filter;
    QLineEdit *m_search, *m_group, *m_note;
    QComboBox* m_sort;
    QTreeView* m_list;
    QPushButton *m_remove, *m_find, *m_newer;
    QLabel *m_name, *m_facts;
};

}  // namespace rivlen
