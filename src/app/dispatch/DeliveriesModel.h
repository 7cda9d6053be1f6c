#pragma once
#include <QAbstractTableModel>

#include "app/dispatch/DispatchDesk.h"

namespace rivlen {

/// What leaves the house: a row for each deliverable of each reel that is asked for, with what became of it.
class DeliveriesModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Reel_, Name, Holds, Strength, Loudness, Peak, Checks, State, File, kColumns };
    static constexpr int kSortRole = Qt::UserRole;

    DeliveriesModel(Document& document, Reels& reels, DeliverablesDesk& desk, DispatchDesk& dispatch,
                    QObject* parent = nullptr);

    struct Row {
        std::string reel;     ///< id
        int deliverable = 0;  ///< index into DeliverablesDesk::deliverables()
        bool operator==(const Row&) const = default;
    };
    const Row& at(int row) const { return m_rows[size_t(row)]; }
    int rowOf(const std::string& reel, int deliverable) const;  ///< -1: there is none

    int rowCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : int(m_rows.size()); }
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : kColumns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;

private:
    void follow();
    QString text(const Row& row, int column) const;
    QVariant sortKey(const Row& row, int column) const;
    const DispatchDesk::Delivery* delivery(const Row& row) const;

    Document& m_document;
    Reels& m_reels;
    DeliverablesDesk& m_desk;
    DispatchDesk& m_dispatch;
    std::vector<Row> m_rows;
    DispatchDesk::Deliveries m_made;
};

}  // namespace rivlen
