#pragma once
#include <QCheckBox>
#include <QLabel>
#include <QSortFilterProxyModel>
#include <QTableView>

#include "app/dispatch/DeliveriesModel.h"

namespace rivlen {

/// The centre of Dispatch: what leaves the house, sorted as one likes, many rows ticked or edited at once.
class DeliveriesTable : public QWidget {
    Q_OBJECT
public:
    DeliveriesTable(Document& document, Reels& reels, DeliverablesDesk& desk, DispatchDesk& dispatch,
                    QWidget* parent = nullptr);

private:
    void refresh();
    void select();
    std::set<int> selected() const;  ///< deliverables of the selected rows

    Document& m_document;
    DeliverablesDesk& m_desk;
    DeliveriesModel m_model;
    QSortFilterProxyModel m_sorted;
    QTableView* m_table;
    QLabel* m_count;
    QCheckBox* m_all;
    bool m_following = false;  ///< the selection follows the desk, not the hand
};

}  // namespace rivlen
