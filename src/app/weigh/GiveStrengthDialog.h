#pragma once
#include <QDialog>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include "app/document/Document.h"
#include "app/reels/Reels.h"
#include "app/reels/Splitting.h"
#include "app/work/OwnWork.h"
#include "core/isolation/Likeness.h"
#include "core/isolation/Weighing.h"

namespace rivlen {

/// Gives one strength to several reels: a table of all reels with spill and damage before and after, the similar ones
/// ticked. What is measured is at most kMost of each reel, around its middle.
class GiveStrengthDialog : public QDialog {
    Q_OBJECT
public:
    /// Deletes itself when it is closed.
    GiveStrengthDialog(Document& document, Reels& reels, Splitting& splitting, Work& work, IsolationSettings settings,
                       QWidget* parent = nullptr);

    static constexpr double kMost = 60;  // seconds
    /// What is known of a reel beside its name.
    struct Row {
        std::string id;
        std::optional<double> distance;  ///< from the current reel, dB
        std::optional<Weighing> before, after;
        QString hindrance;  ///< why there are no figures
    };
    const std::vector<Row>& rows() const { return m_rows; }
    bool busy() const { return !m_own.idle(); }

private:
    void measure();
    void fill(size_t row);
    void count();
    std::vector<std::string> ticked() const;

    Document& m_document;
    Reels& m_reels;
    Splitting& m_splitting;
    Work& m_work;
    IsolationSettings m_settings;
    std::vector<Row> m_rows;
    std::vector<bool> m_touched;  ///< ticked or unticked by hand: that stays
    QTableWidget* m_table;
    QLabel* m_state;
    QPushButton* m_give;
    OwnWork m_own;
};

}  // namespace rivlen
