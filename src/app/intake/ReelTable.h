#pragma once
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableView>

#include "app/intake/ReelsModel.h"
#include "app/reels/Treating.h"

namespace rivlen {

/// All reels as a table in the middle of the window: sorted, searched, and many at once grouped, treated or removed.
class ReelTable : public QWidget {
    Q_OBJECT
public:
    ReelTable(Document& document, Reels& reels, Treating& treating, Work& work, ReelsModel& model,
              QWidget* parent = nullptr);

signals:
    void closed();

private:
    std::vector<std::string> chosen() const;  ///< ids of the selected reels
    void refresh();
    void acceptFaults();
    void treatNow();
    void copyTreatments();
    Document& m_document;
    Reels& m_reels;
    Treating& m_treating;
    Work& m_work;
    ReelsModel& m_model;
    ReelsFilter* m_filter;
    QTableView* m_table;
    QLineEdit *m_search, *m_group;
    QLabel* m_count;
    QPushButton *m_accept, *m_treat, *m_copy, *m_remove, *m_setGroup;
};

}  // namespace rivlen
