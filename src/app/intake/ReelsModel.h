#pragma once
#include <QAbstractTableModel>
#include <QCollator>
#include <QSortFilterProxyModel>
#include <QTimer>

#include "app/document/Document.h"
#include "app/reels/Reels.h"

namespace rivlen {

/// The reels of the session as a table of facts, one row a reel, in the session's order. Name, group and note can be
/// typed.
class ReelsModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column {
        Name,
        Group,
        Length,
        Holds,
        Faults,
        Treatments,
        State,
        Loudness,
        Peak,
        Floor,
        Timecode,
        Frames,
        Sound,
        Note,
        kColumns
    };
    static constexpr int kSortRole = Qt::UserRole;  ///< numbers where a column holds numbers

    explicit ReelsModel(Document& document, Reels& reels, QObject* parent = nullptr);

    int rowCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : int(m_ids.size()); }
    int columnCount(const QModelIndex& = {}) const override { return kColumns; }
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    const std::string& id(int row) const { return m_ids[size_t(row)]; }
    int rowOf(const std::string& id) const;

    /// What is said of each treatment of a reel, line by line: "De-hum 100 %: takes away -43.2 dBFS".
    static QString treatmentLines(const Reel& reel, const ReelFacts& state);

private:
    void refresh();
    QVariant text(const Reel& reel, const ReelFacts& state, int column) const;
    QVariant number(const Reel& reel, const ReelFacts& state, int column) const;

    Document& m_document;
    Reels& m_reels;
    std::vector<std::string> m_ids;
    QTimer m_soon;  ///< many changes in a row, as when hundreds of reels are read, are shown as one
};

/// The rows whose words (name, group, note, faults, treatments, state, timecode) contain all that were typed; figures
/// would match by chance.
class ReelsFilter : public QSortFilterProxyModel {
    Q_OBJECT
public:
    explicit ReelsFilter(QObject* parent = nullptr) : QSortFilterProxyModel(parent) {
        m_order.setNumericMode(true);
    }  // take 9 comes before take 10
    void setWords(const QString& text);

protected:
    bool filterAcceptsRow(int row, const QModelIndex& parent) const override;
    bool lessThan(const QModelIndex& a, const QModelIndex& b) const override;

private:
    QStringList m_words;
    QCollator m_order;
};

}  // namespace rivlen
