#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/intake/TreatmentDesk.h"
#include "app/widgets/ValueRow.h"

namespace rivlen {

/// The page Treatments of Intake: the chain with its switches and amounts, and what is known of the chosen one.
class TreatmentControls : public QWidget {
    Q_OBJECT
public:
    TreatmentControls(Document& document, Reels& reels, Work& work, TreatmentDesk& desk, QWidget* parent = nullptr);
    /// Makes a treatment the chosen one and puts the keyboard on its amount.
    void choose(const QString& id);

private:
    struct Row {
        std::string id;
        QWidget* frame;
        QCheckBox* on;
        ValueRow* value;
        QLabel* effect;
    };
    void refresh();
    void rebuild();
    void fillChosen();
    int chosen() const;  ///< place of the chosen one in the chain, or -1

    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    TreatmentDesk& m_desk;
    std::vector<Row> m_rows;
    std::string m_chosen;
    QVBoxLayout* m_list;
    QLabel *m_empty, *m_name, *m_why, *m_state;
    QPushButton *m_add, *m_order, *m_hear, *m_hearAll, *m_earlier, *m_later, *m_remove;
    QComboBox* m_where;
    QWidget* m_detail;
};

}  // namespace rivlen
